import { handsFactor, portionOf, textureOf } from '../mix';
import {
  batchWindow,
  Course,
  equivalentAgeCourse,
  massFactor,
  mixTemperature,
  paddleRise,
  retarderFactor,
  safeShare,
  sdWithoutRecord,
  SETTING,
  ageForStrength,
  strengthCurve,
  type BatchWindow,
  type BatchWindowInput,
  type CourseInput,
} from '../setting';
import { activationOf, bagOf, givesRange, isRapid, massEffectOf, MILESTONES, timeOf, type MilestoneName, type Sheet, type Task } from '../shelf';
import { evaporation, WEATHER } from '../weather';
import type { CrewInput, FirmSettings } from './PlanInput';
import { waterRatioOf, yieldOf } from './mixOf';

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
}

export interface MilestoneTime {
  readonly name: MilestoneName;
  /** s from first water */
  readonly after_s: number;
}

export interface WindowAnswer {
  readonly question: Omit<WindowQuestion, 'sheet'> & { readonly sheetId: string };
  readonly batch: { readonly powder_kg: number; readonly water_kg: number; readonly volume_m3: number; readonly area_m2: number };
  /** temperature of the mix as a thermometer in the pail would read it, degC */
  readonly mix_C: number;
  readonly retarder: number;
  readonly safeShare: number;
  readonly evaporation_kg_m2h: number;
  readonly window: BatchWindow;
  readonly milestones: readonly MilestoneTime[];
  /** what the pour's clock needs to follow the batch */
  readonly basis: BatchWindowInput;
}

/** When the drying of a fresh layer is judged, s after it is spread: a skim has taken the slab's temperature by then. */
const DRYING_READ_S = 120;

/**
 * The window of one batch: heat balance, rate, two lives as budgets, safe share, skin and milestones put together.
 *
 * @throws Problem `outOfRange` for a temperature, dose, share or thickness outside its range; `noWater` for a resin
 */
export function windowFor(question: WindowQuestion): WindowAnswer {
  const { sheet, task, share, crew } = question;
  const waterRatio = waterRatioOf(sheet, task);
  const bag_kg = bagOf(sheet).mass_kg;
  const portion = portionOf({
    powder_kg: share * bag_kg,
    waterRatio,
    powder_density: sheet.powderDensity_kg_m3,
    bulk_density: sheet.bulkDensity_kg_m3,
    air: sheet.airShare,
  });
  const volume_m3 = portion.powder_kg * yieldOf(sheet, task);
  const area_m2 = volume_m3 / (question.thickness_m + textureOf(sheet.profile));

  const mixing_s = sheet.mixing.time_s;
  const heat = { powder_kg: portion.powder_kg, powder_C: question.powder_C, water_kg: portion.water_kg, water_C: question.water_C };
  const mix_C = mixTemperature({ ...heat, paddle_rise_K: paddleRise({ ...heat, mixing_s }) });
  // The sheet's life already contains the warming of one full bag mixed for the sheet's time.
  const counted_C = mix_C - paddleRise({ powder_kg: bag_kg, water_kg: bag_kg * waterRatio, mixing_s });

  const retarder = question.retarderDose === 0 ? 1 : retarderFactor({ dose: question.retarderDose, table: sheet.retarder });
  const mass_kg = portion.powder_kg + portion.water_kg;
  const course: BatchWindowInput['course'] = {
    Ea_J_mol: activationOf(sheet),
    reference_C: sheet.reference_C,
    retarder,
    massFactor: massFactor({ mass_kg, ...massEffectOf(sheet) }),
    mix_C: counted_C,
    surroundings_C: question.air_C + (question.sun ? SETTING.sunOnPail_K : 0),
    mass_kg,
    surface_C: question.slab_C,
    thickness_m: question.thickness_m,
    layer: SETTING.mortar,
    base: SETTING.slab,
  };
  const pace = {
    mix_s: mixing_s,
    carry_s: crew.carry_s,
    place_s: area_m2 / (crew.rate_m2_s * handsFactor(crew.hands)),
    finish_s: crew.finish_s,
  };
  const spread_s = pace.mix_s + pace.carry_s;
  const fresh = new Course({ ...course, pail_life_s: 1, film_life_s: 1, placed_after_s: spread_s });
  const drying_kg_m2h = evaporation({
    concrete_C: fresh.temperature_C(spread_s + DRYING_READ_S),
    air_C: question.air_C,
    humidity: question.humidity,
    wind_kmh: question.wind_ms * 3.6,
  });
  const safe = safeShare({ sdLn: sdWithoutRecord(givesRange(sheet)), chance: question.acceptedChance });
  const basis: BatchWindowInput = {
    pace,
    flow_life_s: timeOf(sheet.flow),
    finish_life_s: timeOf(sheet.finish),
    filmShare: 1,
    course,
    safeShare: safe,
    drying: { mixWater_kg_m3: portion.water_kg / volume_m3, evaporation_kg_m2h: drying_kg_m2h, share: WEATHER.skinShare },
  };
  const window = batchWindow(basis);
  const asked: Omit<WindowQuestion, 'sheet'> & { sheetId: string } = {
    sheetId: sheet.id,
    task,
    share,
    retarderDose: question.retarderDose,
    thickness_m: question.thickness_m,
    air_C: question.air_C,
    slab_C: question.slab_C,
    powder_C: question.powder_C,
    water_C: question.water_C,
    humidity: question.humidity,
    wind_ms: question.wind_ms,
    sun: question.sun,
    crew,
    acceptedChance: question.acceptedChance,
  };
  return {
    question: asked,
    batch: { powder_kg: portion.powder_kg, water_kg: portion.water_kg, volume_m3, area_m2 },
    mix_C,
    retarder,
    safeShare: safe,
    evaporation_kg_m2h: drying_kg_m2h,
    window,
    milestones: milestonesOf({ sheet, course: { ...course, pail_life_s: 1, film_life_s: 1, placed_after_s: window.placeNeeds_s }, retarder }),
    basis,
  };
}

/**
 * Every milestone of a sheet as a time for one portion's course. A retarder shifts each; a thin rapid layer stretches
 * those after final set; where a strength goes with it, the later of the two, and never before the first datum.
 */
export function milestonesOf({ sheet, course, retarder }: { sheet: Sheet; course: CourseInput; retarder: number }): MilestoneTime[] {
  const ages = equivalentAgeCourse(course);
  const shift_s = timeOf(sheet.finish) * (retarder - 1);
  const final_s = sheet.milestones.final ?? Infinity;
  const thin = isRapid(sheet) && course.thickness_m < SETTING.thinLayer_m;
  return MILESTONES.flatMap((name) => {
    const stated_s = sheet.milestones[name];
    if (stated_s === undefined) return [];
    let age_s = stated_s;
    const strength_MPa = sheet.strengthFor[name];
    const firstDatum = sheet.strengths[0];
    if (strength_MPa !== undefined && firstDatum && sheet.strengths.length > 1)
      age_s = Math.max(age_s, firstDatum[0], ageForStrength({ curve: strengthCurve({ points: sheet.strengths }), strength_MPa }));
    if (thin && stated_s > final_s) age_s *= SETTING.thinFactor;
    return [{ name, after_s: ages.timeToSpend(age_s + shift_s) }];
  });
}
