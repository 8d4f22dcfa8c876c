import type { BreakCode } from '../../pour';
import { vesselsOf } from '../../mix';
import { bagOf } from '../../shelf';
import { PLAN } from '../constants';
import type { Plan } from '../Plan';
import { computePlan } from '../computePlan';
import { ratesOf, type PlanInput } from '../input/PlanInput';
import { sheetOf } from '../input/sheetOf';

/** A way on when a plan broke. */
export const WAYS_ON = [
  'goOn',
  'smaller',
  'retard',
  'shadeIt',
  'hand',
  'fetch',
  'stop',
  'keep',
  'hurry',
  'cover',
  'extra',
  'measure',
  'after',
  'pause',
] as const;
export type WayOnCode = (typeof WAYS_ON)[number];

/** What a way on changes of the job from here: each is kept with the job. */
export interface WayChange {
  readonly hands?: number;
  /** what everybody does in a minute, against what was planned */
  readonly pace?: number;
  readonly pail_m3?: number;
  readonly retarderDose?: number;
  readonly sun?: boolean;
}

/** What is left, and what it costs that way. */
export interface WayOutcome {
  readonly batches: number;
  /** work at the pail and the trowel until the last of it is finished, s */
  readonly work_s: number;
  /** that one batch or more of them is lost */
  readonly chanceLost: number;
  readonly cost_minor: number;
}

/** A way on with what it comes to. */
export interface WayOn extends WayOutcome {
  readonly code: WayOnCode;
  /** nothing where the plan stays as it is */
  readonly change: WayChange | null;
  readonly pail_m3?: number;
  /** later than without the break, s */
  readonly wait_s: number;
  /** finding at whose end a clean end lies, and how many batches it takes; nothing for a way that goes to the end */
  readonly cleanEnd: { readonly batches: number; readonly findingId: string | null } | null;
}

/** A job as it is from here on. */
export function inputOn(input: PlanInput, { hands, pace, pail_m3, retarderDose, sun }: WayChange): PlanInput {
  const { crew, firm, batch, conditions } = input;
  // The firm's own rates would stand against a crew that runs slow: they become the crew's.
  const rates = { ...firm.workRates, ...crew.rates };
  const paced =
    pace === undefined ? crew : { ...crew, rate_m2_s: crew.rate_m2_s * pace, ...(Object.keys(rates).length > 0 ? { rates: scaled(rates, pace) } : {}) };
  return {
    ...input,
    crew: hands === undefined ? paced : { ...paced, hands },
    batch: { ...batch, ...(pail_m3 === undefined ? {} : { pail_m3 }), ...(retarderDose === undefined ? {} : { retarderDose }) },
    conditions: sun === undefined ? conditions : { ...conditions, sun },
  };
}

const scaled = (rates: Readonly<Record<string, number>>, by: number): Record<string, number> =>
  Object.fromEntries(Object.entries(rates).map(([work, rate]) => [work, rate * by]));

/** What the batches of a list come to: their work one after another, the chance that any is lost, hands and what is lost of them. */
function outcomeOf(input: PlanInput, batches: Plan['batches']): WayOutcome {
  const { labour_minor_h } = ratesOf(input.firm);
  let [work_s, kept, lost_minor] = [0, 1, 0];
  for (const { window, productId, amount, shots } of batches) {
    if (!window) continue;
    const { mix_s, carry_s, place_s, finish_s } = window.basis.pace;
    work_s += (mix_s + carry_s + place_s) * (shots?.count ?? 1) + (batches.at(-1)?.window === window ? finish_s : 0);
    kept *= 1 - window.chanceLost;
    const sheet = sheetOf(input, productId);
    const pack = sheet && bagOf(sheet);
    if (pack) lost_minor += window.chanceLost * amount * (pack.price_minor / pack.mass_kg);
  }
  const cost_minor = (input.crew.hands * work_s * labour_minor_h) / 3600 + lost_minor;
  return { batches: batches.length, work_s, chanceLost: 1 - kept, cost_minor };
}

/** Where the list may end without an edge inside a layer: how many batches on, and which finding that ends. */
function cleanEndOf({ batches }: Plan): NonNullable<WayOn['cleanEnd']> {
  const [next] = batches;
  const open = next?.serves[0];
  if (!next || !open || open.part === 'whole' || open.part === 'first') return { batches: 0, findingId: null };
  const count = batches.findIndex(({ serves }) => serves.some(({ id, part }) => id === open.id && part === 'rest')) + 1;
  return { batches: count, findingId: open.findingId };
}

/** What a break leaves to choose between, before it is worked out. */
function choicesFor(what: BreakCode, input: PlanInput): readonly { readonly code: WayOnCode; readonly change: WayChange | null; readonly wait_s?: number }[] {
  const { firm, crew, batch } = input;
  const pail_m3 = batch.pail_m3 ?? firm.pail_m3;
  const smaller = vesselsOf(firm)
    .filter(({ volume_m3 }) => volume_m3 < pail_m3 * (1 - 1e-9))
    .at(-1);
  const doses = input.treatments.flatMap(({ sheetId }) => sheetOf(input, sheetId)?.retarder.map(([dose]) => dose) ?? []);
  const next = doses.filter((dose) => dose > batch.retarderDose).sort((a, b) => a - b)[0];
  const retard = (change: WayChange): { code: 'retard'; change: WayChange }[] =>
    next === undefined ? [] : [{ code: 'retard', change: { ...change, retarderDose: next } }];
  const fetch = { code: 'fetch' as const, change: null, wait_s: PLAN.fetch_s };
  const stop = { code: 'stop' as const, change: null };
  const keep = { code: 'keep' as const, change: null };
  switch (what) {
    case 'vessel':
      return [...(smaller ? [{ code: 'smaller' as const, change: { pail_m3: smaller.volume_m3 } }] : []), fetch, stop];
    case 'fewer':
      return crew.hands > 1 ? [{ code: 'goOn', change: { hands: crew.hands - 1 } }, ...retard({ hands: crew.hands - 1 }), stop] : [stop, fetch];
    case 'more':
      return [{ code: 'goOn', change: { hands: crew.hands + 1 } }, keep];
    case 'sun':
      return [{ code: 'goOn', change: { sun: true } }, { code: 'shadeIt', change: { sun: false }, wait_s: PLAN.shadeIt_s }, ...retard({ sun: true })];
    case 'shade':
      return [{ code: 'goOn', change: { sun: false } }, keep];
    case 'slow':
      return [
        { code: 'goOn', change: { pace: PLAN.slowPace } },
        { code: 'hand', change: { pace: PLAN.slowPace, hands: crew.hands + 1 } },
        ...retard({ pace: PLAN.slowPace }),
        stop,
      ];
    case 'rain':
      return [{ code: 'hurry', change: null }, { code: 'cover', change: null, wait_s: PLAN.coverIt_s }, stop];
    case 'foundMore':
      return [{ code: 'extra', change: null }, { code: 'measure', change: null, wait_s: PLAN.measureIt_s }, keep];
    case 'ranOut':
      return [fetch, stop];
    case 'call':
      return [
        { code: 'after', change: null },
        { code: 'pause', change: null, wait_s: PLAN.call_s },
      ];
  }
}

/**
 * The two to four ways on when a plan broke: what is left of it planned again each way, with what that comes to. A stop
 * says where a clean end lies: at the end of a layer, never inside it.
 *
 * @param input with what is in place (`poured`)
 * @param rain_s from now, where rain is what comes
 * @returns how many batches are left as it is planned now, and at least one way on, the first the one that changes least
 * @throws Problem as `computePlan`
 */
export function waysOn(
  input: PlanInput,
  what: BreakCode,
  { rain_s = PLAN.rainSeen_s }: { readonly rain_s?: number } = {},
): { readonly left: number; readonly ways: WayOn[] } {
  const { labour_minor_h, trip_minor } = ratesOf(input.firm);
  const now = computePlan(input, { ranked: 'chosen' });
  const ways = choicesFor(what, input).map(({ code, change, wait_s = 0 }): WayOn => {
    const on = change ? inputOn(input, change) : input;
    const plan = change ? computePlan(on, { ranked: 'chosen' }) : now;
    const wait_minor = (on.crew.hands * wait_s * labour_minor_h) / 3600;
    const base = { code, change, wait_s, ...(change?.pail_m3 === undefined ? {} : { pail_m3: change.pail_m3 }) };
    if (code === 'stop') {
      const cleanEnd = cleanEndOf(now);
      const outcome = outcomeOf(input, now.batches.slice(0, cleanEnd.batches));
      return { ...base, ...outcome, cost_minor: outcome.cost_minor + trip_minor, cleanEnd };
    }
    if (code === 'hurry') {
      // Only what stands the rain by the time it comes is poured before it.
      const count = before(now, rain_s);
      return {
        ...base,
        ...outcomeOf(input, now.batches.slice(0, count)),
        cleanEnd: { batches: count, findingId: now.batches[count - 1]?.serves.at(-1)?.findingId ?? null },
      };
    }
    const outcome = outcomeOf(on, plan.batches);
    const trip = code === 'fetch' ? trip_minor : 0;
    return { ...base, ...outcome, work_s: outcome.work_s + wait_s, cost_minor: outcome.cost_minor + wait_minor + trip, cleanEnd: null };
  });
  return { left: now.batches.length, ways };
}

/** How many batches are finished, and set, by a moment from now. */
function before({ batches }: Plan, by_s: number): number {
  let [at_s, count] = [0, 0];
  for (const { window, milestones } of batches) {
    if (window) {
      const { mix_s, carry_s, place_s } = window.basis.pace;
      const set_s = milestones.find(({ name }) => name === 'initial')?.after_s ?? 0;
      if (at_s + Math.max(set_s, mix_s + carry_s + place_s) > by_s) break;
      at_s += mix_s + carry_s + place_s;
    }
    count += 1;
  }
  return count;
}
