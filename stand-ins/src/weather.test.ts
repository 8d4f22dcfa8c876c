import { once } from 'node:events';
import type { AddressInfo } from 'node:net';
import { hourAt, weatherService } from './weather';

const HOUR = 3_600_000;
const NORTH = { latitude_deg: 45, longitude_deg: 0 };
const SOUTH = { latitude_deg: -45, longitude_deg: 0 };
const at = (iso: string): number => Date.parse(iso);

const meanOver = (place: typeof NORTH, from: string, days: number): number => {
  const hours = Array.from({ length: days * 24 }, (_, i) => hourAt(place, at(from) + i * HOUR, Infinity).air_C);
  return hours.reduce((sum, air) => sum + air, 0) / hours.length;
};

test('the same hour is always the same, and afternoons are warmer and drier than nights over a month', () => {
  const made = at('2026-07-01T00:00:00Z');
  expect(hourAt(NORTH, made + 40 * HOUR, made)).toEqual(hourAt(NORTH, made + 40 * HOUR, made));
  const hours = (hour: number) => Array.from({ length: 30 }, (_, day) => hourAt(NORTH, at('2026-06-01T00:00:00Z') + (day * 24 + hour) * HOUR, Infinity));
  const sum = (list: readonly { air_C: number; humidity: number }[], name: 'air_C' | 'humidity') => list.reduce((total, hour) => total + hour[name], 0);
  expect(sum(hours(15), 'air_C')).toBeGreaterThan(sum(hours(4), 'air_C') + 30 * 4);
  expect(sum(hours(15), 'humidity')).toBeLessThan(sum(hours(4), 'humidity'));
});

test('summers are where the sun stands high, on either side of the line', () => {
  expect(meanOver(NORTH, '2026-07-01T00:00:00Z', 20)).toBeGreaterThan(meanOver(NORTH, '2026-01-01T00:00:00Z', 20) + 8);
  expect(meanOver(SOUTH, '2026-01-01T00:00:00Z', 20)).toBeGreaterThan(meanOver(SOUTH, '2026-07-01T00:00:00Z', 20) + 8);
});

test('a forecast is off by less the nearer the hour comes, and what is past is as it was', () => {
  const off = (ahead_h: number): number => {
    let sum = 0;
    for (let i = 0; i < 300; i += 1) {
      const ms = at('2026-03-01T00:00:00Z') + i * 11 * HOUR;
      sum += Math.abs(hourAt(NORTH, ms, ms - ahead_h * HOUR).air_C - hourAt(NORTH, ms, Infinity).air_C);
    }
    return sum / 300;
  };
  expect(off(0)).toBe(0);
  expect(off(6)).toBeLessThan(off(72));
  expect(off(72)).toBeLessThan(off(168));
  expect(off(168)).toBeLessThan(4);
});

test('serves so many hours marked invented, and says what to give when asked badly', async () => {
  const server = weatherService(() => at('2026-06-02T00:00:00Z')).listen(0, '127.0.0.1');
  await once(server, 'listening');
  const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}/hours`;
  try {
    const good = (await (await fetch(`${base}?latitude=45&longitude=0&from=2026-06-01T00:20:00Z&hours=5`)).json()) as {
      invented: boolean;
      hours: { at: string }[];
    };
    expect(good.invented).toBe(true);
    expect(good.hours.map((hour) => hour.at.slice(11, 16))).toEqual(['00:00', '01:00', '02:00', '03:00', '04:00']);
    for (const bad of ['', '?latitude=95&longitude=0&from=2026-06-01T00:00:00Z&hours=5', '?latitude=45&longitude=0&from=soon&hours=5'])
      expect((await fetch(`${base}${bad}`)).status).toBe(422);
  } finally {
    server.closeAllConnections();
    server.close();
  }
});
