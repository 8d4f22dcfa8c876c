import { MIX, placingFactor, stripLength } from '../../mix';
import type { PlanInput } from '../input/PlanInput';
import { sheetOf } from '../input/sheetOf';
import type { Plan } from '../Plan';

/** A broomed batch goes on in strips: how wide, and how long one may be before its beginning must be broomed. */
export interface BroomStrip {
  /** as it is chalked */
  readonly number: string;
  readonly width_m: number;
  readonly length_m: number;
  /** how many of them the batch makes, at least 1 */
  readonly count: number;
}

/**
 * Strips of what is broomed: two broom widths wide, as long as these hands place and broom inside the safe part of its
 * life, and no longer than the batch reaches.
 *
 * @throws Problem `outOfRange` from the strip's length
 */
export function stripsOf(input: PlanInput, plan: Plan): BroomStrip[] {
  const broom_m = input.firm.broom_m ?? MIX.broom_m;
  const width_m = 2 * broom_m;
  return plan.batches.flatMap(({ number, window, productId, area_m2, follows }): BroomStrip[] => {
    if (!window || !area_m2 || sheetOf(input, productId ?? undefined)?.class !== 'broomOverlay') return [];
    const { hands } = input.crew;
    const { mix_s, carry_s, finish_s } = window.basis.pace;
    const longest_m = stripLength({
      handsFactor: placingFactor(hands, follows),
      rate_m2_s: window.question.crew.rate_m2_s,
      safe_s: window.window.finishBy_s,
      mix_s,
      carry_s,
      finish_s,
      broom_m: width_m,
    });
    const length_m = Math.min(longest_m, area_m2 / width_m);
    return length_m > 0 ? [{ number, width_m, length_m, count: Math.max(1, Math.ceil(area_m2 / width_m / length_m - 1e-9)) }] : [];
  });
}
