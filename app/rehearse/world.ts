import { emptyFirmData, type EntityName, type FirmData } from '@tufa/contract/entities';
import { DEFAULT_BATCH, DEFAULT_CREW } from '@tufa/core/plan';
import { aids, catalogue } from '@tufa/core/shelf/catalogue';
import dock from '../../demo/1-loading-dock.job.json';
import wall from '../../demo/3-yard-wall.job.json';
import floor from '../../demo/4-press-hall-floor.job.json';
import steps from '../../demo/5-cellar-steps.job.json';
import counter from '../../demo/6-tasting-counter.job.json';
import cistern from '../../demo/7-rinse-cistern.job.json';
import type { Scenario } from './scenarios';

interface JobFile {
  readonly job: { readonly id: string };
  readonly rows: readonly { readonly name: EntityName; readonly id: string; readonly fields: Readonly<Record<string, unknown>> }[];
}

const JOBS = [dock, wall, floor, steps, counter, cistern] as unknown as readonly JobFile[];

/** What of a job is left out where only some of its findings are rehearsed. */
function leftOut({ rows }: JobFile, labels: readonly string[] | undefined): ReadonlySet<unknown> {
  const others = rows.filter(({ name, fields }) => labels && name === 'finding' && !labels.includes(String(fields['label'])));
  return new Set(others.map(({ id }) => id));
}

/**
 * The job of a scenario with the shelf as it was shipped: none of the firm's own rows but who it is, its units and its
 * house method. Nothing of it is ever written.
 *
 * @param begins_ms when it begins, ms since 1970
 * @returns null where the demonstration has no such job
 */
export function worldOf(firm: Pick<FirmData, 'firm' | 'person'>, { job: jobId, findings, hands, conditions }: Scenario, begins_ms: number): FirmData | null {
  const file = JOBS.find(({ job }) => job.id === jobId);
  if (!file) return null;
  const data: Record<string, Record<string, unknown>> = { ...emptyFirmData(), firm: { ...firm.firm }, person: { ...firm.person } };
  const add = (name: EntityName, id: string, fields: object): void => {
    data[name] = { ...data[name], [id]: { id, removed: false, version: 1, changed: 1, ...fields } };
  };
  for (const sheet of [...catalogue, ...aids]) add('sheet', sheet.id, { productId: sheet.productId, revision: sheet.revision, sheet });
  add('job', jobId, { crew: DEFAULT_CREW, batch: DEFAULT_BATCH, pourOn: null, ...file.job });
  const job = data['job']![jobId] as { crew: object };
  add('job', jobId, { ...job, crew: { ...job.crew, hands }, place: null });
  const out = leftOut(file, findings);
  const takenAt = new Date(begins_ms - 3_600_000).toISOString();
  for (const { name, id, fields } of file.rows) {
    if (name === 'pourEvent' || name === 'plan' || out.has(id) || out.has(fields['findingId'])) continue;
    add(name, id, { ...fields, jobId, ...(name === 'reading' || name === 'photograph' ? { takenAt } : {}) });
  }
  for (const [kind, value] of Object.entries(conditions))
    add('reading', `practice ${kind}`, {
      jobId,
      elementId: null,
      findingId: null,
      at: null,
      subject: null,
      kind,
      value: { value, source: 'typed' },
      takenAt: new Date(begins_ms).toISOString(),
    });
  return data as unknown as FirmData;
}

/** A job's own day without what was poured of it. */
export function dayOfJob(data: FirmData, jobId: string): FirmData {
  const without = <R extends { readonly jobId: string }>(rows: Readonly<Record<string, R>>): Readonly<Record<string, R>> =>
    Object.fromEntries(Object.entries(rows).filter(([, row]) => row.jobId !== jobId));
  return { ...data, pourEvent: without(data.pourEvent), plan: without(data.plan) };
}
