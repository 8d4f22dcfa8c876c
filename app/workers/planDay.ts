import {
  computePlan,
  dayOfJobs,
  dayPlanOf,
  leastChange,
  nextDoseOf,
  shadedOf,
  forecastSd,
  oddsOf,
  PLAN,
  weekAsks,
  weekOf,
  type DayAsk,
  type DayOdds,
  type DayPlan,
  type Freed,
  type JobInTurn,
  type JobOfDay,
  type Plan,
  type PlanInput,
} from '@tufa/core/plan';

/** A day to be planned, with the weather its hours are held to. */
export interface PlannedDay {
  readonly ask: DayAsk;
  readonly weather: { readonly site: Parameters<typeof weekOf>[0]['site']; readonly midnight_ms: number } | null;
  readonly now_ms: number;
  /** by the rules alone: somebody has no time for more */
  readonly hurried?: boolean;
}

const HOUR_S = 3600;
/** Hours of so many days are looked at: a job may run on. */
const DAYS = 3;
/** What is set beside the day goes through fewer days. */
const DAYS_BESIDE = 3000;
/** What would help is searched less, and so is the day it is held against: searched to its end each would be drawn as tight again, and nothing would help. */
const TRIED_BESIDE = 0.02;
/** What changes the odds by less is no help. */
const LITTLE = 0.01;

/** Runs of good hours by product, s from midnight. A product of which no hour is known is held to none. */
function goodOf(input: PlanInput, { weather, now_ms }: PlannedDay, plan: ReturnType<typeof computePlan>): DayAsk['good'] {
  if (!weather) return undefined;
  const { site, midnight_ms } = weather;
  const at_ms = Array.from({ length: DAYS * 24 }, (_, i) => midnight_ms + i * HOUR_S * 1000);
  const { air_C, slab_C } = input.conditions;
  // Nothing of the day is gone here: nobody comes before now, and what is poured is poured.
  const weeks = weekOf({ asks: weekAsks(input, plan), site, conditions: { air_C, slab_C }, at_ms, now_ms: Math.min(now_ms, midnight_ms) });
  return Object.fromEntries(
    weeks.flatMap(({ key, hours, runs }) =>
      hours.length === 0 ? [] : [[key, runs.map(({ from_ms, to_ms }) => [(from_ms - midnight_ms) / 1000, (to_ms - midnight_ms) / 1000 + HOUR_S] as const)]],
    ),
  );
}

/** The chance of rain in each hour of the day and the next ones; nothing where nobody says. */
function rainOf({ weather }: PlannedDay): Pick<DayAsk, 'rain'> {
  if (!weather) return {};
  const { site, midnight_ms } = weather;
  const { from, hours } = site.weather;
  const first = Math.round((midnight_ms - Date.parse(from)) / (HOUR_S * 1000));
  return { rain: Array.from({ length: DAYS * 24 }, (_, i) => hours[first + i]?.rainChance ?? 0) };
}

interface Made {
  readonly plan: Plan;
  readonly ask: DayAsk;
  readonly day: DayPlan;
}

/** The day that was made last, for who asks how it may go. */
let last: { readonly input: PlanInput; readonly asked: string; readonly made: Made } | null = null;

function made(input: PlanInput, asked: PlannedDay, tried = asked.hurried ? 0 : undefined, onProgress?: (share: number) => void): Made {
  const key = JSON.stringify([asked.ask, asked.weather, tried ?? null]);
  if (last?.input === input && last.asked === key) return last.made;
  const plan = computePlan(input, { ranked: 'chosen' });
  const good = goodOf(input, asked, plan);
  const ask = { ...asked.ask, ...(good ? { good } : {}), ...rainOf(asked) };
  const fresh = {
    plan,
    ask,
    day: dayPlanOf(input, plan, ask, {
      ...(tried === undefined ? {} : { tried }),
      ...(onProgress ? { watch: ({ tried: done, of }) => void onProgress(done / of) } : {}),
    }),
  };
  last = { input, asked: key, made: fresh };
  return fresh;
}

/** A job's day in its weather. @param onProgress how much of the search is done, now and then */
export const planDay = (input: PlanInput, asked: PlannedDay, onProgress?: (share: number) => void): DayPlan => made(input, asked, undefined, onProgress).day;

/** The smallest change that frees a day whose limits clash; null where none does. */
export function dayLeast(input: PlanInput, asked: PlannedDay): Freed | null {
  const { plan, ask, day } = made(input, asked);
  return leastChange(input, plan, ask, day);
}

/** Several jobs of one day, each in its weather, in the order that holds most of what is asked. */
export function planJobs(
  jobs: readonly { readonly input: PlanInput; readonly asked: PlannedDay }[],
  of: { travel_s: number; from_s: number },
): readonly JobInTurn[] {
  return dayOfJobs(
    jobs.map(({ input, asked }): JobOfDay => {
      const plan = computePlan(input, { ranked: 'chosen' });
      const good = goodOf(input, asked, plan);
      return { input, plan, ask: { ...asked.ask, ...(good ? { good } : {}) } };
    }),
    of,
  );
}

/** How far ahead the day lies decides how well its air is known. */
const spreadsOf = ({ weather, now_ms }: PlannedDay) => ({
  rateDay: PLAN.rateDaySd,
  rateBatch: PLAN.rateBatchSd,
  air_K: weather ? forecastSd((weather.midnight_ms - now_ms) / 1000 + 12 * HOUR_S) : 0,
  windLn: weather ? PLAN.windSd : 0,
  humidity: weather ? PLAN.humiditySd : 0,
});

/** How a planned day may go; null where there is no day. */
export function dayOdds(input: PlanInput, asked: PlannedDay, days?: number, tried?: number): DayOdds | null {
  const { plan, day, ask } = made(input, asked, tried);
  return oddsOf(input, plan, day, ask, { spreads: spreadsOf(asked), ...(days === undefined ? {} : { days }) });
}

/** Something that could be done otherwise, how often no batch is lost then, and how much sooner the day is done. */
export interface Help {
  readonly code: 'hand' | 'earlier' | 'later' | 'shade' | 'retarder';
  readonly noneLost: number;
  /** below zero where it takes longer */
  readonly sooner_s: number;
}

/** What would help a day most, each held against the day as it is, searched alike and drawn on the same days; only what helps. */
export function dayHelps(input: PlanInput, asked: PlannedDay): Help[] {
  const outcomeOf = (of: PlanInput, how: PlannedDay, tried?: number): { noneLost: number; done_s: number; clash: boolean } | null => {
    const odds = dayOdds(of, how, DAYS_BESIDE, tried);
    const { done_s, clash } = made(of, how, tried).day;
    return odds && done_s !== null ? { noneLost: odds.noneLost, done_s, clash: clash !== null } : null;
  };
  const moved = (by_s: number): PlannedDay => ({
    ...asked,
    ask: { ...asked.ask, firstWater_s: asked.ask.firstWater_s === null ? null : asked.ask.firstWater_s + by_s },
  });
  const shaded = shadedOf(input);
  const dose = nextDoseOf(input);
  // Another hand is as it stands in the table of hands.
  const ways: readonly (readonly [Help['code'], PlanInput, PlannedDay, number?])[] = [
    ['hand', { ...input, crew: { ...input.crew, hands: input.crew.hands + 1 } }, asked],
    ['earlier', input, moved(-HOUR_S), TRIED_BESIDE],
    ['later', input, moved(HOUR_S), TRIED_BESIDE],
    ...(shaded ? [['shade', shaded, asked, TRIED_BESIDE] as const] : []),
    ...(dose === undefined ? [] : [['retarder', { ...input, batch: { ...input.batch, retarderDose: dose } }, asked, TRIED_BESIDE] as const]),
  ];
  const before = new Map([undefined, TRIED_BESIDE].map((tried) => [tried, outcomeOf(input, asked, tried)]));
  return ways
    .flatMap(([code, of, how, tried]): Help[] => {
      const [as, then] = [before.get(tried), outcomeOf(of, how, tried)];
      return as && then && !then.clash && then.noneLost > as.noneLost + LITTLE ? [{ code, noneLost: then.noneLost, sooner_s: as.done_s - then.done_s }] : [];
    })
    .sort((a, b) => b.noneLost - a.noneLost);
}

/** What a day comes to with so many hands. */
export interface HandsOutcome {
  readonly hands: number;
  readonly done_s: number | null;
  readonly clash: boolean;
  readonly chanceLost: number;
  /** every hand's time on site, s */
  readonly hand_s: number;
}

/** The same day with other hands, side by side; what was moved by hand stays with the hands it was moved for. */
export const planByHands = (input: PlanInput, asked: PlannedDay, hands: readonly number[]): HandsOutcome[] =>
  hands.map((count) => {
    const { pins: _pins, ...ask } = asked.ask;
    const planned = count === input.crew.hands;
    const of = planned ? input : { ...input, crew: { ...input.crew, hands: count } };
    const how = planned ? asked : { ...asked, ask };
    const { day } = made(of, how);
    const odds = dayOdds(of, how, planned ? undefined : DAYS_BESIDE);
    const begin_s = day.bars[0]?.start_s ?? 0;
    return {
      hands: count,
      done_s: day.done_s,
      clash: day.clash !== null,
      chanceLost: odds ? 1 - odds.noneLost : day.chanceLost,
      hand_s: day.done_s === null ? 0 : (day.done_s - begin_s) * count,
    };
  });
