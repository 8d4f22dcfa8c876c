import type { Plan } from '../Plan';
import { uniforms } from '../../setting';
import { MISHAPS, type Mishap, type MishapCode } from './Rehearsal';

/** Some time after a start, s: while there is still something to lose. */
const SOONEST_S = 20;
/** What changes the rest of a day happens in so much of it, from its beginning. */
const EARLY = 0.6;

/**
 * When mishaps happen on a day: each after the start of another batch, drawn by a seed.
 *
 * @param codes what happens; of a crew of one nobody leaves, and what comes ready is not mixed wetter
 * @param seed an integer
 * @returns in the order of their time
 */
export function mishapsOf({ plan, hands, codes, seed }: { plan: Pick<Plan, 'batches'>; hands: number; codes: readonly MishapCode[]; seed: number }): Mishap[] {
  const uniform = uniforms(seed);
  const clocked = plan.batches.filter(({ window }) => window !== null);
  const mixed = clocked.flatMap(({ make }, i) => (make === 'pail' || make === 'hand' ? [i + 1] : []));
  const starts = clocked.map((_, i) => i + 1);
  return codes
    .filter((code) => !(code === 'fewer' && hands < 2))
    .flatMap((code): Mishap[] => {
      const from = code === 'wetter' ? mixed : starts;
      // What changes those after it comes while most of them are still to come.
      const nths = code === 'wetter' || code === 'call' ? from : from.slice(0, Math.max(1, Math.ceil(from.length * EARLY)));
      const nth = nths[Math.floor(uniform() * nths.length)];
      if (nth === undefined) return [];
      const window = clocked[nth - 1]!.window!.window;
      const most_s = Math.max(SOONEST_S, window.finishNeeds_s * 0.8);
      return [{ code, nth, after_s: code === 'wetter' ? 0 : Math.round(SOONEST_S + (most_s - SOONEST_S) * uniform()) }];
    })
    .sort((a, b) => a.nth - b.nth || a.after_s - b.after_s);
}

/** So many mishaps drawn out of all: for a day of one's own. @param seed an integer */
export function drawnMishaps(count: number, seed: number): MishapCode[] {
  const uniform = uniforms(seed + 7);
  const left = [...MISHAPS];
  return Array.from({ length: Math.min(count, MISHAPS.length) }, () => left.splice(Math.floor(uniform() * left.length), 1)[0]!);
}
