import type { Reason } from './Reason';
import { LAST_RULES, RULES, type RuleContext } from './rules';

export interface Ranked {
  readonly sheetId: string;
  readonly verdict: Reason['verdict'];
  readonly reasons: readonly Reason[];
  /** material for this finding, minor units; null where it cannot be worked out */
  readonly cost_minor: number | null;
  readonly opensAfter_s: number | null;
}

export const judge = (context: RuleContext): { verdict: Reason['verdict']; reasons: readonly Reason[] } => {
  const first = RULES.flatMap((rule) => rule(context));
  const refused = first.some((r) => r.verdict === 'no');
  const reasons = refused ? first : [...first, ...LAST_RULES.flatMap((rule) => rule(context))];
  const verdict = reasons.some((r) => r.verdict === 'no') ? 'no' : reasons.some((r) => r.verdict === 'caution') ? 'caution' : 'yes';
  return { verdict, reasons };
};

const ORDER = { yes: 0, caution: 1, no: 2 } as const;
const count = (ranked: Ranked, verdict: Reason['verdict']): number => ranked.reasons.filter((r) => r.verdict === verdict).length;

/** Yes before caution before no; then fitness (fewest noes, fewest cautions), the material's cost, the time to open. */
export function ranking(all: readonly Ranked[]): Ranked[] {
  const far = Number.MAX_VALUE;
  return [...all].sort(
    (a, b) =>
      ORDER[a.verdict] - ORDER[b.verdict] ||
      count(a, 'no') - count(b, 'no') ||
      count(a, 'caution') - count(b, 'caution') ||
      (a.cost_minor ?? far) - (b.cost_minor ?? far) ||
      (a.opensAfter_s ?? far) - (b.opensAfter_s ?? far) ||
      (a.sheetId < b.sheetId ? -1 : 1),
  );
}
