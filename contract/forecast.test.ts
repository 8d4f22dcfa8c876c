import { Problem } from '@tufa/core/quantity';
import { applyCommand, assemblePlanInput } from './index';
import { readForecast } from './forecastFile';
import { ANY_HOUR, closedIn } from './openingHours';
import { clockOf, instantOfLocal, localOf } from './localTime';
import { command, id, sampleData, SAMPLES } from './test/samples';

const row = (at: string, more: object = {}) => ({ at, air_C: 18, humidity: 0.6, wind_ms: 3, cloud: 0.2, ...more });
const codeOf = (rows: readonly object[], zone = 'UTC'): unknown => {
  try {
    readForecast(rows as never, zone);
    return null;
  } catch (error) {
    return error instanceof Problem ? error.code : error;
  }
};

test('a firm works from its first hour to its last on its days, by the clocks of the place', () => {
  const at = (local: string): number => Date.parse(instantOfLocal(local, 'America/New_York')!);
  const hours = { from_h: 7, to_h: 16.5, days: [1, 2, 3, 4, 5] };
  const asked = ['2026-05-12T06:00', '2026-05-12T07:00', '2026-05-12T16:00', '2026-05-12T17:00', '2026-05-16T10:00'].map(at);
  expect(closedIn(hours, asked, 'America/New_York')).toEqual([asked[0], asked[3], asked[4]]);
  // Through the night.
  expect(closedIn({ ...hours, from_h: 20, to_h: 7 }, asked, 'America/New_York')).toEqual(asked.slice(1));
  expect(closedIn(ANY_HOUR, asked, 'America/New_York')).toEqual([]);
});

test('local times are instants of their zone, also where the clocks change', () => {
  expect(instantOfLocal('2026-05-12T09:10', 'America/New_York')).toBe('2026-05-12T13:10:00.000Z');
  expect(instantOfLocal('2026-05-12T09:10', 'Pacific/Auckland')).toBe('2026-05-11T21:10:00.000Z');
  // Left out in spring: the hour after; gone through twice in autumn: the first.
  expect(instantOfLocal('2026-03-08T02:30', 'America/New_York')).toBe('2026-03-08T07:30:00.000Z');
  expect(instantOfLocal('2026-11-01T01:30', 'America/New_York')).toBe('2026-11-01T05:30:00.000Z');
  for (const bad of ['2026-02-30T09:00', 'soon', '2026-05-12T25:00']) expect(instantOfLocal(bad, 'UTC')).toBeNull();
  expect(instantOfLocal('2026-05-12T09:10', 'Nowhere/Land')).toBeNull();
  expect(localOf('2026-05-12T13:10:00Z', 'America/New_York')).toBe('2026-05-12T09:10');
  expect(['2026-01-12T13:10:00Z', '2026-07-12T13:10:00Z'].map((at) => clockOf(at, 'America/New_York'))).toEqual([-5, -4]);
  expect([clockOf('2026-01-12T13:10:00Z', 'Asia/Kathmandu'), clockOf('2026-01-12T13:10:00Z', 'Nowhere/Land')]).toEqual([5.75, null]);
});

test('a table in other units, with a comma for a point, percentages, hours out of order, is hours one after the other', () => {
  const { from, hours, notes } = readForecast(
    [
      { Time: '2026-05-12 10:00', 'Temp (°F)': '59', 'RH %': '55', 'Wind (mph)': '10', Cloud: '40', 'Rain mm': '1,5', 'Rain chance %': '30', mood: 'fair' },
      { Time: '2026-05-12 09:00', 'Temp (°F)': '50', 'RH %': '60', 'Wind (mph)': '5', Cloud: '20', 'Rain mm': '', 'Rain chance %': '', mood: '' },
    ],
    'America/New_York',
  );
  expect(from).toBe('2026-05-12T13:00:00.000Z');
  expect(hours[0]).toEqual({ air_C: 10, humidity: 0.6, wind10_ms: expect.closeTo(2.2352, 6), cloud: 0.2, irradiance_Wm2: null });
  expect(hours[1]).toMatchObject({
    air_C: 15,
    humidity: expect.closeTo(0.55, 9),
    cloud: 0.4,
    rain_m: expect.closeTo(0.0015, 9),
    rainChance: expect.closeTo(0.3, 9),
  });
  expect(notes.map(({ code }) => code).sort()).toEqual(['percent', 'unknownColumn']);
});

test('an hour twice is taken once, up to three missing are drawn between their neighbours; both are told', () => {
  const { hours, notes } = readForecast(
    [row('2026-05-12T09:00Z'), row('2026-05-12T10:00Z'), row('2026-05-12T10:00Z', { air_C: 19 }), row('2026-05-12T13:00Z', { air_C: 25 })],
    'UTC',
  );
  expect(hours.map(({ air_C }) => air_C)).toEqual([18, 19, 21, 23, 25]);
  expect(notes).toEqual([
    { code: 'twice', figures: { count: 1 } },
    { code: 'filled', figures: { count: 2 } },
  ]);
});

test('local hours through the change of the clocks are an hour apart, in spring and in autumn', () => {
  const autumn = ['00:00', '01:00', '01:00', '02:00'].map((time) => row(`2026-11-01 ${time}`));
  expect(readForecast(autumn, 'America/New_York')).toMatchObject({ from: '2026-11-01T04:00:00.000Z', hours: { length: 4 }, notes: [] });
  const spring = ['01:00', '03:00'].map((time) => row(`2026-03-08 ${time}`));
  expect(readForecast(spring, 'America/New_York')).toMatchObject({ hours: { length: 2 }, notes: [] });
});

test.each([
  ['nothing', [], 'forecastEmpty'],
  ['no wind', [{ at: '2026-05-12T09:00Z', air_C: 18, humidity: 0.5, cloud: 0 }], 'forecastColumn'],
  ['an air without its unit', [{ at: '2026-05-12T09:00Z', air: 18, humidity: 0.5, cloud: 0, wind_ms: 2 }], 'forecastUnit'],
  ['a time that is none', [row('soon')], 'forecastTime'],
  ['hours that are no hour apart', [row('2026-05-12T09:00Z'), row('2026-05-12T09:20Z')], 'forecastTime'],
  ['words for a figure', [row('2026-05-12T09:00Z', { air_C: 'warm' })], 'forecastFigure'],
  ['degrees Fahrenheit under the heading of Celsius', [row('2026-05-12T09:00Z', { air_C: 77 })], 'forecastRange'],
  ['a hole of five hours', [row('2026-05-12T09:00Z'), row('2026-05-12T15:00Z')], 'forecastHole'],
])('%s is refused in words', (_what, rows, code) => {
  expect(codeOf(rows)).toBe(code);
});

test('a job with a place, an hour and a forecast that reaches to it is planned in its weather; otherwise as it was', () => {
  const place = { latitude_deg: 37.98, longitude_deg: -78.95 };
  const forecast = { ...SAMPLES.forecast.good, takenAt: '2026-05-12T05:00:00.000Z', from: '2026-05-12T05:00:00.000Z' };
  const [hour] = (forecast as { hours?: object[] }).hours!;
  const dataOf = (job: object, ...more: object[]) =>
    [
      command('job.add', id(1), { ...SAMPLES.job.good, zone: 'America/New_York', place, ...job }),
      ...more.map((fields, i) => command('forecast.add', id(3 + i), { ...forecast, hours: Array.from({ length: 24 }, () => hour), ...fields })),
    ].reduce(applyCommand, sampleData());
  const siteOf = (data: ReturnType<typeof dataOf>) => assemblePlanInput(data, id(1))?.site;
  expect(siteOf(dataOf({}, {}))).toMatchObject({ ...place, firstWater: '2026-05-12T13:10:00.000Z', weather: { hours: { length: 24 } } });
  // The newest word counts; the same rows give the very same weather, so that what is worked out of it is kept.
  const data = dataOf({}, {}, { takenAt: '2026-05-12T08:00:00.000Z', from: '2026-05-12T06:00:00.000Z' });
  expect(siteOf(data)?.weather.from).toBe('2026-05-12T06:00:00.000Z');
  expect(siteOf(data)?.weather).toBe(siteOf(data)?.weather);
  for (const none of [
    dataOf({}),
    dataOf({ place: null }, {}),
    dataOf({ pourOn: null }, {}),
    dataOf({ pourOn: '2026-05-20T09:00' }, {}),
    dataOf({ place: { ...place, latitude_deg: 40 } }, {}),
  ])
    expect(siteOf(none)).toBeUndefined();
});
