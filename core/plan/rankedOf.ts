import { houseOf, otherUse, type Ranked, judge } from '../choose';
import type { Context } from './Context';
import { withoutOverDose } from './chosenOf';
import { materialCost } from './orders';
import { questionFor } from './questionFor';
import { basisFor, milestoneClock, type WindowQuestion } from './windowFor';

/** How long after first water this sheet carries what is asked, at these temperatures; null where its sheet is silent. */
function opensAfter({ element, sheet }: Context, question: WindowQuestion): number | null {
  const { opens } = element;
  if (!opens) return null;
  const { basis, retarder } = basisFor(question);
  const { pace } = basis;
  const placed_after_s = pace.mix_s + pace.carry_s + pace.place_s;
  const course = { ...basis.course, pail_life_s: 1, film_life_s: 1, placed_after_s };
  return milestoneClock({ sheet, course, retarder, ...(question.record ? { record: question.record } : {}) })(opens.to)?.after_s ?? null;
}

/** One sheet against one finding: its verdict with the reasons, what it costs and when it opens. */
export function rankedOf(context: Context): Ranked {
  const { input, element, finding, sheet } = context;
  // Most of a shelf is made for other damage: nothing else is worked out for it.
  const other = otherUse(sheet, finding);
  if (other) return { sheetId: sheet.id, verdict: 'no', reasons: other, cost_minor: null, opensAfter_s: null };
  const question = questionFor({ ...context, input: withoutOverDose(input, sheet), share: Math.min(...input.firm.grid) });
  let opensAfter_s: number | null = null;
  const asked = (): number | null => (opensAfter_s = opensAfter(context, question));
  // Judged at the hour of the work, not at what was assumed where nobody read it.
  const { air_C, slab_C, humidity } = question;
  const judged = judge({ sheet, element, finding, air_C, slab_C, humidity, opensAfter: asked, house: houseOf(input.house) });
  const cost_minor = judged.verdict !== 'no' ? materialCost(context) : null;
  return { sheetId: sheet.id, ...judged, cost_minor, opensAfter_s };
}
