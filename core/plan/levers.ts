import { windowFor, type WindowAnswer, type WindowQuestion } from './windowFor';

export type LeverCode = 'coolWater' | 'shadeSlab' | 'shadePail' | 'coolPowder' | 'retarder' | 'smallerBatch' | 'anotherHand' | 'stopWind';

export interface Lever {
  readonly code: LeverCode;
  readonly figures: Readonly<Record<string, number>>;
  /** minutes the batch lives longer before it must be placed, s; may be 0 or negative */
  readonly gain_s: number;
  /** what is left over after placing and finishing, and how much that grows, s */
  readonly slackGain_s: number;
  readonly fits: boolean;
  readonly change: Partial<WindowQuestion>;
}

/** The coldest water a crew brings without ice, degC. */
const COLD_WATER_C = 5;
/** Wind left behind a screen, m/s. */
const SCREENED_WIND_MS = 0.5;

/** What is left of the tighter of placing and finishing, s; negative when the batch does not fit. */
export const slackOf = ({ window }: WindowAnswer): number => Math.min(window.placeBy_s - window.placeNeeds_s, window.finishBy_s - window.finishNeeds_s);

/**
 * What would lengthen the window, each worked out by computing the batch again with that one thing changed, never by
 * rule; the most helpful first. A lever that changes nothing here is left out.
 */
export function leversOf({ question, answer, grid }: { question: WindowQuestion; answer: WindowAnswer; grid: readonly number[] }): Lever[] {
  const tries: { code: LeverCode; figures: Record<string, number>; change: Partial<WindowQuestion> }[] = [];
  if (question.water_C > COLD_WATER_C + 1) tries.push({ code: 'coolWater', figures: { water_C: COLD_WATER_C }, change: { water_C: COLD_WATER_C } });
  if (question.slab_C > question.air_C + 1) tries.push({ code: 'shadeSlab', figures: { slab_C: question.air_C }, change: { slab_C: question.air_C } });
  if (question.sun) tries.push({ code: 'shadePail', figures: {}, change: { sun: false } });
  const coolPowder_C = Math.min(question.air_C, question.powder_C) - 5;
  if (question.powder_C > 15) tries.push({ code: 'coolPowder', figures: { powder_C: coolPowder_C }, change: { powder_C: coolPowder_C } });
  const doses = question.sheet.retarder.map(([dose]) => dose);
  const nextDose = [0.5, 1, 1.5, 2, 2.5, 3].find((dose) => dose > question.retarderDose + 1e-9 && dose <= Math.max(0, ...doses));
  if (nextDose !== undefined) tries.push({ code: 'retarder', figures: { dose: nextDose }, change: { retarderDose: nextDose } });
  const smaller = [...grid].sort((a, b) => b - a).find((share) => share < question.share - 1e-9);
  if (smaller !== undefined) tries.push({ code: 'smallerBatch', figures: { share: smaller }, change: { share: smaller } });
  if (question.crew.hands < 3)
    tries.push({ code: 'anotherHand', figures: { hands: question.crew.hands + 1 }, change: { crew: { ...question.crew, hands: question.crew.hands + 1 } } });
  if (question.wind_ms > SCREENED_WIND_MS && answer.window.finishEnding === 'skin')
    tries.push({ code: 'stopWind', figures: { wind_ms: SCREENED_WIND_MS }, change: { wind_ms: SCREENED_WIND_MS } });
  const slack = slackOf(answer);
  return tries
    .map(({ code, figures, change }) => {
      const changed = windowFor({ ...question, ...change });
      return {
        code,
        figures,
        change,
        gain_s: changed.window.placeBy_s - answer.window.placeBy_s,
        slackGain_s: slackOf(changed) - slack,
        fits: changed.window.fits,
      };
    })
    .filter(({ gain_s, slackGain_s }) => Math.max(gain_s, slackGain_s) > 15)
    .sort((a, b) => b.slackGain_s - a.slackGain_s || b.gain_s - a.gain_s || (a.code < b.code ? -1 : 1));
}
