import { mixedVolume, coverage, batchPortion, orderQuantile, packagesLeastCost, costOf, chanceShort } from '../mix';
import { parse, Problem, tradeLength, type Kind } from '../quantity';
import {
  ageForStrength,
  iceMassFor,
  layerExcess,
  milestone,
  mixTemperature,
  rate,
  retarderFactor,
  safeShare,
  strengthAt,
  strengthCurve,
  waterTemperatureFor,
  workingLife,
  type CourseInput,
  type MixHeat,
  type StrengthPoint,
} from '../setting';
import { volumeFromShape } from '../takeoff';
import { dewPoint, evaporation, redampInterval, skinTime } from '../weather';

import { MIX_FORMULAS } from './mixFormulas';
import { SURFACE_FORMULAS } from './surfaceFormulas';
import { TAKEOFF_FORMULAS } from './takeoffFormulas';

/** One entry of a file of reference values. The names in `inputs` carry their own units: this reader is an edge. */
export interface ReferenceEntry {
  readonly formula: string;
  readonly inputs: Record<string, unknown>;
  readonly value: unknown;
  readonly tolerance: number;
  readonly absolute?: number;
}

type Evaluate = (inputs: never) => unknown;

const twoPoints = ({ points_s_MPa, a }: { points_s_MPa: StrengthPoint[]; a?: number }) =>
  strengthCurve({ points: points_s_MPa, ...(a === undefined ? {} : { a }) });

/** Every formula that can be evaluated, by its name in the reference file. */
export const FORMULAS: Readonly<Record<string, Evaluate>> = {
  rate,
  mixTemperature: (i: MixHeat) => mixTemperature(i),
  waterTemperatureFor,
  iceMassFor,
  evaporation,
  dewPoint,
  layerExcess,
  workingLife: (i: CourseInput) => workingLife(i),
  safeShare,
  retarderFactor,
  milestone,
  mixedVolume,
  coverage,
  volumeFromShape,
  orderQuantile,
  chanceShort,
  skinTime,
  redampInterval,
  strengthTwoPoints: (i: { points_s_MPa: StrengthPoint[]; a: number; age_s: number }) => strengthAt({ curve: twoPoints(i), age_s: i.age_s }),
  strengthRetarded: (i: { points_s_MPa: StrengthPoint[]; a: number; age_s: number; life_ref_s: number; retarder: number; finalSet_s: number }) =>
    strengthAt({ curve: twoPoints(i), age_s: i.age_s, shift_s: i.life_ref_s * (i.retarder - 1), finalSet_s: i.finalSet_s }),
  ageForStrength: (i: { points_s_MPa: StrengthPoint[]; a: number; strength_MPa: number }) =>
    ageForStrength({ curve: twoPoints(i), strength_MPa: i.strength_MPa }),
  'packagesLeastCost.cost': ({ need_kg, packs_kg_price }: { need_kg: number; packs_kg_price: [number, number][] }) =>
    costOf(packagesLeastCost({ need_kg, packs: packs_kg_price.map(([mass_kg, price]) => ({ mass_kg, price_minor: Math.round(price * 100) })) })) / 100,
  batchPortion: (
    i: Record<'rate_m2_min' | 'mix_min' | 'carry_min' | 'finish_min' | 'safeLife_min', number> & Omit<Parameters<typeof batchPortion>[0], 'rate_m2_s'>,
  ) =>
    batchPortion({
      ...i,
      rate_m2_s: i.rate_m2_min / 60,
      mix_s: i.mix_min * 60,
      carry_s: i.carry_min * 60,
      finish_s: i.finish_min * 60,
      safeLife_s: i.safeLife_min * 60,
    }).share,
  parse: ({ text, kind }: { text: string; kind: Kind }) => parse({ text, kind }),
  'format.tradeLength': tradeLength,
  ...(SURFACE_FORMULAS as Record<string, Evaluate>),
  ...(TAKEOFF_FORMULAS as Record<string, Evaluate>),
  ...(MIX_FORMULAS as Record<string, Evaluate>),
};

/** How far a computed value is from a reference value, relative to its tolerance; more than 1 is a miss. */
export function missOf(entry: ReferenceEntry): { computed: unknown; relative: number; within: boolean } {
  const formula = FORMULAS[entry.formula]!;
  const computed = refusing(() => formula(entry.inputs as never));
  if (Array.isArray(entry.value) && Array.isArray(computed) && computed.length === entry.value.length) {
    const parts = entry.value.map((value, i) => nearness(computed[i], value, entry));
    return { computed, relative: Math.max(...parts.map(({ relative }) => relative)), within: parts.every(({ within }) => within) };
  }
  return { computed, ...nearness(computed, entry.value, entry) };
}

/** A refusal is compared as it stands: with the word that the reference file uses for one. */
function refusing(work: () => unknown): unknown {
  try {
    return work();
  } catch (error) {
    if (error instanceof Problem) return 'refused';
    throw error;
  }
}

function nearness(computed: unknown, value: unknown, { tolerance, absolute }: ReferenceEntry): { relative: number; within: boolean } {
  if (typeof value !== 'number') return { relative: 0, within: JSON.stringify(computed) === JSON.stringify(value) };
  const error = Math.abs((computed as number) - value);
  const relative = value === 0 ? error : error / Math.abs(value);
  return { relative, within: absolute === undefined ? relative <= tolerance : error <= absolute };
}

export { simulatedSpalls } from './simulatedSpalls';
export { heldAgainst, simulatedIn, type DamageFile } from './volumesHeld';

export { batchesAgree, generatedJobs } from './batchesAgree';
export { CHANCE_CASES, chancesKept } from './chancesKept';
