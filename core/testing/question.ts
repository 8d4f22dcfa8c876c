import { questionFor, takeOffOf, type WindowQuestion, prepared } from '../plan';
import { element, finding, input, sheetOf } from './job';

/** For tests: half a bag of the sanded mortar with everything known to be at 21 degC. */
export const sheet = sheetOf('sandedRapid');
export const at21 = { air_C: 21, slab_C: 21, powder_C: 21, water_C: 21, sun: false, humidity: 0.9, wind_ms: 0 };
export const questionOf = (change: Partial<WindowQuestion> = {}): WindowQuestion => ({
  ...questionFor({ input: prepared(input), element, finding, takeOff: takeOffOf(finding), sheet, share: 0.5 }),
  spread_K: {},
  ...at21,
  ...change,
});
