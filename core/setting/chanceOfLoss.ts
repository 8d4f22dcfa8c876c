import erf from '@stdlib/math-base-special-erf';
import normalQuantile from '@stdlib/stats-base-dists-normal-quantile';
import { WEATHER } from '../weather';

/** How likely a lognormal of median 1 lies under x. */
const under = (x: number, sdLn: number): number => (x <= 0 ? 0 : sdLn > 0 ? 0.5 * (1 + erf(Math.log(x) / sdLn / Math.SQRT2)) : Number(x > 1));

/**
 * The chance that a life ends before so much of its budget is spent.
 *
 * @param spent share of the budget, 0 or more
 * @param sdLn sd of ln life
 */
export const chanceOfLife = (spent: number, sdLn: number): number => under(spent, sdLn);

/**
 * The chance that a layer has skinned: its own deviation, which the life does not share.
 *
 * @param since_s s since it was spread
 * @param skin_s when half of all layers skin, s after spreading; Infinity where nothing dries
 */
export const chanceOfSkin = (since_s: number, skin_s: number): number => under(since_s / skin_s, WEATHER.skinSd);

/** The chance of the one or the other, each by itself. */
export const either = (a: number, b: number): number => 1 - (1 - a) * (1 - b);

/** The share of the budget at which life alone is lost by what of the accepted chance a skin has left; 0 where it left none. */
export function shareLeft({ accepted, skin, sdLn }: { accepted: number; skin: number; sdLn: number }): number {
  const left = 1 - (1 - accepted) / (1 - Math.min(skin, 1 - 1e-12));
  return left <= 0 ? 0 : Math.exp(normalQuantile(left, 0, 1) * sdLn);
}
