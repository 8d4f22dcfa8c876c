import erfc from '@stdlib/math-base-special-erfc';
import { inRange, Problem } from '../quantity';
import { oneStep, twoByTwo, type StepFactors } from './conductionSteps';
import { WEATHER } from './constants';
import { evaporation } from './evaporation';

/** What a surface stands in: all that sets its temperature. */
export interface SurfaceWeather {
  readonly air_C: number;
  /** 0 to 1; counts only while the surface is wet */
  readonly humidity: number;
  /** at the surface: half the forecast's ten-metre wind, m/s */
  readonly wind_ms: number;
  readonly irradiance_Wm2: number;
  /** share of the sky, 0 to 1 */
  readonly cloud: number;
  /** 0.65 dry grey, 0.75 wet or dark, 0.4 white, 0.5 fresh and pale. *default* */
  readonly absorptivity: number;
  /** sun 1, part shade 0.4, shade 0.1, indoors 0 */
  readonly exposure: number;
  /** how much sky it sees: slab 1, wall 0.5, indoors 0 */
  readonly sky: number;
}

/** Convection from a surface in wind, 5.7 + 3.8 v, W/m2K. */
export const convectionOf = (wind_ms: number): number => WEATHER.convection_Wm2K + WEATHER.convectionWind * wind_ms;

const gain = ({ absorptivity, exposure, irradiance_Wm2, cloud, sky }: SurfaceWeather): number =>
  absorptivity * exposure * irradiance_Wm2 - WEATHER.sky_Wm2 * (1 - cloud) * sky * exposure;

const drying = ({ air_C, humidity, wind_ms }: SurfaceWeather, surface_C: number): number =>
  (WEATHER.evaporation_J_kg * evaporation({ concrete_C: surface_C, air_C, humidity, wind_kmh: wind_ms * 3.6 })) / 3600;

function checked(weather: SurfaceWeather): void {
  inRange({ quantity: 'air_C', value: weather.air_C, least: -18, most: 60 });
  inRange({ quantity: 'wind_ms', value: weather.wind_ms, least: 0, most: 40 });
  inRange({ quantity: 'irradiance_Wm2', value: weather.irradiance_Wm2, least: 0, most: 1500 });
  for (const name of ['cloud', 'absorptivity', 'exposure', 'sky'] as const) inRange({ quantity: name, value: weather[name], least: 0, most: 1 });
}

/**
 * Where a dry surface settles: `Ta + (alpha x G - 60 (1-n) f_sky x) / (h + 10)`, h = 5.7 + 3.8 v.
 *
 * @returns degC
 * @throws Problem `outOfRange`
 */
export function drySurfaceTarget(weather: Omit<SurfaceWeather, 'humidity'>): number {
  const full = { ...weather, humidity: 0 };
  checked(full);
  return full.air_C + gain(full) / (convectionOf(full.wind_ms) + WEATHER.radiation_Wm2K + WEATHER.ground_Wm2K);
}

/**
 * Where a wet surface settles: the root of `(h + 10)(T - Ta) + 2.45e6 E(T)/3600 = alpha x G - 60 (1-n) f_sky x` between
 * -10 and 90 degC, by bisection to 1e-9 K.
 *
 * @returns degC
 * @throws Problem `outOfRange`, `noRoot` when nothing in the range balances
 */
export function wetSurfaceTarget(weather: SurfaceWeather): number {
  checked(weather);
  const loss = convectionOf(weather.wind_ms) + WEATHER.radiation_Wm2K + WEATHER.ground_Wm2K;
  const surplus = (surface_C: number): number => gain(weather) - loss * (surface_C - weather.air_C) - drying(weather, surface_C);
  let [low, high] = [-10, 90];
  if (surplus(low) < 0 || surplus(high) > 0) throw new Problem('noRoot', { quantity: 'surface_C', least: low, most: high });
  while (high - low > 1e-9) {
    const middle = (low + high) / 2;
    if (surplus(middle) > 0) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** One stretch of steady weather on a surface. */
export interface SurfaceStretch extends SurfaceWeather {
  readonly wet: boolean;
  readonly for_s: number;
}

/** How far apart the nodes of a conduction are and how long its steps: half of what is stable, or the face runs away. */
export interface ConductionGrid {
  readonly node_m: number;
  readonly step_s: number;
}

const FINE: ConductionGrid = { node_m: WEATHER.node_m, step_s: WEATHER.step_s };
/** Twice as far apart and four times as long: within a tenth of a kelvin of the fine one, at an eighth of its price. */
export const COARSE: ConductionGrid = { node_m: 2 * WEATHER.node_m, step_s: 4 * WEATHER.step_s };

/**
 * A slab's temperature through its depth after stretches of weather: conduction in one dimension, nodes every 5 mm with
 * one on each face, the face nodes half a cell, explicit steps of 5 s, the flux from the face as the step begins. The
 * back is insulated (slab on ground) or loses 8 W/m2K to the air (wall, countertop).
 *
 * @param profile_C temperatures from the face inward; a number stands for an even slab
 * @param depth_m 0.01 to 1
 * @returns degC from the face inward
 * @throws Problem `outOfRange`
 */
export function surfaceConduction(input: {
  profile_C: number | ArrayLike<number>;
  depth_m: number;
  stretches: readonly SurfaceStretch[];
  back?: 'insulated' | 'air';
  grid?: ConductionGrid;
}): Float64Array {
  const { profile_C, stretches, back = 'insulated', grid = FINE } = input;
  const cells = Math.max(2, Math.round(inRange({ quantity: 'depth_m', value: input.depth_m, least: 0.01, most: 1 }) / grid.node_m));
  const width_m = input.depth_m / cells;
  const T = new Float64Array(cells + 1);
  for (let i = 0; i <= cells; i += 1) T[i] = typeof profile_C === 'number' ? profile_C : profile_C[Math.min(i, profile_C.length - 1)]!;
  for (const weather of stretches) {
    checked(weather);
    const heat = gain(weather);
    const loss = convectionOf(weather.wind_ms) + WEATHER.radiation_Wm2K;
    const { air_C, wet } = weather;
    const factors = (step_s: number): StepFactors => ({
      share: (WEATHER.conductivity_WmK * step_s) / (WEATHER.capacity_Jm3K * width_m * width_m),
      half: (2 * step_s) / (WEATHER.capacity_Jm3K * width_m),
      intoFace: (face_C) => heat - loss * (face_C - air_C) - (wet ? drying(weather, face_C) : 0),
      behind_Wm2K: back === 'air' ? WEATHER.back_Wm2K : 0,
      air_C,
    });
    const even = 2 * Math.floor(weather.for_s / (2 * grid.step_s));
    twoByTwo(T, even, factors(grid.step_s));
    for (let left_s = weather.for_s - even * grid.step_s; left_s > 1e-9; left_s -= grid.step_s) oneStep(T, factors(Math.min(grid.step_s, left_s)));
  }
  return T;
}

/** `exp(y^2) erfc(y)`, by its series where the product would overflow. */
const scaledErfc = (y: number): number =>
  y < 5 ? Math.exp(y * y) * erfc(y) : (1 / (y * Math.sqrt(Math.PI))) * (1 - 1 / (2 * y * y) + 3 / (4 * y ** 4) - 15 / (8 * y ** 6) + 105 / (16 * y ** 8));

/**
 * A surface in the first hour after it was wetted, shaded or sheltered: `T_before + (dq/H)(1 - exp(y^2) erfc y)`,
 * `y = H sqrt(t)/1790`.
 *
 * @param jump_Wm2 the change of the flux into the surface at that moment
 * @param H_Wm2K convection, radiation and, when wet, the slope of the drying; over 0
 * @param elapsed_s 0 to 3600
 * @returns degC
 * @throws Problem `outOfRange`
 */
export function surfaceAfterChange({
  before_C,
  jump_Wm2,
  H_Wm2K,
  elapsed_s,
}: {
  before_C: number;
  jump_Wm2: number;
  H_Wm2K: number;
  elapsed_s: number;
}): number {
  inRange({ quantity: 'H_Wm2K', value: H_Wm2K, least: 1e-6, most: 1000 });
  inRange({ quantity: 'elapsed_s', value: elapsed_s, least: 0, most: 3600 });
  return before_C + (jump_Wm2 / H_Wm2K) * (1 - scaledErfc((H_Wm2K * Math.sqrt(elapsed_s)) / WEATHER.effusivity));
}
