import type { Reason } from '../../choose';
import { SETTING, waterMost } from '../../setting';
import { waterAsked } from '../orders/mixOf';
import type { WindowAnswer } from './windowFor';
import type { WindowQuestion } from './WindowQuestion';

/**
 * What of a mix is past its limits: water colder or hotter than a hose may give or the sheet takes, more or less of it
 * than the sheet allows, a mix so cold that it does not set. Said and refused: none of it is mixed.
 */
export function mixLimits({ sheet, task, water_C, iceShare = 0, latexShare = 0 }: WindowQuestion, { mix_C }: Pick<WindowAnswer, 'mix_C'>): Reason[] {
  if (!sheet.water) return [];
  const { least, most } = sheet.water;
  const ratio = waterAsked(sheet.water, task);
  const most_C = waterMost(sheet.binder);
  const refused: Reason[] = [];
  const slack = 1 + 1e-9;
  if (ratio > most * slack || ratio * slack < least) refused.push({ code: 'water.outside', verdict: 'no', figures: { ratio, least, most } });
  const { latexMost = 0 } = sheet;
  if (latexShare > latexMost * slack) refused.push({ code: 'latex.over', verdict: 'no', figures: { share_share: latexShare, most_share: latexMost } });
  if (water_C > most_C) refused.push({ code: 'water.hot', verdict: 'no', figures: { water_C, most_C } });
  if (water_C < SETTING.waterLeast_C && iceShare === 0)
    refused.push({ code: 'water.cold', verdict: 'no', figures: { water_C, least_C: SETTING.waterLeast_C } });
  if (mix_C < SETTING.waterLeast_C) refused.push({ code: 'mix.cold', verdict: 'no', figures: { mix_C, least_C: SETTING.waterLeast_C } });
  return refused;
}
