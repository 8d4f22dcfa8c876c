import fc from 'fast-check';
import { flipsAt } from '../testing/flipsAt';
import { problemOf } from '../testing/problemOf';
import {
  evaporation,
  globalIrradiance,
  preparedSurface,
  reaching,
  readingOffset,
  redampInterval,
  skinTime,
  SurfaceDay,
  surfaceAfterChange,
  weatherAt,
  type HourWeather,
  type PlaceWeather,
} from './index';

const HOUR = 3_600_000;
const from_ms = Date.parse('2026-07-03T04:00:00Z');
const even: HourWeather = { air_C: 20, humidity: 0.5, wind10_ms: 4, cloud: 0.5, irradiance_Wm2: 500 };
const place = (hours: HourWeather[]): PlaceWeather => ({ latitude_deg: 43, longitude_deg: -76, from_ms, hours });
const slab = { kind: 'slab', onGround: true, thickness_m: 0.15, exposure: 'part', faces_deg: 180, absorptivity: 0.65 } as const;

// Worked in another language, step by step.
test('a slab through even weather: three days of spin-up, then covered with a fresh wet layer', () => {
  const day = new SurfaceDay(place([even]), slab, { from_ms, hours: 6 });
  expect(day.at(from_ms)).toBeCloseTo(26.045451295226353, 9);
  expect(day.at(from_ms + 6 * HOUR)).toBeCloseTo(26.084056848064495, 9);
  const covered = day.changed(from_ms, { absorptivity: 0.5, wet_s: 3600 }, 7200);
  expect(covered.at_s[0]).toBe(0);
  expect(covered.C.at(-1)).toBeCloseTo(24.15040546717356, 6);
  expect(covered.at_s.every((t, i) => i === 0 || t > covered.at_s[i - 1]!)).toBe(true);
  expect(problemOf(() => day.at(from_ms + 8 * HOUR)).code).toBe('outOfRange');
});

test('indoors neither sun nor sky reaches a wall, and its back gives to the air', () => {
  const wall = { ...slab, kind: 'wall', onGround: false, exposure: 'indoors' } as const;
  expect(new SurfaceDay(place([even]), wall, { from_ms, hours: 1 }).at(from_ms)).toBeCloseTo(20, 4);
});

test('a clear summer day: the slab is warmest in the afternoon, coldest before sunrise, and shade keeps it cooler', () => {
  const clear = { ...even, irradiance_Wm2: null, cloud: 0 };
  const sunny = new SurfaceDay(place([clear]), { ...slab, exposure: 'sun' }, { from_ms, hours: 24 });
  const shaded = new SurfaceDay(place([clear]), { ...slab, exposure: 'shade' }, { from_ms, hours: 24 });
  const hours = Array.from({ length: 24 }, (_, hour) => sunny.at(from_ms + hour * HOUR));
  const warmest = hours.indexOf(Math.max(...hours));
  const coldest = hours.indexOf(Math.min(...hours));
  // Local midnight is at 4 h of UTC: noon of the sun about 13.
  expect(warmest).toBeGreaterThanOrEqual(12);
  expect(warmest).toBeLessThanOrEqual(16);
  expect(coldest).toBeGreaterThanOrEqual(3);
  expect(coldest).toBeLessThanOrEqual(7);
  expect(shaded.at(from_ms + warmest * HOUR)).toBeLessThan(hours[warmest]! - 8);
});

test('a wall looking east is lit in the morning, one looking west in the afternoon; a forecast scales both', () => {
  const clear = place([{ ...even, irradiance_Wm2: null, cloud: 0 }]);
  const lit = (faces_deg: number, hour: number, weather = clear): number =>
    reaching(weather, { ...slab, kind: 'wall', faces_deg }, from_ms + hour * HOUR).irradiance_Wm2;
  expect(lit(90, 8)).toBeGreaterThan(3 * lit(270, 8));
  expect(lit(270, 18)).toBeGreaterThan(3 * lit(90, 18));
  expect(lit(90, 0)).toBe(0);
  const level = reaching(clear, slab, from_ms + 8 * HOUR).irradiance_Wm2;
  const dimmed = place([{ ...even, cloud: 0, irradiance_Wm2: level / 2 }]);
  expect(lit(90, 8, dimmed)).toBeCloseTo(lit(90, 8) / 2, 6);
  expect(lit(90, 0, dimmed)).toBe(0);
  expect(reaching(clear, slab, from_ms)).toMatchObject({ sky: 1, exposure: 0.4, wind_ms: 2 });
  expect(reaching(clear, { ...slab, exposure: 'indoors' }, from_ms)).toMatchObject({ sky: 0, exposure: 0 });
  expect(reaching(clear, { ...slab, kind: 'wall' }, from_ms).sky).toBe(0.5);
});

test('between hours the weather runs straight, before the first its day repeats, after the last it holds', () => {
  const hours = Array.from({ length: 30 }, (_, i) => ({ ...even, air_C: i, irradiance_Wm2: i % 2 ? 100 : null }));
  expect(weatherAt(place(hours), from_ms + 2.5 * HOUR).air_C).toBeCloseTo(2.5, 12);
  expect(weatherAt(place(hours), from_ms - HOUR).air_C).toBeCloseTo(23, 12);
  expect(weatherAt(place(hours), from_ms + 99 * HOUR).air_C).toBe(29);
  expect(weatherAt(place(hours), from_ms + 1.5 * HOUR).irradiance_Wm2).toBeNull();
  expect(problemOf(() => weatherAt(place([]), from_ms)).code).toBe('tooFew');
  expect(problemOf(() => new SurfaceDay({ ...place([even]), latitude_deg: 91 }, slab, { from_ms, hours: 1 })).code).toBe('outOfRange');
});

test('a reading replaces the model at its hour, and its offset is gone to a third in six hours', () => {
  expect(readingOffset({ reading_C: 40, model_C: 35, since_s: 0 })).toBe(5);
  expect(readingOffset({ reading_C: 40, model_C: 35, since_s: 6 * 3600 })).toBeCloseTo(5 / Math.E, 12);
  expect(readingOffset({ reading_C: 40, model_C: 35, since_s: -1 })).toBe(0);
});

test('shade takes most of what the sun gave, wetting cools by drying: by hand for one slab', () => {
  const given = { slab_C: 40, air_C: 28, humidity: 0.4, wind_ms: 2 };
  const h = 5.7 + 3.8 * 2;
  const shade = preparedSurface({ ...given, change: 'shade', for_s: 3600 });
  expect(shade).toBeCloseTo(surfaceAfterChange({ before_C: 40, jump_Wm2: -0.9 * (h + 10) * 12, H_Wm2K: h + 5.5, elapsed_s: 3600 }), 9);
  const wet = preparedSurface({ ...given, change: 'wet', for_s: 1800 });
  expect(wet).toBeLessThan(38);
  expect(wet).toBeGreaterThan(28);
  expect(preparedSurface({ ...given, change: 'wet', for_s: 0 })).toBeCloseTo(40, 9);
  // In air full of water nothing dries, and the shade of a slab as cold as its air changes nothing.
  expect(preparedSurface({ slab_C: 20, air_C: 20, humidity: 1, wind_ms: 2, change: 'wet', for_s: 1800 })).toBeCloseTo(20, 6);
  expect(preparedSurface({ ...given, slab_C: 28, change: 'shade', for_s: 3600 })).toBeCloseTo(28, 9);
  expect(problemOf(() => preparedSurface({ ...given, slab_C: 200, change: 'shade', for_s: 60 })).code).toBe('outOfRange');
});

test('the longer it is shaded or kept wet the cooler it is', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 22, max: 55, noNaN: true }),
      fc.constantFrom<'shade' | 'wet'>('shade', 'wet'),
      fc.double({ min: 60, max: 1700, noNaN: true }),
      (slab_C, change, for_s) => {
        const given = { slab_C, air_C: 20, humidity: 0.4, wind_ms: 1.5, change };
        expect(preparedSurface({ ...given, for_s: for_s * 2 })).toBeLessThan(preparedSurface({ ...given, for_s }));
      },
    ),
    { numRuns: 50 },
  );
});

test('drying, skin and damping with what nobody told: class figures, and nothing where nothing dries', () => {
  expect(skinTime({ mixWater_kg_m3: 280, thickness_m: 0.01, evaporation_kg_m2h: 0.5 })).toBeCloseTo((3600 * 0.1 * 280 * 0.01) / 0.5, 9);
  expect(skinTime({ mixWater_kg_m3: 280, thickness_m: 0.01, evaporation_kg_m2h: 0 })).toBe(Infinity);
  expect(redampInterval({ evaporation_kg_m2h: 0.5 })).toBeCloseTo((3600 * 0.12) / 0.5, 9);
  expect(redampInterval({ evaporation_kg_m2h: 0.01 })).toBe(1800);
  expect(redampInterval({ evaporation_kg_m2h: 0, cap_s: 900 })).toBe(900);
  expect(evaporation({ concrete_C: 0, air_C: 30, humidity: 1, wind_kmh: 10 })).toBe(0);
});

test('the sun gives nothing from a hundredth of its height down', () => {
  const edge = flipsAt(89, 90, (zenith_deg) => globalIrradiance({ zenith_deg, cloud: 0 }) === 0);
  expect(Math.cos((edge * Math.PI) / 180)).toBeCloseTo(0.01, 6);
});

test('something stands before the sun from one hour to another by the clock of the place, through midnight too', () => {
  const bright = { ...place([even]), clock_h: -4 };
  const at = (hour: number): number => Date.parse('2026-07-03T00:00:00Z') + (hour + 4) * HOUR;
  const open = { ...slab, exposure: 'sun' } as const;
  const seen = (hour: number, shaded: { from_h: number; to_h: number }): number => reaching(bright, { ...open, shaded }, at(hour)).exposure;
  expect([9.9, 10, 14.9, 15].map((hour) => seen(hour, { from_h: 10, to_h: 15 }))).toEqual([1, 0.1, 0.1, 1]);
  expect([23, 1, 6].map((hour) => seen(hour, { from_h: 22, to_h: 6 }))).toEqual([0.1, 0.1, 1]);
  // Where nobody says the clock goes by the longitude: five hours and four minutes behind.
  expect(reaching({ ...place([even]) }, { ...open, shaded: { from_h: 10, to_h: 11 } }, Date.parse('2026-07-03T15:30:00Z')).exposure).toBe(0.1);
});
