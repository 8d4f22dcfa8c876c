import { CHOOSE, houseOf } from '../../choose';
import type { Context } from '../input/Context';

/** Whether a patch of this is left a millimetre high: by the school, or while the crew has no record with the product. A resin is finished as it stands. */
export function leftHigh({ input, sheet }: Pick<Context, 'input' | 'sheet'>): boolean {
  if (!sheet.water) return false;
  const { level } = houseOf(input.house);
  if (level !== 'byRecord') return level === 'high';
  const entries = input.record?.lives.find(({ sheetId }) => sheetId === sheet.id)?.entries.length ?? 0;
  return entries < CHOOSE.recordFlush;
}
