import { skinTime } from '../weather';
import { Course, type CourseInput } from './Course';

/** Which budget ends a batch first. */
export type Ending = 'flow' | 'finish' | 'skin';

/** How one batch is worked: seconds from first water. */
export interface BatchPace {
  readonly mix_s: number;
  readonly carry_s: number;
  /** spreading the whole batch */
  readonly place_s: number;
  /** the tool's last pass over it after the last portion is down */
  readonly finish_s: number;
}

export interface BatchWindowInput {
  readonly pace: BatchPace;
  readonly flow_life_s: number;
  readonly finish_life_s: number;
  /** film life over pail life, 1 for cementitious */
  readonly filmShare: number;
  readonly course: Omit<CourseInput, 'pail_life_s' | 'film_life_s' | 'placed_after_s'>;
  readonly safeShare: number;
  /** what dries it; null where nothing does */
  readonly drying: { readonly mixWater_kg_m3: number; readonly evaporation_kg_m2h: number; readonly share: number } | null;
}

/** One portion's ends, s from first water. */
export interface PortionEnds {
  readonly spread_s: number;
  readonly flowSafe_s: number;
  readonly flow_s: number;
  readonly finishSafe_s: number;
  readonly finish_s: number;
  readonly skin_s: number;
}

export interface BatchWindow {
  readonly first: PortionEnds;
  readonly last: PortionEnds;
  /** the batch must be placed by then, and why; s from first water */
  readonly placeBy_s: number;
  readonly placeEnding: Ending;
  /** and finished by then */
  readonly finishBy_s: number;
  readonly finishEnding: Ending;
  /** what the crew needs of each */
  readonly placeNeeds_s: number;
  readonly finishNeeds_s: number;
  readonly fits: boolean;
}

/**
 * The window of one batch: the portion spread first and the one spread last live differently (on a hot slab the first
 * dies first, on a cold one the last), so both are followed, and the earlier end counts. Skin and budget run in
 * parallel and the earlier is named.
 *
 * @throws Problem `outOfRange` from the courses
 */
export function batchWindow(input: BatchWindowInput): BatchWindow {
  const { pace, safeShare } = input;
  const firstSpread = pace.mix_s + pace.carry_s;
  const lastSpread = firstSpread + pace.place_s;
  const first = portionEnds(input, firstSpread);
  const last = portionEnds(input, lastSpread);
  const place = earliest([
    ['flow', Math.min(first.flowSafe_s, last.flowSafe_s)],
    ['skin', first.skin_s],
  ]);
  const finish = earliest([
    ['finish', Math.min(first.finishSafe_s, last.finishSafe_s)],
    ['skin', Math.min(first.skin_s, last.skin_s)],
  ]);
  const finishNeeds_s = lastSpread + pace.finish_s;
  const slack = 1 + 1e-9;
  return {
    first,
    last,
    placeBy_s: Math.min(place[1], finish[1]),
    placeEnding: place[1] <= finish[1] ? place[0] : finish[0],
    finishBy_s: finish[1],
    finishEnding: finish[0],
    placeNeeds_s: lastSpread,
    finishNeeds_s,
    fits: safeShare > 0 && lastSpread <= place[1] * slack && finishNeeds_s <= finish[1] * slack,
  };
}

const earliest = (ends: readonly (readonly [Ending, number])[]): readonly [Ending, number] => ends.reduce((best, end) => (end[1] < best[1] ? end : best));

function portionEnds(input: BatchWindowInput, spread_s: number): PortionEnds {
  const courseOf = (life_s: number): Course =>
    new Course({ ...input.course, pail_life_s: life_s, film_life_s: life_s * input.filmShare, placed_after_s: spread_s });
  const flow = courseOf(input.flow_life_s);
  const finish = courseOf(input.finish_life_s);
  return {
    spread_s,
    flowSafe_s: flow.timeToSpend(input.safeShare),
    flow_s: flow.timeToSpend(1),
    finishSafe_s: finish.timeToSpend(input.safeShare),
    finish_s: finish.timeToSpend(1),
    skin_s: input.drying ? spread_s + skinTime({ ...input.drying, thickness_m: input.course.thickness_m }) : Infinity,
  };
}
