import { houseOf, judge, judgeFirst, worstOf, type Asks, type Ranked } from '../../choose';
import { daysOnSite } from '../../day';
import type { ElementInput, FindingInput } from '../../survey';
import { ceilingOf } from '../../quantity';
import { activationOf, bagOf, isReady } from '../../shelf';
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
import { milestoneClock } from '../window/milestones';
import { opensOf, type Opening } from '../window/opensOf';
import type { WindowQuestion } from '../window/WindowQuestion';

/** How long after first water this sheet carries what is asked, at these temperatures, its lifts and what it lies on counted; null where its sheet is silent. */
function opensAfter(context: Context, question: WindowQuestion, { course: at, pace, retarder }: ReturnType<typeof courseFor>): Opening | null {
  const { element, sheet, startsAfter_s = 0 } = context;
  const { opens } = element;
  if (!opens) return null;
  const placed_after_s = pace.mix_s + pace.carry_s + pace.place_s;
  const course = { ...at, pail_life_s: 1, film_life_s: 1, placed_after_s };
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
function wholeCost(context: Context, question: WindowQuestion): Pick<Ranked, 'cost_minor' | 'material_minor' | 'hand_s'> {
  const { input, sheet, takeOff } = context;
  const { need_kg, cost_minor } = materialNeed(context);
  const { slab_C } = question;
  const steps = stepsOf({ ...context, lifts: liftsOf(context), slab_C, Ea_J_mol: activationOf(sheet), aids: [], covered: false });
  const batches = Math.max(1, ceilingOf(need_kg / bagOf(sheet).mass_kg / Math.max(...input.firm.grid)));
  const onSite = daysOnSite({ chains: [workOf({ ...context, batches }, steps)], hands: input.crew.hands, workday_s: ratesOf(input.firm).workday_s });
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

/** One sheet against one finding: its verdict with the reasons, what it costs and when it opens. */
export function rankedOf(given: Context): Ranked {
  const { input, element, finding, sheet } = given;
  const on = dayOfWork(input);
  // Judged at the hour of the work, not at what was assumed where nobody read it.
  const { air_C, slab_C, humidity } = hourFor(input, given.site);
  const asked = {
    sheet,
    element,
    asks: asksOn(given),
    air_C,
    slab_C,
    humidity,
    powder_C: input.conditions.powder_C.value,
    stock: lotsOf(input, sheet.id),
    ...(on ? { on } : {}),
    house: houseOf(input.house),
  };
  // Most of what is refused is refused by what its sheet says: only the rest asks what it takes, and for the course of a batch.
  const first = judgeFirst(asked);
  if (worstOf(first) === 'no') return { sheetId: sheet.id, verdict: 'no', reasons: first, ...NO_COST, opensAfter_s: null };
  const context = { ...given, takeOff: kindOf(finding).filled(given) };
  const mixed = asMixed(input, sheet);
  const need_bags = needOf({ ...context, input: mixed }).at(0.5) / bagOf(sheet).mass_kg;
  const share = Math.min(need_bags, ...input.firm.grid);
  const question = questionFor({ ...context, input: mixed, share, follows: need_bags > share * (1 + 1e-9) });
  let opensAfter_s: number | null = null;
  let shared: ReturnType<typeof courseFor> | undefined;
  const course = (): ReturnType<typeof courseFor> => (shared ??= courseFor(question));
  const opening = (): Opening | null => {
    const opens = opensAfter(context, question, course());
    opensAfter_s = opens?.after_s ?? null;
    return opens;
  };
  // A resin along a line goes by shots that are cut to its life.
  const shots = sheet.parts !== null && (isReady(sheet) || lineWidthOf(context.takeOff) !== undefined);
  const judged = judge({ ...asked, opensAfter: opening, life: () => (shots ? null : lifeSpent(question, course())) }, first);
  const cost = judged.verdict !== 'no' ? wholeCost(context, question) : NO_COST;
  return { sheetId: sheet.id, ...judged, ...cost, opensAfter_s };
}
