import type { GoodRun } from '@tufa/core/plan';
import { PLAIN } from '@tufa/words';
import { placeText, readPlace } from '../jobs/placeText';
import { dayAfter, dayText, hourText, msOfLocal } from '../day/localDay';
import { bestRun, runText } from '../day/weekText';

const HOUR = 3_600_000;
const run = (from: string, hours: number): GoodRun => ({ from_ms: Date.parse(from), to_ms: Date.parse(from) + (hours - 1) * HOUR, least_s: 600, most_s: 900 });

test.each([
  ['37.98, -78.95', [37.98, -78.95]],
  ['37.98 -78.95', [37.98, -78.95]],
  ['37,98; -78,95', [37.98, -78.95]],
  ['37.98 N 78.95 W', [37.98, -78.95]],
  ['36.85° S, 174.76° E', [-36.85, 174.76]],
  ['-36.85,174.76', [-36.85, 174.76]],
  ['0, 0', [0, 0]],
])('%s is a place', (text, [latitude_deg, longitude_deg]) => {
  expect(readPlace(text)).toEqual({ latitude_deg, longitude_deg });
  expect(readPlace(placeText(readPlace(text)!))).toEqual({ latitude_deg, longitude_deg });
});

test.each(['', 'the yard', '37.98', '95, 0', '12, 190', '37.98 E, 78.95 N', '1, 2, 3'])('%p is none', (text) => expect(readPlace(text)).toBeNull());

test('days and hours are those of the place, also where the clocks change', () => {
  expect(dayAfter('2026-02-28', 1)).toBe('2026-03-01');
  expect(msOfLocal('2026-03-08', 2, 'America/New_York')).toBeNull();
  expect(msOfLocal('2026-03-08', 3, 'America/New_York')).toBe(Date.parse('2026-03-08T07:00:00Z'));
  expect(['2026-05-12', '2026-05-13', '2026-05-15', '2026-05-30'].map((day) => dayText(PLAIN, day, '2026-05-12'))).toEqual([
    'today',
    'tomorrow',
    'Friday',
    'Saturday, May 30, 2026',
  ]);
  expect(['2026-05-12T06:00', '2026-05-12T06:30', '2026-05-12T00:00'].map(hourText)).toEqual(['6', '6:30', '0']);
});

test('planned is the first run that leaves time, else the longest; it is told by the clocks of the place', () => {
  const [short, long, later] = [run('2026-05-12T12:00:00Z', 2), run('2026-05-13T10:00:00Z', 4), run('2026-05-14T10:00:00Z', 9)];
  expect(bestRun([short, long, later])).toBe(long);
  expect(bestRun([short, run('2026-05-13T10:00:00Z', 1)])).toBe(short);
  expect(bestRun([])).toBeNull();
  expect(runText(PLAIN, long, { zone: 'America/New_York', today: '2026-05-12' })).toBe('tomorrow, 6 to 10');
});
