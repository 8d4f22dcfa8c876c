import { lifeClass, worstOf, type Reason } from '../../choose';
import { daysOnSite } from '../../day';
import type { Substrate } from '../../shelf';
import { phaseOf } from '../../survey';
import { ratesOf, type PlanInput } from '../input/PlanInput';
import { hoursOf, totalOf, type SystemPart } from './SystemOutcome';
import { PLAN } from '../constants';
import { replacementMaterial, replacementOf } from './replacement';
import { sumOf } from '../input/sumOf';
import { systemCost } from '../systems/systemCost';

const CAST: readonly Substrate[] = ['concrete', 'terrazzo'];

/** Everything of the elements that are damaged now, broken out and cast anew. */
export function replacementPart(input: PlanInput): SystemPart {
  const damaged = input.elements.filter(({ id }) => input.findings.some((finding) => finding.elementId === id && phaseOf(finding) === 'now'));
  const all = damaged.map((element) => replacementOf(element, input));
  const onSite = daysOnSite({ chains: all.map(({ tasks }) => tasks), hands: input.crew.hands, workday_s: ratesOf(input.firm).workday_s });
  const { concrete_minor_m3 } = ratesOf(input.firm);
  const material_minor = sumOf(all, (replacement) => replacementMaterial(replacement, concrete_minor_m3));
  const cost = systemCost({
    input,
    onSite,
    material_minor,
    tools: all.length > 0 ? PLAN.replaceTools : 0,
    debris_kg: sumOf(all, ({ debris_kg }) => debris_kg),
  });
  const opens = damaged.map(({ opens: asked }, i) => (asked?.to === 'vehicles' ? all[i]!.opens.vehicles_s : all[i]!.opens.foot_s));
  const licensed = damaged.filter((_, i) => all[i]!.licensed).map(({ name }): Reason => ({ code: 'system.licensed', verdict: 'no', figures: { name } }));
  // What was never cast is not cast anew: a laminate top, a brick wall.
  const other = damaged.flatMap(({ name, material }): Reason[] =>
    material && !CAST.includes(material) ? [{ code: 'system.notCast', verdict: 'no', figures: { name, substrate: material } }] : [],
  );
  const late = damaged.flatMap(({ name, opens: asked }, i): Reason[] =>
    asked && opens[i]! > asked.after_s ? [{ code: 'system.opensLate', verdict: 'no', figures: { name, opens_s: opens[i]!, asked_s: asked.after_s } }] : [],
  );
  return {
    ...hoursOf(onSite, input),
    cost,
    total: totalOf(cost, [{ p10: material_minor, p50: material_minor, p90: material_minor }]),
    opens_s: opens.length > 0 ? onSite.placed_s + Math.max(...opens) : null,
    chanceLost: null,
    life: lifeClass('renewed'),
    verdict: worstOf([...licensed, ...other, ...late]),
    reasons: [...licensed, ...other, ...late],
  };
}
