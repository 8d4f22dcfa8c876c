import type { PlanInput } from '../plan';
import { timeOf, type Sheet } from '../shelf';

/** For tests: a crew whose last ten batches of a sheet lived so many times as long as it says. */
export const crewRecordOf = (input: PlanInput, sheet: Sheet, ratio: number): PlanInput => ({
  ...input,
  record: {
    lives: [
      { sheetId: sheet.id, entries: Array.from({ length: 10 }, () => ({ temperature_C: sheet.reference_C, retarder: 1, life_s: timeOf(sheet.flow) * ratio })) },
    ],
    figures: {},
  },
});
