import type { Reason } from '../choose/Reason';
import { Problem } from '../quantity';
import { SURVEY } from './constants';
import type { Flight } from './flight';

/** How a tread lies: it sheds its water, holds it, leads it back to the riser behind, or is steep to stand on. */
export type TreadLie = 'unread' | 'sheds' | 'flat' | 'back' | 'steep';

/** One step of a flight, and how it compares. */
export interface SurveyedStep {
  readonly step: number;
  readonly rise_m: number;
  readonly going_m: number;
  readonly pitch: number | null;
  readonly lies: TreadLie;
}

/** What the tape and the level say of a flight. */
export interface FlightSurvey {
  readonly steps: readonly SurveyedStep[];
  /** floor to landing, by its risers */
  readonly height_m: number;
  /** along its nosings, m, and how steep, rad */
  readonly slope_m: number;
  readonly angle_rad: number;
  /** the highest riser over the lowest, and the deepest going over the shallowest; a landing is no going */
  readonly risers: Spread;
  readonly goings: Spread | null;
}

/** The most and the least of what should be alike, by the number of their steps. */
export interface Spread {
  readonly most: { readonly step: number; readonly value_m: number };
  readonly least: { readonly step: number; readonly value_m: number };
  readonly by_m: number;
}

function spreadOf(values: readonly { readonly step: number; readonly value_m: number }[]): Spread {
  const [least, most] = [Math.min, Math.max].map((pick) => values.find(({ value_m }) => value_m === pick(...values.map(({ value_m: of }) => of)))!);
  return { most: most!, least: least!, by_m: most!.value_m - least!.value_m };
}

function lieOf(pitch: number | undefined): TreadLie {
  if (pitch === undefined) return 'unread';
  if (pitch < 0) return 'back';
  if (pitch < SURVEY.pitchLeast) return 'flat';
  return pitch > SURVEY.pitchMost ? 'steep' : 'sheds';
}

/** How far risers may miss the height that was measured by itself: each was read to so much. */
const heightMisfit_m = (steps: number): number => SURVEY.riseRead_m * Math.max(1.5, Math.sqrt(steps));

/**
 * Evenness of a flight, the lie of its treads, its height and its slope.
 *
 * @throws Problem `flightEmpty`; `risersNotHeight` where the risers miss the height that was measured by itself
 * @example flightSurvey(flight).risers.by_m // 0.0095
 */
export function flightSurvey({ steps, height }: Flight): FlightSurvey {
  if (steps.length === 0) throw new Problem('flightEmpty', {});
  const height_m = steps.reduce((sum, { rise }) => sum + rise.value, 0);
  if (height && Math.abs(height.value - height_m) > heightMisfit_m(steps.length))
    throw new Problem('risersNotHeight', { risers_m: height_m, height_m: height.value, off_m: Math.abs(height.value - height_m) });
  const goings = steps.slice(0, -1).map(({ going }, i) => ({ step: i + 1, value_m: going.value }));
  const run_m = goings.reduce((sum, { value_m }) => sum + value_m, 0);
  const climbed_m = height_m - steps[0]!.rise.value;
  return {
    steps: steps.map(({ rise, going, pitch }, i) => ({ step: i + 1, rise_m: rise.value, going_m: going.value, pitch: pitch ?? null, lies: lieOf(pitch) })),
    height_m,
    slope_m: Math.hypot(climbed_m, run_m),
    angle_rad: run_m > 0 ? Math.atan2(climbed_m, run_m) : Math.atan2(height_m, steps[0]!.going.value),
    risers: spreadOf(steps.map(({ rise }, i) => ({ step: i + 1, value_m: rise.value }))),
    goings: goings.length > 1 ? spreadOf(goings) : null,
  };
}

/** What of a flight a tired foot would find: uneven risers and goings, treads that hold water or throw it back. Local code says what is allowed. */
export function flightReasons(flight: Flight): Reason[] {
  const { steps, risers, goings } = flightSurvey(flight);
  const [landing, ...treads] = [...steps].reverse();
  const lying = (lies: TreadLie): string =>
    treads
      .filter((tread) => tread.lies === lies)
      .map(({ step }) => step)
      .reverse()
      .join(', ');
  const [back, flat, steep] = [lying('back'), lying('flat'), lying('steep')];
  const uneven = ({ most, least, by_m }: Spread) => ({ step: most.step, than: least.step, by_m });
  const [least_share, most_share] = [SURVEY.pitchLeast, SURVEY.pitchMost];
  const found: (Reason | false)[] = [
    risers.by_m > SURVEY.unevenRise_m && { code: 'verdict.risersUneven', verdict: 'caution', figures: uneven(risers) },
    goings !== null && goings.by_m > SURVEY.unevenGoing_m && { code: 'verdict.goingsUneven', verdict: 'caution', figures: uneven(goings) },
    back !== '' && { code: 'verdict.treadsBack', verdict: 'caution', figures: { steps: back } },
    flat !== '' && { code: 'verdict.treadsFlat', verdict: 'caution', figures: { steps: flat, least_share, most_share } },
    steep !== '' && { code: 'verdict.treadsSteep', verdict: 'caution', figures: { steps: steep, most_share } },
    landing?.lies === 'back' && { code: 'verdict.landingBack', verdict: 'caution', figures: {} },
    landing?.lies === 'flat' && { code: 'verdict.landingFlat', verdict: 'caution', figures: { least_share, most_share } },
    landing?.lies === 'steep' && { code: 'verdict.landingSteep', verdict: 'caution', figures: { most_share } },
  ];
  return found.filter((reason): reason is Reason => reason !== false);
}

/**
 * How high a rebuilt step should stand over the tread below it so that its riser and the next come out alike.
 *
 * @param steps how many are rebuilt, from `step` up
 * @returns the even rise, m; null where what lies above cannot be shared, as under a landing
 * @example evenedRise({ flight, step: 3, steps: 1 }) // 0.181
 */
export function evenedRise({ flight, step, steps = 1 }: { readonly flight: Flight; readonly step: number; readonly steps?: number }): number | null {
  if (step < 1 || step + steps > flight.steps.length) return null;
  const shared = flight.steps.slice(step - 1, step + steps);
  return shared.reduce((sum, { rise }) => sum + rise.value, 0) / shared.length;
}
