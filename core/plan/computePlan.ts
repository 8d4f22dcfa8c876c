import { ranking } from '../choose';
import { Problem, rangedSum } from '../quantity';
import { tapsToHalve, type ElementInput, verdictOf } from '../survey';
import { effectiveTaps, TAKEOFF, hollowInterval, hollowShare, maskingOf, polygonArea } from '../takeoff';
import type { FindingPlan, Plan } from './Plan';
import type { PlanInput } from './PlanInput';
import { chosenOf, withoutOverDose } from './chosenOf';
import { ordersOf } from './orders';
import { ownFigure, withOwnFigures } from './ownFigures';
import { rankedOf } from './rankedOf';
import { Site } from './site';
import { hashesOf } from './hashesOf';
import { takeOffOf } from './takeOffOf';
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
  const verdicts = new Map(
    input.elements.map((element) => [element.id, verdictOf({ element, findings: input.findings.filter((f) => f.elementId === element.id) })]),
  );
  const findings = input.findings.map((finding): FindingPlan => {
    const element = elementOf(finding.elementId);
    const takeOff = takeOffOf(finding, { soakDepth_m: ownFigure(input, 'soakDepth', TAKEOFF.soakDepth_m) });
    const base = { findingId: finding.id, elementId: element.id, takeOff };
    if (verdicts.get(element.id)?.code === 'stop') return { ...base, ranking: [], chosen: null };
    const ranked = ranking(input.sheets.map((sheet) => rankedOf({ input, element, finding, takeOff, sheet, site: siteOf(element) })));
    const treatment = input.treatments.find(({ findingId }) => findingId === finding.id);
    if (!treatment) return { ...base, ranking: ranked, chosen: null };
    const sheet = input.sheets.find(({ id }) => id === treatment.sheetId);
    if (!sheet) throw new Problem('unknownSheet', { id: treatment.sheetId });
    return { ...base, ranking: ranked, chosen: chosenOf({ input: withoutOverDose(input, sheet), element, finding, takeOff, sheet, site: siteOf(element) }) };
  });
  return {
    v: 1,
    coreVersion: CORE_VERSION,
    hashes: hashesOf(given),
    elements: input.elements.map((element) => {
      const own = findings.filter(({ elementId }) => elementId === element.id);
      const volume = own.length === 0 ? null : rangedSum(own.map(({ takeOff }) => takeOff.volume));
      return {
        elementId: element.id,
        area_m2: polygonArea(element.outline),
        verdict: verdicts.get(element.id)!,
        bad_m2: own.reduce((sum, { takeOff }) => sum + takeOff.area_m2, 0),
        volume,
        hollow: hollowOf(element),
        masking:
          own.length === 0 ? null : maskingOf({ edge_m: own.reduce((sum, { takeOff }) => sum + takeOff.perimeter_m, 0), strip_m: TAKEOFF.maskingStrip_m }),
      };
    }),
    findings,
    orders: ordersOf(
      input,
      findings.flatMap(({ chosen }) => (chosen ? [chosen] : [])),
    ),
    warnings: warningsOf(input, findings),
  };
}

/** Share of an element that rings hollow, from its soundings. */
function hollowOf({ outline, soundings }: ElementInput): Plan['elements'][number]['hollow'] {
  if (!soundings || soundings.points.length === 0) return null;
  const { share, areas_m2 } = hollowShare({ element: outline, ...soundings });
  const { more } = tapsToHalve({ share, n: effectiveTaps(areas_m2) });
  return { share, ...hollowInterval({ areas_m2, hollow: soundings.hollow }), taps: soundings.points.length, moreToHalve: more };
}
