import { bondOf, CHOOSE, houseOf, type Ranked } from '../../choose';
import { fibreFor, MIX, slurry } from '../../mix';
import { type CrewRecord, predicted } from '../../setting';
import type { LayerRole } from '../../batches';
import { flowOf, TASKS, type Sheet } from '../../shelf';
import { evaporation, presoak, redampInterval, WEATHER } from '../../weather';
import type { Context } from '../input/Context';
import { kindOf } from '../kinds';
import type { ChosenPlan, LayerPlan, OverlayPlan, Quantities, RecordShown, SlurryPlan, WaterToBring } from '../Plan';
import type { FindingInput } from '../../survey';
import type { RepairStep } from '../steps/RepairStep';
import { stepRow } from '../steps/STEPS';
import type { PreparedInput } from '../input/crewFigures';
import { layerKey, type BatchInput, type PlanInput } from '../input/PlanInput';
import { aidsOf } from '../orders/aidsOf';
import { PLAN } from '../constants';
import { leverCombinations, leversOf } from '../levers/levers';
import { filledTakeOff } from '../steps/filledTakeOff';
import { extendedOf, stoneFor } from '../orders/mixOf';
import { quantitiesOf } from '../orders/orders';
import { liftsOf } from '../steps/liftsOf';
import { stepsOf, takesFibre } from '../steps/stepsOf';
import { portionFor } from '../window/basisFor';
import { milestonesOf, placedCourse, type MilestoneTime } from '../window/milestones';
import { portionsOf, shareOf } from './portionsOf';
import { mixLimits } from '../window/mixLimits';
import { opensOf } from '../window/opensOf';
import { weatherOf } from '../window/weatherOf';
import type { WindowAnswer } from '../window/windowFor';
import { windowOf } from '../window/windowOf';
import type { WindowQuestion } from '../window/WindowQuestion';

/** Water for soaking, damping, mixing and rinsing; nothing for a resin, which wants all of it dry. */
function waterToBring(
  { takeOff, sheet }: Context,
  quantities: Quantities,
  { batches, question, steps }: { batches: number; question: WindowQuestion; steps: readonly RepairStep[] },
): WaterToBring | null {
  if (!sheet.water) return null;
  // Nothing is carried for a base that is left dry or lies under water; one that is only rinsed is kept damp all the same.
  const wets = steps.map(({ code }) => stepRow(code).wets);
  const presoak_m3 = wets.includes('soaked') ? takeOff.area_m2 * presoak({ soak_s: PLAN.soak_s }) : 0;
  const films_m3 = wets.some((how) => how !== null) ? (takeOff.area_m2 * PLAN.films * WEATHER.film_kg_m2) / MIX.water_kg_m3 : 0;
  const mix_m3 = (quantities.powder.p90 * quantities.waterRatio) / MIX.water_kg_m3;
  const rinse_m3 = batches * PLAN.rinse_m3;
  // It is the bare slab that dries until it is covered.
  const evaporation_kg_m2h = evaporation({
    concrete_C: question.slab_C,
    air_C: question.air_C,
    humidity: question.humidity,
    wind_kmh: question.wind_ms * 3.6,
  });
  const redampEvery_s = redampInterval({ evaporation_kg_m2h });
  return { presoak_m3, films_m3, mix_m3, rinse_m3, total_m3: presoak_m3 + films_m3 + mix_m3 + rinse_m3, redampEvery_s };
}

/** Slurry brushed on before the first lift, for the whole finding. */
function slurryOf({ takeOff }: Context): SlurryPlan {
  const { volume_m3: perLitre_m3 } = slurry({ liquid_m3: 0.001 });
  const liquid_m3 = (0.001 * takeOff.area_m2 * MIX.slurryLayer_m) / perLitre_m3;
  return { liquid_m3, ...slurry({ liquid_m3 }) };
}

const bondFor = ({ input, sheet }: Pick<Context, 'input' | 'sheet'>): Sheet['bond'] => bondOf(houseOf(input.house), sheet);

function layersOf(context: Context, lifts: number): LayerPlan[] {
  const { takeOff, sheet, treatment } = context;
  const bond = bondFor(context);
  const layers: LayerPlan[] =
    bond === 'slurry' || bond === 'scrub'
      ? [{ code: 'bond', sheetId: bond === 'scrub' ? sheet.id : (treatment?.aids?.bond ?? null), thickness_m: MIX.slurryLayer_m }]
      : bond === 'agent'
        ? [{ code: 'bond', sheetId: treatment?.aids?.bond ?? null, thickness_m: 0 }]
        : [];
  for (let lift = 0; lift < lifts; lift += 1) layers.push({ code: 'lift', sheetId: sheet.id, thickness_m: takeOff.deepest_m / lifts });
  if (treatment?.overlay) layers.push({ code: 'overlay', sheetId: treatment.overlay.sheetId, thickness_m: treatment.overlay.thickness_m });
  for (const role of ['cure', 'coat'] as const) {
    const sheetId = treatment?.aids?.[role];
    if (sheetId) layers.push({ code: role, sheetId, thickness_m: 0 });
  }
  return layers;
}

/** A finding with its chosen sheet, whole: layers, order, batches, ticket, window, levers. */
export function chosenOf(
  given: Context,
  judged: Pick<Ranked, 'reasons'>,
  { overlay, levers: asked }: { readonly overlay: OverlayPlan | null; readonly levers: boolean },
): ChosenPlan {
  const context = { ...given, takeOff: filledTakeOff(given) };
  const { input, element, finding, takeOff, sheet, site } = context;
  const quantities = quantitiesOf(context);
  const need_m3 = quantities.powder.p50 * quantities.yield_m3_kg;
  const { shots, ask, dealt, ticket: ticketFor } = portionsOf(context, quantities);
  const batches = dealt(quantities.bags.p50);
  const share = shareOf(batches, context, quantities.powder.p50);
  const question = ask(share, batches.count > 1);
  const window = windowOf(question);
  const lifts = liftsOf(context);
  const stone = stoneFor(context);
  const { fibre } = input.batch;
  const extended = stone ? extendedOf({ sheet, task: question.task, powder_kg: window.batch.powder_kg, stone }) : null;
  const last = lastOf(batches, ask);
  // Its clock is the list's, which pools what is left over.
  const lastBatch = last && portionFor(last.question);
  const request = {
    question,
    answer: window,
    grid: input.firm.grid,
    ...(input.wanted_s === undefined ? {} : { wanted_s: input.wanted_s }),
    ...(site ? { site } : {}),
  };
  const levers = asked ? leversOf(request) : [];
  const { air_C, slab_C, humidity } = window.question;
  // What is overlaid is cured and coated on the overlay.
  const aids = aidsOf({ ...context, air_C, slab_C, humidity }).filter(({ role }) => role === 'bond' || !overlay);
  const steps = stepsOf({ ...context, house: houseOf(input.house), lifts, slab_C, Ea_J_mol: window.basis.course.Ea_J_mol, aids, covered: overlay !== null });
  const readiness = readinessOf(window, question);
  const to = element.opens?.to ?? 'foot';
  const opens = opensOf({
    to,
    sheet,
    lifts,
    slab_C,
    milestone: readiness.find(({ name }) => name === to) ?? null,
    ...(overlay ? { overlay: overlay.chosen.opens } : {}),
  });
  return {
    sheetId: sheet.id,
    refused: [...judged.reasons.filter(({ verdict }) => verdict === 'no'), ...mixLimits(question, window), ...(overlay?.chosen.refused ?? [])],
    overlay,
    aids,
    lifts,
    layers: layersOf(context, lifts),
    quantities,
    debris: takeOff.debris,
    batches,
    window,
    ticket: ticketFor(share, window),
    last: last && lastBatch && { powder_kg: lastBatch.powder_kg, ticket: ticketFor(last.share, { batch: lastBatch, question: last.question }) },
    readiness,
    opens,
    weather: weatherOf({ ...context, window, opens, readiness, aids }),
    levers,
    combinations: !asked || levers.some(({ needed }) => needed !== null) ? [] : leverCombinations(request),
    shots,
    record: question.record ? shownRecord(question.record, sheet) : null,
    water: waterToBring(context, quantities, { batches: batches.count, question, steps }),
    slurry: bondFor(context) === 'slurry' ? slurryOf(context) : null,
    steps,
    fibre: fibre ? fibreFor({ ...fibre, volume_m3: need_m3 }) : null,
    extended,
    sand_kg: takeOff.more['sand_kg'] ?? null,
    thinRun_m: kindOf(finding).thinRun(finding, sheet),
  };
}

const ready = new WeakMap<WindowAnswer, MilestoneTime[]>();

/** The milestones of a window with their P10 and P90, told once for all findings that share it. */
function readinessOf(window: WindowAnswer, { sheet, record }: WindowQuestion): MilestoneTime[] {
  const known = ready.get(window);
  if (known) return known;
  const { basis, retarder } = window;
  const course = placedCourse(basis.course, window.window.placeNeeds_s);
  const readiness = milestonesOf({ sheet, course, retarder, sdLn: basis.sdLn, ...(record ? { record } : {}) });
  ready.set(window, readiness);
  return readiness;
}

/** The last batch, where it is another than the rest: it is as small as what is left, and nothing follows it. */
function lastOf(
  { count, share, last }: ChosenPlan['batches'],
  ask: (share: number) => WindowQuestion,
): { readonly share: number; readonly question: WindowQuestion } | null {
  if (count < 2 || last === null || share === null || Math.abs(last / share - 1) < 1e-9) return null;
  return { share: last, question: ask(last) };
}

/** Sheet against crew at the sheet's own reference. */
function shownRecord(record: CrewRecord, sheet: Sheet): RecordShown {
  const { sdLn: _sd, ...yours } = predicted(record, { temperature_C: sheet.reference_C, reference_C: sheet.reference_C });
  return { entries: record.entries, sheet_s: flowOf(sheet).reference_s, yours, ratio: record.ratio, Ea_J_mol: record.Ea_J_mol };
}

/** Batches and retarder as the firm's schools have them, where the job says nothing of its own. */
function bySchool(input: PreparedInput, sheet: Sheet, finding: FindingInput | undefined): PreparedInput {
  const { batch: size, retarder } = houseOf(input.house);
  const firm =
    size === 'byMinute'
      ? input.firm
      : { ...input.firm, grid: input.firm.grid.filter((share) => share <= (size === 'half' ? 0.5 : 1) && (size !== 'whole' || share === 1)) };
  const first = sheet.retarder.find(([dose]) => dose > 0)?.[0] ?? 0;
  const dose = retarder === 'never' ? 0 : retarder === 'always' && input.batch.retarderDose === 0 ? first : input.batch.retarderDose;
  const fibre = fibreBySchool(input, sheet, finding);
  const same = dose === input.batch.retarderDose && !fibre;
  // The usual firm changes nothing: its input stays the one it is, and so does all that is remembered of it.
  if (same && (firm === input.firm || firm.grid.length === 0)) return input;
  return {
    ...input,
    firm: firm.grid.length > 0 ? firm : input.firm,
    batch: same ? input.batch : { ...input.batch, retarderDose: dose, ...(fibre ? { fibre } : {}) },
  };
}

/** Fibre in the mix by the school that reinforces with it, where the job names none; a resin takes none. */
function fibreBySchool({ batch, house }: PlanInput, sheet: Sheet, finding: FindingInput | undefined): BatchInput['fibre'] {
  if (batch.fibre || !sheet.water || !finding || !takesFibre(houseOf(house), finding)) return undefined;
  return { kind: 'polypropylene', dose_kg_m3: CHOOSE.fibreDose_kg_m3, bag_kg: CHOOSE.fibreBag_kg };
}

/** Without a dose past the sheet's last, which must not keep it from being judged and planned; the plan says that it was left out. */
function withinTable(input: PreparedInput, sheet: Sheet): PreparedInput {
  const most = Math.max(0, ...sheet.retarder.map(([dose]) => dose));
  return input.batch.retarderDose <= most ? input : { ...input, batch: { ...input.batch, retarderDose: 0 } };
}

/** The input as this sheet is mixed: by the firm's schools, and within its table of retarder. */
export const asMixed = (given: PreparedInput, sheet: Sheet, finding?: FindingInput): PreparedInput => withinTable(bySchool(given, sheet, finding), sheet);

/** A sheet with one water for every task that it names: the crew's own of a layer. */
function wateredAs(sheet: Sheet, waterRatio: number): Sheet {
  if (!sheet.water) return sheet;
  const { byTask } = sheet.water;
  const named = TASKS.filter((task) => byTask[task] !== undefined);
  const all = named.length > 0 ? named : TASKS;
  return { ...sheet, water: { ...sheet.water, byTask: Object.fromEntries(all.map((task) => [task, waterRatio])) } };
}

/** Input and sheet as one layer of one finding is mixed: as the crew has it for that layer, else as everywhere. */
export function layerMixed(
  given: PreparedInput,
  { sheet, finding, role }: { readonly sheet: Sheet; readonly finding: FindingInput; readonly role: LayerRole },
): { readonly input: PreparedInput; readonly sheet: Sheet } {
  const input = asMixed(given, sheet, role === 'fill' ? finding : undefined);
  const { consistency, waterRatio } = input.batch.byLayer?.[layerKey(finding.id, role)] ?? {};
  return {
    input: consistency === undefined ? input : { ...input, batch: { ...input.batch, consistency } },
    sheet: waterRatio === undefined ? sheet : wateredAs(sheet, waterRatio),
  };
}
