import { houseOf } from '../../choose';
import type { Task } from '../../shelf';
import type { Context } from '../input/Context';
import { kindOf } from '../kinds';

/**
 * What the material must do here, which sets its water: as the crew says, else as the work asks, by kind, how the element
 * lies and how its face is made; of what the work would take, the first that the sheet names.
 */
export function taskOf({ input, element, finding, sheet, takeOff }: Pick<Context, 'input' | 'element' | 'finding' | 'sheet' | 'takeOff'>): Task {
  const { consistency } = input.batch;
  if (consistency) return consistency;
  const wants = kindOf(finding).tasks(finding, { element, sheet, takeOff, house: houseOf(input.house) });
  return wants.find((task) => sheet.water?.byTask[task] !== undefined) ?? wants[0]!;
}
