import type { Reason } from './Reason';
import { CHOOSE } from './constants';
import { worstOf } from './worstOf';
import type { ElementContext, FirstContext, RuleContext } from './RuleContext';
import { BASE_RULES, ELEMENT_RULES } from './elementRules';
import { FINDING_RULES, LAST_RULES } from './findingRules';

/** A sheet against a finding: its verdict with reasons, its cost and when it opens. */
export interface Ranked {
  readonly sheetId: string;
  readonly verdict: Reason['verdict'];
  readonly reasons: readonly Reason[];
  /** the whole job's cost of this finding with it: material, hands, trips, tools, disposal, minor units; null where it is refused, or where nobody asks for costs */
  readonly cost_minor: number | null;
  /** the material's part of it */
  readonly material_minor: number | null;
  /** each hand's hours on site, s */
  readonly hand_s: number | null;
  readonly opensAfter_s: number | null;
}

/** A sheet that its own rules do not refuse: its cost and its clock are asked where it may come to the front. */
export interface Candidate {
  /** by the rules that ask for no clock */
  readonly first: Ranked;
  /** what it costs, before its clock is asked */
  readonly cost: () => { readonly cost_minor: number; readonly material_minor: number; readonly hand_s: number };
  /** by every rule */
  readonly judged: () => Ranked;
  /** when its sheet by itself says that it opens, s; Infinity where it does not say */
  readonly stated_s: number;
}

interface Judged {
  readonly verdict: Reason['verdict'];
  readonly reasons: readonly Reason[];
}

interface Asked extends Omit<ElementContext, 'sheet' | 'element'> {
  readonly reasons: ElementReasons;
}

interface ElementReasons {
  readonly base: readonly Reason[];
  readonly rest: readonly Reason[];
  /** whether any of them refuses it: what it lies on, and everything else */
  readonly refused: { readonly base: boolean; readonly rest: boolean };
}

/** What was said of a sheet on an element, by both: every finding of the element asks the same. */
const saidOf = new WeakMap<ElementContext['element'], WeakMap<ElementContext['sheet'], Asked>>();

function elementReasons(context: ElementContext): ElementReasons {
  const { sheet, element, air_C, slab_C, humidity, powder_C, house } = context;
  const bySheet = saidOf.get(element) ?? new WeakMap<ElementContext['sheet'], Asked>();
  saidOf.set(element, bySheet);
  const asked = bySheet.get(sheet);
  if (asked && asked.air_C === air_C && asked.slab_C === slab_C && asked.humidity === humidity && asked.powder_C === powder_C && asked.house === house)
    return asked.reasons;
  const [base, rest] = [BASE_RULES.flatMap((rule) => rule(context)), ELEMENT_RULES.flatMap((rule) => rule(context))];
  const reasons = { base, rest, refused: { base: worstOf(base) === 'no', rest: worstOf(rest) === 'no' } };
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

/** The same of a sheet that is not refused; nothing of one that is, as soon as one rule says so. */
export function judgeUnrefused(context: FirstContext): readonly Reason[] | null {
  const { base, rest, refused } = elementReasons(context);
  if (refused.rest || (context.asks.onBase && refused.base)) return null;
  const first: Reason[] = [];
  for (const rule of FINDING_RULES)
    for (const reason of rule(context)) {
      if (reason.verdict === 'no') return null;
      first.push(reason);
    }
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

/** Whether it is made for this before anything else, also, or not. */
function madeFor(reasons: readonly Reason[]): number {
  if (reasons.some(({ code }) => code === 'use.made')) return 0;
  return reasons.some(({ code }) => code === 'use.also') ? 1 : 2;
}

/** How well a sheet fits, as one figure, less is better: yes before caution before no, fewest noes, fewest cautions, made for it first. */
function fitOf({ verdict, reasons }: Pick<Ranked, 'verdict' | 'reasons'>): number {
  let [noes, cautions] = [0, 0];
  for (const reason of reasons) {
    if (reason.verdict === 'no') noes += 1;
    else if (reason.verdict === 'caution') cautions += 1;
  }
  return ((ORDER[verdict] * 1000 + noes) * 1000 + cautions) * 3 + madeFor(reasons);
}

interface Fitted {
  readonly ranked: Ranked;
  readonly fit: number;
}

const fitted = (ranked: Ranked): Fitted => ({ ranked, fit: fitOf(ranked) });

function before({ ranked: a, fit: aFit }: Fitted, { ranked: b, fit: bFit }: Fitted): number {
  const far = Number.MAX_VALUE;
  return aFit - bFit || (a.cost_minor ?? far) - (b.cost_minor ?? far) || (a.opensAfter_s ?? far) - (b.opensAfter_s ?? far) || (a.sheetId < b.sheetId ? -1 : 1);
}

/** Fitness first, then the whole job's cost, then the time to open. */
export const ranking = (all: readonly Ranked[]): Ranked[] =>
  all
    .map(fitted)
    .sort(before)
    .map(({ ranked }) => ranked);

/** Sheets that fit equally well: as far as they were asked, and as they were judged. */
interface Group {
  readonly asked: Candidate[];
  readonly judged: Ranked[];
}

/** A shelf by how well its sheets fit, the best first: what is not asked yet can only put a sheet further back. */
class Groups {
  private readonly byFit = new Map<number, Group>();

  constructor(candidates: readonly Candidate[]) {
    for (const candidate of candidates) this.at(fitOf(candidate.first)).asked.push(candidate);
  }

  private at(fit: number): Group {
    const group = this.byFit.get(fit) ?? { asked: [], judged: [] };
    this.byFit.set(fit, group);
    return group;
  }

  /** The first of all, taken out; nothing where every one is refused at last. */
  takeBest(): Ranked | undefined {
    while (this.byFit.size > 0) {
      const fit = Math.min(...this.byFit.keys());
      const { asked, judged } = this.at(fit);
      const inOrder = asked.map((candidate) => ({ candidate, cost_minor: candidate.cost().cost_minor })).sort((a, b) => a.cost_minor - b.cost_minor);
      let [best] = ranking(judged);
      let next = 0;
      for (; next < inOrder.length && inOrder[next]!.cost_minor <= (best?.cost_minor ?? Infinity); next += 1) {
        const ranked = inOrder[next]!.candidate.judged();
        if (fitOf(ranked) !== fit) this.at(fitOf(ranked)).judged.push(ranked);
        else [best] = ranking(best ? [best, ranked] : [ranked]);
      }
      this.byFit.delete(fit);
      if (!best) continue;
      this.byFit.set(fit, { asked: inOrder.slice(next).map(({ candidate }) => candidate), judged: [] });
      return best.verdict === 'no' ? undefined : best;
    }
    return undefined;
  }

  /** All that is left with a verdict, as far as it was asked. */
  left(verdict: Ranked['verdict']): Group {
    const groups = [...this.byFit.values()];
    return {
      asked: groups.flatMap(({ asked }) => asked).filter(({ first }) => first.verdict === verdict),
      judged: groups.flatMap(({ judged }) => judged).filter((ranked) => ranked.verdict === verdict),
    };
  }
}

/**
 * Of a shelf what systems are chosen from, dear questions asked of few: exactly the first of `ranking` over all of them,
 * and of its verdict the cheapest, and some that by their own sheets open soonest. Everything of these is asked.
 */
export function rankingBest(candidates: readonly Candidate[]): Ranked[] {
  const groups = new Groups(candidates);
  const best = groups.takeBest();
  if (!best) return [];
  const { asked, judged } = groups.left(best.verdict);
  const cheaper = asked
    .map((candidate) => ({ candidate, cost_minor: candidate.cost().cost_minor }))
    .filter(({ cost_minor }) => cost_minor < (best.cost_minor ?? Infinity))
    .sort((a, b) => a.cost_minor - b.cost_minor);
  const kept = ({ candidate }: { candidate: Candidate }): boolean => candidate.judged().verdict === best.verdict;
  const cheapest = cheaper.find(kept);
  const soonest = asked.toSorted((a, b) => a.stated_s - b.stated_s).slice(0, CHOOSE.soonestJudged);
  const more = new Set([...(cheapest ? [cheapest.candidate] : []), ...soonest]);
  return [best, ...ranking([...judged, ...[...more].map((candidate) => candidate.judged())])];
}
