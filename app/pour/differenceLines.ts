import type { PlanDifference } from '@tufa/core/plan';
import { printFigure, say } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';

/** What changes from one plan to another, as it would be said; nothing where nothing does. */
export function differenceLines(speaker: Speaker, { bad_m2, packages, batches, work_s, cost_minor }: PlanDifference): string[] {
  const later_s = work_s[1] - work_s[0];
  return [
    ...(bad_m2[0] === bad_m2[1] ? [] : [say(speaker, 'stale.bad', { before_m2: bad_m2[0], after_m2: bad_m2[1] })]),
    ...(packages[0] === packages[1] ? [] : [say(speaker, 'stale.packages', { before: String(packages[0]), after: String(packages[1]), count: packages[1] })]),
    ...(batches[0] === batches[1] ? [] : [say(speaker, 'stale.batches', { before: String(batches[0]), after: String(batches[1]), count: batches[1] })]),
    ...(Math.abs(later_s) < 60 ? [] : [say(speaker, later_s > 0 ? 'stale.later' : 'stale.sooner', { by_s: Math.abs(later_s) })]),
    ...(cost_minor[0] === cost_minor[1] ? [] : [`${printFigure(speaker, 'cost_minor', cost_minor[0])} → ${printFigure(speaker, 'cost_minor', cost_minor[1])}`]),
  ];
}
