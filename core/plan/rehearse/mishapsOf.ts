import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { Plan } from '../Plan';
import { MISHAPS, type Mishap, type MishapCode } from './Rehearsal';

/** Some time after a start, s: while there is still something to lose. */
const SOONEST_S = 20;

/**
 * When mishaps happen on a day: each after the start of another batch, drawn by a seed.
 *
 * @param codes what happens; of a crew of one nobody leaves, and what comes ready is not mixed wetter
 * @param seed an integer
 * @returns in the order of their time
 */
export function mishapsOf({ plan, hands, codes, seed }: { plan: Plan; hands: number; codes: readonly MishapCode[]; seed: number }): Mishap[] {
  const generator = xoroshiro128plus(seed);
  const uniform = (): number => ((generator.next() >>> 0) + 0.5) / 4294967296;
  const clocked = plan.batches.filter(({ window }) => window !== null);
  const mixed = clocked.flatMap(({ make }, i) => (make === 'pail' || make === 'hand' ? [i + 1] : []));
  const starts = clocked.map((_, i) => i + 1);
  return codes
    .filter((code) => !(code === 'fewer' && hands < 2))
    .flatMap((code): Mishap[] => {
      const from = code === 'wetter' ? mixed : starts;
      // The last batch is too late for what changes those after it.
      const nths = code === 'wetter' || code === 'call' || from.length < 2 ? from : from.slice(0, -1);
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
  const generator = xoroshiro128plus(seed + 7);
  const left = [...MISHAPS];
  return Array.from({ length: Math.min(count, MISHAPS.length) }, () => left.splice((generator.next() >>> 0) % left.length, 1)[0]!);
}
