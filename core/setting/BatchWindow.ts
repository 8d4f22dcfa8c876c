import { rangedOf, type Ranged } from '../quantity';
import { skinTime } from '../weather';
import { chanceOfLife, chanceOfSkin, either, shareLeft } from './chanceOfLoss';
import { Course, type CourseInput } from './Course';
import { stopOf } from './stopOf';

/** Which budget ends a batch first. */
export type Ending = 'flow' | 'finish' | 'skin';

/** The next batch must touch the last edge of this one while it is still wet. */
export interface WetEdge {
  /** the next batch's first portion is down by then, s from this one's first water */
  readonly touches_s: number;
  /** this one's last edge has spent its safe share of flow by then, or what a skin leaves of it */
  readonly by_s: number;
  readonly holds: boolean;
  /** another batch does touch it */
  readonly asked: boolean;
}

/** How one batch is worked: seconds from first water. */
export interface BatchPace {
  readonly mix_s: number;
  readonly carry_s: number;
  /** spreading the whole batch */
  readonly place_s: number;
  /** the tool's last pass over it after the last portion is down */
  readonly finish_s: number;
}

/** Course, lives, drying and pace of one batch. */
export interface BatchWindowInput {
  readonly pace: BatchPace;
  readonly flow_life_s: number;
  readonly finish_life_s: number;
  /** film life over pail life, 1 for cementitious */
  readonly filmShare: number;
  readonly course: Omit<CourseInput, 'pail_life_s' | 'film_life_s' | 'placed_after_s'>;
  /** share of the budget that may be spent where no skin threatens */
  readonly safeShare: number;
  /** accepted chance of losing the batch */
  readonly accepted: number;
  /** sd of ln life; what is not known of the temperatures included */
  readonly sdLn: number;
  /** another batch must touch this one's last edge inside the panel */
  readonly wetEdge: boolean;
  /** one pair of hands mixes and places in turn; more mix while others place */
  readonly mixesWhilePlacing: boolean;
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

/** By when it must be placed and finished, and by when it can be, s from first water. */
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
  /** the chance that flow, finish, skin or wet edge ends it before the crew is done */
  readonly chanceLost: number;
  /** exactly: no more than is accepted */
  readonly fits: boolean;
  /** what threatens most */
  readonly binding: Ending | 'wetEdge';
  /** the whole life to the flow's and the finish's end, of the portion that ends first: P10, P50, P90, s */
  readonly flowLife: Ranged;
  readonly finishLife: Ranged;
  readonly wetEdge: WetEdge;
}

/** The courses of what is spread first and of what is spread last, each of a life of one second: what they spend is the time they have lived. */
export interface PortionCourses {
  readonly first: Course;
  readonly last: Course;
}

/** Both courses of a batch: a life is put over them afterwards, so that one pair serves every life that is asked. */
export function portionCourses({ course, filmShare, pace }: Pick<BatchWindowInput, 'course' | 'filmShare' | 'pace'>): PortionCourses {
  const of = (placed_after_s: number): Course => new Course({ ...course, pail_life_s: 1, film_life_s: filmShare, placed_after_s });
  const first_s = pace.mix_s + pace.carry_s;
  return { first: of(first_s), last: of(first_s + pace.place_s) };
}

/** One portion on its way, of which the finish spends the same time over another life. */
interface Portion {
  readonly spread_s: number;
  readonly flow: Pick<Course, 'spentAt' | 'timeToSpend'>;
}

const portionOf = (lived: Course, spread_s: number, life_s: number): Portion => ({
  spread_s,
  flow: { spentAt: (t) => lived.spentAt(t) / life_s, timeToSpend: (share) => lived.timeToSpend(share * life_s) },
});

/** By when a batch must be placed and finished, and the chance that it is lost: what a search needs of its window. */
export type BatchStops = Omit<BatchWindow, 'first' | 'last' | 'flowLife' | 'finishLife'>;

/** The chance that a batch is lost as its crew works it, and what threatens it most. */
export type BatchRisk = Pick<BatchWindow, 'chanceLost' | 'fits' | 'binding'>;

/** A batch as its crew works it, s from first water: what its budgets have spent by when the crew is done with it. */
interface Worked {
  readonly early: Portion;
  readonly late: Portion;
  /** finish life over flow life */
  readonly ratio: number;
  readonly skin_s: number;
  readonly firstSpread: number;
  readonly lastSpread: number;
  readonly finishNeeds_s: number;
  /** the next batch's first portion is down by then */
  readonly touches_s: number;
  readonly flowSpent: (t: number) => number;
  readonly finishSpent: (t: number) => number;
  /** the chance that it has skinned before the tool's last pass */
  readonly skinned: number;
  readonly risk: BatchRisk;
}

function worked(input: BatchWindowInput, courses: PortionCourses): Worked {
  const { pace, accepted, sdLn, drying } = input;
  const firstSpread = pace.mix_s + pace.carry_s;
  const lastSpread = firstSpread + pace.place_s;
  const early = portionOf(courses.first, firstSpread, input.flow_life_s);
  const late = portionOf(courses.last, lastSpread, input.flow_life_s);
  const ratio = input.finish_life_s / input.flow_life_s;
  const skin_s = drying ? skinTime({ ...drying, thickness_m: input.course.thickness_m }) : Infinity;
  const flowSpent = (t: number): number => Math.max(early.flow.spentAt(t), late.flow.spentAt(t));
  const finishSpent = (t: number): number => flowSpent(t) / ratio;
  const finishNeeds_s = lastSpread + pace.finish_s;
  // The next batch is mixed while this one is placed, where there are hands for both.
  const touches_s = firstSpread + (input.mixesWhilePlacing ? Math.max(firstSpread, pace.place_s) : lastSpread);
  const skinned = chanceOfSkin(finishNeeds_s - firstSpread, skin_s);
  const spent = {
    flow: flowSpent(lastSpread),
    finish: finishSpent(finishNeeds_s),
    wetEdge: input.wetEdge ? late.flow.spentAt(touches_s) : 0,
  };
  const ends = (Object.keys(spent) as (keyof typeof spent)[]).sort((a, b) => spent[b] - spent[a]);
  const life = chanceOfLife(spent[ends[0]!], sdLn);
  const chanceLost = either(life, skinned);
  const risk = { chanceLost, fits: chanceLost <= accepted * (1 + 1e-9), binding: skinned > life ? 'skin' : ends[0]! } as const;
  return { early, late, ratio, skin_s, firstSpread, lastSpread, finishNeeds_s, touches_s, flowSpent, finishSpent, skinned, risk };
}

/**
 * The chance alone, without the moments by which it must be placed and finished: what a share of a bag is tried by.
 *
 * @param courses of the same course and pace
 * @throws Problem `outOfRange` from the courses
 */
export const batchRisk = (input: BatchWindowInput, courses: PortionCourses): BatchRisk => worked(input, courses).risk;

interface Stopped extends Worked {
  readonly stops: BatchStops;
  /** share of the budget by which each portion's flow and finish are safe, s from first water */
  readonly safe: { readonly flow: readonly [number, number]; readonly finish: readonly [number, number] };
}

function stopped(input: BatchWindowInput, courses: PortionCourses): Stopped {
  const { pace, accepted, sdLn, drying, safeShare } = input;
  const all = worked(input, courses);
  const { early, late, ratio, skin_s, firstSpread, lastSpread, finishNeeds_s, touches_s, flowSpent, finishSpent, skinned, risk } = all;
  const skin = drying ? { spread_s: firstSpread, after_s: skin_s } : null;
  const safeAt = (share: number): readonly [number, number] => [early.flow.timeToSpend(share), late.flow.timeToSpend(share)];
  // Resins run one budget.
  const flowSafe = safeAt(safeShare);
  const safe = { flow: flowSafe, finish: ratio === 1 ? flowSafe : safeAt(safeShare * ratio) };
  const finish = stopOf({ spentAt: finishSpent, safe_s: Math.min(...safe.finish), sdLn, skin, accepted });
  const flow = stopOf({ spentAt: flowSpent, safe_s: Math.min(...safe.flow), sdLn, skin, accepted, later_s: pace.finish_s });
  // What is placed must still be finished.
  const toFinish_s = Math.max(0, finish.at_s - pace.finish_s);
  const finishEnding: Ending = finish.ending === 'life' ? 'finish' : 'skin';
  const places = flow.at_s <= toFinish_s;
  const edgeBy_s = skinned < 1e-6 ? safe.flow[1] : late.flow.timeToSpend(shareLeft({ accepted, skin: skinned, sdLn }));
  const stops: BatchStops = {
    placeBy_s: Math.min(flow.at_s, toFinish_s),
    placeEnding: places ? (flow.ending === 'life' ? 'flow' : 'skin') : finishEnding,
    finishBy_s: finish.at_s,
    finishEnding,
    placeNeeds_s: lastSpread,
    finishNeeds_s,
    ...risk,
    wetEdge: { touches_s, by_s: edgeBy_s, holds: touches_s <= edgeBy_s * (1 + 1e-9), asked: input.wetEdge },
  };
  return { ...all, stops, safe };
}

/**
 * What a search needs of a batch's window, at a third of its price.
 *
 * @param courses of the same course and pace
 * @throws Problem `outOfRange` from the courses
 */
export const batchStops = (input: BatchWindowInput, courses: PortionCourses): BatchStops => stopped(input, courses).stops;

/**
 * The window of one batch: the portion spread first and the one spread last live differently (on a hot slab the first
 * dies first, on a cold one the last), so both are followed, and the earlier end counts. Flow and finish share one
 * deviation of life, a skin has its own; the stop is where the chance of either reaches the accepted one.
 *
 * @param courses of the same course and pace, where they are worked out already
 * @throws Problem `outOfRange` from the courses
 */
export function batchWindow(input: BatchWindowInput, courses: PortionCourses = portionCourses(input)): BatchWindow {
  const { stops, early, late, safe, ratio, skin_s } = stopped(input, courses);
  const endsOf = ({ spread_s, flow }: Portion, i: 0 | 1): PortionEnds => ({
    spread_s,
    flowSafe_s: safe.flow[i],
    flow_s: flow.timeToSpend(1),
    finishSafe_s: safe.finish[i],
    finish_s: flow.timeToSpend(ratio),
    skin_s: spread_s + skin_s,
  });
  const [first, last] = [endsOf(early, 0), endsOf(late, 1)];
  return {
    ...stops,
    first,
    last,
    flowLife: lifeOf(first.flow_s <= last.flow_s ? early : late, 1, input.sdLn),
    finishLife: lifeOf(first.finish_s <= last.finish_s ? early : late, ratio, input.sdLn),
  };
}

/** A lognormal life scales the budget: P10 and P90 are where the median course has spent so much less and more of it. */
const lifeOf = ({ flow }: Portion, share: number, sdLn: number): Ranged => {
  const { p10, p50, p90 } = rangedOf(share, sdLn);
  return { p10: flow.timeToSpend(p10), p50: flow.timeToSpend(p50), p90: flow.timeToSpend(p90) };
};
