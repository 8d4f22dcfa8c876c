import {
  houseOf,
  judge,
  judgeFirst,
  judgeUnrefused,
  ranking,
  rankingBest,
  worstOf,
  type Asks,
  type Candidate,
  type FirstContext,
  type Ranked,
  type Reason,
} from '../../choose';
import { daysOnSite } from '../../day';
import type { ElementInput, FindingInput } from '../../survey';
import { ceilingOf } from '../../quantity';
import { activationOf, bagOf, isReady, type Sheet } from '../../shelf';
import type { Context } from '../input/Context';
import { ratesOf } from '../input/PlanInput';
import { asksOf, kindOf } from '../kinds';
import { asMixed } from './chosenOf';
import { liftsOf } from '../steps/liftsOf';
import { poweredTools } from '../steps/toolsOf';
import { lotsOf, materialNeed, needOf } from '../orders/orders';
import { dayOfWork } from '../input/site';
import { stepsOf } from '../steps/stepsOf';
import { systemCost } from './systemCost';
import { workOf } from '../steps/workOf';
import { lifeSpent } from '../window/lifeSpent';
import { hourFor, lineWidthOf, questionFor } from '../window/questionFor';
import { courseFor } from '../window/basisFor';
import { byQuestion } from '../window/byQuestion';
import { milestoneClock, placedCourse } from '../window/milestones';
import { opensOf, type Opening } from '../window/opensOf';
import type { WindowQuestion } from '../window/WindowQuestion';

/** A course, and what a batch spends of its lives on it, once for all findings that ask the same. */
const courseOf = byQuestion(courseFor);
const spentOf = byQuestion((question) => lifeSpent(question, courseOf(question)));

/** How long after first water this sheet carries what is asked, at these temperatures, its lifts and what it lies on counted; null where its sheet is silent. */
function opensAfter(context: Context, question: WindowQuestion, { course: at, pace, retarder }: ReturnType<typeof courseFor>): Opening | null {
  const { element, sheet, startsAfter_s = 0 } = context;
  const { opens } = element;
  if (!opens) return null;
  const course = placedCourse(at, pace.mix_s + pace.carry_s + pace.place_s);
  const milestone = milestoneClock({ sheet, course, retarder, ...(question.record ? { record: question.record } : {}) })(opens.to);
  const opening = opensOf({ to: opens.to, sheet, lifts: liftsOf(context), slab_C: question.slab_C, milestone });
  return opening && { ...opening, after_s: startsAfter_s + opening.after_s };
}

/** Findings of an element, told once for all that judge one of them. */
const onElement = new WeakMap<readonly FindingInput[], Map<string, readonly FindingInput[]>>();
function findingsOn({ findings }: Context['input'], { id }: ElementInput): readonly FindingInput[] {
  const byElement = onElement.get(findings) ?? new Map<string, readonly FindingInput[]>();
  onElement.set(findings, byElement);
  const found = byElement.get(id) ?? findings.filter(({ elementId }) => elementId === id);
  byElement.set(id, found);
  return found;
}

const NO_COST = { cost_minor: null, material_minor: null, hand_s: null } as const;

/** What a finding costs with this sheet, hands and trips with the material. */
function wholeCost(context: Context, slab_C: number): ReturnType<Candidate['cost']> {
  const { input, element, finding, takeOff, sheet, site, over, treatment } = context;
  const { need_kg, cost_minor } = materialNeed(context);
  const batches = Math.max(1, ceilingOf(need_kg / bagOf(sheet).mass_kg / Math.max(...input.firm.grid)));
  const stepped = {
    input,
    element,
    finding,
    takeOff,
    sheet,
    site,
    over,
    treatment,
    house: houseOf(input.house),
    lifts: liftsOf(context),
    slab_C,
    Ea_J_mol: activationOf(sheet),
    aids: [],
    covered: false,
    batches,
  };
  const steps = stepsOf(stepped);
  const onSite = daysOnSite({ chains: [workOf(stepped, steps)], hands: input.crew.hands, workday_s: ratesOf(input.firm).workday_s });
  const { total_minor } = systemCost({
    input,
    onSite,
    material_minor: cost_minor,
    tools: poweredTools(steps),
    debris_kg: takeOff.debris?.mass_kg ?? 0,
  });
  return { cost_minor: total_minor, material_minor: cost_minor, hand_s: onSite.hand_s };
}

/** What a finding asks where it lies, told once for a whole shelf. */
const askedBy = new WeakMap<FindingInput, { readonly element: ElementInput; readonly findings: readonly FindingInput[]; readonly asks: Asks }>();
function asksOn({ input, element, finding }: Pick<Context, 'input' | 'element' | 'finding'>): Asks {
  const findings = findingsOn(input, element);
  const known = askedBy.get(finding);
  if (known && known.element === element && known.findings === findings) return known.asks;
  const asks = asksOf(finding, { element, findings });
  askedBy.set(finding, { element, findings, asks });
  return asks;
}

/** What a shelf is judged by for one finding: the same for every sheet of it. */
type Shelved = Omit<Context, 'sheet'> & {
  /** nobody looks at what it costs: the rules alone are asked */
  readonly unpriced?: boolean;
};

/** What each sheet of a shelf is asked about a finding. */
function askedOf(given: Shelved): (sheet: Sheet) => FirstContext {
  const { input, element } = given;
  const on = dayOfWork(input);
  // Judged at the hour of the work, not at what was assumed where nobody read it.
  const { air_C, slab_C, humidity } = hourFor(input, given.site);
  const powder_C = input.conditions.powder_C.value;
  const [asks, house] = [asksOn(given), houseOf(input.house)];
  return (sheet) => ({ sheet, element, asks, air_C, slab_C, humidity, powder_C, on, house, stock: lotsOf(input, sheet.id) });
}

/** A sheet that was asked first, with what is asked of it next. */
function candidateOf(given: Shelved, asked: FirstContext, reasons: readonly Reason[]): Candidate {
  const { input, finding, element } = given;
  const { sheet } = asked;
  const { takeOff, site, over, startsAfter_s, treatment } = given;
  let context: Context | undefined;
  // Each property by its name: copying objects whole is what a long shelf spends its time on.
  const taken = (): Context =>
    (context ??= { input, element, finding, takeOff: kindOf(finding).filled({ input, finding, takeOff, sheet }), sheet, site, over, startsAfter_s, treatment });
  let costed: ReturnType<typeof wholeCost> | undefined;
  let whole: Ranked | undefined;
  const cost = (): ReturnType<typeof wholeCost> => (costed ??= wholeCost(taken(), asked.slab_C));
  return {
    first: { sheetId: sheet.id, verdict: worstOf(reasons), reasons, ...NO_COST, opensAfter_s: null },
    cost,
    stated_s: (element.opens && sheet.milestones[element.opens.to]) ?? Infinity,
    judged() {
      if (whole) return whole;
      const mixed = { ...taken(), input: asMixed(input, sheet) };
      const need_bags = needOf(mixed).at(0.5) / bagOf(sheet).mass_kg;
      const share = Math.min(need_bags, ...input.firm.grid);
      const question = questionFor({ ...mixed, share, follows: need_bags > share * (1 + 1e-9) });
      let opensAfter_s: number | null = null;
      const opening = (): Opening | null => {
        const opens = opensAfter(taken(), question, courseOf(question));
        opensAfter_s = opens?.after_s ?? null;
        return opens;
      };
      // A resin along a line goes by shots that are cut to its life.
      const shots = sheet.parts !== null && (isReady(sheet) || lineWidthOf(taken().takeOff) !== undefined);
      const judged = judge({ ...asked, opensAfter: opening, life: () => (shots ? null : spentOf(question)) }, reasons);
      return (whole = { sheetId: sheet.id, ...judged, ...(judged.verdict !== 'no' && !given.unpriced ? cost() : NO_COST), opensAfter_s });
    },
  };
}

/** A whole shelf against one finding, each sheet by every rule. */
export function shelfRanked(given: Shelved, sheets: readonly Sheet[]): Ranked[] {
  const askedFor = askedOf(given);
  return ranking(
    sheets.map((sheet) => {
      const asked = askedFor(sheet);
      const reasons = judgeFirst(asked);
      // Most of what is refused is refused by what its sheet says: only the rest asks what it takes, and for the course of a batch.
      const { first, judged } = candidateOf(given, asked, reasons);
      return first.verdict === 'no' ? first : judged();
    }),
  );
}

/** The best, the cheapest and the soonest of a shelf for a finding: nothing that is refused. */
export function shelfBest(given: Shelved, sheets: readonly Sheet[]): Ranked[] {
  const askedFor = askedOf(given);
  const candidates: Candidate[] = [];
  for (const sheet of sheets) {
    const asked = askedFor(sheet);
    const reasons = judgeUnrefused(asked);
    if (reasons) candidates.push(candidateOf(given, asked, reasons));
  }
  return rankingBest(candidates);
}

/** One sheet against one finding: its verdict with the reasons, what it costs and when it opens. */
export const rankedOf = ({ sheet, ...given }: Context): Ranked => shelfRanked(given, [sheet])[0]!;
