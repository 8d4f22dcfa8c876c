import { Course, stopOf, type BatchWindowInput, type Ending } from '../setting';
import { skinTime } from '../weather';

/** What the material is like now. */
export type Phase = 'wet' | 'workable' | 'stiffening' | 'set';

/** What is left of a batch at one moment. */
export interface ClockReading {
  /** share of life left of whichever ends first, 1 to 0 */
  readonly level: number;
  /** where the plan stops: 1 - s */
  readonly safeLine: number;
  /** s until the safe line; negative when past it */
  readonly left_s: number;
  readonly ending: Ending;
  readonly phase: Phase;
}

/**
 * The clock of one running batch. Before it is placed the earlier of flow (the portion spread first, and what is still
 * in the pail) and skin counts; after it, finish and skin. Courses are built once; reading it is cheap.
 */
export class BatchClock {
  private readonly spread_s: number;
  private readonly flows: readonly Course[];
  private readonly finishes: readonly Course[];
  private readonly safe: number;
  readonly placeBy_s: number;
  readonly finishBy_s: number;
  private readonly placeEnding: Ending;
  private readonly finishEnding: Ending;

  /** @param placed_s when it was placed, s from first water; null while it is not */
  constructor(
    basis: BatchWindowInput,
    private readonly placed_s: number | null,
    private readonly initial_s: number,
  ) {
    const { pace, course, drying } = basis;
    this.safe = basis.safeShare;
    this.spread_s = Math.min(pace.mix_s + pace.carry_s, placed_s ?? Infinity);
    const of = (life_s: number, placed_after_s: number): Course =>
      new Course({ ...course, pail_life_s: life_s, film_life_s: life_s * basis.filmShare, placed_after_s });
    // Until it is placed the last of it is taken to stay in the pail.
    const last_s = placed_s ?? Infinity;
    this.flows = [of(basis.flow_life_s, this.spread_s), of(basis.flow_life_s, last_s)];
    this.finishes = [of(basis.finish_life_s, this.spread_s), of(basis.finish_life_s, placed_s ?? pace.mix_s + pace.carry_s + pace.place_s)];
    const skin = drying ? { spread_s: this.spread_s, after_s: skinTime({ ...drying, thickness_m: course.thickness_m }) } : null;
    const spentOf = (courses: readonly Course[]) => (t: number) => Math.max(...courses.map((course) => course.spentAt(t)));
    const safeOf = (courses: readonly Course[]): number => Math.min(...courses.map((course) => course.timeToSpend(this.safe)));
    const threats = { sdLn: basis.sdLn, accepted: basis.accepted, skin };
    const finish = stopOf({ ...threats, spentAt: spentOf(this.finishes), safe_s: safeOf(this.finishes) });
    const flow = stopOf({ ...threats, spentAt: spentOf(this.flows), safe_s: safeOf(this.flows), later_s: pace.finish_s });
    const toFinish_s = Math.max(0, finish.at_s - pace.finish_s);
    this.finishBy_s = finish.at_s;
    this.placeBy_s = Math.min(flow.at_s, toFinish_s);
    this.finishEnding = finish.ending === 'life' ? 'finish' : 'skin';
    this.placeEnding = flow.at_s > toFinish_s ? this.finishEnding : flow.ending === 'life' ? 'flow' : 'skin';
  }

  /** A skin that threatens, or a finish that must still be had, spends the budget so that it reaches the safe share at the stop. */
  private spentToStop(t: number, by_s: number, ending: Ending): number {
    return ending === 'flow' || t <= this.spread_s || by_s <= this.spread_s ? 0 : (this.safe * (t - this.spread_s)) / (by_s - this.spread_s);
  }

  /** What is left t seconds after first water. */
  at(t: number): ClockReading {
    const placed = this.placed_s !== null && t >= this.placed_s;
    const courses = placed ? this.finishes : this.flows;
    const by_s = placed ? this.finishBy_s : this.placeBy_s;
    const ending = placed ? this.finishEnding : this.placeEnding;
    const spent = Math.max(...courses.map((course) => course.spentAt(t)), this.spentToStop(t, by_s, ending));
    const phase: Phase = t >= this.initial_s ? 'set' : t >= this.finishBy_s ? 'stiffening' : t >= this.placeBy_s ? 'workable' : 'wet';
    return {
      level: Math.min(1, Math.max(0, 1 - spent)),
      safeLine: 1 - this.safe,
      left_s: by_s - t,
      ending,
      phase,
    };
  }
}
