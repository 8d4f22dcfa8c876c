import { judge, ranking, type Ranked, type Reason } from '../choose';
import {
  chanceShort,
  combinedSd,
  costOf,
  evenBatches,
  largestPortion,
  massOf,
  MIX,
  orderQuantile,
  packagesLeastCost,
  portionOf,
  textureOf,
  vesselLimit,
} from '../mix';
import { ceilingOf, Problem, type Ranged } from '../quantity';
import { bagOf, type Sheet } from '../shelf';
import { verdictOf, type ElementInput, type FindingInput } from '../survey';
import { perimeter, polygonArea, rangedOf, SHAPE_SPREAD, sigmaOf, volumeFromShape } from '../takeoff';
import { WEATHER } from '../weather';
import { hashOf } from './hashOf';
import { leversOf } from './levers';
import { waterRatioOf, yieldDifference, yieldOf } from './mixOf';
import type { BatchesPlan, ChosenPlan, FindingPlan, LayerPlan, OrderOption, Plan, Quantities, StageHashes, TakeOff } from './Plan';
import type { PlanInput } from './PlanInput';
import { ticketOf } from './ticket';
import { windowFor, type WindowQuestion } from './windowFor';

export const CORE_VERSION = '0.1.0';

/** How sure an order can be asked to be. */
export const ORDER_QUANTILES = [0.5, 0.8, 0.95] as const;

/** Area, deepest and mean depth and volume of a finding, with its 90 % range read as P10-P90. */
export function takeOffOf(finding: FindingInput): TakeOff {
  const area_m2 = polygonArea(finding.outline);
  const volume_m3 = volumeFromShape({ area_m2, deepest_m: finding.deepest.value, shape: finding.shape });
  const sigma = sigmaOf(Math.max(SHAPE_SPREAD, finding.deepest.spread ?? 0));
  return {
    area_m2,
    perimeter_m: perimeter(finding.outline),
    deepest_m: finding.deepest.value,
    mean_m: volume_m3 / area_m2,
    volume: rangedOf(volume_m3, sigma),
  };
}

/** Powder, packages, cost and the chance of running short; the texture the layer must fill is part of the need. */
export function quantitiesOf({ input, finding, takeOff, sheet }: { input: PlanInput; finding: FindingInput; takeOff: TakeOff; sheet: Sheet }): Quantities {
  const { firm, batch } = input;
  const yield_m3_kg = yieldOf(sheet, batch.task);
  const nominal = (takeOff.volume.p50 + takeOff.area_m2 * textureOf(sheet.profile)) / yield_m3_kg;
  const sigmas = [sigmaOf(Math.max(SHAPE_SPREAD, finding.deepest.spread ?? 0)), MIX.sdYield, MIX.sdWaste];
  const at = (quantile: number): number => orderQuantile({ nominal, medianWaste: firm.medianWaste, sigma_log: sigmas, quantile });
  const powder: Ranged = { p10: at(0.1), p50: at(0.5), p90: at(0.9) };
  const option = (quantile: number): OrderOption => {
    const need_kg = at(quantile);
    const packages = packagesLeastCost({ need_kg, packs: sheet.packs });
    const bought_kg = massOf(packages);
    return {
      quantile,
      need_kg,
      packages,
      bought_kg,
      cost_minor: costOf(packages),
      chanceShort: chanceShort({ median_kg: powder.p50, bought_kg, sdLn: combinedSd(sigmas) }),
      leftOver_kg: Math.max(0, bought_kg - powder.p50),
    };
  };
  const bag_kg = bagOf(sheet).mass_kg;
  return {
    waterRatio: waterRatioOf(sheet, batch.task),
    yield_m3_kg,
    powder,
    bag_kg,
    bags: { p10: powder.p10 / bag_kg, p50: powder.p50 / bag_kg, p90: powder.p90 / bag_kg },
    options: ORDER_QUANTILES.map(option),
    chosen: option(firm.orderQuantile),
  };
}

/** The question that Day and the clocks ask for one share of a bag. */
export function questionFor({ input, takeOff, sheet, share }: { input: PlanInput; takeOff: TakeOff; sheet: Sheet; share: number }): WindowQuestion {
  const { conditions, crew, batch, firm } = input;
  return {
    sheet,
    share,
    crew,
    task: batch.task,
    retarderDose: batch.retarderDose,
    thickness_m: Math.min(takeOff.mean_m, sheet.thickness.liftMost_m),
    air_C: conditions.air_C.value,
    slab_C: conditions.slab_C.value,
    powder_C: conditions.powder_C.value,
    water_C: conditions.water_C.value,
    humidity: conditions.humidity.value,
    wind_ms: conditions.wind_ms.value,
    sun: conditions.sun,
    acceptedChance: firm.acceptedChance,
  };
}

function batchesOf({ input, takeOff, sheet, quantities }: { input: PlanInput; takeOff: TakeOff; sheet: Sheet; quantities: Quantities }): BatchesPlan {
  const { firm, batch } = input;
  const limitOf = (share: number) => {
    const portion = portionOf({
      powder_kg: share * quantities.bag_kg,
      waterRatio: quantities.waterRatio,
      powder_density: sheet.powderDensity_kg_m3,
      bulk_density: sheet.bulkDensity_kg_m3,
      air: sheet.airShare,
    });
    const broken = vesselLimit(portion, { ...firm, batchMost_kg: sheet.mixing.batchMost_kg });
    if (broken) return broken;
    const { window } = windowFor(questionFor({ input, takeOff, sheet, share }));
    if (window.fits) return null;
    const slack = 1 + 1e-9;
    return window.placeNeeds_s > window.placeBy_s * slack ? window.placeEnding : window.finishEnding;
  };
  const grid = [...firm.grid].sort((a, b) => b - a).map((share) => ({ share, limit: limitOf(share) }));
  const largest = largestPortion({ grid: firm.grid, limitOf: (share) => grid.find((one) => one.share === share)?.limit ?? null });
  const need_bags = quantities.bags.p50;
  if (batch.share !== null)
    return { share: batch.share, largest: largest.share, count: Math.max(1, ceilingOf(need_bags / batch.share)), limit: limitOf(batch.share), grid };
  if (largest.share === null) return { share: null, largest: null, count: 0, limit: largest.limit, grid };
  const even = evenBatches({ need_bags, largest: largest.share, grid: firm.grid });
  return { share: even.share, largest: largest.share, count: even.count, limit: largest.limit, grid };
}

function chosenOf({ input, finding, takeOff, sheet }: { input: PlanInput; finding: FindingInput; takeOff: TakeOff; sheet: Sheet }): ChosenPlan {
  const quantities = quantitiesOf({ input, finding, takeOff, sheet });
  const batches = batchesOf({ input, takeOff, sheet, quantities });
  const share = batches.share ?? Math.min(...input.firm.grid);
  const question = questionFor({ input, takeOff, sheet, share });
  const window = windowFor(question);
  const lifts = Math.max(1, ceilingOf(takeOff.deepest_m / sheet.thickness.liftMost_m));
  const layers: LayerPlan[] = sheet.bond === 'slurry' ? [{ code: 'bond', sheetId: null, thickness_m: 0.001 }] : [];
  for (let lift = 0; lift < lifts; lift += 1) layers.push({ code: 'lift', sheetId: sheet.id, thickness_m: takeOff.deepest_m / lifts });
  return {
    sheetId: sheet.id,
    lifts,
    layers,
    quantities,
    batches,
    window,
    ticket: ticketOf({ sheet, task: input.batch.task, share, retarderDose: input.batch.retarderDose, volume_m3: window.batch.volume_m3 }),
    levers: leversOf({ question, answer: window, grid: input.firm.grid }),
  };
}

/** How long after first water this sheet carries what is asked, at these temperatures; null where its sheet is silent. */
function opensAfter({ input, element, takeOff, sheet }: { input: PlanInput; element: ElementInput; takeOff: TakeOff; sheet: Sheet }): number | null {
  const opens = element.opens;
  if (!opens || !sheet.water) return null;
  const { milestones } = windowFor(questionFor({ input: withoutRetarder(input, sheet), takeOff, sheet, share: Math.min(...input.firm.grid) }));
  return milestones.find(({ name }) => name === opens.to)?.after_s ?? null;
}

/** A dose that this sheet does not allow must not keep it from being judged. */
function withoutRetarder(input: PlanInput, sheet: Sheet): PlanInput {
  const most = Math.max(0, ...sheet.retarder.map(([dose]) => dose));
  return input.batch.retarderDose <= most ? input : { ...input, batch: { ...input.batch, retarderDose: 0 } };
}

function rankedOf(context: { input: PlanInput; element: ElementInput; finding: FindingInput; takeOff: TakeOff; sheet: Sheet }): Ranked {
  const { input, element, finding, takeOff, sheet } = context;
  const opensAfter_s = opensAfter(context);
  const judged = judge({ sheet, element, finding, air_C: input.conditions.air_C.value, slab_C: input.conditions.slab_C.value, opensAfter_s });
  const cost_minor = sheet.water && judged.verdict !== 'no' ? quantitiesOf({ input, finding, takeOff, sheet }).chosen.cost_minor : null;
  return { sheetId: sheet.id, ...judged, cost_minor, opensAfter_s };
}

function hashesOf(input: PlanInput): StageHashes {
  const { elements, findings, treatments, firm, conditions, crew, batch } = input;
  const chosen = treatments.map(({ sheetId }) => input.sheets.find(({ id }) => id === sheetId) ?? null);
  const takeOff = hashOf({ elements: elements.map(({ name: _name, ...rest }) => rest), findings });
  const layers = hashOf({ takeOff, treatments, chosen });
  const quantities = hashOf({ layers, firm: { waste: firm.medianWaste, quantile: firm.orderQuantile }, task: batch.task });
  const batches = hashOf({ quantities, firm, crew, batch });
  const day = hashOf({ batches, conditions });
  return { takeOff, layers, quantities, batches, day };
}

/** What the plan must say beside its figures. */
function warningsOf(input: PlanInput, findings: readonly FindingPlan[]): Reason[] {
  const warnings: Reason[] = [];
  for (const { findingId, chosen } of findings) {
    if (!chosen) continue;
    const sheet = input.sheets.find(({ id }) => id === chosen.sheetId) as Sheet;
    if (chosen.batches.share === null) warnings.push({ code: 'batch.noneFits', verdict: 'no', figures: { findingId, limit: chosen.batches.limit ?? '' } });
    else if (input.batch.share !== null && chosen.batches.limit !== null)
      warnings.push({ code: 'batch.overLimit', verdict: 'caution', figures: { findingId, limit: chosen.batches.limit, share: input.batch.share } });
    const alarm = sheet.binder === 'portland' ? WEATHER.dryingOther : WEATHER.dryingRapid;
    const drying = chosen.window.evaporation_kg_m2h;
    if (drying >= alarm.act) warnings.push({ code: 'drying.act', verdict: 'no', figures: { findingId, drying_kg_m2h: drying } });
    else if (drying >= alarm.caution) warnings.push({ code: 'drying.caution', verdict: 'caution', figures: { findingId, drying_kg_m2h: drying } });
    const difference = yieldDifference(sheet, input.batch.task);
    if (Math.abs(difference) > 0.08) warnings.push({ code: 'yield.differs', verdict: 'caution', figures: { findingId, difference } });
    const judged = findings.find((f) => f.findingId === findingId)?.ranking.find(({ sheetId }) => sheetId === sheet.id);
    if (judged?.verdict === 'no') warnings.push({ code: 'choice.refused', verdict: 'no', figures: { findingId, name: sheet.name } });
  }
  return warnings;
}

/**
 * The one place where the whole computation is put together: take-off, verdict, ranking, layers, quantities, batches,
 * window, levers and warnings of a job file. Pure: the same input gives the same plan on phone, worker, server and
 * command.
 *
 * @throws Problem with a code and figures for anything outside its valid range; `unknownElement`, `unknownSheet` when
 *   the job file refers to what it does not hold
 */
export function computePlan(input: PlanInput): Plan {
  const elementOf = (id: string): ElementInput => {
    const element = input.elements.find((one) => one.id === id);
    if (!element) throw new Problem('unknownElement', { id });
    return element;
  };
  const verdicts = new Map(
    input.elements.map((element) => [element.id, verdictOf({ element, findings: input.findings.filter((f) => f.elementId === element.id) })]),
  );
  const findings = input.findings.map((finding): FindingPlan => {
    const element = elementOf(finding.elementId);
    const takeOff = takeOffOf(finding);
    const base = { findingId: finding.id, elementId: element.id, takeOff };
    if (verdicts.get(element.id)?.code === 'stop') return { ...base, ranking: [], chosen: null };
    const ranked = ranking(input.sheets.map((sheet) => rankedOf({ input, element, finding, takeOff, sheet })));
    const treatment = input.treatments.find(({ findingId }) => findingId === finding.id);
    if (!treatment) return { ...base, ranking: ranked, chosen: null };
    const sheet = input.sheets.find(({ id }) => id === treatment.sheetId);
    if (!sheet) throw new Problem('unknownSheet', { id: treatment.sheetId });
    return { ...base, ranking: ranked, chosen: sheet.water ? chosenOf({ input: withoutRetarder(input, sheet), finding, takeOff, sheet }) : null };
  });
  return {
    v: 1,
    coreVersion: CORE_VERSION,
    hashes: hashesOf(input),
    elements: input.elements.map((element) => {
      const own = findings.filter(({ elementId }) => elementId === element.id);
      const sum = (pick: (f: FindingPlan) => number): number => own.reduce((total, f) => total + pick(f), 0);
      // Errors of one crew's depth readings go together, so the ranges are added, not the variances.
      const volume =
        own.length === 0 ? null : { p10: sum((f) => f.takeOff.volume.p10), p50: sum((f) => f.takeOff.volume.p50), p90: sum((f) => f.takeOff.volume.p90) };
      return {
        elementId: element.id,
        area_m2: polygonArea(element.outline),
        verdict: verdicts.get(element.id)!,
        bad_m2: sum((f) => f.takeOff.area_m2),
        volume,
      };
    }),
    findings,
    warnings: warningsOf(input, findings),
  };
}
