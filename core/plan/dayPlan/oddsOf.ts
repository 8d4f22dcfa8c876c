import { normals } from '../../setting';
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
  /** of the air's forecast, K; the slab follows it */
  readonly air_K: number;
}

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
  {
    spreads = { rateDay: PLAN.rateDaySd, rateBatch: PLAN.rateBatchSd, air_K: PLAN.forecastSd_K },
    days = 10_000,
    seed = 1,
  }: { spreads?: DaySpreads; days?: number; seed?: number } = {},
): DayOdds | null {
  const arrive = day.bars.find(({ id }) => id === 'arrive');
  if (!arrive || day.done_s === null) return null;
  const work = operationsOf(input, plan, ask, arrive.start_s, 3);
  const bars = day.bars;
  const at = new Map(bars.map(({ id }, i) => [id, i]));
  // What has a window is mixed and laid; of another visit it is neither.
  const lived = livedOf(input, plan).filter(({ number }) => at.has(`mix ${number}`));
  const livedAt = new Map(lived.map((each, i) => [each.number, i]));
  // Before a bar: what its lags want, and what leaves it its hands.
  const before = bars.map((bar, i) => [
    ...work.lags.flatMap(({ from, to, least_s }) => (to === bar.id && at.has(from) ? [[at.get(from)!, least_s] as const] : [])),
    ...(bar.hands > 0
      ? bars.flatMap((other, j) => (j !== i && other.hands > 0 && other.end_s <= bar.start_s && bars[i]!.start_s - other.end_s < 7200 ? [[j, 0] as const] : []))
      : []),
  ]);
  const batchAt = bars.map(({ batch }) => (batch === undefined ? -1 : (livedAt.get(batch) ?? -1)));
  const draw = { day: normals(seed), batch: lived.map((_, i) => normals(seed + 101 * (i + 1))) };
  const lost = new Float64Array(lived.length);
  const done = new Float64Array(days);
  const ends = new Float64Array(bars.length);
  const starts = new Float64Array(bars.length);
  const half = Math.SQRT1_2;
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
    const air_K = spreads.air_K * draw.day();
    for (let k = 0; k < lived.length; k += 1) {
      const drawn = draw.batch[k]!;
      pace[k] = slow * Math.exp(spreads.rateBatch * drawn());
      life[k] = Math.exp(lived[k]!.sdLn * half * (shared + drawn()));
    }
    for (let i = 0; i < bars.length; i += 1) {
      const bar = bars[i]!;
      let start = bar.start_s;
      for (const [j, least_s] of before[i]!) start = Math.max(start, ends[j]! + least_s);
      starts[i] = start;
      const k = batchAt[i]!;
      // A machine mixes no slower; hands do.
      const factor = bar.code === 'mix' || bar.code === 'fixed' || bar.code === 'arrive' ? 1 : k >= 0 ? pace[k]! : slow;
      ends[i] = start + (bar.end_s - bar.start_s) * factor;
    }
    let any = false;
    for (let k = 0; k < lived.length; k += 1) {
      const { first_s, place_s, finish_s, ratio, skin_s, spentAt, number, touchedBy } = lived[k]!;
      const [mix, lay] = [at.get(`mix ${number}`)!, at.get(`lay ${number}`)!];
      // What stands in the pail until somebody has hands for it lives on.
      const waits_s = Math.max(0, starts[lay]! - ends[mix]! - (bars[lay]!.start_s - bars[mix]!.end_s));
      const placed = first_s + waits_s + place_s * pace[k]!;
      const finished = placed + finish_s * pace[k]!;
      const L = life[k]!;
      let gone = spentAt(placed, air_K) > L || spentAt(finished, air_K) / ratio > L;
      if (!gone && Number.isFinite(skin_s)) gone = finished - first_s - waits_s > skin_s * Math.exp(WEATHER.skinSd * draw.batch[k]!());
      if (!gone && touchedBy >= 0) {
        const next = at.get(`lay ${plan.batches[touchedBy]!.number}`)!;
        gone = spentAt(placed + Math.max(0, starts[next]! - ends[lay]!), air_K) > L;
      }
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
