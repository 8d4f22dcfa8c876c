import { houseOf } from '../../choose';
import { isExtra, listedNumber } from '../../pour';
import type { CrackInput } from '../../survey';
import { crackSoak, lineLength, meanWidth } from '../../takeoff';
import type { Batch } from '../batches/Made';
import type { PlanInput } from '../input/PlanInput';
import { sheetOf } from '../input/sheetOf';
import { crackWay } from '../kinds/crackWays';
import type { CrewEntryMade, PouredBatch } from './entriesOf';

/** No waste at all is told as this: the figure is of the shape of a lognormal. */
const LEAST_WASTE = 0.005;
/** More than this over its plan was another job, not waste. */
const MOST_WASTE = 1;

type OfJob = Pick<CrewEntryMade, 'productId' | 'batch' | 'person' | 'at'>;

const plain = { temperature_C: null, retarder: null, censored: false } as const;

const endedAt = ({ state }: PouredBatch): number => Math.max(state.startedAt, ...state.ends.map(({ at }) => at));

/** Whose and when: the last of what says it. */
function told(productId: string, poured: readonly PouredBatch[]): OfJob {
  const last = poured.reduce((latest, each) => (endedAt(each) > endedAt(latest) ? each : latest));
  return { productId, batch: last.state.batch, person: last.state.person, at: endedAt(last) };
}

/**
 * What a product took over its plan: whatever was mixed, lost and extra batches too, over what the list has. Known once
 * every batch of the list has ended; what is squeezed out shot by shot ends when the line is full.
 */
function wasteOf(listed: readonly Batch[], poured: readonly PouredBatch[]): CrewEntryMade[] {
  const products = [...new Set(listed.flatMap(({ productId, window, shots }) => (productId && window && !shots ? [productId] : [])))];
  return products.flatMap((productId): CrewEntryMade[] => {
    const planned = listed.filter((batch) => batch.productId === productId && batch.window);
    const mixed = poured.filter(({ batch }) => batch.productId === productId && batch.window);
    const done = (batch: Batch): boolean => mixed.some(({ state }) => state.key === batch.key && !isExtra(state.batch) && state.ends.length > 0);
    if (mixed.length === 0 || !planned.every(done) || mixed.some(({ state }) => state.ends.length === 0)) return [];
    const sum = (batches: readonly Batch[]): number => batches.reduce((all, { amount }) => all + amount, 0);
    const value = sum(mixed.map(({ batch }) => batch)) / sum(planned) - 1;
    return value > MOST_WASTE ? [] : [{ kind: 'waste', ...told(productId, mixed), value: Math.max(LEAST_WASTE, value), ...plain }];
  });
}

/** How deep resin sank into the dry sand of a crack, by what the crack took until it was full: all shots but half of the last. */
function soakOf(finding: CrackInput, poured: readonly PouredBatch[]): CrewEntryMade[] {
  const shots = poured.filter(
    ({ state, batch }) => batch.shots && batch.serves.some(({ findingId }) => findingId === finding.id) && state.findingId === finding.id,
  );
  const [first] = shots;
  if (!first || !shots.some(({ state }) => state.full) || new Set(shots.map(({ state }) => listedNumber(state.batch))).size > 1) return [];
  const sheet = sheetOf(first.input, first.batch.productId ?? undefined);
  if (!sheet || crackWay({ house: houseOf(first.input.house), sheet, finding }) !== 'bedAndCap') return [];
  const { line, widths, profile, depth, cap_m, runaway } = finding;
  const used_m3 = (shots.length - 0.5) * first.batch.shots!.shot_m3;
  const value = crackSoak({ profile, length_m: lineLength(line), width_m: meanWidth(widths), depth_m: depth.value, cap_m }, used_m3 / (1 + runaway));
  return value === null ? [] : [{ kind: 'soakDepth', ...told(sheet.productId, shots), value, ...plain }];
}

/**
 * What a whole job has shown of a crew's own figures: waste by product, and how deep resin sinks into sand.
 *
 * @param listed the batch list in use
 * @param poured every batch that was begun, each with the plan that it was poured by
 */
export const jobEntriesOf = ({ listed, input, poured }: { listed: readonly Batch[]; input: PlanInput; poured: readonly PouredBatch[] }): CrewEntryMade[] => [
  ...wasteOf(listed, poured),
  ...input.findings.flatMap((finding) => (finding.kind === 'crack' ? soakOf(finding, poured) : [])),
];
