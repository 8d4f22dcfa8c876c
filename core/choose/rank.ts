import type { Reason } from './Reason';
import { worstOf } from './worstOf';
import type { ElementContext, FirstContext, RuleContext } from './RuleContext';
import { BASE_RULES, ELEMENT_RULES } from './elementRules';
import { FINDING_RULES, LAST_RULES } from './findingRules';

/** A sheet against a finding: its verdict with reasons, its cost and when it opens. */
export interface Ranked {
  readonly sheetId: string;
  readonly verdict: Reason['verdict'];
  readonly reasons: readonly Reason[];
  /** the whole job's cost of this finding with it: material, hands, trips, tools, disposal, minor units; null where it is refused */
  readonly cost_minor: number | null;
  /** the material's part of it */
  readonly material_minor: number | null;
  /** each hand's hours on site, s */
  readonly hand_s: number | null;
  readonly opensAfter_s: number | null;
}

interface Judged {
  readonly verdict: Reason['verdict'];
  readonly reasons: readonly Reason[];
}

interface Asked extends Omit<ElementContext, 'sheet' | 'element'> {
  readonly reasons: { readonly base: readonly Reason[]; readonly rest: readonly Reason[] };
}

/** What was said of a sheet on an element, by both: every finding of the element asks the same. */
const saidOf = new WeakMap<ElementContext['element'], WeakMap<ElementContext['sheet'], Asked>>();

function elementReasons(context: ElementContext): Asked['reasons'] {
  const { sheet, element, air_C, slab_C, humidity, powder_C, house } = context;
  const bySheet = saidOf.get(element) ?? new WeakMap<ElementContext['sheet'], Asked>();
  saidOf.set(element, bySheet);
  const asked = bySheet.get(sheet);
  if (asked && asked.air_C === air_C && asked.slab_C === slab_C && asked.humidity === humidity && asked.powder_C === powder_C && asked.house === house)
    return asked.reasons;
  const reasons = { base: BASE_RULES.flatMap((rule) => rule(context)), rest: ELEMENT_RULES.flatMap((rule) => rule(context)) };
  bySheet.set(sheet, { air_C, slab_C, humidity, powder_C, house, reasons });
  return reasons;
}

/** What speaks for and against a sheet before its clock is worked out: most of a shelf is refused here. */
export function judgeFirst(context: FirstContext): readonly Reason[] {
  const first: Reason[] = [];
  for (const rule of FINDING_RULES) first.push(...rule(context));
  const { base, rest } = elementReasons(context);
  // What is cast in a mould lies on no base.
  if (context.asks.onBase) first.push(...base);
  first.push(...rest);
  return first;
}

/** A sheet by every rule; the dear ones are asked last, of what nothing else refuses. */
export const judge = (context: RuleContext, first: readonly Reason[] = judgeFirst(context)): Judged => {
  if (worstOf(first) === 'no') return { verdict: 'no', reasons: first };
  const reasons = [...first];
  for (const rule of LAST_RULES) reasons.push(...rule(context));
  return { verdict: worstOf(reasons), reasons };
};

const ORDER = { yes: 0, caution: 1, no: 2 } as const;
const count = (ranked: Ranked, verdict: Reason['verdict']): number => ranked.reasons.filter((r) => r.verdict === verdict).length;

/** Whether it is made for this before anything else, also, or not. */
const madeFor = ({ reasons }: Ranked): number =>
  reasons.some(({ code }) => code === 'use.made') ? 0 : reasons.some(({ code }) => code === 'use.also') ? 1 : 2;

/** Yes before caution before no; then fitness (fewest noes, fewest cautions, made for it first), the whole job's cost, the time to open. */
export function ranking(all: readonly Ranked[]): Ranked[] {
  const far = Number.MAX_VALUE;
  return all
    .map((ranked) => ({
      ranked,
      by: [
        ORDER[ranked.verdict],
        count(ranked, 'no'),
        count(ranked, 'caution'),
        madeFor(ranked),
        ranked.cost_minor ?? far,
        ranked.opensAfter_s ?? far,
      ] as const,
    }))
    .sort((a, b) => {
      const first = a.by.findIndex((value, i) => value !== b.by[i]);
      return first >= 0 ? a.by[first]! - b.by[first]! : a.ranked.sheetId < b.ranked.sheetId ? -1 : 1;
    })
    .map(({ ranked }) => ranked);
}
