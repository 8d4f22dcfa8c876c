import { AID_CLASSES_OF, bondOf, houseOf } from '../../choose';
import type { AidClass } from '../../shelf';
import type { Context } from '../input/Context';
import type { AidRole } from '../input/PlanInput';

/** The classes that a role wants here: by the bond that the sheet or the school asks. */
export function aidClasses({ input, sheet }: Pick<Context, 'input' | 'sheet'>, role: AidRole): readonly AidClass[] {
  if (role !== 'bond') return AID_CLASSES_OF[role];
  const bond = bondOf(houseOf(input.house), sheet);
  return bond === 'slurry' || bond === 'agent' ? AID_CLASSES_OF[bond] : [];
}
