import type { PlanInput } from '../input/PlanInput';
import type { Plan } from '../Plan';
import type { DayAsk, DayPlan } from './DayPlan';
import { dayPlanOf } from './dayPlanOf';

/** A job that is to be done on a day, with what is asked of it. */
export interface JobOfDay {
  readonly input: PlanInput;
  readonly plan: Plan;
  readonly ask: DayAsk;
}

/** A job in its turn: s from midnight. */
export interface JobInTurn {
  /** which of the jobs, as they were handed over */
  readonly nth: number;
  readonly arrive_s: number;
  readonly firstWater_s: number | null;
  /** null where no order of it holds */
  readonly done_s: number | null;
  /** it opens later than is asked */
  readonly late: boolean;
  readonly clash: boolean;
}

/** In every order so many are tried; more are taken as they come. */
const EVERY_ORDER = 4;
/** What only says how long a job takes is tried as much. */
const TRIED = 0.01;
/** Days of one job are alike from one of these to the next, s. */
const GRID_S = 900;

interface Turned {
  readonly turns: readonly JobInTurn[];
  readonly faults: number;
  readonly done_s: number;
}

const better = (a: Turned, b: Turned | null): boolean => !b || a.faults < b.faults || (a.faults === b.faults && a.done_s < b.done_s);

function turnOf(nth: number, day: DayPlan, from_s: number, { opensBy_s }: DayAsk): JobInTurn {
  const wet = day.bars.filter(({ code }) => code === 'mix' || code === 'lay').map(({ start_s }) => start_s);
  return {
    nth,
    arrive_s: day.bars.find(({ id }) => id === 'arrive')?.start_s ?? from_s,
    firstWater_s: wet.length > 0 ? Math.min(...wet) : null,
    done_s: day.done_s,
    late: opensBy_s !== null && day.opens !== null && day.opens.at_s > opensBy_s,
    clash: day.clash !== null,
  };
}

/**
 * Several jobs of one crew on one day, one after another with the way between them: in the order in which most of them
 * hold what is asked, and of those the one that is done first. Up to four are tried in every order.
 *
 * @param travel_s from one to the next, s, 0 to a day
 * @param from_s nobody comes before it, s from midnight
 * @returns the jobs in their turn
 */
export function dayOfJobs(jobs: readonly JobOfDay[], { travel_s, from_s }: { readonly travel_s: number; readonly from_s: number }): readonly JobInTurn[] {
  const known = new Map<string, DayPlan>();
  const dayOf = (nth: number, at_s: number): DayPlan => {
    const { input, plan, ask } = jobs[nth]!;
    // Told by the quarter of an hour: orders share what was looked at.
    const begin_s = Math.ceil(at_s / GRID_S) * GRID_S;
    const key = `${nth} ${begin_s}`;
    const made = known.get(key) ?? dayPlanOf(input, plan, { ...ask, firstWater_s: null, from_s: begin_s }, { tried: TRIED });
    known.set(key, made);
    return made;
  };
  let best: Turned | null = null;
  const go = (left: readonly number[], at_s: number, so: Turned): void => {
    if (left.length === 0) {
      if (better(so, best)) best = so;
      return;
    }
    for (const nth of jobs.length > EVERY_ORDER ? left.slice(0, 1) : left) {
      const turn = turnOf(nth, dayOf(nth, at_s), at_s, jobs[nth]!.ask);
      const faults = so.faults + Number(turn.clash || turn.done_s === null) + Number(turn.late);
      const done_s = turn.done_s ?? at_s;
      const next = { turns: [...so.turns, turn], faults, done_s };
      if (better(next, best))
        go(
          left.filter((other) => other !== nth),
          done_s + travel_s,
          next,
        );
    }
  };
  go(
    jobs.map((_, nth) => nth),
    from_s,
    { turns: [], faults: 0, done_s: from_s },
  );
  return (best as Turned | null)?.turns ?? [];
}
