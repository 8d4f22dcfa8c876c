import { ranking } from '../choose';
import { Problem } from '../quantity';
import { phaseOf, type ElementInput } from '../survey';
import type { FindingPlan, Plan } from './Plan';
import type { PlanInput } from './PlanInput';
import { chosenOf, withoutOverDose } from './chosenOf';
import { ordersOf } from './orders';
import { withOwnFigures } from './ownFigures';
import { rankedOf } from './rankedOf';
import { Site } from './site';
import { hashesOf } from './hashesOf';
import { surveyOf } from './surveyOf';
import { warningsOf } from './warningsOf';

export const CORE_VERSION = '0.2.0';

/**
 * The one place where the whole computation is put together: take-off, verdict, ranking, layers, quantities, batches,
 * window, levers and warnings of a job file. Pure: the same input gives the same plan on phone, worker, server and
 * command.
 *
 * @throws Problem with a code and figures for anything outside its valid range; `unknownElement`, `unknownSheet` when
 *   the job file refers to what it does not hold
 */
export function computePlan(given: PlanInput): Plan {
  const input = withOwnFigures(given);
  const elementOf = (id: string): ElementInput => {
    const element = input.elements.find((one) => one.id === id);
    if (!element) throw new Problem('unknownElement', { id });
    return element;
  };
  const sites = new Map<string, Site>();
  const siteOf = (element: ElementInput): Site | undefined => {
    if (!input.site) return undefined;
    const held = sites.get(element.id) ?? new Site(input.site, element, input.conditions);
    sites.set(element.id, held);
    return held;
  };
  const survey = surveyOf(given);
  const stopped = new Set(survey.elements.filter(({ stops }) => stops.length > 0).map(({ elementId }) => elementId));
  const findings = input.findings.map((finding, i): FindingPlan => {
    const element = elementOf(finding.elementId);
    const { takeOff } = survey.findings[i]!;
    const base = { findingId: finding.id, elementId: element.id, takeOff };
    if (stopped.has(element.id)) return { ...base, ranking: [], chosen: null };
    const ranked = ranking(input.sheets.map((sheet) => rankedOf({ input, element, finding, takeOff, sheet, site: siteOf(element) })));
    const treatment = input.treatments.find(({ findingId }) => findingId === finding.id);
    if (!treatment || phaseOf(finding) !== 'now') return { ...base, ranking: ranked, chosen: null };
    const sheet = input.sheets.find(({ id }) => id === treatment.sheetId);
    if (!sheet) throw new Problem('unknownSheet', { id: treatment.sheetId });
    return { ...base, ranking: ranked, chosen: chosenOf({ input: withoutOverDose(input, sheet), element, finding, takeOff, sheet, site: siteOf(element) }) };
  });
  return {
    v: 1,
    coreVersion: CORE_VERSION,
    hashes: hashesOf(given),
    elements: survey.elements,
    findings,
    orders: ordersOf(
      input,
      findings.flatMap(({ chosen }) => (chosen ? [chosen] : [])),
    ),
    warnings: warningsOf(input, findings),
  };
}
