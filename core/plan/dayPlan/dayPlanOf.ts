import { schedule, type Progress, type Schedule } from '../../day';
import { PLAN } from '../constants';
import { ratesOf, type PlanInput } from '../input/PlanInput';
import type { Plan } from '../Plan';
import type { DayAsk, DayBar, DayLimit, DayPlan, DayRest, DayTurn, DayWhy } from './DayPlan';
import { freedBy, type Freed } from './freedBy';
import { MINUTE_S, operationsOf, type DayWork } from './operationsOf';

const DAY_S = 86400;
/** A job that one day does not hold runs on into as many as these. */
const DAYS_MOST = 3;
/** How much is tried of a day: enough for forty operations. */
const WORK = 0.15;
/** What only says whether a day holds is tried as much. */
const TRIED_WORK = 0.02;
/** Limits let go one after another until there is a day, the one that costs least first. */
const LET_GO: readonly { readonly limit: DayLimit; readonly asked: (ask: DayAsk) => boolean; readonly without: (ask: DayAsk) => DayAsk }[] = [
  { limit: 'pins', asked: ({ pins = {} }) => Object.keys(pins).length > 0, without: ({ pins: _pins, ...ask }) => ask },
  { limit: 'opensBy', asked: ({ opensBy_s }) => opensBy_s !== null, without: (ask) => ({ ...ask, opensBy_s: null }) },
  { limit: 'weather', asked: ({ good }) => good !== undefined, without: ({ good: _good, ...ask }) => ask },
  { limit: 'fixed', asked: ({ fixed = [] }) => fixed.length > 0, without: ({ fixed: _fixed, ...ask }) => ask },
];

const NOTHING = { bars: [], rests: [], done_s: null, opens: null, visits: [], visit: 0, turnsOn: null, chanceLost: 0 } as const;

type Watch = (progress: Progress) => boolean | undefined;

/** How a day is searched for. */
export interface DaySearch {
  /** now and then; false ends the search with the best so far */
  readonly watch?: Watch;
  /** how much is tried, 1 for a schedule's ordinary */
  readonly tried?: number;
}

const found = (work: DayWork, days: number, { watch, tried = WORK }: DaySearch): Schedule =>
  schedule(
    { v: 1, step_s: MINUTE_S, horizon_s: days * DAY_S, resources: work.resources, operations: work.operations, lags: work.lags, minimise: 'finish' },
    { work: tried, ...(watch ? { onProgress: watch } : {}) },
  );

const toStep = (s: number): number => Math.floor(s / MINUTE_S) * MINUTE_S;

interface Arranged {
  readonly work: DayWork;
  readonly made: Schedule;
}

/** A day with nothing in its way: how long they prepare before the first water, s, and how many days it takes. */
function plainOf(input: PlanInput, plan: Plan, { from_s, visit }: DayAsk): { readonly lead_s: number; readonly days: number } {
  const begin_s = toStep(from_s);
  const ask: DayAsk = { firstWater_s: null, from_s, opensBy_s: null, ...(visit === undefined ? {} : { visit }) };
  for (let days = 1; days <= DAYS_MOST; days += 1) {
    const first = firstWet(found(operationsOf(input, plan, ask, begin_s, days), days, { tried: 0 }));
    if (first !== null) return { lead_s: first - begin_s, days };
  }
  return { lead_s: 0, days: 1 };
}

/** When the first of what is mixed or laid begins, s from midnight; null where nothing is. */
function firstWet({ starts_s }: Schedule): number | null {
  const wet = Object.entries(starts_s).flatMap(([id, start]) => (/^(mix|lay) /.test(id) ? [start] : []));
  return wet.length > 0 ? Math.min(...wet) : null;
}

/** A day put in order; where as many as it takes do not hold it, it runs on into one more, for better weather or beside other work into all there are. */
function arranged(input: PlanInput, plan: Plan, ask: DayAsk, { arrive_s, days: plain }: { arrive_s: number; days: number }, search: DaySearch): Arranged {
  let last: Arranged | null = null;
  // An opening, or what was dragged, stands on the days it takes: more of them free neither; an evening runs on.
  const late = arrive_s + ratesOf(input.firm).workday_s > plain * DAY_S;
  const most = late || ask.good || (ask.fixed ?? []).length > 0 ? DAYS_MOST : plain;
  for (let days = plain; days <= most; days += 1) {
    const work = operationsOf(input, plan, ask, arrive_s, days);
    const made = found(work, days, search);
    if (!made.clash) return { work, made };
    last ??= { work, made };
    // More days free neither lags that contradict each other nor more than there are hands.
    if (made.clash.why === 'lags' || made.clash.why === 'needs') break;
  }
  return last!;
}

/**
 * The plan of a day: operations from steps and batch list with their lags, hands, tools, weather and opening time, put in
 * order by the schedule's search. What cannot be together is named, with what was let go to have a day at all.
 *
 * @param ask times in s from the local midnight of the first day
 */
export function dayPlanOf(input: PlanInput, plan: Plan, ask: DayAsk, search: DaySearch = {}): DayPlan {
  if (plan.batches.length === 0) return { ...NOTHING, clash: null };
  const { firstWater_s, from_s } = ask;
  const { lead_s, days } = plainOf(input, plan, ask);
  const arrivingFor = (first_s: number): number => Math.max(toStep(from_s), toStep(first_s - lead_s));
  let arrive_s = firstWater_s === null ? toStep(from_s) : arrivingFor(firstWater_s);
  let asked = ask;
  let { work, made } = arranged(input, plan, asked, { arrive_s, days }, search);
  // Where the weather holds the first water back nobody comes to wait for it.
  const wet_s = firstWet(made);
  const later_s = wet_s === null || firstWater_s === null ? arrive_s : arrivingFor(wet_s);
  if (later_s - arrive_s > PLAN.heldBack_s && Object.keys(ask.pins ?? {}).length === 0) {
    const shifted = arranged(input, plan, ask, { arrive_s: later_s, days }, search);
    // About as soon done, and fewer hours on site: no worse a day.
    if (!shifted.made.clash && shifted.made.finish_s! <= made.finish_s! + PLAN.heldBack_s) [arrive_s, work, made] = [later_s, shifted.work, shifted.made];
  }
  const first = made.clash;
  let freed: DayLimit | null = null;
  for (const { limit, without } of first ? LET_GO.filter((each) => each.asked(ask)) : []) {
    // What alone frees it is told; where nothing does, that.
    const alone = arranged(input, plan, without(ask), { arrive_s, days }, search);
    if (alone.made.clash) continue;
    [asked, freed, work, made] = [without(ask), limit, alone.work, alone.made];
    break;
  }
  const clash = first ? { ...first, freed } : null;
  if (made.finish_s === null) return { ...NOTHING, visits: work.visits, visit: work.visit, clash };
  const { starts_s } = made;
  const durations = new Map(work.operations.map(({ id, duration_s }) => [id, duration_s]));
  const endOf = (id: string): number => starts_s[id]! + durations.get(id)!;
  const bars = [...work.bars.values()]
    .map((bar): DayBar => ({ ...bar, start_s: starts_s[bar.id]!, end_s: endOf(bar.id), why: whyOf(bar.id, work, asked, starts_s, endOf) }))
    .sort((a, b) => a.start_s - b.start_s || a.end_s - b.end_s);
  const openings = plan.batches.flatMap(({ number }) => {
    const opening = work.opens.get(number);
    const begin = starts_s[`mix ${number}`] ?? starts_s[`lay ${number}`];
    return opening && begin !== undefined ? [{ at_s: begin + opening.after_s, findingId: opening.findingId, to: opening.to }] : [];
  });
  return {
    bars,
    rests: restsOf(bars, work),
    done_s: made.finish_s,
    opens: openings.reduce<DayPlan['opens']>((last, each) => (last && last.at_s >= each.at_s ? last : each), null),
    visits: work.visits,
    visit: work.visit,
    turnsOn: turnOf(plan, work, asked, starts_s, endOf),
    chanceLost: 1 - plan.batches.reduce((kept, { window }) => kept * (1 - (window?.chanceLost ?? 0)), 1),
    clash,
  };
}

/**
 * The smallest change that frees a day whose limits clash: of the limit that was let go, by how much.
 *
 * @param day as it was planned with that limit let go
 * @returns null where nothing clashes, nothing alone frees it, or no change up to twelve hours is enough
 */
export function leastChange(input: PlanInput, plan: Plan, ask: DayAsk, { clash, bars, done_s }: DayPlan): Freed | null {
  const arrive = bars.find(({ id }) => id === 'arrive');
  if (!clash?.freed || !arrive || done_s === null) return null;
  const days = Math.max(1, Math.ceil(done_s / DAY_S));
  return freedBy(clash.freed, ask, (other) => {
    const made = found(operationsOf(input, plan, other, arrive.start_s, days), days, { tried: TRIED_WORK });
    return { holds: made.clash === null, starts_s: made.starts_s };
  });
}

/** Why an operation begins when it does: what holds it back there. */
function whyOf(id: string, work: DayWork, ask: DayAsk, starts_s: Schedule['starts_s'], endOf: (id: string) => number): DayWhy {
  const start = starts_s[id]!;
  const bar = work.bars.get(id)!;
  if (bar.code === 'fixed') return { code: 'fixed' };
  if (ask.pins && id in ask.pins) return { code: 'pinned' };
  if (bar.code === 'arrive') return { code: 'first' };
  const binding = work.lags.filter((lag) => lag.to === id && start - (endOf(lag.from) + lag.least_s) < MINUTE_S);
  // The longest wait says most.
  const lag = binding.sort((a, b) => b.least_s - a.least_s)[0];
  if (lag) return { code: lag.least_s >= MINUTE_S ? 'waits' : 'after', on: lag.from, least_s: lag.least_s };
  const { windows, needs } = work.operations.find((operation) => operation.id === id)!;
  // What stands where it is has no windows, and was told above.
  if (windows!.some(([from]) => Math.abs(start - from) < MINUTE_S)) return { code: start % DAY_S === starts_s['arrive']! % DAY_S ? 'morning' : 'weather' };
  const busy = work.operations.find(
    (other) => other.id !== id && Object.keys(needs).some((name) => name in other.needs) && Math.abs(start - endOf(other.id)) < MINUTE_S,
  );
  return busy ? { code: 'hands', on: busy.id } : { code: 'spare' };
}

/** What goes on by itself: a base that soaks, a layer that sets until somebody may work on it. */
function restsOf(bars: readonly DayBar[], work: DayWork): DayRest[] {
  const by = new Map(bars.map((bar) => [bar.id, bar]));
  const soaks = [...work.soaks].map(([id, for_s]): DayRest => {
    const { findings, end_s } = by.get(id)!;
    return { code: 'soaks', findings, start_s: end_s, end_s: end_s + for_s };
  });
  const sets = bars.flatMap((bar): DayRest[] => {
    if (bar.code !== 'follow') return [];
    const laid = bars.filter(
      ({ code, findings, role, end_s }) => code === 'lay' && role === bar.role && end_s <= bar.start_s && findings.some((id) => bar.findings.includes(id)),
    );
    const last = Math.max(-Infinity, ...laid.map(({ end_s }) => end_s));
    return Number.isFinite(last) && bar.start_s > last ? [{ code: 'sets', findings: bar.findings, start_s: last, end_s: bar.start_s }] : [];
  });
  return [...soaks, ...sets].sort((a, b) => a.start_s - b.start_s);
}

/** The batch with the least to spare: before its good hours end, the opening, its wet edge, or what must be covered wet. */
function turnOf(plan: Plan, work: DayWork, ask: DayAsk, starts_s: Schedule['starts_s'], endOf: (id: string) => number): DayTurn | null {
  const turns = plan.batches.flatMap(({ number, productId }): DayTurn[] => {
    const id = `mix ${number}` in starts_s ? `mix ${number}` : `lay ${number}`;
    const start = starts_s[id];
    if (start === undefined) return [];
    const opening = work.opens.get(number);
    const good = productId ? ask.good?.[productId]?.find(([from, to]) => start >= from && start <= to) : undefined;
    const edges = work.lags.filter(({ to, most_s, from }) => to === `lay ${number}` && most_s !== null && from !== id);
    return [
      ...(good ? [{ batch: number, spare_s: good[1] - start, code: 'weather' as const }] : []),
      ...(opening && ask.opensBy_s !== null ? [{ batch: number, spare_s: ask.opensBy_s - start - opening.after_s, code: 'opensBy' as const }] : []),
      ...edges.map(({ from, most_s }) => ({
        batch: number,
        spare_s: most_s! - (starts_s[`lay ${number}`]! - endOf(from)),
        code: plan.batches.find((batch) => `lay ${batch.number}` === from)?.productId === productId ? ('wetEdge' as const) : ('cover' as const),
      })),
    ];
  });
  const tightest = turns.reduce<DayTurn | null>((least, turn) => (least && least.spare_s <= turn.spare_s ? least : turn), null);
  // What has hours to spare is nothing that a day turns on.
  return tightest && tightest.spare_s <= PLAN.turnsWithin_s ? tightest : null;
}
