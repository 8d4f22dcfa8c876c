import { LIFE_CLASSES } from '../../choose';
import type { Figures } from '../../quantity';
import { PLAN } from '../constants';
import type { SystemOutcome } from './SystemOutcome';

/** What systems are compared by: how it is read, and whether less of it is better. */
export const CRITERIA = [
  ['total', 'less', ({ cost }) => cost.total_minor],
  ['material', 'less', ({ cost }) => cost.material_minor],
  ['labour', 'less', ({ cost }) => cost.labour_minor],
  ['tools', 'less', ({ cost }) => cost.tools_minor],
  ['disposal', 'less', ({ cost }) => cost.disposal_minor],
  ['travel', 'less', ({ cost }) => cost.trips_minor],
  ['hand', 'less', ({ hand_s }) => hand_s],
  ['days', 'less', ({ days }) => days],
  ['trips', 'less', ({ trips }) => trips - 1],
  ['opens', 'less', ({ opens_s }) => opens_s],
  ['chance', 'less', ({ chanceLost }) => chanceLost],
  ['life', 'more', ({ life }) => LIFE_CLASSES.indexOf(life.code)],
  ['margin', 'more', ({ margin_minor }) => margin_minor],
] as const satisfies readonly (readonly [string, 'less' | 'more', (outcome: SystemOutcome) => number | null])[];

export type Criterion = (typeof CRITERIA)[number][0];

/** Which systems are best by each criterion; none where all are alike or nobody knows. */
export function bestBy(outcomes: readonly SystemOutcome[]): Readonly<Record<Criterion, readonly number[]>> {
  return Object.fromEntries(
    CRITERIA.map(([name, wants, of]) => {
      // What is not allowed is best at nothing, unless nothing is allowed.
      const some = outcomes.some(({ verdict }) => verdict !== 'no');
      const values = outcomes.map((outcome) => (some && outcome.verdict === 'no' ? null : of(outcome)));
      const known = values.filter((value) => value !== null);
      const best = wants === 'less' ? Math.min(...known) : Math.max(...known);
      const at = values.flatMap((value, i) => (value !== null && Math.abs(value - best) <= Math.abs(best) * 1e-9 ? [i] : []));
      return [name, at.length === known.length ? [] : at] as const;
    }),
  ) as unknown as Record<Criterion, readonly number[]>;
}

/** The system to take, and what decides between it and the next best. */
export interface Decision {
  readonly winner: number;
  readonly code: 'only' | 'fits' | 'chance' | 'total' | 'trips' | 'opens' | 'life' | 'alike';
  readonly figures: Figures;
}

/** Where nothing is mixed on site no batch is lost. */
const chanceOf = ({ chanceLost }: SystemOutcome): number => chanceLost ?? 0;

interface Question {
  readonly code: Decision['code'];
  /** less is better; null where nobody knows, which decides nothing */
  readonly of: (outcome: SystemOutcome) => number | null;
  /** whether one is so much worse than the best that it is out */
  readonly worse: (value: number, best: number) => boolean;
  /** by how much the winner is better than the best that it puts out */
  readonly figures: (winner: number, other: number) => Figures;
}

const chances = (chance_share: number, other_share: number): Figures => ({ chance_share, other_share });

/** What systems are asked, one after the other; whatever answers too badly is asked nothing more. */
const questions = (acceptedChance: number): readonly Question[] => [
  { code: 'fits', of: ({ verdict }) => Number(verdict === 'no'), worse: (value, best) => value > best, figures: () => ({}) },
  { code: 'chance', of: chanceOf, worse: (value, best) => value > acceptedChance && best <= acceptedChance, figures: chances },
  {
    code: 'total',
    of: ({ cost }) => cost.total_minor,
    worse: (value, best) => value - best > PLAN.nearlySame * value,
    figures: (winner, other) => ({ difference_minor: other - winner }),
  },
  { code: 'trips', of: ({ trips }) => trips, worse: (value, best) => value > best, figures: (winner, other) => ({ trips: other - winner }) },
  { code: 'chance', of: chanceOf, worse: (value, best) => value - best >= PLAN.chanceDiffers, figures: chances },
  {
    code: 'opens',
    of: ({ opens_s }) => opens_s,
    worse: (value, best) => value - best >= PLAN.opensDiffer_s,
    figures: (winner, other) => ({ opens_s: other - winner }),
  },
  { code: 'life', of: ({ life }) => -LIFE_CLASSES.indexOf(life.code), worse: (value, best) => value > best, figures: () => ({}) },
];

/**
 * Which of them, and what decided last: what is allowed, what keeps to the chance the firm accepts, the whole cost where
 * it differs enough to matter, then trips, chance, opening and life. Of what is alike to the end, the cheapest.
 *
 * @param outcomes one or more
 * @param acceptedChance of losing a batch, the firm's own, 0 to 1
 */
export function decide(outcomes: readonly SystemOutcome[], acceptedChance: number): Decision {
  let left = outcomes.map((_, i) => i);
  let last: { readonly question: Question; readonly out: readonly number[] } | null = null;
  for (const question of questions(acceptedChance)) {
    const valueOf = (i: number): number | null => question.of(outcomes[i]!);
    const best = Math.min(...left.map((i) => valueOf(i) ?? Infinity));
    const out = left.filter((i) => {
      const value = valueOf(i);
      return value !== null && question.worse(value, best);
    });
    if (out.length === 0) continue;
    left = left.filter((i) => !out.includes(i));
    last = { question, out };
  }
  const winner = left.reduce((least, i) => (outcomes[i]!.cost.total_minor < outcomes[least]!.cost.total_minor ? i : least), left[0] ?? 0);
  if (left.length > 1) return { winner, code: 'alike', figures: {} };
  if (!last) return { winner, code: 'only', figures: {} };
  const { question, out } = last;
  const other = Math.min(...out.map((i) => question.of(outcomes[i]!) ?? Infinity));
  return { winner, code: question.code, figures: question.figures(question.of(outcomes[winner]!) ?? other, other) };
}
