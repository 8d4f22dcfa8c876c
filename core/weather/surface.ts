import erfc from '@stdlib/math-base-special-erfc';
import { inRange, Problem } from '../quantity';
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

export const SURFACE = {
  /** radiation to the clear sky, W/m2 */
  sky_Wm2: 60,
  /** radiation at ordinary temperatures, W/m2K */
  radiation_Wm2K: 5.5,
  /** what a steady slab loses to the ground, W/m2K */
  ground_Wm2K: 4.5,
  /** heat of evaporation, J/kg */
  evaporation_J_kg: 2.45e6,
  conductivity_WmK: 1.6,
  capacity_Jm3K: 2.0e6,
  node_m: 0.005,
  step_s: 5,
  /** sqrt(k C), J/m2K s^0.5 */
  effusivity: 1790,
} as const;

const convection = (wind_ms: number): number => 5.7 + 3.8 * wind_ms;

const gain = ({ absorptivity, exposure, irradiance_Wm2, cloud, sky }: SurfaceWeather): number =>
  absorptivity * exposure * irradiance_Wm2 - SURFACE.sky_Wm2 * (1 - cloud) * sky * exposure;

const drying = ({ air_C, humidity, wind_ms }: SurfaceWeather, surface_C: number): number =>
  (SURFACE.evaporation_J_kg * evaporation({ concrete_C: surface_C, air_C, humidity, wind_kmh: wind_ms * 3.6 })) / 3600;

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
  return full.air_C + gain(full) / (convection(full.wind_ms) + SURFACE.radiation_Wm2K + SURFACE.ground_Wm2K);
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
  const loss = convection(weather.wind_ms) + SURFACE.radiation_Wm2K + SURFACE.ground_Wm2K;
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
  profile_C: number | readonly number[];
  depth_m: number;
  stretches: readonly SurfaceStretch[];
  back?: 'insulated' | 'air';
}): Float64Array {
  const { profile_C, stretches, back = 'insulated' } = input;
  const cells = Math.max(2, Math.round(inRange({ quantity: 'depth_m', value: input.depth_m, least: 0.01, most: 1 }) / SURFACE.node_m));
  const width_m = input.depth_m / cells;
  let now = new Float64Array(cells + 1);
  let next = new Float64Array(cells + 1);
  for (let i = 0; i <= cells; i += 1) now[i] = typeof profile_C === 'number' ? profile_C : (profile_C[Math.min(i, profile_C.length - 1)] as number);
  for (const weather of stretches) {
    checked(weather);
    const heat = gain(weather);
    const loss = convection(weather.wind_ms) + SURFACE.radiation_Wm2K;
    for (let left_s = weather.for_s; left_s > 1e-9; left_s -= SURFACE.step_s) {
      const step_s = Math.min(SURFACE.step_s, left_s);
      const share = (SURFACE.conductivity_WmK * step_s) / (SURFACE.capacity_Jm3K * width_m * width_m);
      const half = (2 * step_s) / (SURFACE.capacity_Jm3K * width_m);
      const face = now[0] as number;
      const flux = heat - loss * (face - weather.air_C) - (weather.wet ? drying(weather, face) : 0);
      next[0] = face + 2 * share * ((now[1] as number) - face) + half * flux;
      for (let i = 1; i < cells; i += 1) next[i] = (now[i] as number) + share * ((now[i - 1] as number) - 2 * (now[i] as number) + (now[i + 1] as number));
      const last = now[cells] as number;
      next[cells] = last + 2 * share * ((now[cells - 1] as number) - last) - (back === 'air' ? half * 8 * (last - weather.air_C) : 0);
      [now, next] = [next, now];
    }
  }
  return now;
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
  return before_C + (jump_Wm2 / H_Wm2K) * (1 - scaledErfc((H_Wm2K * Math.sqrt(elapsed_s)) / SURFACE.effusivity));
}
