import { PLAN } from '../constants';
import type { PlanInput } from '../input/PlanInput';
import { stoppedIn } from '../survey/stoppedIn';
import type { Plan } from '../Plan';

/** What is looked at again: a crack's width, a joint's sealant, a coat; else all of it. */
export const CARE_KINDS = ['crack', 'joint', 'coating', 'look'] as const;
export type CareKind = (typeof CARE_KINDS)[number];

/** A visit that a repair asks for. */
export interface CareVisit {
  /** null where the whole job is looked at */
  readonly findingId: string | null;
  readonly kind: CareKind;
  /** so many months after the work was done */
  readonly after_months: number;
}

/**
 * When a repair is looked at again: a crack through both seasons, since it moves with them; a joint and a coat in their
 * time; a job that has none of these once.
 *
 * @returns in the order of their time
 */
export function careVisits(input: PlanInput, plan: Plan): CareVisit[] {
  const stopped = stoppedIn(plan.elements);
  const visits = plan.findings.flatMap(({ findingId, elementId, chosen }): CareVisit[] => {
    const found = input.findings.find(({ id }) => id === findingId);
    if (!chosen || !found || stopped.has(elementId)) return [];
    const coated = input.treatments.some((treatment) => treatment.findingId === findingId && treatment.aids?.coat !== undefined);
    const byKind: Partial<Record<typeof found.kind, CareKind>> = { crack: 'crack', groove: 'joint' };
    const kinds = [byKind[found.kind], coated ? ('coating' as const) : undefined].filter((kind) => kind !== undefined);
    return kinds.flatMap((kind) => PLAN.careMonths[kind].map((after_months) => ({ findingId, kind, after_months })));
  });
  if (visits.length === 0) return PLAN.careMonths.look.map((after_months) => ({ findingId: null, kind: 'look', after_months }));
  return visits.sort((a, b) => a.after_months - b.after_months || (a.findingId! < b.findingId! ? -1 : 1));
}
