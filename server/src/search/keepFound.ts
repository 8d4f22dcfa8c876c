import type { FirmData } from '@tufa/contract/entities';
import { SPOKEN } from '@tufa/contract/languages';
import { PLAIN, sayCoded, type Speaker } from '@tufa/words';
import type { DataSource, EntityManager } from 'typeorm';
import { withFirm } from '../data/withFirm';
import { firmRows, jobOver, OF_JOB, tableOf } from '../services/rows';
import { entriesOfJob } from './entriesOfJob';
import { UNCOUNTED, type SearchEntry } from './SearchEntry';

/** So many jobs are read in one transaction: whoever writes meanwhile does not wait for longer. */
const AT_ONCE = 20;

/** Whom the entries speak to: a search is asked in the firm's own words, whatever the phone's. */
const speakerOf = (data: FirmData): Speaker => {
  const settings = Object.values(data.firm)[0]?.settings;
  return { ...PLAIN, ...(settings ? { system: settings.system, currency: settings.currency } : {}) };
};

/** Whoever looks finds it in their own language: what was said in the first also says how the others say it. */
function inAll(speaker: Speaker, entriesOf: (speaker: Speaker) => SearchEntry[]): SearchEntry[] {
  const [first, ...others] = SPOKEN.map((language) => ({ language, entries: entriesOf({ ...speaker, language }) }));
  return first!.entries.map((entry, i) => ({
    ...entry,
    spoken: Object.fromEntries(others.flatMap(({ language, entries: { [i]: same } }) => (same ? [[language, { title: same.title, said: same.said }]] : []))),
  }));
}

const productEntries = (speaker: Speaker, data: FirmData): SearchEntry[] =>
  Object.values(data.product)
    .filter(({ removed }) => !removed)
    .map(({ id, name, class: of }) => ({
      ...UNCOUNTED,
      kind: 'product',
      id,
      jobId: null,
      title: name,
      said: sayCoded(speaker, `class.${of}`),
      at: null,
      product: name,
    }));

/** Writes entries in the place of what stood for them, with their words by themselves. */
async function write(tx: EntityManager, entries: readonly SearchEntry[]): Promise<void> {
  if (entries.length === 0) return;
  const rows = entries.map(({ at, jobId, calledBack, ...entry }) => ({
    ...entry,
    at: at?.toISOString() ?? null,
    year: at?.getUTCFullYear() ?? null,
    job_id: jobId,
    called_back: calledBack,
  }));
  await tx.query(
    `with given as (select * from jsonb_to_recordset($1::jsonb) as g(kind text, id uuid, job_id uuid, title text, said text, at timestamptz, year integer,
        place text, product text, weather text, lost boolean, called_back boolean, mixed_kg double precision, area_m2 double precision, cost_minor double precision, spoken jsonb)),
      kept as (insert into search_entry select current_setting('tufa.firm')::uuid, kind, id, job_id, title, said, at, year, place, product, weather, lost, called_back,
        mixed_kg, area_m2, cost_minor,
        setweight(to_tsvector('tufa', title), 'A') || to_tsvector('tufa', said) || jsonb_to_tsvector('tufa', spoken, '["string"]'), spoken from given
        on conflict (firm_id, kind, id) do nothing returning words)
      insert into search_word select distinct current_setting('tufa.firm')::uuid, word from kept, unnest(tsvector_to_array(words)) as word
        where length(word) between 2 and 40 on conflict do nothing`,
    [JSON.stringify(rows)],
  );
}

/** Marks the jobs whose rows have changed since the last look, and reads the products anew where any has. */
async function mark(tx: EntityManager): Promise<void> {
  const [firm] = await tx.query<{ id: string; change_counter: string }[]>('select id, change_counter from firm for share');
  if (!firm) return;
  const [upto] = await tx.query<{ changed: string }[]>('select changed from search_upto');
  const since = Number(upto?.changed ?? -1);
  if (Number(firm.change_counter) <= since) return;
  const changed = OF_JOB.map((name) => `select job_id from ${tableOf(name)} where changed > $1`).join(' union ');
  await tx.query(
    `insert into search_waiting select current_setting('tufa.firm')::uuid, job_id from (select id as job_id from job where changed > $1 union ${changed}) as touched on conflict do nothing`,
    [since],
  );
  const [product] = await tx.query<unknown[]>('select 1 from product where changed > $1 limit 1', [since]);
  if (product) {
    await tx.query(`delete from search_entry where kind = 'product'`);
    const data = await firmRows(tx);
    await write(
      tx,
      inAll(speakerOf(data), (speaker) => productEntries(speaker, data)),
    );
  }
  await tx.query('insert into search_upto values ($1, $2) on conflict (firm_id) do update set changed = excluded.changed', [firm.id, firm.change_counter]);
}

/** Reads some of the jobs that wait. @returns how many are left */
async function readSome(tx: EntityManager): Promise<number> {
  // Taken off the list before they are read: what changes meanwhile puts them on it again, once this has ended.
  const [taken] = await tx.query<[{ job_id: string }[], number]>(
    `delete from search_waiting where job_id in (select job_id from search_waiting order by job_id limit ${AT_ONCE} for update skip locked) returning job_id`,
  );
  if (taken.length > 0) {
    const shelf = await firmRows(tx);
    const entries: SearchEntry[] = [];
    const ids = taken.map(({ job_id }) => job_id);
    for (const jobId of ids) {
      const data = await jobOver(tx, shelf, jobId);
      const job = data.job[jobId];
      if (job && !job.removed) entries.push(...inAll({ ...speakerOf(data), zone: job.zone }, (speaker) => entriesOfJob(speaker, data, job)));
    }
    await tx.query('delete from search_entry where job_id = any($1)', [ids]);
    await write(tx, entries);
  }
  const [left] = await tx.query<{ count: string }[]>('select count(*) from search_waiting');
  return Number(left?.count ?? 0);
}

/** Firms whose rest is being read beside their answers. */
const reading = new Map<string, Promise<void>>();

/**
 * Sees to it that what has changed is found: a few jobs at once, the rest of many beside the answer.
 *
 * @returns how many jobs are still to be read
 */
export async function keepFound(source: DataSource, firmId: string): Promise<number> {
  await withFirm(source, firmId, mark);
  const left = await withFirm(source, firmId, readSome);
  if (left > 0 && !reading.has(firmId))
    reading.set(
      firmId,
      readRest(source, firmId).finally(() => reading.delete(firmId)),
    );
  return left;
}

async function readRest(source: DataSource, firmId: string): Promise<void> {
  // A server that is stopped meanwhile leaves the rest to the next that is asked.
  while ((await withFirm(source, firmId, readSome).catch(() => 0)) > 0);
}
