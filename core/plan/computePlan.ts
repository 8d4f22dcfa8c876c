import { batchList } from '../batches';
import type { Ranked } from '../choose';
import { Problem } from '../quantity';
import { phaseOf, type ElementInput, type FindingInput } from '../survey';
import { layersOf, type Mixed } from './batches/layersOf';
import type { ChosenPlan, FindingPlan, Plan } from './Plan';
import type { Context } from './input/Context';
import { layerKey, type PlanInput, type TreatmentInput } from './input/PlanInput';
import { aidOrders } from './orders/aidsOf';
import { extrasOf } from './orders/extrasOf';
import { chosenOf, layerMixed } from './systems/chosenOf';
import { mixedOfPlan } from './systems/mixedOf';
import { overlaysOf } from './systems/overlayOf';
import { ordersOf } from './orders/orders';
import { prepared } from './input/crewFigures';
import { rankedOf, shelfBest, shelfRanked } from './systems/rankedOf';
import { Site } from './input/site';
import { stoppedIn } from './survey/stoppedIn';
import { isStopped, learnedOf, surveyOf } from './survey/surveyOf';
import { takeOffOf } from './survey/takeOffOf';
import { warningsOf } from './kit/warningsOf';
import { knownSheet, sheetOf } from './input/sheetOf';

/** The computation's own version, kept with every plan. */
export const CORE_VERSION = '0.2.0';

/** How much of the shelf a plan judges: all of it for every finding, the best of it, or only what was chosen. */
export interface PlanScope {
  readonly ranked: 'all' | 'best' | 'chosen';
}

/** What every finding of a job file is judged in: its element, and its element's own weather, worked out once. */
class Places {
  private readonly sites = new Map<string, Site>();

  constructor(private readonly input: PlanInput) {}

  elementOf(id: string): ElementInput {
    const element = this.input.elements.find((element) => element.id === id);
    if (!element) throw new Problem('unknownElement', { id });
    return element;
  }

  siteOf(element: ElementInput): Site | undefined {
    const { site, conditions } = this.input;
    if (!site) return undefined;
    const known = this.sites.get(element.id) ?? new Site(site, element, conditions);
    this.sites.set(element.id, known);
    return known;
  }
}

/** An element as what fills it meets it: whatever is overlaid need not look like its surroundings. */
function underOverlay({ texture: _texture, colour: _colour, ...element }: ElementInput): ElementInput {
  return element;
}

/**
 * The whole shelf against one finding, best first: what a plan of everything holds for it, without the rest of the plan.
 *
 * @returns nothing for a finding that is not there, or whose element is stopped
 * @throws Problem as `computePlan`
 */
export function rankingOf(given: PlanInput, findingId: string): Ranked[] {
  const input = prepared(given);
  const places = new Places(input);
  const finding = input.findings.find(({ id }) => id === findingId);
  if (!finding) return [];
  const element = places.elementOf(finding.elementId);
  // Of the walk only what this one finding needs: everything else waits for the plan.
  if (isStopped(element, input.findings)) return [];
  const takeOff = takeOffOf(finding, learnedOf(input));
  const overlaid = input.treatments.some((treatment) => treatment.findingId === findingId && treatment.overlay);
  const filled = overlaid ? underOverlay(element) : element;
  return shelfRanked({ input, element: filled, finding, takeOff, site: places.siteOf(element) }, input.sheets);
}

/** What was worked out of a finding last, and from what. */
interface Remembered {
  readonly from: readonly unknown[];
  readonly ranking: Ranked[];
  readonly chosen: ChosenPlan;
  readonly layers: readonly Mixed[];
}
const remembered = new WeakMap<FindingInput, Remembered>();

/**
 * Everything that a finding's own plan hangs on, by identity: of a job in which another layer is mixed otherwise the rest
 * stays as it was worked out. Null for what is overlaid, since an element is overlaid once and by whoever comes first.
 */
function dependedOn(
  { findings, elements, treatments, firm, crew, conditions, house, site, record, wanted_s, aids, sheets, batch }: PlanInput,
  { element, finding, treatment }: Pick<Context, 'element' | 'finding'> & { readonly treatment: TreatmentInput },
): readonly unknown[] | null {
  if (treatment.overlay) return null;
  const { byLayer = {}, ...whole } = batch;
  const mixed = JSON.stringify([whole, byLayer[layerKey(finding.id, 'fill')] ?? null]);
  const sheet = sheetOf({ sheets }, treatment.sheetId);
  return [element, treatment, sheet, mixed, findings, elements, treatments, firm, crew, conditions, house, site, record, wanted_s, aids];
}

/**
 * The one place where the whole computation is put together: take-off, verdict, ranking, layers, quantities, batches,
 * window, levers and warnings of a job file. Pure: the same input gives the same plan on phone, worker, server and
 * command.
 *
 * @param scope `chosen` judges of the shelf only what a treatment names, without its cost and levers: a screen that shows no shelf needs no more;
 *   `best` the best, the cheapest and the soonest for each finding, which is enough to choose systems from
 * @throws Problem with a code and figures for anything outside its valid range; `unknownElement`, `unknownSheet` when
 *   the job file refers to what it does not hold
 */
export function computePlan(given: PlanInput, { ranked: scope }: PlanScope = { ranked: 'all' }): Plan {
  const input = prepared(given);
  const places = new Places(input);
  const survey = surveyOf(given);
  const stopped = stoppedIn(survey.elements);
  // What one turns where a window is too short is worked out with all else; Day asks for those of the batch at hand by itself.
  const levers = scope === 'all';
  const overlayOf = overlaysOf({ levers });
  const layers: Mixed[] = [];
  const findings = input.findings.map((finding, i): FindingPlan => {
    const element = places.elementOf(finding.elementId);
    const { takeOff } = survey.findings[i]!;
    const base = { findingId: finding.id, elementId: element.id, takeOff };
    if (stopped.has(element.id)) return { ...base, ranking: [], chosen: null };
    const site = places.siteOf(element);
    const treatment = input.treatments.find(({ findingId }) => findingId === finding.id);
    const from = scope === 'chosen' && treatment ? dependedOn(given, { element, finding, treatment }) : null;
    const known = from && remembered.get(finding);
    if (known && from.every((part, at) => part === known.from[at])) {
      layers.push(...known.layers);
      return { ...base, ranking: known.ranking, chosen: known.chosen };
    }
    const judged = scope === 'chosen' ? input.sheets.filter(({ id }) => id === treatment?.sheetId) : input.sheets;
    const filled = treatment?.overlay ? underOverlay(element) : element;
    const all = (scope === 'best' ? shelfBest : shelfRanked)({ input, element: filled, finding, takeOff, site, unpriced: scope === 'chosen' }, judged);
    if (!treatment || phaseOf(finding) !== 'now') return { ...base, ranking: all, chosen: null };
    const sheet = knownSheet(input, treatment.sheetId);
    const context = { input, element, finding, takeOff, sheet, site, treatment };
    const ranked = all.find(({ sheetId }) => sheetId === sheet.id) ?? rankedOf({ ...context, element: filled });
    const overlay = overlayOf(context);
    const fill = { ...context, element: filled, ...layerMixed(input, { sheet, finding, role: 'fill' }) };
    const chosen = chosenOf(fill, ranked, { overlay: overlay?.plan ?? null, levers });
    const mixed: Mixed[] =
      chosen.refused.length > 0
        ? []
        : [{ role: 'fill', context: fill, chosen }, ...(overlay ? [{ role: 'overlay' as const, context: overlay.context, chosen: overlay.plan.chosen }] : [])];
    layers.push(...mixed);
    if (from) remembered.set(finding, { from, ranking: all, chosen, layers: mixed });
    return { ...base, ranking: all, chosen };
  });
  // An overlay is mixed of a product as a fill is: of one product, both are bought together.
  // What is refused is not bought.
  const mixed = mixedOfPlan(findings.filter(({ chosen }) => chosen?.refused.length === 0));
  return {
    v: 1,
    coreVersion: CORE_VERSION,
    elements: survey.elements,
    findings,
    batches: batchList(layersOf(layers, input.poured)),
    orders: ordersOf(input, mixed),
    aids: aidOrders(input, mixed),
    extras: extrasOf(findings),
    warnings: warningsOf(input, findings, stopped),
  };
}
