import { paddleRise, SETTING, waterFor, type BatchStops } from '../../setting';
import { preparedSurface } from '../../weather';
import { PLAN } from '../constants';
import { doseStep } from '../window/strata';
import type { Site } from '../input/site';
import { portionFor, stopsFor } from '../window/basisFor';
import type { WindowAnswer } from '../window/windowFor';
import type { WindowQuestion } from '../window/WindowQuestion';

export type LeverCode = keyof typeof PLAN.levers;
type Change = Partial<WindowQuestion>;
type LeverFigures = Readonly<Record<string, number>>;

/** One setting of a lever. */
interface Move {
  readonly figures: LeverFigures;
  readonly change: Change;
}

/** Why a lever alone does not reach what is wanted. */
export type LeverLimit = 'coldWater' | 'iceEnough' | 'dose' | 'smallestShare' | 'hands' | 'shaded' | 'wetted' | 'cooled' | 'screened' | 'hours';

/** Something that would give more time: what it must be, and what it gives. */
export interface Lever {
  readonly code: LeverCode;
  /** what it must be for what is wanted; its first step, or all of it, where nothing more is wanted or it does not reach */
  readonly figures: LeverFigures;
  readonly change: Change;
  /** minutes the batch lives longer before it must be placed, s; may be 0 or negative */
  readonly gain_s: number;
  /** what is left over after placing and finishing, and how much that grows, s */
  readonly slackGain_s: number;
  readonly fits: boolean;
  /** what it must be, alone, for what is wanted; null where it does not reach, and then what stops it */
  readonly needed: LeverFigures | null;
  readonly limit: LeverLimit | null;
  /** the number all the same, where it can be told but not had: water colder than a hose gives */
  readonly wouldNeed: LeverFigures | null;
  readonly trouble: number;
}

/** Two or three levers that together give what none gives alone: the last is only as strong as it must be. */
export interface LeverCombination {
  readonly moves: readonly { readonly code: LeverCode; readonly figures: LeverFigures }[];
  readonly change: Change;
  readonly slack_s: number;
  readonly trouble: number;
}

/** A lever between nothing (0) and its full reach (1), or in steps from the mildest to the strongest. */
interface Reach {
  readonly code: LeverCode;
  readonly limit: LeverLimit;
  /** levers that turn the same thing do not combine */
  readonly turns: 'slab' | 'mix' | 'powder' | 'pail' | 'dose' | 'share' | 'hands' | 'wind' | 'hour';
  readonly at: ((x: number) => Move) | null;
  readonly steps: readonly Move[];
}

/** What levers are looked for: a batch, and the minutes that are wanted. */
export interface LeverRequest {
  readonly question: WindowQuestion;
  readonly answer: WindowAnswer;
  /** shares of a bag that the crew mixes */
  readonly grid: readonly number[];
  /** time to place that is asked for, s from first water; absent where it only has to fit */
  readonly wanted_s?: number;
  /** the day around the planned hour, for another one */
  readonly site?: Site;
}

/** What is left of the tightest of placing, finishing and the wet edge, s; negative when the batch does not fit. */
export const slackOf = ({ window }: { readonly window: BatchStops }, wanted_s = 0): number =>
  Math.min(
    window.placeBy_s - Math.max(window.placeNeeds_s, wanted_s),
    window.finishBy_s - window.finishNeeds_s,
    window.wetEdge.asked ? window.wetEdge.by_s - window.wetEdge.touches_s : Infinity,
  );

const marginOf = (question: WindowQuestion, wanted_s: number): number => slackOf({ window: stopsFor(question) }, wanted_s);

const between = (from: number, to: number, x: number): number => from + (to - from) * x;

function reachesOf({ question, answer, grid, site }: LeverRequest): Reach[] {
  const { sheet, crew } = question;
  const found: Reach[] = [];
  const add = (code: LeverCode, limit: LeverLimit, turns: Reach['turns'], at: Reach['at'], steps: Reach['steps'] = []): void =>
    void found.push({ code, limit, turns, at, steps });
  const slab = (to_C: number) => (x: number) => {
    const slab_C = between(question.slab_C, to_C, x);
    return { figures: { slab_C }, change: { slab_C } };
  };
  if (sheet.water && question.water_C > SETTING.waterLeast_C + 1)
    add('coolWater', 'coldWater', 'mix', (x) => {
      const water_C = between(question.water_C, SETTING.waterLeast_C, x);
      return { figures: { water_C }, change: { water_C } };
    });
  const iceMost = icedShareMost(question);
  if (iceMost > 0.01)
    add('ice', 'iceEnough', 'mix', (x) => {
      const iceShare = iceMost * x;
      return { figures: { ice_kg: iceShare * answer.batch.water_kg }, change: { iceShare } };
    });
  const weather = { slab_C: question.slab_C, air_C: question.air_C, humidity: question.humidity, wind_ms: question.wind_ms };
  const shaded_C = site ? site.prepared({ exposure: 'shade' }, PLAN.shadeFor_s) : preparedSurface({ ...weather, change: 'shade', for_s: PLAN.shadeFor_s });
  if (shaded_C < question.slab_C - 1) add('shadeSlab', 'shaded', 'slab', slab(shaded_C));
  const wetted_C = site ? site.prepared({ wet_s: PLAN.wetFor_s }, PLAN.wetFor_s) : preparedSurface({ ...weather, change: 'wet', for_s: PLAN.wetFor_s });
  // A resin wants its slab dry.
  if (sheet.water && wetted_C < question.slab_C - 1) add('wetSlab', 'wetted', 'slab', slab(wetted_C));
  if (question.sun) add('shadePail', 'shaded', 'pail', null, [{ figures: {}, change: { sun: false } }]);
  const coolPowder_C = Math.min(question.air_C, question.powder_C) - PLAN.coolerPowder_K;
  if (question.powder_C > PLAN.warmPowder_C)
    add('coolPowder', 'cooled', 'powder', (x) => {
      const powder_C = between(question.powder_C, coolPowder_C, x);
      return { figures: { powder_C }, change: { powder_C } };
    });
  const doseMost = Math.max(0, ...sheet.retarder.map(([dose]) => dose));
  const doses = Array.from({ length: 12 }, (_, i) => (i + 1) * doseStep(sheet)).filter(
    (dose) => dose > question.retarderDose + 1e-9 && dose <= doseMost + 1e-9,
  );
  if (doses.length > 0)
    add(
      'retarder',
      'dose',
      'dose',
      null,
      doses.map((dose) => ({ figures: { dose }, change: { retarderDose: dose } })),
    );
  const smaller = [...grid].sort((a, b) => b - a).filter((share) => share < question.share - 1e-9);
  if (smaller.length > 0)
    add(
      'smallerBatch',
      'smallestShare',
      'share',
      null,
      // A smaller batch is followed by another.
      smaller.map((share) => ({ figures: { share }, change: { share, follows: true } })),
    );
  if (crew.hands < PLAN.handsMost)
    add(
      'anotherHand',
      'hands',
      'hands',
      null,
      Array.from({ length: PLAN.handsMost - crew.hands }, (_, i) => crew.hands + i + 1).map((hands) => ({
        figures: { hands },
        change: { crew: { ...crew, hands } },
      })),
    );
  if (question.wind_ms > PLAN.screenedWind_ms && (answer.window.finishEnding === 'skin' || answer.window.placeEnding === 'skin'))
    add('stopWind', 'screened', 'wind', null, [{ figures: { wind_ms: PLAN.screenedWind_ms }, change: { wind_ms: PLAN.screenedWind_ms } }]);
  return found;
}

/** How much of the dose may be ice before the mix is colder than it should be; 0 where water does it or nothing is wet. */
function icedShareMost(question: WindowQuestion): number {
  if (!question.sheet.water) return 0;
  const mix_C = (iceShare: number): number => portionFor({ ...question, iceShare }).mix_C;
  if (mix_C(1) >= PLAN.iceMixLeast_C) return 1;
  if (mix_C(0) <= PLAN.iceMixLeast_C) return 0;
  return leastX((x) => PLAN.iceMixLeast_C - mix_C(x));
}

/** The least x in 0-1 from which a rising measure is 0 or more, to a thousandth, on its safe side. */
function leastX(measure: (x: number) => number): number {
  let [low, high] = [0, 1];
  while (high - low > 1e-3) {
    const middle = (low + high) / 2;
    if (measure(middle) >= 0) high = middle;
    else low = middle;
  }
  return high;
}

/** Another hour of the day: the nearest that gives what is wanted, else the best. */
function hourOf({ question, wanted_s = 0, site }: LeverRequest): { figures: LeverFigures; change: Change; margin: number } | null {
  if (!site) return null;
  const offsets = Array.from({ length: 2 * PLAN.hourReach_h }, (_, i) => (i % 2 === 0 ? -1 : 1) * (Math.floor(i / 2) + 1));
  let best: { figures: LeverFigures; change: Change; margin: number } | null = null;
  for (const hours of offsets) {
    const change = hourChange(site, hours);
    const margin = marginOf({ ...question, ...change }, wanted_s);
    if (!best || margin > best.margin) best = { figures: { hours }, change, margin };
    if (margin >= 0) return { figures: { hours }, change, margin };
  }
  return best;
}

const hourChange = (site: Site, hours: number): Change => {
  // Two hours are enough for a window.
  const { air_C, slab_C, humidity, wind_ms, airDrift, slabDrift } = site.hour(hours, 7200);
  return { air_C, slab_C, humidity, wind_ms, airDrift, slabDrift };
};

/** What a lever must be alone: between nothing and full, or the first step that does. */
function neededOf(reach: Reach, question: WindowQuestion, wanted_s: number): Move | null {
  const margin = ({ change }: { change: Change }): number => marginOf({ ...question, ...change }, wanted_s);
  if (!reach.at) return reach.steps.find((step) => margin(step) >= 0) ?? null;
  const { at } = reach;
  return margin(at(1)) >= 0 ? at(leastX((x) => margin(at(x)))) : null;
}

/** The water that would do what ice does: the heat balance turned round, whether or not a hose can give it. */
function colderWater(reaches: readonly Reach[], question: WindowQuestion, wanted_s: number): LeverFigures | null {
  const ice = reaches.find(({ code }) => code === 'ice');
  const needed = ice ? neededOf(ice, question, wanted_s) : null;
  if (!needed || question.stone) return null;
  const { powder_kg, water_kg } = portionFor(question);
  const paddle_rise_K = paddleRise({ powder_kg, water_kg, mixing_s: question.sheet.mixing.time_s });
  const target_C = portionFor({ ...question, ...needed.change }).mix_C;
  const { water_C } = waterFor({ powder_kg, powder_C: question.powder_C, water_kg, target_C, paddle_rise_K, binder: question.sheet.binder });
  return { water_C };
}

const fullOf = (reach: Reach): Move => (reach.at ? reach.at(1) : reach.steps.at(-1)!);
/** What is tried first: the first step of a stepped lever, all of a smooth one. */
const firstOf = (reach: Reach): Move => (reach.at ? reach.at(1) : reach.steps[0]!);

/**
 * What would lengthen the window, each worked out by computing the batch again with that one thing changed, never by
 * rule. Where the batch does not fit, or more time is asked for, what each must be alone, and those that reach come
 * first, the least trouble before the more; else the most helpful first. A lever that changes nothing here is left out.
 */
export function leversOf(request: LeverRequest): Lever[] {
  const { question, answer, wanted_s = 0 } = request;
  const slack = slackOf(answer, wanted_s);
  const short = slack < 0;
  const reaches = reachesOf(request);
  const asLever = (code: LeverCode, first: Move, needed: LeverFigures | null, limit: LeverLimit | null): Lever => {
    const changed = { window: stopsFor({ ...question, ...first.change }) };
    return {
      code,
      ...first,
      gain_s: changed.window.placeBy_s - answer.window.placeBy_s,
      slackGain_s: slackOf(changed, wanted_s) - slack,
      fits: changed.window.fits,
      needed,
      limit,
      wouldNeed: code === 'coolWater' && limit ? colderWater(reaches, question, wanted_s) : null,
      trouble: PLAN.levers[code],
    };
  };
  const levers = reaches.map((reach) => {
    const needed = short ? neededOf(reach, question, wanted_s) : null;
    return asLever(reach.code, needed ?? firstOf(reach), needed?.figures ?? null, short && !needed ? reach.limit : null);
  });
  const hour = short ? hourOf(request) : null;
  if (hour) levers.push(asLever('hour', hour, hour.margin >= 0 ? hour.figures : null, hour.margin >= 0 ? null : 'hours'));
  return levers
    .filter(({ gain_s, slackGain_s, needed }) => needed !== null || Math.max(gain_s, slackGain_s) > PLAN.noticeable_s)
    .sort(
      (a, b) =>
        Number(b.needed !== null) - Number(a.needed !== null) ||
        (a.needed && b.needed ? a.trouble - b.trouble : 0) ||
        b.slackGain_s - a.slackGain_s ||
        b.gain_s - a.gain_s ||
        (a.code < b.code ? -1 : 1),
    );
}

/** Combinations shown at most. */
const SHOWN = 3;

/**
 * Two levers, or three where no two do, that together give what is wanted when none does alone; the least trouble
 * first. All but the last are at their full reach, and the last is only as strong as it must be.
 */
export function leverCombinations(request: LeverRequest): LeverCombination[] {
  const { question, answer, wanted_s = 0 } = request;
  if (slackOf(answer, wanted_s) >= 0) return [];
  // What reaches alone needs no companion.
  const reaches = reachesOf(request).filter((reach) => neededOf(reach, question, wanted_s) === null);
  const margin = (change: Change): number => marginOf({ ...question, ...change }, wanted_s);
  const base = marginOf(question, wanted_s);
  const helpful = reaches
    .filter((reach) => margin(fullOf(reach).change) > base + 1)
    .sort((a, b) => PLAN.levers[a.code] - PLAN.levers[b.code] || (a.code < b.code ? -1 : 1));
  const troubleOf = (group: readonly Reach[]): number => group.reduce((sum, { code }) => sum + PLAN.levers[code], 0);
  const groupsOf = (size: number, from = 0): Reach[][] =>
    size === 0
      ? [[]]
      : helpful.slice(from).flatMap((reach, i) =>
          groupsOf(size - 1, from + i + 1)
            .filter((rest) => rest.every(({ turns }) => turns !== reach.turns))
            .map((rest) => [reach, ...rest]),
        );
  for (const size of [2, 3]) {
    const groups = groupsOf(size).sort((a, b) => troubleOf(a) - troubleOf(b));
    const found: LeverCombination[] = [];
    for (const group of groups) {
      if (found.length === SHOWN) break;
      const full = group.slice(0, -1).map((reach) => ({ code: reach.code, ...fullOf(reach) }));
      const together = Object.assign({}, ...full.map(({ change }) => change)) as Change;
      const last = group.at(-1)!;
      const needed = neededOf(last, { ...question, ...together }, wanted_s);
      if (!needed) continue;
      const change = { ...together, ...needed.change };
      found.push({
        moves: [...full.map(({ code, figures }) => ({ code, figures })), { code: last.code, figures: needed.figures }],
        change,
        slack_s: margin(change),
        trouble: troubleOf(group),
      });
    }
    if (found.length > 0) return found;
  }
  return [];
}
