import { assemblePlanInput } from '@tufa/contract/assemble';
import type { DocumentKind } from '@tufa/contract/documents';
import type { FirmData } from '@tufa/contract/entities';
import { pourEventsOf } from '@tufa/contract/pourEvents';
import { computePlan, stoppedIn } from '@tufa/core/plan';
import { fold } from '@tufa/core/pour';
import type { Spoken } from '@tufa/contract/languages';
import type { Speaker } from '@tufa/words';
import { createHash } from 'node:crypto';
import { In, type DataSource, type EntityManager } from 'typeorm';
import { v7 as uuid } from 'uuid';
import { nextChange, withFirm } from '../data/withFirm';
import { logoOf } from '../documents/letterhead';
import { jobDocument, versionsOf } from '../documents/jobDocument';
import type { JobParts } from '../documents/JobParts';
import { renderPdf } from '../documents/renderPdf';
import { withStrokes } from '../documents/withStrokes';
import { DocumentRow, PhotographFile } from '../entities';
import { HttpProblem } from '../http/HttpProblem';
import { jobData } from './rows';

/** Pictures come in so many at a time: between them it is looked whether somebody has stopped it. */
const AT_ONCE = 5;
/** Of one document no more than this is shown. */
const MOST_PICTURES = 200;

/** Parts of a document whose mixes a stop takes away. */
const STOPPED: readonly DocumentKind[] = ['offer', 'method'];

function partsOf(data: FirmData, jobId: string, language: Spoken): JobParts {
  const input = assemblePlanInput(data, jobId);
  const job = data.job[jobId];
  if (!input || !job) throw new HttpProblem({ status: 404, code: 'notFound', field: 'job' });
  const events = pourEventsOf(data, jobId);
  const speaker: Speaker = { language, system: input.firm.system, currency: input.firm.currency, zone: job.zone };
  return { speaker, data, job, input, plan: computePlan(input, { ranked: 'chosen' }), events, batches: fold(events), pictures: new Map() };
}

/** Pictures that a completion sheet shows: those taken again from the same place, and what they were before. */
const shownIn = ({ data, job }: JobParts): string[] =>
  Object.values(data.photograph)
    .filter(({ jobId, removed, before }) => jobId === job.id && !removed && before !== null)
    .flatMap(({ id, before }) => [before!, id])
    .slice(0, MOST_PICTURES);

/** The firm's next number: its row is held until this one is written. */
async function nextNumber(tx: EntityManager, firmId: string, at: Date): Promise<string> {
  await nextChange(tx, firmId);
  const [row] = await tx.query<{ count: string }[]>('select count(*) from document');
  return `${at.getUTCFullYear()}-${String(Number(row?.count ?? 0) + 1).padStart(4, '0')}`;
}

interface Asked {
  readonly source: DataSource;
  readonly firmId: string;
  readonly person: string;
  readonly jobId: string;
  readonly kind: DocumentKind;
  /** whoever reads it reads this */
  readonly language: Spoken;
  readonly at: Date;
}

/**
 * Begins a document and makes it beside the answer.
 *
 * @returns its row, and what ends with it
 * @throws HttpProblem 404 where there is no such job, 409 `stoppedJob` where a stop stands and it would print a mix
 */
export async function beginDocument({
  source,
  firmId,
  person,
  jobId,
  kind,
  language,
  at,
}: Asked): Promise<{ readonly row: DocumentRow; readonly made: Promise<void> }> {
  const { row, parts } = await withFirm(source, firmId, async (tx) => {
    const data = await jobData(tx, jobId);
    const parts = partsOf(data, jobId, language);
    const nothing = parts.plan.findings.every(({ chosen }) => chosen === null) && stoppedIn(parts.plan.elements).size > 0;
    if (STOPPED.includes(kind) && nothing) throw new HttpProblem({ status: 409, code: 'stoppedJob', field: 'kind' });
    const repo = tx.getRepository(DocumentRow);
    const row = repo.create({
      id: uuid(),
      firmId,
      jobId,
      kind,
      number: await nextNumber(tx, firmId, at),
      madeAt: at,
      person,
      state: 'making',
      done: 0,
      total: kind === 'completion' ? shownIn(parts).length : 0,
      sha256: null,
      versions: versionsOf(parts),
      bytes: null,
    });
    await repo.insert(row as never);
    return { row, parts };
  });
  return {
    row,
    made: make({ source, row, parts })
      .catch(() => settle(source, row, { state: 'failed' }))
      // A server that is stopped meanwhile leaves it unmade: it is asked for again.
      .catch(() => undefined),
  };
}

const settle = (source: DataSource, { id, firmId }: DocumentRow, change: Partial<DocumentRow>): Promise<void> =>
  withFirm(source, firmId, async (tx) => void (await tx.getRepository(DocumentRow).update({ id, state: 'making' }, change as never)));

async function make({ source, row, parts }: { source: DataSource; row: DocumentRow; parts: JobParts }): Promise<void> {
  const pictures = new Map<string, string>();
  const ids = row.total === 0 ? [] : [...new Set(shownIn(parts))];
  const logo = logoOf(Object.values(parts.data.firm)[0]);
  if (logo) {
    const file = await withFirm(source, row.firmId, (tx) => tx.getRepository(PhotographFile).findOneBy({ photographId: logo, size: 'full' }));
    if (file) pictures.set(logo, `data:image/jpeg;base64,${file.bytes.toString('base64')}`);
  }
  for (let from = 0; from < ids.length; from += AT_ONCE) {
    const some = ids.slice(from, from + AT_ONCE);
    const { files, goesOn } = await withFirm(source, row.firmId, async (tx) => {
      const present = await tx.getRepository(DocumentRow).findOneBy({ id: row.id });
      await tx.getRepository(DocumentRow).update({ id: row.id, state: 'making' }, { done: from });
      return { files: await tx.getRepository(PhotographFile).find({ where: { photographId: In(some), size: 'full' } }), goesOn: present?.state === 'making' };
    });
    if (!goesOn) return;
    for (const { photographId, bytes } of files) {
      const drawn = await withStrokes(bytes, parts.data.photograph[photographId]!.strokes);
      pictures.set(photographId, `data:image/jpeg;base64,${drawn.toString('base64')}`);
    }
  }
  const bytes = await renderPdf(jobDocument({ kind: row.kind as DocumentKind, number: row.number, at: row.madeAt, parts: { ...parts, pictures } }));
  await settle(source, row, { state: 'done', done: row.total, sha256: createHash('sha256').update(bytes).digest('hex'), bytes });
}
