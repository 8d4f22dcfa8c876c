import { applyCommand, entityOf } from '@tufa/contract/applyCommand';
import { emptyFirmData, type EntityName, type FirmData, type Row } from '@tufa/contract/entities';
import type { RowsOnPhone } from '../rows/PhoneRows';
import { isOfJob } from '../rows/shape';
import { pictureOf, standingOf, type Picture, type Standing } from '../rows/standing';
import type { OutboxRecord } from './database';

/** What was sent is laid over what was pulled until it has come back; what came back to be settled is not. */
const isLaid = ({ state }: OutboxRecord): boolean => state === 'keeping' || state === 'waiting' || state === 'sent';

const isOfAJob = ({ command }: OutboxRecord): boolean => isOfJob(entityOf(command));

const idsOf = (records: readonly OutboxRecord[]): string[] => records.map(({ command }) => command.id);

/**
 * What is made of some things is made once while they are the same ones, whichever screens ask and however many jobs are
 * looked at: it is kept with the first of them and goes when that goes.
 */
export function remembered<T>(): (of: readonly [object, ...unknown[]], make: () => T) => T {
  const made = new WeakMap<object, { readonly of: readonly unknown[]; readonly value: T }>();
  return (of, make) => {
    const before = made.get(of[0]);
    if (before && before.of.length === of.length && before.of.every((thing, i) => thing === of[i])) return before.value;
    const value = make();
    made.set(of[0], { of, value });
    return value;
  };
}

const firms = remembered<FirmData>();
const jobs = remembered<FirmData>();
const standings = remembered<RowsOnPhone['standings']>();
const standing = remembered<Standing>();
const pictures = remembered<Picture>();

/** The firm's own rows and the jobs', with what waits laid over them; of the jobs' rows nothing. */
export function firmLaidOver({ firm, jobs: job }: RowsOnPhone, records: readonly OutboxRecord[]): FirmData {
  const laid = records.filter((record) => isLaid(record) && !isOfAJob(record));
  return firms([firm, job, ...idsOf(laid)], () => laid.reduce((rows, { command }) => applyCommand(rows, command), { ...emptyFirmData(), ...firm, job }));
}

/** A job with the firm's own rows, with what waits laid over them; null before its rows are read. */
export function jobLaidOver(phone: RowsOnPhone, records: readonly OutboxRecord[], jobId: string): FirmData | null {
  const rows = phone.open[jobId];
  if (!rows) return null;
  const { firm, person, product, sheet, stockLot, rehearsal, crewEntry, careVisit, job } = firmLaidOver(phone, records);
  const laid = records.filter((record) => isLaid(record) && record.jobId === jobId && isOfAJob(record));
  const row = job[jobId];
  return jobs([rows, firm, person, product, sheet, stockLot, rehearsal, crewEntry, careVisit, row, ...idsOf(laid)], () =>
    laid.reduce((data, { command }) => applyCommand(data, command), {
      ...rows,
      firm,
      person,
      product,
      sheet,
      stockLot,
      rehearsal,
      crewEntry,
      careVisit,
      job: row ? { [jobId]: row } : {},
    }),
  );
}

const NONE = {};

/** Several jobs, those that are read already. @param kept what whoever asks was given last: each looks at jobs of its own */
export function jobsLaidOver(
  phone: RowsOnPhone,
  records: readonly OutboxRecord[],
  jobIds: readonly string[],
  kept: ReturnType<typeof remembered<ReadonlyMap<string, FirmData>>>,
): ReadonlyMap<string, FirmData> {
  const read = jobIds.flatMap((id) => {
    const data = jobLaidOver(phone, records, id);
    return data ? [[id, data] as const] : [];
  });
  return kept([read[0]?.[1] ?? NONE, ...read.flat()], () => new Map(read));
}

/** Jobs of whose rows something waits: where they stand is told from their rows. */
export const jobsOfRecords = (records: readonly OutboxRecord[]): string[] => [
  ...new Set(records.flatMap((record) => (isLaid(record) && record.jobId && isOfAJob(record) ? [record.jobId] : []))),
];

/** Where each job stands, with what waits laid over it. */
export function standingsLaidOver(phone: RowsOnPhone, records: readonly OutboxRecord[]): RowsOnPhone['standings'] {
  const made = jobsOfRecords(records).flatMap((jobId) => {
    const data = jobLaidOver(phone, records, jobId);
    return data ? [[jobId, standing([data], () => standingOf(data))] as const] : [];
  });
  return made.length === 0 ? phone.standings : standings([phone.standings, ...made.flat()], () => ({ ...phone.standings, ...Object.fromEntries(made) }));
}

/** What a job's small picture is drawn from, with what waits laid over it; undefined before it is read. */
export function pictureLaidOver(phone: RowsOnPhone, records: readonly OutboxRecord[], jobId: string): Picture | undefined {
  const data = jobsOfRecords(records).includes(jobId) ? jobLaidOver(phone, records, jobId) : null;
  return data ? pictures([data], () => pictureOf(data)) : phone.pictures[jobId];
}

/** A row as it stands with what waits laid over it, wherever it is held. */
export function rowLaidOver(phone: RowsOnPhone, records: readonly OutboxRecord[], name: EntityName, id: string): Row | undefined {
  if (!isOfJob(name)) return firmLaidOver(phone, records)[name][id];
  for (const jobId of Object.keys(phone.open)) {
    const row = jobLaidOver(phone, records, jobId)?.[name][id];
    if (row) return row;
  }
  return undefined;
}
