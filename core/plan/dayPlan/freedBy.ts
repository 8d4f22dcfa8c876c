import type { DayAsk, DayLimit } from './DayPlan';

/** The smallest change that frees a day: of which limit, by how much, and of what where it is something of its own. */
export interface Freed {
  readonly limit: DayLimit;
  /** later, or longer, s; a bar or another's work moved to an earlier hour is negative */
  readonly by_s: number;
  /** the bar or the work that is moved */
  readonly id: string | null;
}

/** Changes are told in steps of so much, s, and sought no further than this. */
const STEP_S = 300;
const MOST_S = 12 * 3600;
/** Of what is moved earlier or later so much is looked at, s. */
const MOVED_S = 1800;

/** A day that could be: whether it holds, and when each of its bars begins. */
export type Tried = (ask: DayAsk) => { readonly holds: boolean; readonly starts_s: Readonly<Record<string, number>> };

/** The least of a change with which it holds, in steps; null where all of it is not enough. */
function least(holds: (by_s: number) => boolean): number | null {
  let [low, high] = [0, MOST_S / STEP_S];
  if (!holds(high * STEP_S)) return null;
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (holds(middle * STEP_S)) high = middle;
    else low = middle;
  }
  return high * STEP_S;
}

const smallest = (all: readonly (Freed | null)[]): Freed | null =>
  all.reduce<Freed | null>((best, each) => (each && (!best || Math.abs(each.by_s) < Math.abs(best.by_s)) ? each : best), null);

/** Another's work moved, earlier or later, whichever is nearer. */
function movedWork(ask: DayAsk, tried: Tried): Freed | null {
  const { fixed = [] } = ask;
  const holds = (id: string, by_s: number): boolean =>
    tried({ ...ask, fixed: fixed.map((work) => (work.id === id ? { ...work, start_s: work.start_s + by_s } : work)) }).holds;
  for (let by_s = MOVED_S; by_s <= MOST_S; by_s += MOVED_S)
    for (const { id, start_s } of fixed)
      for (const way of [1, -1] as const) if (start_s + way * by_s >= 0 && holds(id, way * by_s)) return { limit: 'fixed', by_s: way * by_s, id };
  return null;
}

/** One bar let go of those that were dragged, to where it would stand. */
function movedBar(ask: DayAsk, tried: Tried): Freed | null {
  const { pins = {} } = ask;
  return smallest(
    Object.entries(pins).map(([id, pin_s]): Freed | null => {
      const { [id]: _let, ...rest } = pins;
      const { holds, starts_s } = tried({ ...ask, pins: rest });
      return holds && starts_s[id] !== undefined ? { limit: 'pins', by_s: starts_s[id] - pin_s, id } : null;
    }),
  );
}

/**
 * By how much a limit would have to give so that the day holds with all the others.
 *
 * @param tried searches a day
 * @returns null where no change of it alone up to twelve hours is enough
 */
export function freedBy(limit: DayLimit, ask: DayAsk, tried: Tried): Freed | null {
  if (limit === 'pins') return movedBar(ask, tried);
  if (limit === 'fixed') return movedWork(ask, tried);
  const asked = (by_s: number): DayAsk =>
    limit === 'opensBy'
      ? { ...ask, opensBy_s: ask.opensBy_s === null ? null : ask.opensBy_s + by_s }
      : {
          ...ask,
          good: Object.fromEntries(Object.entries(ask.good ?? {}).map(([sheet, runs]) => [sheet, runs.map(([from, to]) => [from - by_s, to + by_s] as const)])),
        };
  const by_s = least((s) => tried(asked(s)).holds);
  return by_s === null ? null : { limit, by_s, id: null };
}
