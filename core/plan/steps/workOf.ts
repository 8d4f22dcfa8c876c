import type { WorkTask } from '../../day';
import type { RepairStep } from './RepairStep';
import { stepRow, type Worked } from './STEPS';

/** The steps of one system as work for hands, with the waits the material asks for. Steps that take nobody's time are left out, their waits with them. */
export function workOf(worked: Worked, steps: readonly RepairStep[]): WorkTask[] {
  let standing_s = 0;
  const work: WorkTask[] = [];
  for (const { code, figures, sheetId, after } of steps) {
    const row = stepRow(code);
    const person_s = row.person_s(worked, figures, sheetId);
    if (person_s <= 0) continue;
    work.push({ person_s, wait_s: Math.max(after?.least_s ?? 0, standing_s), places: row.places });
    standing_s = row.stands_s;
  }
  return work;
}
