import { Course } from '../../setting';
import { skinTime } from '../../weather';
import { sheetOf } from '../input/sheetOf';
import type { PlanInput } from '../input/PlanInput';
import type { Plan } from '../Plan';
import { basisFor } from '../window/basisFor';
import { sheltered } from '../window/sheltered';
import type { WindowQuestion } from '../window/WindowQuestion';

/** Spent budgets are tabulated at so many moments and so many kelvins off. */
const TIMES = 24;
const OFF_K: readonly number[] = [-8, -4, 0, 4, 8];

/** A batch made ready to be lived through many times. */
export interface Lived {
  readonly number: string;
  readonly first_s: number;
  readonly place_s: number;
  readonly finish_s: number;
  readonly sdLn: number;
  /** finish life over flow life */
  readonly ratio: number;
  readonly skin_s: number;
  /** share of the flow's budget spent after a time by the portion that spends more, at kelvins off */
  readonly spentAt: (t: number, off_K: number) => number;
  /** what its ln changes by for one of ln of wind, and one of humidity */
  readonly skinLn: { readonly wind: number; readonly humidity: number };
  /** when it bears a foot, s from first water, where rain can reach it; null where none can */
  readonly bears_s: number | null;
  /** the batch that must touch its last edge */
  readonly touchedBy: number;
}

/**
 * The batches of a plan that have a life, made ready to be lived through many times.
 *
 * @throws Problem `outOfRange` from the courses
 */
export const livedOf = (input: PlanInput, plan: Plan): Lived[] => plan.batches.flatMap((batch) => lifeOf(input, plan, batch) ?? []);

/**
 * One batch of a plan made ready to be lived through; null for what has no life of its own.
 *
 * @throws Problem `outOfRange` from the courses
 */
export function lifeOf(input: PlanInput, plan: Plan, batch: Plan['batches'][number]): Lived | null {
  const { window, productId } = batch;
  const sheet = sheetOf(input, productId ?? undefined);
  if (!window || !sheet) return null;
  const { sheetId: _id, ...asked } = window.question;
  const question: WindowQuestion = { ...asked, sheet };
  // What the forecast adds is drawn with the day.
  const { basis } = basisFor({ ...question, spread_K: { ...question.spread_K, air_C: 0, slab_C: 0 } });
  const { pace, course, flow_life_s, finish_life_s, filmShare, drying } = basis;
  const first_s = pace.mix_s + pace.carry_s;
  const skin_s = drying ? skinTime({ ...drying, thickness_m: course.thickness_m }) : Infinity;
  const longest_s = 4 * Math.max(window.window.finishNeeds_s, window.window.finishBy_s, first_s + 60);
  const shifted = (value: typeof course.surface_C, off: number): typeof course.surface_C =>
    typeof value === 'number' ? value + off : { at_s: value.at_s, C: value.C.map((C) => C + off) };
  const table = OFF_K.map((off) => {
    const of = (placed_after_s: number): Course =>
      new Course({
        ...course,
        surroundings_C: shifted(course.surroundings_C, off),
        surface_C: shifted(course.surface_C, off),
        pail_life_s: flow_life_s,
        film_life_s: flow_life_s * filmShare,
        placed_after_s,
      });
    const [early, late] = [of(first_s), of(first_s + pace.place_s)];
    return Float64Array.from({ length: TIMES + 1 }, (_, i) => Math.max(early.spentAt((longest_s * i) / TIMES), late.spentAt((longest_s * i) / TIMES)));
  });
  const spentAt = (t: number, off_K: number): number => {
    const x = Math.min(TIMES - 1e-9, Math.max(0, (t / longest_s) * TIMES));
    const y = Math.min(OFF_K.length - 1 - 1e-9, Math.max(0, (off_K - OFF_K[0]!) / 4));
    const [i, j] = [Math.floor(x), Math.floor(y)];
    const [u, v] = [x - i, y - j];
    const [a, b] = [table[j]!, table[j + 1]!];
    return (a[i]! * (1 - u) + a[i + 1]! * u) * (1 - v) + (b[i]! * (1 - u) + b[i + 1]! * u) * v;
  };
  const next = window.window.wetEdge.asked
    ? plan.batches.findIndex((other) => other.serves.some(({ id, nth }) => batch.serves.some((served) => served.id === id && served.nth === nth - 1)))
    : -1;
  return {
    number: batch.number,
    first_s,
    place_s: pace.place_s,
    finish_s: pace.finish_s,
    sdLn: basis.sdLn,
    ratio: finish_life_s / flow_life_s,
    skin_s,
    skinLn: skinLnOf(question, skin_s, course.thickness_m),
    bears_s: bearsOf(input, batch),
    spentAt,
    touchedBy: next,
  };
}

/** One step of each: about what a forecast is wrong by. */
const STEP = { wind: 0.3, humidity: 0.06 } as const;

/** How wind and humidity move the time to a skin, by a small step of each. */
function skinLnOf(question: WindowQuestion, skin_s: number, thickness_m: number): Lived['skinLn'] {
  if (!Number.isFinite(skin_s)) return { wind: 0, humidity: 0 };
  const lnOf = (change: Partial<WindowQuestion>): number => {
    const { drying } = basisFor({ ...question, ...change }).basis;
    return drying ? Math.log(skinTime({ ...drying, thickness_m }) / skin_s) : 0;
  };
  const { wind_ms, humidity } = question;
  // Towards drier air, unless there is none.
  const way = humidity > STEP.humidity ? -1 : 1;
  return {
    wind: lnOf({ wind_ms: wind_ms * Math.exp(STEP.wind) }) / STEP.wind,
    humidity: lnOf({ humidity: humidity + way * STEP.humidity }) / (way * STEP.humidity),
  };
}

/** Rain spoils what lies open to the sky until it bears. */
function bearsOf(input: PlanInput, { serves, milestones }: Plan['batches'][number]): number | null {
  const open = serves.some(({ findingId }) => {
    const finding = input.findings.find(({ id }) => id === findingId);
    const element = input.elements.find(({ id }) => id === finding?.elementId);
    return finding && element && !sheltered(element, finding);
  });
  return open ? (milestones.find(({ name }) => name === 'foot')?.after_s ?? null) : null;
}
