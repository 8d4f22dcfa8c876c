import type { BatchState } from '../../pour';
import { Course, effectiveTemperature, type BatchWindowInput, type CrewFigureName } from '../../setting';
import type { Batch } from '../batches/Made';
import type { PlanInput } from '../input/PlanInput';
import { sheetOf } from '../input/sheetOf';

/** A batch as it was poured, with the plan that it was poured by. */
export interface PouredBatch {
  readonly state: BatchState;
  readonly batch: Batch;
  readonly input: PlanInput;
}

/** What one batch has shown of the crew's own figures. */
export interface CrewEntryMade {
  readonly kind: 'life' | CrewFigureName;
  readonly productId: string;
  readonly batch: string;
  readonly person: string;
  /** ms since 1970, when it began */
  readonly at: number;
  /** a life in s; a rate in m2/s and person, as of a fill; waste and skin as shares; soak in m */
  readonly value: number;
  /** of a life: how warm it was in effect, degC, and how much it was retarded */
  readonly temperature_C: number | null;
  readonly retarder: number | null;
  /** it would have lived at least so long */
  readonly censored: boolean;
}

/** What nobody does that fast: the tap came with the start, s. */
const LEAST_S = 10;
const TEMPERATURE = { least: -19, most: 79 } as const;
/** A pace so far from its plan is a forgotten tap, not a pace. */
const PACE = { least: 0.2, most: 5 } as const;

/** How much a batch has lived t seconds after first water, in seconds at the reference, of the portion that has lived more. */
function livedAt({ course, filmShare, pace }: BatchWindowInput, placed_s: number | null, t: number): number {
  const spread_s = Math.min(pace.mix_s + pace.carry_s, placed_s ?? Infinity);
  const of = (placed_after_s: number): number => new Course({ ...course, pail_life_s: 1, film_life_s: filmShare, placed_after_s }).spentAt(t);
  // Until it is placed the last of it stays in the pail.
  return Math.max(of(spread_s), of(placed_s ?? Infinity));
}

/**
 * What a batch's end says of its working life: gone hard, that it had ended by then; placed and finished, that it would
 * have lived longer. A life of the tool counts as the flow's by the sheet's own ratio of the two.
 *
 * @returns nothing for what was thrown away, still runs, or was ended by two people in two ways
 */
function lifeOf({ state, batch, input }: PouredBatch): Pick<CrewEntryMade, 'value' | 'temperature_C' | 'retarder' | 'censored'> | null {
  const { window } = batch;
  const [end, other] = state.ends;
  if (!window || !end || end.kind === 'thrown' || (other && other.kind !== end.kind)) return null;
  const { basis } = window;
  const placed_s = state.placedAt === null ? null : Math.max(0, (state.placedAt - state.startedAt) / 1000);
  const ended_s = (end.at - state.startedAt) / 1000;
  if (ended_s < LEAST_S) return null;
  const ratio = basis.finish_life_s / basis.flow_life_s;
  const toolDone = { t: ended_s, lived: livedAt(basis, placed_s, ended_s) / ratio, scale: 1 / ratio };
  const inPail = { t: ended_s, lived: livedAt(basis, null, ended_s), scale: 1 };
  const whilePlaced = placed_s !== null && placed_s >= LEAST_S ? { t: placed_s, lived: livedAt(basis, placed_s, placed_s), scale: 1 } : null;
  const hard = end.kind === 'wentHard';
  // What was placed still flowed then; what was finished still took the tool: the one that says more counts.
  const said = hard ? (placed_s === null ? inPail : toolDone) : whilePlaced && whilePlaced.lived > toolDone.lived ? whilePlaced : toolDone;
  const retarder = basis.course.retarder ?? 1;
  const { Ea_J_mol, reference_C } = basis.course;
  const life_s = said.t * said.scale;
  const temperature_C = effectiveTemperature({ te_s: said.lived * retarder, life_s, Ea_J_mol, ...(reference_C === undefined ? {} : { reference_C }) });
  const known =
    sheetOf(input, batch.productId ?? undefined) !== undefined && temperature_C > TEMPERATURE.least && temperature_C < TEMPERATURE.most && life_s >= 1;
  return known ? { value: life_s, temperature_C, retarder, censored: !hard } : null;
}

/** How fast it was placed against its plan, as the crew's pace at a fill. */
function rateOfBatch({ state, batch, input }: PouredBatch): number | null {
  if (!batch.window || state.placedAt === null || state.ends.some(({ kind }) => kind === 'thrown')) return null;
  const { mix_s, carry_s, place_s } = batch.window.basis.pace;
  const took_s = (state.placedAt - state.startedAt) / 1000 - mix_s - carry_s;
  const pace = place_s / took_s;
  return took_s >= LEAST_S && pace >= PACE.least && pace <= PACE.most ? input.crew.rate_m2_s * pace : null;
}

/** Outside of this it was no skin that ended it. */
const SKIN = { least: 0.03, most: 0.3 } as const;

/** How much of its mix water a layer had lost when a skin ended it, where its plan had a skin for its end. */
function skinOfBatch({ state, batch }: PouredBatch): number | null {
  const [end, other] = state.ends;
  const { window } = batch;
  if (!window?.basis.drying || window.window.binding !== 'skin' || end?.kind !== 'wentHard' || other) return null;
  const { drying, pace, course } = window.basis;
  const spread_s = state.placedAt === null ? pace.mix_s + pace.carry_s : Math.min(pace.mix_s + pace.carry_s, (state.placedAt - state.startedAt) / 1000);
  const lain_s = (end.at - state.startedAt) / 1000 - spread_s;
  const share = (drying.evaporation_kg_m2h * lain_s) / 3600 / (drying.mixWater_kg_m3 * course.thickness_m);
  return share >= SKIN.least && share <= SKIN.most ? share : null;
}

/**
 * What poured batches have shown of a crew's own figures: their lives, their pace, and when a skin ended them. The same log gives the same entries.
 *
 * @throws Problem `outOfRange` from the courses
 */
export function entriesOf(poured: readonly PouredBatch[]): CrewEntryMade[] {
  return poured.flatMap((each): CrewEntryMade[] => {
    const { state, batch, input } = each;
    const sheet = sheetOf(input, batch.productId ?? undefined);
    if (!sheet) return [];
    const of = { productId: sheet.productId, batch: state.batch, person: state.person, at: state.startedAt };
    const life = lifeOf(each);
    const rate = rateOfBatch(each);
    const skin = skinOfBatch(each);
    const plain = { temperature_C: null, retarder: null, censored: false };
    return [
      ...(life ? [{ kind: 'life' as const, ...of, ...life }] : []),
      ...(rate === null ? [] : [{ kind: 'rate' as const, ...of, value: rate, ...plain }]),
      ...(skin === null ? [] : [{ kind: 'skinShare' as const, ...of, value: skin, ...plain }]),
    ];
  });
}
