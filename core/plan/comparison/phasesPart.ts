import { shortestLife, worstOf } from '../../choose';
import { rangedSum } from '../../quantity';
import { PHASES, phaseOf } from '../../survey';
import type { PlanInput, TreatmentInput } from '../input/PlanInput';
import type { SystemPart } from './SystemOutcome';
import { asNow } from '../input/asNow';
import { repairPart } from './repairPart';
import { sumOf } from '../input/sumOf';
import type { SystemCost } from '../systems/systemCost';

/** Each phase for itself, added up: every phase is set up, mixed and cleared away anew. */
export function phasesPart(input: PlanInput, treatments: readonly TreatmentInput[]): SystemPart {
  const parts = PHASES.flatMap((phase) => {
    const findings = input.findings.filter((finding) => phaseOf(finding) === phase).map(asNow);
    const ofThese = treatments.filter(({ findingId }) => findings.some(({ id }) => id === findingId));
    return findings.length > 0 ? [repairPart({ ...input, findings }, ofThese)] : [];
  });
  const first = parts[0]!;
  const add = (of: (part: SystemPart) => number): number => sumOf(parts, of);
  const cost = Object.fromEntries(Object.keys(first.cost).map((key) => [key, add((part) => part.cost[key as keyof SystemCost])])) as unknown as SystemCost;
  return {
    ...first,
    cost,
    total: rangedSum(parts.map(({ total }) => total)),
    hand_s: add(({ hand_s }) => hand_s),
    waited_s: add(({ waited_s }) => waited_s),
    days: add(({ days }) => days),
    trips: add(({ trips }) => trips),
    chanceLost: Math.max(...parts.map(({ chanceLost }) => chanceLost ?? 0)),
    life: shortestLife(parts.map(({ life }) => life)),
    verdict: worstOf(parts),
    reasons: [
      ...parts.flatMap(({ reasons }) => reasons),
      {
        code: 'system.waiting',
        verdict: 'caution',
        figures: {
          labels: input.findings
            .filter((finding) => phaseOf(finding) !== 'now')
            .map(({ label }) => label)
            .join(', '),
        },
      },
    ],
  };
}
