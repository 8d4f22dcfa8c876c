import type { FirmData, RowOf } from '@tufa/contract/entities';
import { entriesOf, jobEntriesOf, recordEntryOf, type CrewEntryMade } from '@tufa/core/plan';
import { crewRecord, type CrewRecord } from '@tufa/core/setting';
import { flowOf, givesRange, type Sheet } from '@tufa/core/shelf';
import { v7 as uuid } from 'uuid';
import { change, type Change } from '../outbox/useFirm';
import type { JobView } from '../parts/job/useJob';
import { batchOfPlan } from '../pour/clocks';

type EntryRow = RowOf<'crewEntry'>;

/** Entries that somebody has taken up, the oldest first. */
export const entriesIn = (data: Pick<FirmData, 'crewEntry'>, productId?: string): EntryRow[] =>
  Object.values(data.crewEntry)
    .filter((row) => !row.removed && (productId === undefined || row.productId === productId))
    .sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : a.id < b.id ? -1 : 1));

/** What a job's log shows of the crew's own figures. */
function shownBy(view: JobView): CrewEntryMade[] {
  const poured = view.batches.flatMap((state) => {
    const found = batchOfPlan(view.data, state);
    return found ? [{ state, batch: found.batch, input: found.input }] : [];
  });
  return [...entriesOf(poured), ...jobEntriesOf({ listed: view.plan?.batches ?? [], input: view.input, poured })];
}

/** Of that what nobody has taken up yet. */
export function notTaken(view: JobView): CrewEntryMade[] {
  // A product's waste is one figure of a job, whichever batch was its last.
  const keyOf = ({ kind, batch, productId }: Pick<EntryRow, 'kind' | 'batch' | 'productId'>): string => `${kind} ${kind === 'waste' ? productId : batch}`;
  const taken = new Set(entriesIn(view.data).flatMap((row) => (row.jobId === view.job.id ? [keyOf(row)] : [])));
  return shownBy(view).filter((entry) => !taken.has(keyOf(entry)));
}

/** Entries as they are written. */
export const takenUp = (jobId: string, made: readonly CrewEntryMade[]): Change[] =>
  made.map(({ at, ...entry }) => change('crewEntry', 'add', uuid(), { jobId, ...entry, trial: false, aside: false, at: new Date(at).toISOString() }));

/** What a product's entries come to; null without any. Each with how much it counts. */
export function recordIn(sheet: Sheet, rows: readonly EntryRow[]): { readonly record: CrewRecord; readonly weights: ReadonlyMap<string, number> } | null {
  const counted = rows.filter(({ kind, aside }) => kind === 'life' && !aside);
  if (counted.length === 0) return null;
  const { reference_s, Ea_J_mol } = flowOf(sheet);
  const record = crewRecord({
    prior_s: reference_s,
    prior_Ea_J_mol: Ea_J_mol,
    log: counted.map(recordEntryOf),
    reference_C: sheet.reference_C,
    givesRange: givesRange(sheet),
  });
  return { record, weights: new Map(counted.map(({ id }, i) => [id, record.weights[i] ?? 1])) };
}
