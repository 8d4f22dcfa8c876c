import { computePlan, dayPlanOf, oddsOf, weekAsks, weekOf } from '@tufa/core/plan';
import { monteCarloLives, workingLife, type CourseInput } from '@tufa/core/setting';
import { rectangle, volumeFromReadings, type DepthReading } from '@tufa/core/takeoff';
import { surfaceConduction } from '@tufa/core/weather';
import { exampleJob } from './example';

const timed = (times: number, work: (i: number) => unknown): number => {
  for (let i = 0; i < Math.min(times, 50); i += 1) work(i);
  const begun = performance.now();
  for (let i = 0; i < times; i += 1) work(i);
  return (performance.now() - begun) / times;
};

const course = (i: number): CourseInput => ({
  pail_life_s: 720,
  film_life_s: 720,
  Ea_J_mol: 55000,
  mix_C: 15 + (i % 20),
  surroundings_C: 26,
  mass_kg: 14,
  surface_C: 31,
  thickness_m: 0.02,
  placed_after_s: 150,
});

/** Two hundred readings of a dish, scattered by the golden ratio. */
const readings: DepthReading[] = Array.from({ length: 200 }, (_, i) => {
  const x = ((i * 0.6180339887498949) % 1) * 1.98 + 0.01;
  const y = ((i + 0.5) / 200) * 0.98 + 0.01;
  return [x, y, 0.04 * (1 - ((x - 1) ** 2 + (y - 0.5) ** 2) / 1.3)];
});

const HOUR_S = 3600;
const HOUR_MS = 3_600_000;

/** A job's hardest batch as ten products, in sixteen hours of each of seven days. */
function weekBench(input: Parameters<typeof weekAsks>[0], plan: Parameters<typeof weekAsks>[1]): number {
  const from_ms = Date.parse('2026-07-03T00:00:00Z');
  const hours = Array.from({ length: 264 }, (_, i) => ({
    air_C: 20 + 8 * Math.cos(((i - 15) / 24) * 2 * Math.PI),
    humidity: 0.5,
    wind10_ms: 3,
    cloud: 0.2,
    irradiance_Wm2: null,
    rainChance: 0.1,
  }));
  const at_ms = Array.from({ length: 7 * 24 }, (_, i) => i).flatMap((i) => (i % 24 >= 5 && i % 24 <= 20 ? [from_ms + (72 + i) * HOUR_MS] : []));
  const found = weekAsks(input, plan);
  const asks = Array.from({ length: 10 }, (_, i) => ({ ...found[i % found.length]!, key: String(i) }));
  const site = { latitude_deg: 44, longitude_deg: 0, weather: { from: new Date(from_ms).toISOString(), hours } };
  return timed(5, () => weekOf({ asks, site, conditions: input.conditions, at_ms, now_ms: from_ms + 72 * HOUR_MS }));
}

/** The core's own speed on one core of this machine: a figure's name with its unit, its value, and what it may be at most. */
export function coreBench(): [name: string, value: number, limit?: { readonly most: number }][] {
  const whole = exampleJob();
  const { site: _site, ...still } = { ...whole, findings: whole.findings.slice(0, 1), treatments: whole.treatments.slice(0, 1) };
  const plan_ms = timed(30, () => computePlan(still));
  // New weather each time, so that nothing is remembered.
  const fresh = () => ({ ...whole.site!, weather: { ...whole.site!.weather } });
  const changing_ms = timed(10, () => computePlan({ ...still, site: fresh() }));
  const all_ms = timed(10, () => computePlan({ ...whole, site: fresh() }));
  const life_ms = timed(5000, (i) => workingLife(course(i)));
  const spread = { mix_K: 2, surroundings_K: 2, surface_K: 3, sdLn: 0.32 };
  const monte_ms = timed(20, (seed) => monteCarloLives({ course: course(5), spread, seed, count: 10_000 }));
  const outline = rectangle({ length_m: 2, width_m: 1 });
  const volume_ms = timed(20, () => volumeFromReadings({ outline, readings, edge: 'feathered' }));
  const weather = { air_C: 26, humidity: 0.5, wind_ms: 2, irradiance_Wm2: 600, cloud: 0, absorptivity: 0.65, exposure: 1, sky: 1, wet: false };
  const day_ms = timed(10, () => surfaceConduction({ profile_C: 20, depth_m: 0.4, stretches: [{ ...weather, for_s: 86400 }] }));
  const bare_ms = timed(30, () => computePlan(still, { ranked: 'chosen' }));
  const chosen = computePlan(whole, { ranked: 'chosen' });
  const week_ms = weekBench(whole, chosen);
  const ask = { firstWater_s: 9 * HOUR_S, from_s: 6 * HOUR_S, opensBy_s: null };
  const dayPlan_ms = timed(3, () => dayPlanOf(whole, chosen, ask));
  const day = dayPlanOf(whole, chosen, ask);
  const odds_ms = timed(3, () => oddsOf(whole, chosen, day, ask));
  const ns = (ms: number, steps: number): number => (ms * 1e6) / steps;
  return [
    ['a job plan, one finding, temperatures held, ms', plan_ms],
    ['a job plan, one finding, through a changing day, ms', changing_ms, { most: 15 }],
    ['a job plan, ten findings of every kind through a changing day, ms', all_ms, { most: 50 }],
    ['the same without the shelf, as a screen that shows none plans, ms', bare_ms],
    ['the week of ten products by the hour, ms', week_ms, { most: 120 }],
    [`a day of ${day.bars.length} operations put in order, ms`, dayPlan_ms, { most: 200 }],
    ['10,000 days of it, ms', odds_ms, { most: 1000 }],
    ['working lives a second on one core', 1000 / life_ms],
    ['a rate evaluation, ns', ns(life_ms, 100)],
    ['10,000 Monte Carlo lives, ms', monte_ms],
    ['volume from 200 readings with its range, ms', volume_ms],
    ['conduction through a day, ms', day_ms],
    ['conduction, a node a step, ns', ns(day_ms, 17280 * 81)],
  ];
}
