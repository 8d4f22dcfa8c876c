import { classFigures, type Aid, type Sheet } from '@tufa/core/shelf';

/** Whether a sheet is of something that is mixed and placed, not of what goes with it. */
export const isMaterial = (sheet: Sheet | Aid): sheet is Sheet => 'uses' in sheet;

/**
 * A sheet as this release reads it. Sheets from before substrates, textures and storage were asked hold nothing of them
 * and know fewer uses: their class stands in, marked assumed.
 */
export function upgradeSheet(sheet: Sheet): Sheet {
  if (sheet.substrates) return sheet;
  const known = upgraded.get(sheet);
  if (known) return known;
  const { uses, substrates, movement, head_m, intervals, textures, storage, opened_days } = classFigures(sheet.class);
  const since = { uses, substrates, movement, head_m, intervals, textures, storage, opened_days };
  const now = { ...sheet, ...since, assumed: Object.keys(since) } as Sheet;
  upgraded.set(sheet, now);
  return now;
}

/** The same sheet gives the same object, so that what is remembered by it stays. */
const upgraded = new WeakMap<Sheet, Sheet>();
