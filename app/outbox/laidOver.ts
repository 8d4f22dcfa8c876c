import { applyCommand } from '@tufa/contract/applyCommand';
import { emptyFirmData, type EntityName, type FirmData } from '@tufa/contract/entities';
import type { RowsOnPhone } from '../rows/PhoneRows';
import { isOfJob } from '../rows/shape';
import { pictureOf, standingOf, type Picture, type Standing } from '../rows/standing';
import type { OutboxRecord } from './database';

/** What a record is of. */
const nameOf = ({ command }: OutboxRecord): EntityName => command.kind.split('.')[0] as EntityName;

/** What was sent is laid over what was pulled until it has come back; what came back to be settled is not. */
const isLaid = ({ state }: OutboxRecord): boolean => state === 'waiting' || state === 'sent';

/** What is made of some things and kept while they are the same ones. */
class Remembered<T> {
  private readonly made = new Map<string, { readonly of: readonly unknown[]; readonly value: T }>();

  constructor(private readonly most: number) {}

  get(name: string, of: readonly unknown[], make: () => T): T {
    const before = this.made.get(name);
    if (before && before.of.length === of.length && before.of.every((thing, i) => thing === of[i])) return before.value;
    const value = make();
    this.made.delete(name);
    this.made.set(name, { of, value });
    const [oldest] = this.made.keys();
    if (this.made.size > this.most && oldest !== undefined) this.made.delete(oldest);
    return value;
  }
}

const firms = new Remembered<FirmData>(1);
const jobs = new Remembered<FirmData>(16);

/** The firm's own rows and the jobs', with what waits laid over them; of the jobs' rows nothing. */
export function firmLaidOver({ firm, jobs: jobRows }: RowsOnPhone, records: readonly OutboxRecord[]): FirmData {
  const laid = records.filter((record) => isLaid(record) && !isOfJob(nameOf(record)));
  return firms.get('', [firm, jobRows, ...laid.map(({ command }) => command.id)], () =>
    laid.reduce((rows, { command }) => applyCommand(rows, command), { ...emptyFirmData(), ...firm, job: jobRows }),
  );
}

/** A job with the firm's own rows, with what waits laid over them; null before its rows are read. */
export function jobLaidOver(phone: RowsOnPhone, records: readonly OutboxRecord[], jobId: string): FirmData | null {
  const rows = phone.open[jobId];
  if (!rows) return null;
  const { firm, person, product, sheet, stockLot, job } = firmLaidOver(phone, records);
  const laid = records.filter((record) => isLaid(record) && record.jobId === jobId && isOfJob(nameOf(record)));
  const row = job[jobId];
  return jobs.get(jobId, [rows, firm, person, product, sheet, stockLot, row, ...laid.map(({ command }) => command.id)], () =>
    laid.reduce((data, { command }) => applyCommand(data, command), { ...rows, firm, person, product, sheet, stockLot, job: row ? { [jobId]: row } : {} }),
  );
}

/** Jobs of whose rows something waits: where they stand is told from their rows. */
export const jobsOfRecords = (records: readonly OutboxRecord[]): string[] => [
  ...new Set(records.flatMap((record) => (isLaid(record) && record.jobId && isOfJob(nameOf(record)) ? [record.jobId] : []))),
];

const standings = new Remembered<RowsOnPhone['standings']>(1);
const pictures = new Remembered<Picture>(64);
const standing = new Remembered<Standing>(64);

/** Where each job stands, with what waits laid over it. */
export function standingsLaidOver(phone: RowsOnPhone, records: readonly OutboxRecord[]): RowsOnPhone['standings'] {
  const made = jobsOfRecords(records).flatMap((jobId) => {
    const data = jobLaidOver(phone, records, jobId);
    return data ? [[jobId, standing.get(jobId, [data], () => standingOf(data))] as const] : [];
  });
  return standings.get('', [phone.standings, ...made.flat()], () =>
    made.length === 0 ? phone.standings : { ...phone.standings, ...Object.fromEntries(made) },
  );
}

/** What a job's small picture is drawn from, with what waits laid over it; undefined before it is read. */
export function pictureLaidOver(phone: RowsOnPhone, records: readonly OutboxRecord[], jobId: string): Picture | undefined {
  const data = jobsOfRecords(records).includes(jobId) ? jobLaidOver(phone, records, jobId) : null;
  return data ? pictures.get(jobId, [data], () => pictureOf(data)) : phone.pictures[jobId];
}

/** A row as it stands with what waits laid over it, wherever it is phone. */
export function rowLaidOver(phone: RowsOnPhone, records: readonly OutboxRecord[], name: EntityName, id: string): Readonly<Record<string, unknown>> | undefined {
  const among = (data: FirmData | null): Readonly<Record<string, unknown>> | undefined =>
    (data?.[name] as unknown as Record<string, Record<string, unknown>> | undefined)?.[id];
  if (!isOfJob(name)) return among(firmLaidOver(phone, records));
  for (const jobId of Object.keys(phone.open)) {
    const row = among(jobLaidOver(phone, records, jobId));
    if (row) return row;
  }
  return undefined;
}
