import { inRange } from '../quantity';
import { WEATHER } from './constants';

/** What drying follows: temperatures in degC, humidity 0-1, wind in km/h. */
export interface DryingWeather {
  /** the fresh layer, or the substrate when it is to be kept damp, degC */
  readonly concrete_C: number;
  readonly air_C: number;
  /** 0 to 1 */
  readonly humidity: number;
  /** at the surface */
  readonly wind_kmh: number;
}

/**
 * Drying rate of a wet surface (Uno 1998, closed form of the ACI 305R chart):
 * `E = 5 ((Tc+18)^2.5 - rh (Ta+18)^2.5)(V+4) 1e-6`, never under 0.
 *
 * @returns kg/m2 h
 * @throws Problem `outOfRange` under -18 degC, humidity outside 0-1, wind under 0
 */
export function evaporation({ concrete_C, air_C, humidity, wind_kmh }: DryingWeather): number {
  inRange({ quantity: 'concrete_C', value: concrete_C, least: -18, most: 90 });
  inRange({ quantity: 'air_C', value: air_C, least: -18, most: 60 });
  inRange({ quantity: 'humidity', value: humidity, least: 0, most: 1 });
  inRange({ quantity: 'wind_kmh', value: wind_kmh, least: 0, most: 150 });
  const { dryingScale, dryingOffset_C, dryingPower, dryingStill_kmh } = WEATHER;
  const drive = (concrete_C + dryingOffset_C) ** dryingPower - humidity * (air_C + dryingOffset_C) ** dryingPower;
  return Math.max(0, dryingScale * drive * (wind_kmh + dryingStill_kmh));
}
