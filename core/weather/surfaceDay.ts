import { getPosition } from 'suncalc';
import { inRange, Problem } from '../quantity';
import { WEATHER } from './constants';
import { globalIrradiance, wallIrradiance } from './irradiance';
import { surfaceConduction, type SurfaceStretch, type ConductionGrid } from './surface';

/** One hour of a forecast or of history. */
export interface HourWeather {
  readonly air_C: number;
  readonly humidity: number;
  /** at ten metres, m/s */
  readonly wind10_ms: number;
  readonly cloud: number;
  /** the forecast's own on the level, W/m2; null where the clear sky and the cloud give it */
  readonly irradiance_Wm2: number | null;
  /** chance of rain in the hour, 0 to 1; absent where nobody says */
  readonly rainChance?: number;
  /** rain of the hour where it falls, m; absent where nobody says */
  readonly rain_m?: number;
}

/** Hourly weather of a place, the first hour at `from_ms` (ms since 1970). */
export interface PlaceWeather {
  readonly latitude_deg: number;
  readonly longitude_deg: number;
  readonly from_ms: number;
  readonly hours: readonly HourWeather[];
  /** how far its clock is ahead of Greenwich, h; as its longitude has it where nobody says */
  readonly clock_h?: number;
}

/** What of the weather reaches a surface. */
export interface SurfaceSite {
  readonly kind: 'slab' | 'wall';
  /** a slab on ground is taken 0.4 m deep and insulated below; what is carried has its own thickness and air behind it */
  readonly onGround: boolean;
  readonly thickness_m: number;
  readonly exposure: keyof typeof WEATHER.exposure;
  /** the way a wall looks, degrees from north clockwise */
  readonly faces_deg: number;
  readonly absorptivity: number;
  /** hours of the day, by the clock of the place, in which something stands before the sun; from over to may go through midnight */
  readonly shaded?: { readonly from_h: number; readonly to_h: number };
}

const HOUR_MS = 3_600_000;
/** Weather is held this long, at its middle: the sun moves two and a half degrees. */
const STRETCH_S = 600;

const between = (a: number, b: number, share: number): number => a + (b - a) * share;

/**
 * The weather at an instant, straight between the hours; before the first hour its day repeats, after the last it holds.
 */
export function weatherAt({ hours, from_ms }: PlaceWeather, ms: number): HourWeather {
  if (hours.length === 0) throw new Problem('tooFew', { quantity: 'hours', value: 0, least: 1 });
  const day = Math.min(24, hours.length);
  let at = (ms - from_ms) / HOUR_MS;
  if (at < 0) at = ((at % day) + day) % day;
  const i = Math.min(hours.length - 1, Math.floor(at));
  const [hour, next] = [hours[i]!, hours[Math.min(hours.length - 1, i + 1)]!];
  const share = Math.min(1, at - i);
  const told_Wm2 = hour.irradiance_Wm2 !== null && next.irradiance_Wm2 !== null ? between(hour.irradiance_Wm2, next.irradiance_Wm2, share) : null;
  return {
    air_C: between(hour.air_C, next.air_C, share),
    humidity: between(hour.humidity, next.humidity, share),
    wind10_ms: between(hour.wind10_ms, next.wind10_ms, share),
    cloud: between(hour.cloud, next.cloud, share),
    irradiance_Wm2: told_Wm2,
  };
}

/** Whether something stands before the sun at an instant. */
function isShaded({ shaded }: SurfaceSite, { longitude_deg, clock_h = longitude_deg / 15 }: PlaceWeather, ms: number): boolean {
  if (!shaded) return false;
  const hour = (((ms / HOUR_MS + clock_h) % 24) + 24) % 24;
  const { from_h, to_h } = shaded;
  return from_h <= to_h ? hour >= from_h && hour < to_h : hour >= from_h || hour < to_h;
}

/** What reaches a surface at an instant: sun and sky on its face, air, wind at the surface. */
export function reaching(place: PlaceWeather, surface: SurfaceSite, ms: number): Omit<SurfaceStretch, 'for_s'> {
  const weather = weatherAt(place, ms);
  const sun = getPosition(new Date(ms), place.latitude_deg, place.longitude_deg);
  const zenith_deg = Math.min(180, Math.max(0, 90 - sun.altitude));
  const level = weather.irradiance_Wm2 ?? globalIrradiance({ zenith_deg, cloud: weather.cloud });
  const modelled = globalIrradiance({ zenith_deg, cloud: weather.cloud });
  const wall = (): number => {
    const upright = wallIrradiance({ zenith_deg, cloud: weather.cloud, sunAzimuth_deg: sun.azimuth, wallAzimuth_deg: surface.faces_deg });
    // A forecast's own irradiance replaces the clear sky's: the wall takes its share of it.
    return modelled > 0 ? (upright * level) / modelled : 0;
  };
  return {
    air_C: weather.air_C,
    humidity: weather.humidity,
    wind_ms: weather.wind10_ms * WEATHER.surfaceWind,
    irradiance_Wm2: surface.kind === 'wall' ? wall() : level,
    cloud: weather.cloud,
    absorptivity: surface.absorptivity,
    exposure: isShaded(surface, place, ms) ? Math.min(WEATHER.exposure.shade, WEATHER.exposure[surface.exposure]) : WEATHER.exposure[surface.exposure],
    sky: surface.exposure === 'indoors' ? WEATHER.skyOf.indoors : WEATHER.skyOf[surface.kind],
    wet: false,
  };
}

/** A change made by hand to what a surface stands in. */
export interface SurfaceChange {
  readonly absorptivity?: number;
  readonly exposure?: number;
  readonly wind_ms?: number;
  /** kept wet for so long from the start, s */
  readonly wet_s?: number;
}

/**
 * A surface through its day by conduction, three days of weather before it as spin-up: its temperatures at fixed steps,
 * and what becomes of it when from some instant on it is covered, wetted, shaded or sheltered.
 *
 * @example new SurfaceDay(place, surface, { from_ms, hours: 24 }).at(from_ms + 6 * 3_600_000) // degC
 */
export class SurfaceDay {
  readonly every_s = STRETCH_S;
  private readonly profiles: Float64Array[] = [];

  /** @throws Problem `outOfRange` for any weather outside its range, `tooFew` without an hour */
  constructor(
    private readonly place: PlaceWeather,
    private readonly surface: SurfaceSite,
    private readonly span: { readonly from_ms: number; readonly hours: number },
    private readonly grid?: ConductionGrid,
  ) {
    inRange({ quantity: 'latitude_deg', value: place.latitude_deg, least: -90, most: 90 });
    inRange({ quantity: 'longitude_deg', value: place.longitude_deg, least: -180, most: 180 });
    const hours = inRange({ quantity: 'hours', value: span.hours, least: 0, most: 24 * 16 });
    const begun_ms = span.from_ms - WEATHER.spinUp_days * 24 * HOUR_MS;
    let profile: Float64Array | number = weatherAt(place, begun_ms).air_C;
    const steps = Math.ceil((hours * 3600) / STRETCH_S);
    const before = (WEATHER.spinUp_days * 86400) / STRETCH_S;
    for (let i = -before; i <= steps; i += 1) {
      if (i >= 0) this.profiles.push(profile as Float64Array);
      if (i < steps) profile = this.stretch(profile, span.from_ms + i * STRETCH_S * 1000, STRETCH_S, {});
    }
  }

  private stretch(profile: Float64Array | number, from_ms: number, for_s: number, change: SurfaceChange, wet = false): Float64Array {
    const { place, surface } = this;
    const reached = reaching(place, surface, from_ms + (for_s * 1000) / 2);
    return surfaceConduction({
      profile_C: profile,
      depth_m: surface.onGround ? WEATHER.slabDepth_m : surface.thickness_m,
      back: surface.onGround ? 'insulated' : 'air',
      ...(this.grid ? { grid: this.grid } : {}),
      stretches: [
        {
          ...reached,
          absorptivity: change.absorptivity ?? reached.absorptivity,
          exposure: change.exposure ?? reached.exposure,
          wind_ms: change.wind_ms ?? reached.wind_ms,
          wet,
          for_s,
        },
      ],
    });
  }

  private index(ms: number): number {
    const at = (ms - this.span.from_ms) / 1000 / STRETCH_S;
    return inRange({ quantity: 'hour', value: at, least: 0, most: this.profiles.length - 1 });
  }

  /** The face at an instant of the span, degC. */
  at(ms: number): number {
    const at = this.index(ms);
    const i = Math.min(this.profiles.length - 1, Math.floor(at));
    const next = this.profiles[Math.min(i + 1, this.profiles.length - 1)]!;
    return between(this.profiles[i]![0]!, next[0]!, at - i);
  }

  /**
   * The face from an instant on, changed by hand from then: knots close together at first, where it moves fast.
   *
   * @param for_s how far to follow it, s
   * @returns knots in s from that instant with their degC
   */
  changed(from_ms: number, change: SurfaceChange, for_s: number): { at_s: number[]; C: number[] } {
    const i = Math.min(this.profiles.length - 1, Math.round(this.index(from_ms)));
    let profile = this.profiles[i]!;
    const at_s = [0];
    const C = [profile[0]!];
    for (let t = 0; t < for_s;) {
      const step = t < 300 ? 60 : t < 1800 ? 300 : t < 7200 ? 600 : 1800;
      profile = this.stretch(profile, from_ms + t * 1000, step, change, t < (change.wet_s ?? 0));
      t += step;
      at_s.push(t);
      C.push(profile[0]!);
    }
    return { at_s, C };
  }
}

/**
 * What a reading does to later hours: it replaces the model at its hour, and its offset decays as exp(-t/6 h).
 *
 * @param since_s s from the reading to the hour asked for; before the reading nothing is shifted
 * @returns K to add to the model
 */
export const readingOffset = ({ reading_C, model_C, since_s }: { reading_C: number; model_C: number; since_s: number }): number =>
  since_s < 0 ? 0 : (reading_C - model_C) * Math.exp(-since_s / WEATHER.readingDecay_s);
