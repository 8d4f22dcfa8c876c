import type { PlanInput } from '../input/PlanInput';
import { sheetOf } from '../input/sheetOf';
import type { ChosenPlan, Plan } from '../Plan';
import type { MilestoneTime } from '../window/milestones';
import type { WindowAnswer } from '../window/windowFor';
import type { WeekAsk } from './weekOf';

interface Asked {
  readonly sheetId: string;
  readonly findingId: string;
  readonly window: WindowAnswer;
  readonly milestones: readonly MilestoneTime[];
}

/** What is chosen and on no list: at the planned hour it is refused, in another it may not be. */
const refusedIn = (findingId: string, chosen: ChosenPlan): Asked[] => [
  { sheetId: chosen.sheetId, findingId, window: chosen.window, milestones: chosen.readiness },
  ...(chosen.overlay ? refusedIn(findingId, chosen.overlay.chosen) : []),
];

/** Of each product of a plan the batch that is hardest to place: where that one has its minutes, all of them have. */
export function weekAsks(input: PlanInput, plan: Plan): WeekAsk[] {
  const listed = plan.batches.flatMap(({ window, productId, serves, milestones }): Asked[] =>
    window && productId && serves[0] ? [{ sheetId: productId, findingId: serves[0].findingId, window, milestones }] : [],
  );
  const refused = plan.findings.flatMap(({ findingId, chosen }) => (chosen ? refusedIn(findingId, chosen) : []));
  const hardest = new Map<string, Asked>();
  for (const asked of listed) {
    const before = hardest.get(asked.sheetId);
    if (!before || before.window.chanceLost < asked.window.chanceLost) hardest.set(asked.sheetId, asked);
  }
  for (const asked of refused) if (!hardest.has(asked.sheetId)) hardest.set(asked.sheetId, asked);
  return [...hardest.values()].flatMap(({ sheetId, findingId, window, milestones }) => {
    const sheet = sheetOf(input, sheetId);
    const found = input.findings.find(({ id }) => id === findingId);
    const element = input.elements.find(({ id }) => id === found?.elementId);
    const foot = milestones.find(({ name }) => name === 'foot') ?? milestones.find(({ name }) => name === 'final');
    return sheet && element ? [{ key: sheetId, sheet, element, window, ...(foot ? { foot_s: foot.after_s } : {}) }] : [];
  });
}
