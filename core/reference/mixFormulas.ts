import { vibrationTime } from '../day';
import { bottleMarks, resinSand, resinShot, slurry, strengthRatioForWater, stripLength } from '../mix';
import { crewPosterior, fitArrhenius } from '../setting';

type Slurry = { liquid_L: number; latexShare: number; latexDensity: number; liquidToCement: number; cementDensity?: number; air?: number };
type Sand = { resin_m3: number; sand_kg: number; sand_bulk_kg_m3?: number; sand_density_kg_m3?: number; limit_by_volume?: number };
type Log = { prior_s: number; prior_Ea: number; log: { temperature_C: number; retarder: number; minutes: number }[] };
type Minutes = Record<'handsFactor' | 'rate_m2_min' | 'safe_min' | 'mix_min' | 'carry_min' | 'finish_min' | 'broom_m', number>;
type Feret = Record<'waterRatio' | 'waterRatioActual' | 'binderShare' | 'binderDensity' | 'fillerDensity' | 'air', number>;

const slurryOf = (i: Slurry) =>
  slurry({
    liquid_m3: i.liquid_L / 1000,
    latexShare: i.latexShare,
    latex_kg_m3: i.latexDensity,
    liquidToCement: i.liquidToCement,
    ...(i.cementDensity === undefined ? {} : { cement_kg_m3: i.cementDensity }),
    ...(i.air === undefined ? {} : { air: i.air }),
  });

const sandOf = (i: Sand) =>
  resinSand({
    resin_m3: i.resin_m3,
    sand_kg: i.sand_kg,
    ...(i.sand_bulk_kg_m3 === undefined ? {} : { sandBulk_kg_m3: i.sand_bulk_kg_m3 }),
    ...(i.sand_density_kg_m3 === undefined ? {} : { sand_kg_m3: i.sand_density_kg_m3 }),
    ...(i.limit_by_volume === undefined ? {} : { limitByVolume: i.limit_by_volume }),
  });

const fitOf = ({ points_C_min }: { points_C_min: [number, number][] }) =>
  fitArrhenius({ points: points_C_min.map(([temperature_C, minutes]) => ({ temperature_C, time_s: minutes * 60 })) });

const posteriorOf = ({ prior_s, prior_Ea, log }: Log) =>
  crewPosterior({ prior_s, prior_Ea_J_mol: prior_Ea, log: log.map(({ minutes, ...entry }) => ({ ...entry, life_s: minutes * 60 })) });

/** Mixes, shots, records and tools, by the names of the reference file. */
export const MIX_FORMULAS = {
  'slurry.cement': (i: Slurry) => slurryOf(i).cement_kg,
  'slurry.volume': (i: Slurry) => slurryOf(i).volume_m3 * 1000,
  resinShot,
  bottleMarks: (i: { shot_m3: number; partsA: number; partsB: number }) => bottleMarks({ shot_m3: i.shot_m3, parts: [i.partsA, i.partsB] }),
  resinSand: (i: Sand) => sandOf(i).verdict,
  'resinSand.volume': (i: Sand) => {
    const mixed = sandOf(i);
    return mixed.verdict === 'ok' ? mixed.volume_m3 : mixed.verdict;
  },
  strengthRatioForWater: ({ binderDensity, fillerDensity, ...rest }: Feret) =>
    strengthRatioForWater({ ...rest, binder_kg_m3: binderDensity, filler_kg_m3: fillerDensity }),
  stripLength: (i: Minutes) =>
    stripLength({
      handsFactor: i.handsFactor,
      rate_m2_s: i.rate_m2_min / 60,
      safe_s: i.safe_min * 60,
      mix_s: i.mix_min * 60,
      carry_s: i.carry_min * 60,
      finish_s: i.finish_min * 60,
      broom_m: i.broom_m,
    }),
  'fitArrhenius.Ea': (i: Parameters<typeof fitOf>[0]) => fitOf(i).Ea_J_mol,
  'fitArrhenius.reference': (i: Parameters<typeof fitOf>[0]) => fitOf(i).reference_s,
  'crewPosterior.reference': (i: Log) => posteriorOf(i).reference_s,
  'crewPosterior.Ea': (i: Log) => posteriorOf(i).Ea_J_mol,
  'crewPosterior.sdLnReference': (i: Log) => posteriorOf(i).sdLnReference,
  vibrationMinutes: (i: { vibration_ms2: number }) => vibrationTime(i) / 60,
};
