import { MIX, placingFactor, textureOf, type PortionMass } from '../../mix';
import { inRange } from '../../quantity';
import {
  batchStops,
  type Course,
  coursed,
  massFactor,
  mixTemperature,
  paddleRise,
  portionCourses,
  predicted,
  resinPaddleRise,
  retarderFactor,
  safeShare,
  sdWithoutRecord,
  SETTING,
  shifted,
  temperatureAt,
  type BatchStops,
  type BatchWindowInput,
  type PortionCourses,
} from '../../setting';
import { bagOf, flowOf, givesRange, isResin, massEffectOf, resinDensity, resinOf, timeOf } from '../../shelf';
import { evaporation, skinTime, WEATHER } from '../../weather';
import { extendedOf, waterRatioOf, yieldOf } from '../orders/mixOf';
import { temperatureSd } from './temperatureSd';
import type { WindowQuestion } from './WindowQuestion';

/** When the drying of a fresh layer is judged, s after it is spread: a skim has taken the slab's temperature by then. */
const DRYING_READ_S = 120;

/** What one share of a bag makes, with its temperature. */
export interface Portion extends PortionMass {
  readonly powder_kg: number;
  /** to be added, latex as the water whose place it takes; the stone's own water is in the mix already */
  readonly water_kg: number;
  /** of it as ice, and as latex */
  readonly ice_kg: number;
  readonly latex_m3: number;
  readonly mixWater_kg: number;
  readonly mix_C: number;
  /** the temperature that counts in the rate */
  readonly counted_C: number;
}

/** One portion of a powder and its water, by heat balance; of a resin, its parts at the temperature they are kept at. */
export function portionFor({ sheet, task, share, powder_C, water_C, iceShare = 0, latexShare = 0, stone }: WindowQuestion): Portion {
  const bag_kg = bagOf(sheet).mass_kg;
  const powder_kg = share * bag_kg;
  if (!sheet.water) {
    const rise = (kg: number): number => resinPaddleRise({ mass_kg: kg, mixing_s: sheet.mixing.time_s });
    const mix_C = powder_C + rise(powder_kg);
    const volume_m3 = powder_kg / resinDensity(sheet) / (1 - sheet.airShare);
    return {
      powder_kg,
      water_kg: 0,
      ice_kg: 0,
      latex_m3: 0,
      mixWater_kg: 0,
      mass_kg: powder_kg,
      volume_m3,
      bulk_m3: volume_m3,
      mix_C,
      counted_C: mix_C - rise(bag_kg),
    };
  }
  inRange({ quantity: 'iceShare', value: iceShare, least: 0, most: 1 });
  const waterRatio = waterRatioOf(sheet, task);
  const mixWater_kg = powder_kg * waterRatio;
  const aggregate_kg = powder_kg * (stone?.ratio ?? 0);
  const water_kg = stone ? extendedOf({ sheet, task, powder_kg, stone }).water_kg : mixWater_kg;
  inRange({ quantity: 'latexShare', value: latexShare, least: 0, most: 1 });
  const latex_m3 = (water_kg * latexShare) / MIX.water_kg_m3;
  // Ice takes the place of water alone.
  const ice_kg = water_kg * Math.min(iceShare, 1 - latexShare);
  const mixing_s = sheet.mixing.time_s;
  const mix_C = mixTemperature({
    powder_kg,
    powder_C,
    water_kg: water_kg - ice_kg - latex_m3 * MIX.water_kg_m3,
    water_C,
    ice_kg,
    latex_kg: latex_m3 * MIX.latex_kg_m3,
    latexSolids: MIX.latexSolids,
    // Stone lies where the bags lie; its free water is as warm as it is.
    aggregate_kg,
    moisture_kg: Math.max(0, mixWater_kg - water_kg),
    // Stone holds heat as powder does.
    paddle_rise_K: paddleRise({ powder_kg: powder_kg + aggregate_kg, water_kg: mixWater_kg, mixing_s }),
  });
  return {
    powder_kg,
    water_kg,
    ice_kg,
    latex_m3,
    mixWater_kg,
    mass_kg: powder_kg + mixWater_kg + aggregate_kg,
    volume_m3: powder_kg * yieldOf(sheet, task, stone),
    bulk_m3: powder_kg / sheet.bulkDensity_kg_m3 + aggregate_kg / MIX.sandBulk_kg_m3 + water_kg / MIX.water_kg_m3,
    mix_C,
    // The sheet's life already contains the warming of one full bag mixed for the sheet's time.
    counted_C: mix_C - paddleRise({ powder_kg: bag_kg, water_kg: bag_kg * waterRatio, mixing_s }),
  };
}

/** How much of a kelvin of the powder and of the water the mix takes on: the heat balance is straight in both. */
export function heatShares(question: WindowQuestion, { mix_C }: Portion): { readonly powder: number; readonly water: number } {
  const { powder_C, water_C, sheet } = question;
  return {
    powder: portionFor({ ...question, powder_C: powder_C + 1 }).mix_C - mix_C,
    water: sheet.water ? portionFor({ ...question, water_C: water_C + 1 }).mix_C - mix_C : 0,
  };
}

/** What a batch runs on: its portion, its course and its pace, and the courses of what is spread first and last. */
export interface CourseOf extends PortionCourses {
  readonly portion: Portion;
  readonly area_m2: number;
  readonly retarder: number;
  readonly course: BatchWindowInput['course'];
  readonly pace: BatchWindowInput['pace'];
  readonly filmShare: number;
}

/** The course of one portion and the pace of its crew: what its clocks run on, without lives, skin and chances. */
export function courseFor(question: WindowQuestion): CourseOf {
  const { sheet, crew, record } = question;
  const portion = portionFor(question);
  const area_m2 = portion.volume_m3 / (question.thickness_m + (question.texture_m ?? textureOf(sheet.profile)));
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
  const placing = placingFactor(crew.hands, question.follows ?? false);
  const { place_m3_s } = question;
  const pace = {
    mix_s: sheet.mixing.time_s,
    carry_s: crew.carry_s,
    // A bottle is squeezed by one hand, however many stand by.
    place_s: place_m3_s ? portion.volume_m3 / (place_m3_s * (sheet.water ? placing : 1)) : area_m2 / (crew.rate_m2_s * placing),
    finish_s: crew.finish_s,
  };
  const filmShare = resin ? (resinOf(sheet).filmShare ?? SETTING.filmResin) : 1;
  return { portion, area_m2, retarder, course, pace, filmShare, ...portionCourses({ course, filmShare, pace }) };
}

/** The two lives at the sheet's reference, how sure they are with what is not known of the temperatures, and how much of them may be spent. */
export function livesFor(
  question: WindowQuestion,
  asked: CourseOf,
): Pick<BatchWindowInput, 'flow_life_s' | 'finish_life_s' | 'filmShare' | 'safeShare' | 'sdLn'> {
  const { sheet, record, acceptedChance } = question;
  const { course, filmShare } = asked;
  const resin = isResin(sheet);
  const read = flowOf(sheet);
  const ratio = record?.ratio ?? 1;
  // The ratio of a record is about the working time; a fitted sheet's reference replaces its single figure.
  const flow_life_s = read.reference_s * ratio;
  const finish_life_s = resin ? flow_life_s : timeOf(sheet.finish) * (read.reference_s / timeOf(sheet.flow)) * ratio;
  const ofLife = record
    ? predicted(record, { temperature_C: recordReferenceOf(course), reference_C: sheet.reference_C }).sdLn
    : sdWithoutRecord(givesRange(sheet));
  const lives = { flow_life_s, finish_life_s, filmShare };
  const ofTemperatures = temperatureSd(question, asked, { ...lives, safeShare: safeShare({ sdLn: ofLife, chance: acceptedChance }) });
  const sdLn = Math.hypot(ofLife, ofTemperatures);
  return { ...lives, safeShare: safeShare({ sdLn, chance: acceptedChance }), sdLn };
}

/** When half of all layers have skinned, s after they are spread. */
export function skinOf(question: WindowQuestion, asked: CourseOf): number {
  return skinTime({ ...dryingFor(question, asked), thickness_m: asked.course.thickness_m });
}

/** What dries the layer of a mix that holds water. */
const dryingFor = (question: WindowQuestion, { portion, first, pace }: CourseOf) => ({
  mixWater_kg_m3: portion.mixWater_kg / portion.volume_m3,
  evaporation_kg_m2h: dryingOf(question, first, pace.mix_s + pace.carry_s),
  share: question.skinShare ?? WEATHER.skinShare,
});

/** What the window is worked out from: also what a lever's search needs, without milestones and ranges. */
export function basisFor(question: WindowQuestion): {
  portion: Portion;
  area_m2: number;
  retarder: number;
  drying_kg_m2h: number;
  basis: BatchWindowInput;
  courses: PortionCourses;
} {
  const { sheet, crew } = question;
  const asked = courseFor(question);
  const { portion, area_m2, retarder, course, pace } = asked;
  const resin = isResin(sheet);
  const drying = resin ? null : dryingFor(question, asked);
  const basis: BatchWindowInput = {
    pace,
    ...livesFor(question, asked),
    accepted: question.acceptedChance,
    course,
    wetEdge: question.panel === true && question.follows === true,
    mixesWhilePlacing: crew.hands > 1,
    drying,
  };
  return { portion, area_m2, retarder, drying_kg_m2h: drying?.evaporation_kg_m2h ?? 0, basis, courses: asked };
}

/** By when a batch must be placed and finished, and the chance that it is lost: no milestones, no ranges. */
export function stopsFor(question: WindowQuestion): BatchStops {
  const { basis, courses } = basisFor(question);
  return batchStops(basis, courses);
}

/** The temperature at which the record is asked how sure it is: halfway between mix and slab at first water. */
function recordReferenceOf({ mix_C, surface_C }: BatchWindowInput['course']): number {
  return (mix_C + (typeof surface_C === 'number' ? surface_C : temperatureAt(surface_C, 0))) / 2;
}

function dryingOf({ air_C, humidity, wind_ms }: WindowQuestion, fresh: Course, spread_s: number): number {
  return evaporation({ concrete_C: fresh.temperature_C(spread_s + DRYING_READ_S), air_C, humidity, wind_kmh: wind_ms * 3.6 });
}
