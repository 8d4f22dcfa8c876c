import { element, input, sheetOf } from '../../testing/job';
import { COARSE, surfaceConduction, weatherByHand, type HourWeather } from '../../weather';
import { computePlan, hourOf, weekAsks, weekOf, type PlanInput } from '../index';

const HOUR = 3_600_000;
const at = (iso: string): number => Date.parse(iso);
type Change = (hour: number) => Partial<HourWeather>;

/** Eleven days from three before an instant: warm by day and cool by night of a place's own sun, dry, and as a test changes it. */
function weatherFrom(from: string, mean_C: number, longitude_deg: number, change: Change = () => ({})) {
  const begin = at(from) - 72 * HOUR;
  const hours = Array.from({ length: 264 }, (_, i): HourWeather => {
    const local = (((begin / HOUR + i + longitude_deg / 15) % 24) + 24) % 24;
    return {
      air_C: mean_C + 6 * Math.cos(((local - 15) / 24) * 2 * Math.PI),
      humidity: 0.55,
      wind10_ms: 2,
      cloud: 0.1,
      irradiance_Wm2: null,
      rainChance: 0,
      ...change(i - 72),
    };
  });
  return { from: new Date(begin).toISOString(), hours };
}

const every = (from: string, count = 24): number[] => Array.from({ length: count }, (_, i) => at(from) + i * HOUR);
const job = (change: Partial<PlanInput> = {}): PlanInput => ({ ...input, ...change });

function weekAt({
  from,
  mean_C,
  latitude_deg,
  longitude_deg = 0,
  change,
  of = job(),
  hours = every(from),
}: {
  from: string;
  mean_C: number;
  latitude_deg: number;
  longitude_deg?: number;
  change?: Change;
  of?: PlanInput;
  hours?: number[];
}) {
  const asks = weekAsks(of, computePlan(of, { ranked: 'chosen' }));
  const site = { latitude_deg, longitude_deg, weather: weatherFrom(from, mean_C, longitude_deg, change) };
  return { asks, site, of, weeks: weekOf({ asks, site, conditions: of.conditions, at_ms: hours, now_ms: at(from) }) };
}

const SUMMER = { from: '2026-07-06T00:00:00Z', mean_C: 24, latitude_deg: 44 };

test('an hour of the week is the hour looked at closely: the same slab, the same minutes', () => {
  const { asks, site, of, weeks } = weekAt(SUMMER);
  for (const i of [6, 9, 14, 18]) {
    const hour = weeks[0]!.hours[i]!;
    const { question, answer } = hourOf(of, asks[0]!, site, hour.at_ms);
    expect(Math.abs(hour.slab_C - question.slab_C)).toBeLessThan(0.4);
    expect(Math.abs(hour.placeBy_s / answer.window.placeBy_s - 1)).toBeLessThan(0.05);
  }
});

test('a reading shifts the hours after it, less and less', () => {
  const read = { value: 40, source: 'typed', at: '2026-07-06T10:00:00Z' } as const;
  const [week] = weekAt({ ...SUMMER, of: job({ conditions: { ...input.conditions, slab_C: read } }) }).weeks;
  const [plain] = weekAt(SUMMER).weeks;
  const off = (i: number): number => week!.hours[i]!.slab_C - plain!.hours[i]!.slab_C;
  expect(off(9)).toBe(0);
  expect(week!.hours[10]!.slab_C).toBeCloseTo(40, 6);
  expect(Math.abs(off(16) / off(10) - Math.exp(-1))).toBeLessThan(0.01);
});

test('the coarse grid is within a tenth of a kelvin of the fine one', () => {
  const weather = {
    air_C: 25,
    humidity: 0.5,
    wind_ms: 1,
    irradiance_Wm2: 800,
    cloud: 0.1,
    absorptivity: 0.65,
    exposure: 1,
    sky: 1,
    wet: false,
    for_s: 4 * 3600,
  };
  const of = (grid?: typeof COARSE) => surfaceConduction({ profile_C: 15, depth_m: 0.4, stretches: [weather], ...(grid ? { grid } : {}) })[0]!;
  expect(Math.abs(of(COARSE) - of())).toBeLessThan(0.1);
});

test('on a hot day the minutes are fewest after noon, nights are dark, and the good hours stand together', () => {
  const [week] = weekAt(SUMMER).weeks;
  const by = (hour: number) => week!.hours[hour]!;
  expect(by(14).placeBy_s).toBeLessThan(by(6).placeBy_s);
  expect(by(1).why).toBe('dark');
  for (const { from_ms, to_ms } of week!.runs) for (const { at_ms, why } of week!.hours) if (at_ms >= from_ms && at_ms <= to_ms) expect(why).toBeNull();
  expect(week!.hours.filter(({ why }) => why === null)).toHaveLength(week!.runs.reduce((sum, { from_ms, to_ms }) => sum + (to_ms - from_ms) / HOUR + 1, 0));
});

test('an hour that the firm does not work is no good hour, and the others stay as they are', () => {
  const { asks, site, of, weeks } = weekAt(SUMMER);
  const best = weeks[0]!.hours.find(({ why }) => why === null)!;
  const at_ms = weeks[0]!.hours.map((hour) => hour.at_ms);
  const [shut] = weekOf({ asks, site, conditions: of.conditions, at_ms, closed_ms: [best.at_ms], now_ms: at(SUMMER.from) });
  expect(shut!.hours.map(({ why }) => why)).toEqual(weeks[0]!.hours.map(({ why, at_ms: ms }) => (ms === best.at_ms ? 'closed' : why)));
});

test('south of the line the hot hours are in its own afternoon, in its own summer', () => {
  const [week] = weekAt({ from: '2026-01-05T00:00:00Z', mean_C: 24, latitude_deg: -35, longitude_deg: 150 }).weeks;
  const hottest = week!.hours.reduce((most, hour) => (hour.slab_C > most.slab_C ? hour : most));
  // Two to four in the afternoon there are four to six in the morning by the clock of Greenwich.
  expect([3, 4, 5, 6]).toContain(new Date(hottest.at_ms).getUTCHours());
});

test('where the sun does not rise the hours count with lights, and that is told', () => {
  const [dark] = weekAt({ from: '2026-12-18T00:00:00Z', mean_C: 14, latitude_deg: 75 }).weeks;
  expect(dark!.sunless).toBe(true);
  expect(dark!.hours.some(({ why }) => why === 'dark')).toBe(false);
  const [light] = weekAt({ from: '2026-06-18T00:00:00Z', mean_C: 14, latitude_deg: 75 }).weeks;
  expect(light!.sunless).toBe(false);
  expect(light!.hours.every(({ why }) => why !== 'dark')).toBe(true);
});

test.each([
  ['rain while it is soft', 'rain', 8, { mean_C: 15, change: (hour: number) => ({ rainChance: hour === 8 ? 0.8 : 0 }) }],
  ['frost before it bears it', 'frost', 15, { mean_C: 7, from: '2026-11-10T00:00:00Z', change: (hour: number) => (hour > 17 ? { air_C: -9 } : { air_C: 12 }) }],
  ['colder than its sheet allows', 'cold', 12, { mean_C: -12, from: '2026-01-10T00:00:00Z' }],
  ['hotter than its sheet allows', 'heat', 14, { mean_C: 44 }],
  ['gone', 'gone', 10, { hours: every('2026-07-05T00:00:00Z') }],
] as const)('%s keeps an hour from being good', (_what, why, hour, change) => {
  const topping = sheetOf('portlandTopping');
  const slow = { ...topping, thickness: { ...topping.thickness, most_m: 0.1, liftMost_m: 0.1 } };
  const of = why === 'frost' ? job({ elements: [{ ...element, opens: null }], sheets: [slow], treatments: [{ findingId: 'f', sheetId: slow.id }] }) : job();
  const [week] = weekAt({ ...SUMMER, of, ...change, ...('hours' in change ? { hours: [...change.hours] } : {}) }).weeks;
  expect(week!.hours[hour]!.why).toBe(why);
});

test('indoors no rain and no night; a resin under its dew point waits', () => {
  const indoors = job({ elements: [{ ...element, sun: { exposure: 'indoors', faces_deg: 0, absorptivity: 0.65 } }] });
  const [week] = weekAt({ ...SUMMER, of: indoors, change: () => ({ rainChance: 1 }) }).weeks;
  expect(week!.hours.some(({ why }) => why === 'rain' || why === 'dark')).toBe(false);
});

test('hours outside what is known are left out, and of nothing known nothing is said', () => {
  const { weeks } = weekAt({ ...SUMMER, hours: [...every('2026-07-30T00:00:00Z')] });
  expect(weeks[0]).toMatchObject({ hours: [], runs: [] });
});

test('weather by hand: coolest before the sun, warmest in mid-afternoon, damper by night; a low over its high is refused', () => {
  const day = { low_C: 8, high_C: 20, humidity: 0.4, wind10_ms: 3, cloud: 0.3, rainChance: 0.1 };
  const hours = weatherByHand(day, { fromHour: 0, hours: 48 });
  const air = hours.map(({ air_C }) => air_C);
  expect([air.indexOf(Math.min(...air)), air.indexOf(Math.max(...air))]).toEqual([5, 15]);
  expect([Math.min(...air), Math.max(...air)]).toEqual([8, 20]);
  expect(air[3]).toBeCloseTo(air[27]!, 9);
  expect(hours[5]!.humidity).toBeGreaterThan(hours[15]!.humidity);
  expect(hours[15]).toMatchObject({ wind10_ms: 3, cloud: 0.3, rainChance: 0.1, irradiance_Wm2: null });
  for (const bad of [{ low_C: 25 }, { humidity: 2 }, { wind10_ms: -1 }, { high_C: 90 }])
    expect(() => weatherByHand({ ...day, ...bad }, { fromHour: 0, hours: 1 })).toThrow(/outOfRange/);
});

test('what is refused at the planned hour is looked for in others, its overlay too', () => {
  const cold = { value: -5, source: 'typed' } as const;
  const of = job({ conditions: { ...input.conditions, air_C: cold, slab_C: cold } });
  const plan = computePlan(of, { ranked: 'chosen' });
  const asks = weekAsks(of, plan);
  expect(asks.map(({ sheet }) => sheet.id)).toEqual(of.treatments.map(({ sheetId }) => sheetId));
  const over = sheetOf('broomOverlay');
  const overlaid = job({
    sheets: [...input.sheets, over],
    treatments: [{ ...input.treatments[0]!, overlay: { sheetId: over.id, thickness_m: 0.003, over: 'patch' } }],
    elements: [{ ...element, opens: null }],
  });
  expect(weekAsks(overlaid, computePlan(overlaid, { ranked: 'chosen' })).map(({ sheet }) => sheet.id)).toContain(over.id);
});
