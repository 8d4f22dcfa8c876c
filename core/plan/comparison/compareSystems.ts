import { goingOn } from '../survey/surveyOf';
import { ratesOf, type PlanInput } from '../input/PlanInput';
import type { SystemInput, SystemOutcome, SystemPart } from './SystemOutcome';
import { asNow } from '../input/asNow';
import { phasesPart } from './phasesPart';
import { repairPart } from './repairPart';
import { replacementPart } from './replacementPart';

function partOf(input: PlanInput, { code, treatments }: SystemInput): SystemPart {
  if (code === 'replace') return replacementPart(input);
  if (code === 'phases') return phasesPart(input, treatments);
  return repairPart(code === 'now' ? { ...input, findings: input.findings.map(asNow) } : input, treatments);
}

/**
 * Systems for the same job side by side. Repairs are sold at one price, what was agreed or the first one's cost with the
 * firm's markup, so that margins can be compared; a replacement is sold at its own.
 *
 * @param systems two to four
 * @throws Problem as `computePlan`
 */
export function compareSystems({
  input: given,
  systems,
  price_minor,
}: {
  input: PlanInput;
  systems: readonly SystemInput[];
  price_minor?: number | null;
}): SystemOutcome[] {
  const input = goingOn(given);
  const parts = systems.map((system) => partOf(input, system));
  const { markup } = ratesOf(input.firm);
  const marked = (part: SystemPart): number => Math.round(part.cost.total_minor * (1 + markup));
  const repair = parts.find((_, i) => systems[i]!.code !== 'replace');
  const sold_minor = price_minor ?? (repair ? marked(repair) : 0);
  return parts.map((part, i) => {
    const { code } = systems[i]!;
    const price = code === 'replace' ? marked(part) : sold_minor;
    return { code, ...part, price_minor: price, margin_minor: price - part.cost.total_minor };
  });
}
