import { inRange } from '../quantity';
import { WEATHER } from './constants';

/** Dew point by Magnus (17.625, 243.04). @returns degC @throws Problem `outOfRange` */
export function dewPoint({ air_C, humidity }: { air_C: number; humidity: number }): number {
  inRange({ quantity: 'air_C', value: air_C, least: -40, most: 60 });
  inRange({ quantity: 'humidity', value: humidity, least: 0.01, most: 1 });
  const { a, b_C } = WEATHER.magnus;
  const gamma = Math.log(humidity) + (a * air_C) / (b_C + air_C);
  return (b_C * gamma) / (a - gamma);
}
