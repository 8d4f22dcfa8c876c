import { Course, type BatchWindowInput, type Ending } from '../setting';
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
  private readonly skin_s: number;
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
    this.skin_s = drying ? this.spread_s + skinTime({ ...drying, thickness_m: course.thickness_m }) : Infinity;
    const flow_s = Math.min(...this.flows.map((c) => c.timeToSpend(this.safe)));
    const finish_s = Math.min(...this.finishes.map((c) => c.timeToSpend(this.safe)));
    this.finishBy_s = Math.min(finish_s, this.skin_s);
    this.placeBy_s = Math.min(flow_s, this.finishBy_s);
    this.finishEnding = finish_s <= this.skin_s ? 'finish' : 'skin';
    this.placeEnding = flow_s <= this.finishBy_s ? 'flow' : this.finishEnding;
  }

  /** Skin spends the budget so that it reaches the safe share when the skin ends the layer. */
  private skinSpent(t: number): number {
    return t <= this.spread_s || this.skin_s === Infinity ? 0 : (this.safe * (t - this.spread_s)) / (this.skin_s - this.spread_s);
  }

  /** What is left t seconds after first water. */
  at(t: number): ClockReading {
    const placed = this.placed_s !== null && t >= this.placed_s;
    const courses = placed ? this.finishes : this.flows;
    const spent = Math.max(...courses.map((course) => course.spentAt(t)), this.skinSpent(t));
    const by_s = placed ? this.finishBy_s : this.placeBy_s;
    const phase: Phase = t >= this.initial_s ? 'set' : t >= this.finishBy_s ? 'stiffening' : t >= this.placeBy_s ? 'workable' : 'wet';
    return {
      level: Math.min(1, Math.max(0, 1 - spent)),
      safeLine: 1 - this.safe,
      left_s: by_s - t,
      ending: placed ? this.finishEnding : this.placeEnding,
      phase,
    };
  }
}
