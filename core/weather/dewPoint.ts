import { inRange } from '../quantity';

/** Dew point by Magnus (17.625, 243.04). @returns degC @throws Problem `outOfRange` */
export function dewPoint({ air_C, humidity }: { air_C: number; humidity: number }): number {
  inRange({ quantity: 'air_C', value: air_C, least: -40, most: 60 });
  inRange({ quantity: 'humidity', value: humidity, least: 0.01, most: 1 });
  const gamma = Math.log(humidity) + (17.625 * air_C) / (243.04 + air_C);
  return (243.04 * gamma) / (17.625 - gamma);
}
