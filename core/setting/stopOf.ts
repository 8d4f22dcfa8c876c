import { chanceOfLife, chanceOfSkin, either } from './chanceOfLoss';

/** What may end a batch by a moment: a life's budget, and a skin. */
export interface Threats {
  /** share of the budget spent t s after first water, rising with t */
  readonly spentAt: (t: number) => number;
  readonly sdLn: number;
  /** when the budget alone has spent its safe share, s from first water */
  readonly safe_s: number;
  /** when the layer was spread, and how long after it half of all layers skin; null where nothing dries */
  readonly skin: { readonly spread_s: number; readonly after_s: number } | null;
  /** how much later than t the skin must still not be there, s: the tool's pass that follows placing */
  readonly later_s?: number;
  /** accepted chance of losing the batch */
  readonly accepted: number;
}

/** When to stop, and which of the two threatens more there. */
export interface Stop {
  readonly at_s: number;
  readonly ending: 'life' | 'skin';
}

/** Stops are found to a hundredth of a second. */
const NEAR_S = 0.01;
/** A skin less likely than this moves no stop by a second. */
const NO_SKIN = 1e-6;

/**
 * When the chance of losing a batch to its life or to a skin reaches the accepted one: the safe share of the budget where
 * no skin threatens, earlier where one does. False position (Illinois) on the joint chance, which only rises with time.
 */
export function stopOf({ spentAt, sdLn, safe_s, skin, later_s = 0, accepted }: Threats): Stop {
  const skinAt = (t: number): number => (skin ? chanceOfSkin(t + later_s - skin.spread_s, skin.after_s) : 0);
  if (skinAt(safe_s) < NO_SKIN) return { at_s: safe_s, ending: 'life' };
  const over = (t: number): number => either(chanceOfLife(spentAt(t), sdLn), skinAt(t)) - accepted;
  let [low, high] = [0, safe_s];
  let [atLow, atHigh] = [over(low), over(high)];
  if (atLow >= 0) return { at_s: 0, ending: 'skin' };
  let side = 0;
  for (let i = 0; i < 60 && high - low > NEAR_S; i += 1) {
    const middle = (low * atHigh - high * atLow) / (atHigh - atLow);
    // A step that hardly moves is taken to the middle: both chances are flat far from their ends.
    const t = middle - low < NEAR_S / 4 || high - middle < NEAR_S / 4 || i % 3 === 2 ? (low + high) / 2 : middle;
    const at = over(t);
    if (at < 0) {
      [low, atLow] = [t, at];
      if (side === -1) atHigh /= 2;
      side = -1;
    } else {
      [high, atHigh] = [t, at];
      if (side === 1) atLow /= 2;
      side = 1;
    }
  }
  return { at_s: low, ending: chanceOfLife(spentAt(low), sdLn) >= skinAt(low) ? 'life' : 'skin' };
}
