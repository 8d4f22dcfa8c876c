import { ERASED } from '@tufa/contract/erased';
import type { EntityName } from '@tufa/contract/entities';
import type { EntityManager } from 'typeorm';
import { v7 as uuid } from 'uuid';
import { nextChange } from '../data/withFirm';
import { CommandRow } from '../entities';
import { HttpProblem } from '../http/HttpProblem';
import { OF_JOB, tableOf } from '../services/rows';
import { doorsOf } from './doorsOf';

/** What people write in their own words, by the name of its field. */
const WRITTEN: ReadonlySet<string> = new Set(['text', 'note', 'said', 'neighbours']);

/** A value without what must go: words of one's own where they are said, and every sentence that names somebody. */
function without(value: unknown, names: readonly string[], written: ReadonlySet<string>, key = ''): unknown {
  if (typeof value === 'string') {
    const small = value.toLowerCase();
    return value !== '' && (written.has(key) || names.some((name) => small.includes(name))) ? ERASED : value;
  }
  if (Array.isArray(value)) return value.map((item) => without(item, names, written, key));
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([field, inner]) => [field, without(inner, names, written, field)]));
}

const named = (texts: readonly (string | null | undefined)[]): string[] => [
  ...new Set(texts.flatMap((text) => (text && text.trim().length > 1 ? [text.trim().toLowerCase()] : []))),
];

interface Scrubbed {
  readonly table: string;
  /** columns of JSON or text that may hold words */
  readonly columns: readonly string[];
  readonly where: string;
  readonly values: readonly unknown[];
  readonly names: readonly string[];
  readonly written?: ReadonlySet<string>;
}

/** What is only ever added to: the database's own functions take words out of it, beside the line that says so. */
const LOGS: ReadonlySet<string> = new Set(['command', 'reading', 'plan', 'pour_event']);

/** Takes words out of rows. Those that travel to the phones get a number of change, so that every phone forgets them too. */
async function scrub(tx: EntityManager, { table, columns, where, values, names, written = new Set() }: Scrubbed, changed: number | null): Promise<void> {
  const rows = await tx.query<Record<string, unknown>[]>(`select id, ${columns.join(', ')} from ${table} where ${where}`, [...values]);
  for (const row of rows) {
    const cleaned = Object.fromEntries(columns.map((column) => [column, without(row[column], names, written, column)]));
    if (columns.every((column) => JSON.stringify(cleaned[column]) === JSON.stringify(row[column]))) continue;
    if (LOGS.has(table)) await tx.query('select erase_words($1, $2, $3, $4)', [table, row['id'], JSON.stringify(cleaned), changed]);
    else {
      const told = columns.map((column) => (typeof row[column] === 'object' ? JSON.stringify(cleaned[column]) : cleaned[column]));
      const set = columns.map((column, i) => `${column} = $${i + 3}`).join(', ');
      await tx.query(`update ${table} set ${set}, version = version + 1, changed = $2 where id = $1`, [row['id'], changed, ...told]);
    }
  }
}

/** What is searched is read anew: its words stand by themselves too. */
async function searchAnew(tx: EntityManager): Promise<void> {
  for (const table of ['search_entry', 'search_word', 'search_waiting', 'search_upto']) await tx.query(`delete from ${table}`);
}

/** Who erased, from which device and when. */
export interface ErasedBy {
  readonly firmId: string;
  readonly personId: string;
  readonly deviceId: string;
  readonly at: Date;
}

/** The trail says that it was erased, and the phones hear of it. */
async function tellErased(
  tx: EntityManager,
  { firmId, personId, deviceId, at }: ErasedBy,
  { kind, target, changed }: { kind: string; target: string; changed: number },
): Promise<void> {
  await tx.getRepository(CommandRow).insert({
    id: uuid(),
    firmId,
    version: 1,
    changed,
    removed: false,
    setters: {},
    device: deviceId,
    seq: 0,
    person: personId,
    madeAt: at,
    receivedAt: at,
    kind,
    target,
    v: 1,
    base: null,
    change: {},
    result: { result: 'done' },
  } as never);
  await tx.query(`select pg_notify('tufa_news', $1)`, [`${firmId} ${changed}`]);
}

/**
 * Erases somebody who worked for the firm: their name wherever it stands, their spoken notes and what opened the doors to
 * them. What they did stays, as somebody's. A document that went out keeps what it said.
 *
 * @throws HttpProblem 404, 409 `lastOwner`
 */
export async function erasePerson(tx: EntityManager, by: ErasedBy, personId: string): Promise<void> {
  const [person] = await tx.query<(Parameters<typeof doorsOf>[1] & { name: string })[]>('select * from person where id = $1', [personId]);
  if (!person) throw new HttpProblem({ status: 404, code: 'notFound', field: 'person' });
  await doorsOf(tx, person, { removed: true, role: undefined });
  const changed = await nextChange(tx, by.firmId);
  await tellErased(tx, by, { kind: 'person.erase', target: personId, changed });
  await tx.query(`update person set name = $2, language = null, removed = true, version = version + 1, changed = $3 where id = $1`, [
    personId,
    ERASED,
    changed,
  ]);
  const name = person.name.toLowerCase();
  // Whoever else is called so keeps their name: it goes where it is this person's.
  const theirs: Scrubbed = {
    table: 'reading',
    columns: ['value'],
    where: `value->>'by' = $1 and id in (select target from command where person = $2 and kind = 'reading.add')`,
    values: [person.name, personId],
    names: [name],
  };
  await scrub(tx, theirs, changed);
  await scrub(
    tx,
    {
      table: 'command',
      columns: ['base', 'change', 'result'],
      where: `target = $1 or (person = $1 and change::text ilike '%' || $2 || '%')`,
      values: [personId, person.name],
      names: [name],
    },
    null,
  );
  const voices = await tx.query<{ voice: string }[]>(`select payload->>'voice' as voice from pour_event where person = $1 and payload ? 'voice'`, [personId]);
  await tx.query('select erase_files($1, $2)', [[], voices.map(({ voice }) => voice)]);
  await searchAnew(tx);
}

/** Tables of what belongs to a job, with the columns of each that may hold words. */
const WORDS_OF: Readonly<Partial<Record<EntityName, readonly string[]>>> = {
  element: ['name', 'geometry', 'properties', 'stops'],
  finding: ['properties'],
  reading: ['value'],
  plan: ['input'],
  pourEvent: ['payload'],
  careVisit: ['note'],
};

/** What was found to erase. */
export interface Erased {
  readonly jobs: number;
  readonly files: number;
}

/**
 * Erases a customer: who they are and where, what was written, photographed, spoken and handed over at their jobs, and
 * the documents made for them. What a batch took stays, as somebody's: the crew's own figures came from it.
 *
 * @param jobId one of their jobs; all that have the same customer's name are theirs
 * @throws HttpProblem 404
 */
export async function eraseCustomer(tx: EntityManager, by: ErasedBy, jobId: string): Promise<Erased> {
  const jobs = await tx.query<{ id: string; name: string; customer: string; address: string; access_note: string; place: { name?: string } | null }[]>(
    `select id, name, customer, address, access_note, place from job
     where id = $1 or (customer <> '' and lower(customer) = (select lower(customer) from job where id = $1))`,
    [jobId],
  );
  if (!jobs.some(({ id }) => id === jobId)) throw new HttpProblem({ status: 404, code: 'notFound', field: 'job' });
  const ids = jobs.map(({ id }) => id);
  const names = named(jobs.flatMap(({ name, customer, address, access_note, place }) => [name, customer, address, access_note, place?.name]));
  const changed = await nextChange(tx, by.firmId);
  for (const id of ids) await tellErased(tx, by, { kind: 'job.erase', target: id, changed });
  await tx.query(
    `update job set name = $2 || ' ' || right(id::text, 6), customer = '', address = '', access_note = '', place = null, day_plan = null,
       closed_on = coalesce(closed_on, $3), version = version + 1, changed = $4 where id = any($1)`,
    [ids, ERASED, by.at.toISOString().slice(0, 10), changed],
  );
  for (const [entity, columns] of Object.entries(WORDS_OF) as [EntityName, readonly string[]][])
    await scrub(tx, { table: tableOf(entity), columns, where: 'job_id = any($1)', values: [ids], names, written: WRITTEN }, changed);
  const files = await tx.query<{ picture: string | null; letter: string | null }[]>(
    `select id as picture, null as letter from photograph where job_id = any($1)
     union all select null, (payload->>'voice')::uuid from pour_event where job_id = any($1) and payload ? 'voice'
     union all select null, (stops #>> '{opinion,file,id}')::uuid from element where job_id = any($1) and stops #>> '{opinion,file,kind}' = 'pdf'`,
    [ids],
  );
  const [{ erased }] = await tx.query<[{ erased: number }]>('select erase_files($1, $2) as erased', [
    files.flatMap(({ picture }) => picture ?? []),
    files.flatMap(({ letter }) => letter ?? []),
  ]);
  await tx.query(`update photograph set removed = true, strokes = '[]', version = version + 1, changed = $2 where job_id = any($1) and not removed`, [
    ids,
    changed,
  ]);
  await tx.query(`delete from door_key where kind = 'document' and target in (select id from document where job_id = any($1))`, [ids]);
  const [, documents] = (await tx.query(`update document set bytes = null, sha256 = null, state = 'erased' where job_id = any($1)`, [ids])) as [
    unknown,
    number,
  ];
  // The log says that something was done, by whom and when; what, no longer.
  const rows = [...OF_JOB, 'careVisit' as const].map((entity) => `select id from ${tableOf(entity)} where job_id = any($1)`);
  await tx.query(`select erase_log(array(${['select unnest($1::uuid[])', ...rows].join(' union all ')}))`, [ids]);
  // The firm's own list of places may name theirs.
  await scrub(tx, { table: 'firm', columns: ['settings'], where: 'true', values: [], names }, changed);
  await scrub(tx, { table: 'command', columns: ['base', 'change', 'result'], where: `kind like 'firm.%'`, values: [], names }, null);
  await searchAnew(tx);
  return { jobs: ids.length, files: erased + documents };
}
