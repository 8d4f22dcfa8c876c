import { houseOf, lifeClass, lifeOf, shortestLife, worstOf, type Reason } from '../../choose';
import { daysOnSite, type OnSite, type WorkTask } from '../../day';
import { phaseOf, type ElementInput, type FindingInput } from '../../survey';
import type { ChosenPlan, FindingPlan } from '../Plan';
import type { TakeOff } from '../survey/TakeOff';
import { prepared, type PreparedInput } from '../input/crewFigures';
import { asksOf } from '../kinds';
import { ratesOf, type PlanInput, type TreatmentInput } from '../input/PlanInput';
import { hoursOf, totalOf, type SystemPart } from './SystemOutcome';
import { computePlan } from '../computePlan';
import { poweredTools } from '../steps/toolsOf';
import { mixedOf } from '../systems/mixedOf';
import { sumOf } from '../input/sumOf';
import { systemCost } from '../systems/systemCost';
import { workOf } from '../steps/workOf';
import { knownSheet } from '../input/sheetOf';

interface Done {
  readonly finding: FindingInput;
  readonly element: ElementInput;
  readonly planned: FindingPlan;
  readonly chosen: ChosenPlan;
}

/** Work of every finding, in chains that one crew does through one another; an element is overlaid once all of its fills are. */
function onSiteOf(input: PreparedInput, done: readonly Done[]): OnSite {
  const worked = (chosen: ChosenPlan, { finding, element }: Done, takeOff: TakeOff): WorkTask[] => {
    const sheet = knownSheet(input, chosen.sheetId);
    return workOf({ input, element, finding, takeOff, sheet, batches: chosen.batches.count }, chosen.steps);
  };
  const fills = done.map((repair) => worked(repair.chosen, repair, repair.planned.takeOff));
  const overlaid = done.flatMap((repair, i) => (repair.chosen.overlay ? [{ repair, i, overlay: repair.chosen.overlay }] : []));
  const sameElement = (repair: Done): number[] => done.flatMap((other, i) => (other.element.id === repair.element.id ? [i] : []));
  return daysOnSite({
    chains: [...fills, ...overlaid.map(({ repair, overlay }) => worked(overlay.chosen, repair, overlay.takeOff))],
    waitsFor: [...fills.map(() => []), ...overlaid.map(({ repair, i, overlay }) => (overlay.over === 'element' ? sameElement(repair) : [i]))],
    hands: input.crew.hands,
    workday_s: ratesOf(input.firm).workday_s,
  });
}

/** One way of repairing what is done now: planned with the sheets it uses alone, timed, priced and judged. */
export function repairPart(given: PlanInput, treatments: readonly TreatmentInput[]): SystemPart {
  // Only what is used is judged: the rest of the shelf has nothing to say here.
  const used = new Set(treatments.flatMap(({ sheetId, overlay }) => (overlay ? [sheetId, overlay.sheetId] : [sheetId])));
  const input = prepared({ ...given, treatments, sheets: given.sheets.filter(({ id }) => used.has(id)) });
  const plan = computePlan(input, { ranked: 'chosen' });
  const house = houseOf(input.house);
  const done = plan.findings.flatMap((planned): Done[] => {
    const finding = input.findings.find(({ id }) => id === planned.findingId);
    const element = input.elements.find(({ id }) => id === planned.elementId);
    return planned.chosen && finding && element ? [{ finding, element, planned, chosen: planned.chosen }] : [];
  });
  const onSite = onSiteOf(input, done);
  const mixed = done.flatMap(({ chosen }) => mixedOf(chosen));
  // Of each finding's shelf only what was chosen is judged; with it what lies over it, and what bonds, cures and coats it.
  const judged = [
    ...done.flatMap(({ planned, chosen }) => [...planned.ranking, ...(chosen.overlay ? [chosen.overlay.judged] : [])]),
    ...mixed.flatMap(({ aids }) => aids),
  ];
  const opens = done.map(({ chosen }) => chosen.opens?.after_s ?? null);
  const left = given.findings.filter((finding) => phaseOf(finding) === 'now' && !done.some((repair) => repair.finding.id === finding.id));
  const cost = systemCost({
    input,
    onSite,
    material_minor:
      sumOf(plan.orders, ({ chosen }) => chosen.cost_minor) +
      sumOf(plan.aids, ({ cost_minor }) => cost_minor) +
      // Nothing is ordered of what is refused; what it would cost is told all the same.
      sumOf(
        mixed.filter((chosen) => done.some((repair) => mixedOf(repair.chosen).includes(chosen) && repair.chosen.refused.length > 0)),
        ({ quantities }) => quantities.chosen.cost_minor,
      ),
    tools: poweredTools(mixed.flatMap(({ steps }) => steps)),
    debris_kg: sumOf(plan.findings, ({ chosen, takeOff }) => (chosen ? chosen.debris : takeOff.debris)?.mass_kg ?? 0),
  });
  const lives = done.map(({ finding, element, planned, chosen }) => {
    const sheet = knownSheet(input, chosen.sheetId);
    return lifeOf({
      sheet,
      element,
      asks: asksOf(finding, { element, findings: input.findings.filter(({ elementId }) => elementId === element.id) }),
      house,
      reasons: planned.ranking.flatMap(({ reasons }) => reasons),
    });
  });
  return {
    ...hoursOf(onSite, input),
    cost,
    total: totalOf(
      cost,
      plan.orders.map(({ chosen, powder }) => ({
        p10: (chosen.cost_minor * powder.p10) / powder.p50,
        p50: chosen.cost_minor,
        p90: (chosen.cost_minor * powder.p90) / powder.p50,
      })),
    ),
    opens_s: done.length === 0 || opens.some((open) => open === null) ? null : onSite.placed_s + Math.max(...(opens as number[])),
    chanceLost: mixed.length === 0 ? null : Math.max(...mixed.map(({ window }) => window.chanceLost)),
    life: lives.length > 0 ? shortestLife(lives) : lifeClass('short'),
    verdict: left.length > 0 || done.some(({ chosen }) => chosen.refused.length > 0) ? 'no' : worstOf(judged),
    reasons: [
      ...left.map(({ label }): Reason => ({ code: 'system.nothingFits', verdict: 'no', figures: { label } })),
      ...done.flatMap(({ chosen }) => chosen.refused),
      ...mixed.flatMap(({ aids }) => aids.flatMap(({ reasons }) => reasons.filter(({ verdict }) => verdict === 'no'))),
    ],
  };
}
