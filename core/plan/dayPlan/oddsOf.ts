import { normals, uniforms } from '../../setting';
import { WEATHER } from '../../weather';
import { PLAN } from '../constants';
import type { PlanInput } from '../input/PlanInput';
import type { Plan } from '../Plan';
import type { DayAsk, DayPlan } from './DayPlan';
import { livedOf } from './livedOf';
import { operationsOf } from './operationsOf';

/** What is not sure of a day: standard deviations. */
export interface DaySpreads {
  /** of ln, for the day as a whole and for each batch */
  readonly rateDay: number;
  readonly rateBatch: number;
  /** of the air's forecast, K; the slab follows it. One hour's error is much like the next one's */
  readonly air_K: number;
  /** of ln of the wind, and of the humidity, for the day as a whole */
  readonly windLn: number;
  readonly humidity: number;
}

/** What is not known of a day that is looked at now. */
const SPREADS: DaySpreads = {
  rateDay: PLAN.rateDaySd,
  rateBatch: PLAN.rateBatchSd,
  air_K: PLAN.forecastSd_K,
  windLn: PLAN.windSd,
  humidity: PLAN.humiditySd,
};

/** How a day may go. */
export interface DayOdds {
  /** by batch, the chance that it is lost on the day's clock */
  readonly lost: Readonly<Record<string, number>>;
  /** that none is */
  readonly noneLost: number;
  /** when the hands are done: P10, P50, P90, s from midnight */
  readonly done: { readonly p10: number; readonly p50: number; readonly p90: number };
  /** that it opens in time; null where nobody asks */
  readonly opensInTime: number | null;
  readonly days: number;
}

/** Why something begins at an hour that is given, whatever came before it. */
const GIVEN: ReadonlySet<string> = new Set(['first', 'pinned', 'fixed', 'weather', 'morning', 'spare']);
const HOUR_S = 3600;
/** After the last hour a late day may still run on, h. */
const SPARE_H = 8;
/** What an hour's error has of the one before: errors are alike over eight hours. */
const KEPT = Math.exp(-1 / PLAN.alike_h);
const ANEW = Math.sqrt(1 - KEPT * KEPT);
/** A lag that is longer is a wait for something that sets, s. */
const WAITS_S = 60;

/**
 * How a planned day may go: its clock lived through many times, with rates, lives and the forecast drawn. A batch is lost
 * when any end comes before what must be done by it on that day's clock. Where nothing but the lives is drawn the chance is
 * that of its window.
 *
 * @param spreads of what is not sure; rates of ln 0.2 for the day and 0.1 for each batch unless given
 * @param days how many are lived through
 * @param seed an integer: the same days on every engine
 */
export function oddsOf(
  input: PlanInput,
  plan: Plan,
  day: DayPlan,
  ask: DayAsk,
  { spreads = SPREADS, days = 10_000, seed = 1 }: { spreads?: DaySpreads; days?: number; seed?: number } = {},
): DayOdds | null {
  const arrive = day.bars.find(({ id }) => id === 'arrive');
  if (!arrive || day.done_s === null) return null;
  const work = operationsOf(input, plan, ask, arrive.start_s, 3);
  const bars = day.bars;
  const at = new Map(bars.map(({ id }, i) => [id, i]));
  // What has a window is mixed and laid; of another visit it is neither.
  const lived = livedOf(input, plan).filter(({ number }) => at.has(`mix ${number}`));
  const livedAt = new Map(lived.map((each, i) => [each.number, i]));
  // By batch, those that must follow it one upon another while its edge is wet.
  const chained = new Map<string, readonly string[]>();
  for (const { number, touchedBy } of [...lived].reverse()) {
    const next = plan.batches[touchedBy]?.number;
    if (next !== undefined) chained.set(number, [next, ...(chained.get(next) ?? [])]);
  }
  const stage = (id: string): string => id.slice(id.indexOf(' ') + 1);
  // Before a bar: what its lags want, and what leaves it its hands.
  const before = bars.map((bar, i) => [
    ...work.lags.flatMap(({ from, to, least_s }) => {
      if (!at.has(from)) return [];
      if (to === bar.id) return [[at.get(from)!, least_s] as const];
      // What waits for another batch is not mixed before that is nearly ready.
      const ahead = least_s > WAITS_S && bar.code === 'mix' && to === `lay ${bar.batch}` && stage(from) !== bar.batch;
      return ahead ? [[at.get(from)!, least_s - (bar.end_s - bar.start_s)] as const] : [];
    }),
    // What must follow at once is not begun before all of it can: it is late by as much as what its later batches wait for.
    ...(bar.code === 'mix' && bar.batch !== undefined
      ? work.lags.flatMap(({ from, to }) => {
          const j = at.get(from);
          const later = chained.get(bar.batch!) ?? [];
          const waits = j !== undefined && bars[j]!.batch === undefined && bars[j]!.end_s <= bar.start_s;
          return waits && later.some((number) => to === `mix ${number}` || to === `lay ${number}`) ? [[j, bar.start_s - bars[j]!.end_s] as const] : [];
        })
      : []),
    // Nobody mixes the next while more is left to lay of the one before than was planned.
    ...(bar.code === 'mix'
      ? bars.flatMap((other, j) => (j < i && other.code === 'lay' && other.end_s > bar.start_s ? [[j, bar.start_s - other.end_s] as const] : []))
      : []),
    ...(bar.hands > 0
      ? bars.flatMap((other, j) => (j !== i && other.hands > 0 && other.end_s <= bar.start_s && bars[i]!.start_s - other.end_s < 7200 ? [[j, 0] as const] : []))
      : []),
  ]);
  const batchAt = bars.map(({ batch }) => (batch === undefined ? -1 : (livedAt.get(batch) ?? -1)));
  const draw = {
    day: normals(seed),
    air: normals(seed + 13),
    rain: uniforms(seed + 29),
    batch: lived.map((_, i) => normals(seed + 101 * (i + 1))),
  };
  const lost = new Float64Array(lived.length);
  const done = new Float64Array(days);
  const ends = new Float64Array(bars.length);
  const starts = new Float64Array(bars.length);
  const half = Math.SQRT1_2;
  const hours = Math.ceil(Math.max(...bars.map(({ end_s }) => end_s)) / HOUR_S) + SPARE_H;
  const air_K = new Float64Array(hours);
  const rains = new Uint8Array(hours);
  const { rain = [] } = ask;
  const hourOf = (s: number): number => Math.min(hours - 1, Math.max(0, Math.floor(s / HOUR_S)));
  let [none, inTime] = [0, 0];
  // What comes ready has no life to draw: only what is mixed opens sooner or later.
  const openings = [...work.opens].flatMap(([number, { after_s }]) => {
    const rate = livedAt.get(number);
    return rate === undefined ? [] : [{ i: at.get(`mix ${number}`)!, after_s, rate }];
  });
  const pace = new Float64Array(lived.length);
  const life = new Float64Array(lived.length);
  for (let n = 0; n < days; n += 1) {
    const slow = Math.exp(spreads.rateDay * draw.day());
    const shared = draw.day();
    const [wind, humidity] = [spreads.windLn * draw.day(), spreads.humidity * draw.day()];
    let error_K = spreads.air_K * draw.air();
    for (let h = 0; h < hours; h += 1) {
      air_K[h] = error_K;
      error_K = error_K * KEPT + spreads.air_K * ANEW * draw.air();
      const chance = rain[h] ?? 0;
      rains[h] = chance > 0 ? Number(draw.rain() < chance) : 0;
    }
    for (let k = 0; k < lived.length; k += 1) {
      const drawn = draw.batch[k]!;
      pace[k] = slow * Math.exp(spreads.rateBatch * drawn());
      life[k] = Math.exp(lived[k]!.sdLn * half * (shared + drawn()));
    }
    for (let i = 0; i < bars.length; i += 1) {
      const bar = bars[i]!;
      // Who is quick goes on at once; only an hour that is given is waited for.
      let start = GIVEN.has(bar.why.code) || before[i]!.length === 0 ? bar.start_s : 0;
      for (const [j, least_s] of before[i]!) {
        // What lives longer sets later, in the same measure: so does what waits for it.
        const rate = least_s > WAITS_S ? batchAt[j]! : -1;
        start = Math.max(start, ends[j]! + least_s * (rate >= 0 ? life[rate]! : 1));
      }
      starts[i] = start;
      const k = batchAt[i]!;
      // A machine mixes no slower; hands do.
      const factor = bar.code === 'mix' || bar.code === 'fixed' || bar.code === 'arrive' ? 1 : k >= 0 ? pace[k]! : slow;
      ends[i] = start + (bar.end_s - bar.start_s) * factor;
    }
    let any = false;
    for (let k = 0; k < lived.length; k += 1) {
      const { first_s, place_s, finish_s, ratio, skin_s, skinLn, bears_s, spentAt, number, touchedBy } = lived[k]!;
      const [mix, lay] = [at.get(`mix ${number}`)!, at.get(`lay ${number}`)!];
      // What stands in the pail until somebody has hands for it lives on.
      const waits_s = Math.max(0, starts[lay]! - ends[mix]! - (bars[lay]!.start_s - bars[mix]!.end_s));
      const placed = first_s + waits_s + place_s * pace[k]!;
      const finished = placed + finish_s * pace[k]!;
      const L = life[k]!;
      const off_K = air_K[hourOf(starts[lay]!)]!;
      let gone = spentAt(placed, off_K) > L || spentAt(finished, off_K) / ratio > L;
      if (!gone && Number.isFinite(skin_s))
        gone = finished - first_s - waits_s > skin_s * Math.exp(WEATHER.skinSd * draw.batch[k]!() + skinLn.wind * wind + skinLn.humidity * humidity);
      if (!gone && touchedBy >= 0) {
        const next = at.get(`lay ${plan.batches[touchedBy]!.number}`)!;
        gone = spentAt(placed + Math.max(0, starts[next]! - ends[lay]!), off_K) > L;
      }
      // Rain spoils what does not bear yet.
      if (!gone && bears_s !== null) for (let h = hourOf(starts[lay]!); h <= hourOf(starts[mix]! + bears_s * L); h += 1) gone ||= rains[h] === 1;
      if (gone) {
        lost[k]! += 1;
        any = true;
      }
    }
    if (!any) none += 1;
    let last = 0;
    for (let i = 0; i < bars.length; i += 1) last = Math.max(last, ends[i]!);
    done[n] = last;
    // Where it is warmer it opens sooner, in the same measure as it lives shorter.
    if (ask.opensBy_s !== null && openings.every(({ i, after_s, rate }) => starts[i]! + after_s * life[rate]! <= ask.opensBy_s!)) inTime += 1;
  }
  done.sort();
  const quantile = (share: number): number => done[Math.min(days - 1, Math.floor(share * days))]!;
  return {
    lost: Object.fromEntries(lived.map(({ number }, k) => [number, lost[k]! / days])),
    noneLost: none / days,
    done: { p10: quantile(0.1), p50: quantile(0.5), p90: quantile(0.9) },
    opensInTime: ask.opensBy_s === null || openings.length === 0 ? null : inTime / days,
    days,
  };
}
