import { LIFE_CLASSES, type LifeClass } from '../choose';
import type { Figures } from '../quantity';
import { PLAN } from './constants';
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

const rankOf = ({ verdict }: SystemOutcome): number => (verdict === 'no' ? 1 : 0);
const lifeOf = (code: LifeClass): number => LIFE_CLASSES.indexOf(code);

/** Where nothing is mixed on site no batch is lost. */
const chanceOf = ({ chanceLost }: SystemOutcome): number => chanceLost ?? 0;

/**
 * Compares two: what is allowed first, then what keeps to the chance the firm accepts, then the whole cost where it
 * differs enough to matter, then trips, chance, opening and life.
 */
function between(a: SystemOutcome, b: SystemOutcome, acceptedChance: number): { by: number; code: Decision['code']; figures: Figures } {
  const fits = rankOf(a) - rankOf(b);
  if (fits !== 0) return { by: fits, code: 'fits', figures: {} };
  const chances = [chanceOf(a), chanceOf(b)] as const;
  const chance = {
    by: chances[0] - chances[1],
    code: 'chance',
    figures: { chance_share: Math.min(...chances), other_share: Math.max(...chances) },
  } as const;
  if (chances[0] > acceptedChance !== chances[1] > acceptedChance) return chance;
  const difference_minor = a.cost.total_minor - b.cost.total_minor;
  if (Math.abs(difference_minor) > PLAN.nearlySame * Math.max(a.cost.total_minor, b.cost.total_minor))
    return { by: difference_minor, code: 'total', figures: { difference_minor: Math.abs(difference_minor) } };
  const trips = a.trips - b.trips;
  if (trips !== 0) return { by: trips, code: 'trips', figures: { trips: Math.abs(trips) } };
  if (Math.abs(chance.by) >= PLAN.chanceDiffers) return chance;
  const opens_s = (a.opens_s ?? Infinity) - (b.opens_s ?? Infinity);
  if (Number.isFinite(opens_s) && Math.abs(opens_s) >= PLAN.opensDiffer_s) return { by: opens_s, code: 'opens', figures: { opens_s: Math.abs(opens_s) } };
  const life = lifeOf(b.life.code) - lifeOf(a.life.code);
  if (life !== 0) return { by: life, code: 'life', figures: {} };
  return { by: difference_minor, code: 'alike', figures: {} };
}

/** Which of them, and why. @param outcomes one or more @param acceptedChance of losing a batch, the firm's own, 0 to 1 */
export function decide(outcomes: readonly SystemOutcome[], acceptedChance: number): Decision {
  const order = outcomes.map((_, i) => i).sort((i, j) => between(outcomes[i]!, outcomes[j]!, acceptedChance).by || i - j);
  const [winner = 0, next] = order;
  if (next === undefined) return { winner, code: 'only', figures: {} };
  const { code, figures } = between(outcomes[winner]!, outcomes[next]!, acceptedChance);
  return { winner, code, figures };
}
