import { inRange } from '../quantity';
import { wilson, type Interval } from '../takeoff';

/** No survey asks for more taps than this. */
const MOST = 100_000;

/**
 * How many more taps would halve the interval of a hollow share, if they ring hollow as often as those so far.
 *
 * @param share 0 to 1; `n` the effective number of taps so far
 * @returns whole taps, and the interval they would leave
 * @throws Problem `outOfRange`
 * @example tapsToHalve({ share: 0.2, n: 40 }).more // 121
 */
export function tapsToHalve({ share, n }: { share: number; n: number }): { more: number; then: Interval } {
  inRange({ quantity: 'n', value: n, least: 1, most: MOST });
  const width = (taps: number): number => {
    const { low, high } = wilson({ share, n: taps });
    return high - low;
  };
  const wanted = width(n) / 2;
  let [few, many] = [n, n * 2];
  while (width(many) > wanted && many < MOST * 10) [few, many] = [many, many * 2];
  while (many - few > 0.5) {
    const middle = (few + many) / 2;
    if (width(middle) > wanted) few = middle;
    else many = middle;
  }
  const more = Math.ceil(many - n - 1e-9);
  return { more, then: wilson({ share, n: n + more }) };
}
