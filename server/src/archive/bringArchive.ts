import { createHash } from 'node:crypto';
import { APPEND_ONLY, type EntityName } from '@tufa/contract/entities';
import { ARCHIVED, archivedRow, type ArchiveBrought } from '@tufa/contract/archive';
import { id, instant } from '@tufa/contract/common';
import { upgradePlan } from '@tufa/contract/upgradePlan';
import { isMaterial, upgradeSheet } from '@tufa/contract/upgradeSheet';
import { check } from '@tufa/contract/validate';
import type { PlanInput } from '@tufa/core/plan';
import type { Aid, Sheet } from '@tufa/core/shelf';
import Joi from 'joi';
import { QueryFailedError, type DataSource, type EntityManager } from 'typeorm';
import sharp from 'sharp';
import { withFirm } from '../data/withFirm';
import { TABLES } from '../entities';
import { PHOTO_SIZES } from '../entities/PhotographFile';
import { HttpProblem } from '../http/HttpProblem';
import { instantsOf } from '../services/instantsOf';
import type { ArchiveFile } from './ArchiveFile';

const AT_ONCE = 200;

/** What a firm that has begun to work has. */
const WORK = ['job', 'stock_lot', 'crew_entry', 'rehearsal', 'document'] as const;
/** What every firm has from its first day: an archive's own come over them. */
const THERE: readonly EntityName[] = ['person', 'product'];

const documentRow = Joi.object({
  id: id.required(),
  jobId: id.required(),
  kind: Joi.string().max(40).required(),
  number: Joi.string().max(40).required(),
  madeAt: instant.required(),
  person: id.required(),
  state: Joi.string().valid('done').required(),
  done: Joi.number().integer().min(0).required(),
  total: Joi.number().integer().min(0).required(),
  sha256: Joi.string().hex().length(64).required(),
  versions: Joi.object().required(),
});

type Fields = Record<string, unknown>;

/** A row against the schema that guards its commands. Where a table keeps *nothing* for what was never said, that is left out. @throws HttpProblem `archiveRow` */
function rowOf(name: EntityName, sent: unknown): Fields & { id: string; changed: number } {
  const schema = archivedRow(name);
  const said = Object.entries((sent ?? {}) as Fields).filter(([field, value]) => value !== null || !saysMore(name, schema).has(field));
  const row = Object.fromEntries(said);
  // What an earlier release wrote stays as it was, if this one can read it.
  const { value: read, fault } = check<Fields & { id: string; changed: number }>(schema, readAs(name, row));
  if (fault)
    throw new HttpProblem({
      status: 422,
      code: 'archiveRow',
      field: fault.field,
      figures: { file: `rows/${name}.jsonl`, id: String((sent as Fields)?.['id'] ?? ''), field: fault.field },
    });
  return { ...row, id: read.id, changed: read.changed };
}

/** A row as this release reads it; what is no row of any release stays what it is, and is refused. */
function readAs(name: EntityName, row: Fields): Fields {
  const { sheet, input } = row as { sheet?: Sheet | Aid; input?: PlanInput };
  try {
    if (name === 'sheet' && sheet && isMaterial(sheet)) return { ...row, sheet: upgradeSheet(sheet) };
    return name === 'plan' && input ? { ...row, input: upgradePlan(input) } : row;
  } catch {
    return row;
  }
}

const sayMore = new Map<EntityName, ReadonlySet<string>>();

/** Fields that hold something or are left out, never nothing. */
function saysMore(name: EntityName, schema: Joi.ObjectSchema): ReadonlySet<string> {
  const known =
    sayMore.get(name) ??
    new Set(Object.keys((schema.describe().keys ?? {}) as object).filter((field) => schema.extract(field).validate(null).error !== undefined));
  sayMore.set(name, known);
  return known;
}

async function keepRows(
  tx: EntityManager,
  firmId: string,
  { name, rows, from }: { name: EntityName; rows: readonly ReturnType<typeof rowOf>[]; from: number },
): Promise<void> {
  const kept = rows.map((row) => ({ firmId, setters: {}, ...instantsOf(row), changed: from + row.changed }));
  const table = tx.getRepository(TABLES[name]);
  if (name === 'firm') {
    const [{ name: called, settings } = {} as Fields] = rows as readonly Fields[];
    await table.update({ id: firmId }, { name: called, settings, changed: from + Number(rows[0]?.changed ?? 0) } as never);
    return;
  }
  if (THERE.includes(name)) await table.upsert(kept as never, ['firmId', 'id']);
  else if (APPEND_ONLY.includes(name))
    await table
      .createQueryBuilder()
      .insert()
      .values(kept as never)
      .orIgnore()
      .execute();
  else await table.insert(kept as never);
}

async function keepPicture(tx: EntityManager, firmId: string, file: string, bytes: Buffer): Promise<void> {
  const [, photographId, size] = /^photographs\/([0-9a-f-]{36})\.(\w+)\.jpg$/.exec(file) ?? [];
  const whole = await sharp(bytes)
    .metadata()
    .catch(() => null);
  if (whole?.format !== 'jpeg' || !photographId || !(PHOTO_SIZES as readonly string[]).includes(size!))
    throw new HttpProblem({ status: 422, code: 'archiveBroken', figures: { file } });
  await tx.query('insert into photograph_file (photograph_id, size, firm_id, bytes) values ($1, $2, $3, $4)', [photographId, size, firmId, bytes]);
}

/** Documents keep the number under which they went out, and the bytes that it stands for. */
async function keepDocuments(tx: EntityManager, firmId: string, archive: ArchiveFile): Promise<number> {
  let count = 0;
  for await (const lines of archive.lines('rows/document.jsonl', AT_ONCE))
    for (const line of lines) {
      const { value, fault } = check<Fields & { id: string; sha256: string }>(documentRow, line);
      if (fault)
        throw new HttpProblem({ status: 422, code: 'archiveRow', field: fault.field, figures: { file: 'rows/document.jsonl', id: '', field: fault.field } });
      const file = `documents/${value.id}.pdf`;
      const bytes = await archive.bytes(file);
      if (createHash('sha256').update(bytes).digest('hex') !== value.sha256) throw new HttpProblem({ status: 422, code: 'archiveBroken', figures: { file } });
      const { jobId, kind, number, madeAt, person, state, done, total, sha256, versions } = value;
      await tx.query(
        `insert into document (id, firm_id, job_id, kind, number, made_at, person, state, done, total, sha256, versions, bytes)
          values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13)`,
        [value.id, firmId, jobId, kind, number, madeAt, person, state, done, total, sha256, versions, bytes],
      );
      count += 1;
    }
  return count;
}

/**
 * Brings an archive into a firm that has done no work yet: all of it, or nothing.
 *
 * @throws HttpProblem `firmNotEmpty`, `archiveRow`, `archiveBroken`, `archiveHalf`
 */
export async function bringArchive({ source, firmId, archive }: { source: DataSource; firmId: string; archive: ArchiveFile }): Promise<ArchiveBrought> {
  try {
    return await withFirm(source, firmId, (tx) => bring(tx, firmId, archive));
  } catch (error) {
    // What names a row that is not in it, or comes twice.
    if (error instanceof QueryFailedError && /^(23503|23505|22P02|22P05|22003)$/.test(String((error.driverError as { code?: string }).code)))
      throw new HttpProblem({ status: 422, code: 'archiveHalf' });
    throw error;
  }
}

async function bring(tx: EntityManager, firmId: string, archive: ArchiveFile): Promise<ArchiveBrought> {
  const [firm] = await tx.query<{ change_counter: string }[]>('select change_counter from firm where id = $1 for update', [firmId]);
  const [begun] = await tx.query<{ begun: boolean }[]>(`select ${WORK.map((table) => `exists (select 1 from ${table})`).join(' or ')} as begun`);
  if (begun?.begun) throw new HttpProblem({ status: 409, code: 'firmNotEmpty' });
  const from = Number(firm!.change_counter);
  const counts: Record<string, number> = {};
  let last = 0;
  for (const name of ARCHIVED)
    for await (const lines of archive.lines(`rows/${name}.jsonl`, AT_ONCE)) {
      const rows = lines.map((line) => rowOf(name, line));
      await keepRows(tx, firmId, { name, rows, from });
      counts[name] = (counts[name] ?? 0) + rows.length;
      last = Math.max(last, ...rows.map(({ changed }) => changed));
    }
  const pictures = archive.under('photographs/');
  for (const file of pictures) await keepPicture(tx, firmId, file, await archive.bytes(file));
  const letters = archive.under('letters/');
  for (const file of letters) {
    const letterId = file.slice('letters/'.length);
    if (id.validate(letterId).error) throw new HttpProblem({ status: 422, code: 'archiveBroken', figures: { file } });
    await tx.query('insert into letter_file (letter_id, firm_id, bytes) values ($1, $2, $3)', [letterId, firmId, await archive.bytes(file)]);
  }
  const documents = await keepDocuments(tx, firmId, archive);
  await tx.query('update firm set change_counter = $1 where id = $2', [from + last + 1, firmId]);
  await tx.query(`select pg_notify('tufa_news', $1)`, [`${firmId} ${from + last + 1}`]);
  return { rows: counts, files: pictures.length + letters.length + documents };
}
