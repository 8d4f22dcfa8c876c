import erf from '@stdlib/math-base-special-erf';
import { handsFactor, MIX, textureOf, type PortionMass } from '../mix';
import { inRange, Problem, RANGE, rangedOf, type Ranged } from '../quantity';
import {
  batchWindow,
  Course,
  coursed,
  equivalentAgeCourse,
  massFactor,
  mixTemperature,
  paddleRise,
  peakTemperature,
  permissionAge,
  predicted,
  resinPaddleRise,
  retarderFactor,
  safeShare,
  sdWithoutRecord,
  SETTING,
  shifted,
  strengthAt,
  strengthCurve,
  temperatureAt,
  type BatchWindow,
  type BatchWindowInput,
  type CourseInput,
  type CrewRecord,
  type PeakTemperature,
  type Temperatures,
} from '../setting';
import {
  activationOf,
  bagOf,
  flowOf,
  givesRange,
  isRapid,
  isResin,
  massEffectOf,
  MILESTONES,
  resinDensity,
  resinOf,
  timeOf,
  type MilestoneName,
  type Sheet,
  type Task,
} from '../shelf';
import { evaporation, WEATHER } from '../weather';
import type { CrewInput, FirmSettings, StoneInput } from './PlanInput';
import { extendedOf, waterRatioOf, yieldOf } from './mixOf';

/** One batch of one sheet at given temperatures: plain numbers, so that a finger can drive it. */
export interface WindowQuestion {
  readonly sheet: Sheet;
  readonly task: Task;
  readonly share: number;
  readonly retarderDose: number;
  /** mean thickness of the layer, m */
  readonly thickness_m: number;
  readonly air_C: number;
  readonly slab_C: number;
  readonly powder_C: number;
  readonly water_C: number;
  readonly humidity: number;
  readonly wind_ms: number;
  readonly sun: boolean;
  readonly crew: CrewInput;
  readonly acceptedChance: FirmSettings['acceptedChance'];
  /** share of the water that goes in as ice */
  readonly iceShare?: number;
  /** stone that goes with each kg of powder */
  readonly stone?: StoneInput;
  /** how long a batch takes to place where it does not go by area: a shot along a crack, s */
  readonly place_s?: number;
  /** how slab and air go on from first water, K; absent where they are held */
  readonly slabDrift?: Temperatures;
  readonly airDrift?: Temperatures;
  /** what the crew's own batches of this sheet say */
  readonly record?: CrewRecord;
  /** share of the mix water whose loss skins a layer: the crew's own; the default where nobody says */
  readonly skinShare?: number;
  /** how little is known of the temperatures, K, 90 % ranges */
  readonly spread_K?: Readonly<Partial<Record<'slab_C' | 'air_C' | 'powder_C' | 'water_C', number>>>;
}

export interface MilestoneTime {
  readonly name: MilestoneName;
  /** s from first water */
  readonly after_s: number;
  /** the same with its P10 and P90, where they are asked for */
  readonly range?: Ranged;
}

export interface WindowAnswer {
  readonly question: Omit<WindowQuestion, 'sheet' | 'record'> & { readonly sheetId: string };
  readonly batch: { readonly powder_kg: number; readonly water_kg: number; readonly volume_m3: number; readonly area_m2: number };
  /** temperature of the mix as a thermometer in the pail would read it, degC */
  readonly mix_C: number;
  readonly retarder: number;
  readonly safeShare: number;
  readonly evaporation_kg_m2h: number;
  readonly window: BatchWindow;
  /** the chance that the batch is lost as it is planned: the same in Mix and Day */
  readonly chanceLost: number;
  readonly milestones: readonly MilestoneTime[];
  /** when frost does no harm and when moist curing may end, s from first water; null where the sheet names no strength */
  readonly frostSafe_s: number | null;
  readonly moistCure_s: number | null;
  /** a fill warms itself: the warmest it gets, degC, and when; null for thinner layers */
  readonly peak: PeakTemperature | null;
  /** what the pour's clock needs to follow the batch */
  readonly basis: BatchWindowInput;
}

/** When the drying of a fresh layer is judged, s after it is spread: a skim has taken the slab's temperature by then. */
const DRYING_READ_S = 120;

interface Portion extends PortionMass {
  readonly powder_kg: number;
  /** to be added; the stone's own water is in the mix already */
  readonly water_kg: number;
  readonly mixWater_kg: number;
  readonly mix_C: number;
  /** the temperature that counts in the rate */
  readonly counted_C: number;
}

/** One portion of a powder and its water, by heat balance; of a resin, its parts at the temperature they are kept at. */
export function portionFor({ sheet, task, share, powder_C, water_C, iceShare = 0, stone }: WindowQuestion): Portion {
  const bag_kg = bagOf(sheet).mass_kg;
  const powder_kg = share * bag_kg;
  if (!sheet.water) {
    const rise = (kg: number): number => resinPaddleRise({ mass_kg: kg, mixing_s: sheet.mixing.time_s });
    const mix_C = powder_C + rise(powder_kg);
    const volume_m3 = powder_kg / resinDensity(sheet) / (1 - sheet.airShare);
    return { powder_kg, water_kg: 0, mixWater_kg: 0, mass_kg: powder_kg, volume_m3, bulk_m3: volume_m3, mix_C, counted_C: mix_C - rise(bag_kg) };
  }
  inRange({ quantity: 'iceShare', value: iceShare, least: 0, most: 1 });
  const waterRatio = waterRatioOf(sheet, task);
  const mixWater_kg = powder_kg * waterRatio;
  const aggregate_kg = powder_kg * (stone?.ratio ?? 0);
  const water_kg = stone ? extendedOf({ sheet, task, powder_kg, stone }).water_kg : mixWater_kg;
  const mixing_s = sheet.mixing.time_s;
  const mix_C = mixTemperature({
    powder_kg,
    powder_C,
    water_kg: water_kg * (1 - iceShare),
    water_C,
    ice_kg: water_kg * iceShare,
    // Stone lies where the bags lie; its free water is as warm as it is.
    aggregate_kg,
    moisture_kg: Math.max(0, mixWater_kg - water_kg),
    // Stone holds heat as powder does.
    paddle_rise_K: paddleRise({ powder_kg: powder_kg + aggregate_kg, water_kg: mixWater_kg, mixing_s }),
  });
  return {
    powder_kg,
    water_kg,
    mixWater_kg,
    mass_kg: powder_kg + mixWater_kg + aggregate_kg,
    volume_m3: powder_kg * yieldOf(sheet, task, stone),
    bulk_m3: powder_kg / sheet.bulkDensity_kg_m3 + aggregate_kg / MIX.sandBulk_kg_m3 + water_kg / MIX.water_kg_m3,
    mix_C,
    // The sheet's life already contains the warming of one full bag mixed for the sheet's time.
    counted_C: mix_C - paddleRise({ powder_kg: bag_kg, water_kg: bag_kg * waterRatio, mixing_s }),
  };
}

/** What the window is worked out from: also what a lever's search needs, without milestones and ranges. */
export function basisFor(question: WindowQuestion): { portion: Portion; area_m2: number; retarder: number; drying_kg_m2h: number; basis: BatchWindowInput } {
  const { sheet, crew, record } = question;
  const portion = portionFor(question);
  const area_m2 = portion.volume_m3 / (question.thickness_m + textureOf(sheet.profile));
  const retarder = question.retarderDose === 0 ? 1 : retarderFactor({ dose: question.retarderDose, table: sheet.retarder });
  const resin = isResin(sheet);
  const read = flowOf(sheet);
  const air = coursed(question.air_C, question.airDrift);
  const warmer = question.sun ? SETTING.sunOnPail_K : 0;
  const course: BatchWindowInput['course'] = {
    Ea_J_mol: record?.Ea_J_mol ?? read.Ea_J_mol,
    reference_C: sheet.reference_C,
    retarder,
    massFactor: massFactor({ mass_kg: portion.mass_kg, ...massEffectOf(sheet) }),
    mix_C: portion.counted_C,
    surroundings_C: typeof air === 'number' ? air + warmer : shifted(air, warmer),
    mass_kg: portion.mass_kg,
    surface_C: coursed(question.slab_C, question.slabDrift),
    thickness_m: question.thickness_m,
    layer: resin ? SETTING.resin : SETTING.mortar,
    base: SETTING.slab,
  };
  const pace = {
    mix_s: sheet.mixing.time_s,
    carry_s: crew.carry_s,
    place_s: question.place_s ?? area_m2 / (crew.rate_m2_s * handsFactor(crew.hands)),
    finish_s: crew.finish_s,
  };
  const ratio = record?.ratio ?? 1;
  // The ratio of a record is about the working time; a fitted sheet's reference replaces its single figure.
  const flow_life_s = read.reference_s * ratio;
  const finish_life_s = resin ? flow_life_s : timeOf(sheet.finish) * (read.reference_s / timeOf(sheet.flow)) * ratio;
  const drying_kg_m2h = resin ? 0 : dryingOf(question, course, pace.mix_s + pace.carry_s);
  const sdRecord = record
    ? predicted(record, { temperature_C: recordReferenceOf(course), reference_C: sheet.reference_C }).sdLn
    : sdWithoutRecord(givesRange(sheet));
  const basis: BatchWindowInput = {
    pace,
    flow_life_s,
    finish_life_s,
    filmShare: resin ? (resinOf(sheet).filmShare ?? SETTING.filmResin) : 1,
    course,
    safeShare: safeShare({ sdLn: sdRecord, chance: question.acceptedChance }),
    sdLn: sdRecord,
    mixesWhilePlacing: crew.hands > 1,
    drying: resin
      ? null
      : {
          mixWater_kg_m3: portion.mixWater_kg / portion.volume_m3,
          evaporation_kg_m2h: drying_kg_m2h,
          share: question.skinShare ?? WEATHER.skinShare,
        },
  };
  return { portion, area_m2, retarder, drying_kg_m2h, basis };
}

/** The temperature at which the record is asked how sure it is: halfway between mix and slab at first water. */
function recordReferenceOf({ mix_C, surface_C }: BatchWindowInput['course']): number {
  return (mix_C + (typeof surface_C === 'number' ? surface_C : temperatureAt(surface_C, 0))) / 2;
}

function dryingOf({ air_C, humidity, wind_ms }: WindowQuestion, course: BatchWindowInput['course'], spread_s: number): number {
  const fresh = new Course({ ...course, pail_life_s: 1, film_life_s: 1, placed_after_s: spread_s });
  return evaporation({ concrete_C: fresh.temperature_C(spread_s + DRYING_READ_S), air_C, humidity, wind_kmh: wind_ms * 3.6 });
}

/** sd of ln life from what is not known of the temperatures: each one's slope by a kelvin either way, times its sd. */
function sdOfTemperatures(question: WindowQuestion): number {
  const spreads = Object.entries(question.spread_K ?? {}) as ['slab_C' | 'air_C' | 'powder_C' | 'water_C', number][];
  const lnLife = (one: WindowQuestion): number => {
    const { basis } = basisFor(one);
    const spread_s = basis.pace.mix_s + basis.pace.carry_s;
    const life_s = basis.flow_life_s;
    return Math.log(new Course({ ...basis.course, pail_life_s: life_s, film_life_s: life_s * basis.filmShare, placed_after_s: spread_s }).timeToSpend(1));
  };
  const bare: WindowQuestion = { ...question, spread_K: {} };
  return Math.hypot(
    ...spreads.map(([name, spread]) => {
      const slope = (lnLife({ ...bare, [name]: question[name] + 1 }) - lnLife({ ...bare, [name]: question[name] - 1 })) / 2;
      return (slope * spread) / RANGE.z90;
    }),
  );
}

/** The chance that a batch's life ends before the crew needs it to: what is spent by then against a lognormal life. */
function chanceLostOf({ first, last, placeNeeds_s, finishNeeds_s }: BatchWindow, basis: BatchWindowInput): number {
  const spentBy = (life_s: number, spread_s: number, t: number): number =>
    new Course({ ...basis.course, pail_life_s: life_s, film_life_s: life_s * basis.filmShare, placed_after_s: spread_s }).spentAt(t);
  const spent = Math.max(
    ...[first, last].flatMap(({ spread_s }) => [spentBy(basis.flow_life_s, spread_s, placeNeeds_s), spentBy(basis.finish_life_s, spread_s, finishNeeds_s)]),
  );
  // One life stands behind both budgets, so the worse of the two decides.
  return 0.5 * (1 + erf(Math.log(spent) / basis.sdLn / Math.SQRT2));
}

/**
 * The window of one batch: heat balance, rate, two lives as budgets, safe share, skin and milestones put together.
 *
 * @throws Problem `outOfRange` for a temperature, dose, share or thickness outside its range
 */
export function windowFor(question: WindowQuestion): WindowAnswer {
  const { sheet } = question;
  const { portion, area_m2, retarder, drying_kg_m2h, basis } = basisFor(question);
  const spreads = Object.values(question.spread_K ?? {}).some((spread) => spread > 0);
  const window = batchWindow(spreads ? { ...basis, sdLn: Math.hypot(basis.sdLn, sdOfTemperatures(question)) } : basis);
  const { sheet: _sheet, record: _record, ...asked } = question;
  const course = { ...basis.course, pail_life_s: 1, film_life_s: 1, placed_after_s: window.placeNeeds_s };
  return {
    question: { ...asked, sheetId: sheet.id },
    batch: { powder_kg: portion.powder_kg, water_kg: portion.water_kg, volume_m3: portion.volume_m3, area_m2 },
    mix_C: portion.mix_C,
    retarder,
    safeShare: basis.safeShare,
    evaporation_kg_m2h: drying_kg_m2h,
    window,
    chanceLost: chanceLostOf(window, basis),
    milestones: milestonesOf({ sheet, course, retarder, ...(question.record ? { record: question.record } : {}) }),
    ...curingOf({ sheet, course, retarder }),
    peak:
      question.thickness_m >= SETTING.fillFrom_m && !isResin(sheet) && sheet.milestones.final
        ? peakTemperature({ course, final_s: sheet.milestones.final, adiabatic_K: SETTING.adiabatic_K[isRapid(sheet) ? 'rapid' : 'portland'] })
        : null,
    basis,
  };
}

/** No repair material is stronger. */
const STRENGTH_MOST_MPA = 300;

/** Milestones whose time the crew's own ratio scales. */
const SCALED: readonly MilestoneName[] = ['holdsForm', 'initial'];

interface Clocked {
  readonly sheet: Sheet;
  readonly course: CourseInput;
  readonly retarder: number;
  readonly record?: CrewRecord;
  /** of ln life, for the ranges; absent where none are asked for */
  readonly sdLn?: number;
}

/**
 * One milestone of a sheet as a time for one portion's course. A retarder shifts it; a thin rapid layer stretches those
 * after final set; where a strength goes with it, the later of the two, and never before the first datum. With a spread
 * it comes with its P10 and P90: setting is as uncertain as the life.
 *
 * @returns nothing for a milestone the sheet does not name
 */
export function milestoneClock({ sheet, course, retarder, record, sdLn }: Clocked): (name: MilestoneName) => MilestoneTime | null {
  // What a record says of working time holds for the first milestones; strength keeps the sheet's own energy.
  const sheetAges = equivalentAgeCourse({ ...course, Ea_J_mol: activationOf(sheet) });
  const crewAges = record ? equivalentAgeCourse(course) : sheetAges;
  const shift_s = shiftOf(sheet, retarder);
  const final_s = sheet.milestones.final ?? Infinity;
  const thin = isRapid(sheet) && course.thickness_m < SETTING.thinLayer_m;
  return (name) => {
    const stated_s = sheet.milestones[name];
    if (stated_s === undefined) return null;
    const scaled = SCALED.includes(name);
    let age_s = stated_s * (record && scaled ? record.ratio : 1);
    const strength_MPa = sheet.strengthFor[name];
    if (strength_MPa !== undefined && sheet.strengths.length > 0) age_s = Math.max(age_s, permissionAge({ ...strengthsOf(sheet), strength_MPa }).age_s);
    if (thin && stated_s > final_s) age_s *= SETTING.thinFactor;
    const ages = scaled ? crewAges : sheetAges;
    const all_s = age_s + shift_s;
    const after_s = ages.timeToSpend(all_s);
    if (sdLn === undefined) return { name, after_s };
    const { p10, p90 } = rangedOf(all_s, sdLn);
    return { name, after_s, range: { p10: ages.timeToSpend(p10), p50: after_s, p90: ages.timeToSpend(p90) } };
  };
}

/** Every milestone the sheet names. */
export function milestonesOf(clocked: Clocked): MilestoneTime[] {
  const at = milestoneClock(clocked);
  return MILESTONES.map(at).filter((one): one is MilestoneTime => one !== null);
}

const shiftOf = (sheet: Sheet, retarder: number): number => timeOf(sheet.finish) * (retarder - 1);
const strengthsOf = (sheet: Sheet) => ({ points: sheet.strengths, tau_s: SETTING.strengthTau_s[sheet.binder] });

/** When frost does no harm, and when moist curing may end: by strength, none of it before final set. */
function curingOf({ sheet, course, retarder }: Clocked): { frostSafe_s: number | null; moistCure_s: number | null } {
  if (sheet.strengths.length === 0) return { frostSafe_s: null, moistCure_s: null };
  const ages = equivalentAgeCourse({ ...course, Ea_J_mol: activationOf(sheet) });
  const after = (strength_MPa: number): number | null => {
    try {
      const { age_s } = permissionAge({ ...strengthsOf(sheet), strength_MPa });
      return ages.timeToSpend(Math.max(age_s, sheet.milestones.final ?? 0) + shiftOf(sheet, retarder));
    } catch (error) {
      if (error instanceof Problem && error.code === 'strengthNotReached') return null;
      throw error;
    }
  };
  const mature_MPa = strengthAt({ curve: strengthCurve(strengthsOf(sheet)), age_s: 28 * 86400 });
  return {
    frostSafe_s: after(SETTING.frost_MPa),
    // A single early point may promise what no mortar reaches; then nothing is promised.
    moistCure_s: mature_MPa > STRENGTH_MOST_MPA ? null : after(SETTING.moistCureShare * mature_MPa),
  };
}
