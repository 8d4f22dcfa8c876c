import type { Reason } from './Reason';
import { LAST_RULES, RULES, madeForRule, type RuleContext } from './rules';

export interface Ranked {
  readonly sheetId: string;
  readonly verdict: Reason['verdict'];
  readonly reasons: readonly Reason[];
  /** material for this finding, minor units; null where it cannot be worked out */
  readonly cost_minor: number | null;
  readonly opensAfter_s: number | null;
}

export const judge = (context: RuleContext): { verdict: Reason['verdict']; reasons: readonly Reason[] } => {
  // What is made for other damage is not judged further: no depth and no price would make it right.
  const use = madeForRule(context);
  if (use.some(({ verdict }) => verdict === 'no')) return { verdict: 'no', reasons: use };
  const first = [...use, ...RULES.flatMap((rule) => rule(context))];
  const refused = first.some((r) => r.verdict === 'no');
  const reasons = refused ? first : [...first, ...LAST_RULES.flatMap((rule) => rule(context))];
  const verdict = reasons.some((r) => r.verdict === 'no') ? 'no' : reasons.some((r) => r.verdict === 'caution') ? 'caution' : 'yes';
  return { verdict, reasons };
};

const ORDER = { yes: 0, caution: 1, no: 2 } as const;
const count = (ranked: Ranked, verdict: Reason['verdict']): number => ranked.reasons.filter((r) => r.verdict === verdict).length;

/** Whether it is made for this before anything else. */
const madeFor = ({ reasons }: Ranked): number => Number(!reasons.some(({ code }) => code === 'use.made'));

/** Yes before caution before no; then fitness (fewest noes, fewest cautions, made for it first), the material's cost, the time to open. */
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
