import { chosenOf, element, finding, input, jobWith, sheetOf, typed } from '../../testing/job';
import { crewRecordOf } from '../../testing/record';
import type { HourWeather } from '../../weather';
import { computePlan, type PlanInput } from '../index';

const HOURS = 72;
const cool = { value: 8, source: 'assumed' } as const;
/** Three days from noon: so warm by day, so cold in each of the nights, and rain where it is told. */
const days = (night_C: readonly number[], change: (hour: number) => Partial<HourWeather> = () => ({})): PlanInput => ({
  ...input,
  elements: [{ ...element, opens: null }],
  conditions: { ...input.conditions, air_C: cool, slab_C: cool, powder_C: typed(10), water_C: typed(10), sun: false },
  site: {
    latitude_deg: 43,
    longitude_deg: -76,
    firstWater: '2026-11-03T17:00:00.000Z',
    weather: {
      from: '2026-11-03T17:00:00.000Z',
      hours: Array.from({ length: HOURS }, (_, i): HourWeather => {
        const night = i % 24 >= 6 && i % 24 <= 18;
        return { air_C: night ? night_C[Math.floor(i / 24)]! : 9, humidity: 0.7, wind10_ms: 2, cloud: 1, irradiance_Wm2: night ? 0 : 150, ...change(i) };
      }),
    },
  },
});
const codes = (job: PlanInput): string[] => computePlan(job).warnings.map(({ code }) => code);
/** A mortar so slow that it is weak for days. */
const slow = { ...sheetOf('portlandTopping'), thickness: { ...sheetOf('portlandTopping').thickness, most_m: 0.1, liftMost_m: 0.1 } };
const slowly = (job: PlanInput): PlanInput => ({ ...job, sheets: [slow], treatments: [{ findingId: 'f', sheetId: slow.id }] });

test('frost is looked for in every hour that is known, the night after next included', () => {
  expect(codes(slowly(days([4, 4, 4])))).not.toContain('frost.early');
  expect(codes(slowly(days([-4, 4, 4])))).toContain('frost.early');
  const later = {
    ...slow,
    strengths: [
      [4 * 86400, 3],
      [28 * 86400, 30],
    ] as const,
  };
  const weak = (job: PlanInput): PlanInput => ({ ...slowly(job), sheets: [later] });
  expect(codes(weak(days([4, -6, 4])))).toContain('frost.early');
  // A rapid mortar stands the second night.
  expect(codes(days([4, -6, 4]))).not.toContain('frost.early');
  // A sheet without strengths takes its class's, and that is said.
  expect(codes({ ...slowly(days([-6, 4, 4])), sheets: [{ ...slow, strengths: [], strengthFor: {} }] })).toContain('frost.assumed');
});

test('rain: told, it must come after a foot may; likely, it is a caution; indoors there is none', () => {
  const told = (rain_s: number, change: Partial<PlanInput> = {}): string[] => codes({ ...input, conditions: { ...input.conditions, rain_s }, ...change });
  expect(told(1800)).toContain('rain.fill');
  expect(told(20 * 3600)).not.toContain('rain.fill');
  // Within a time longer than it is soft, it may still come while it is.
  expect(told(20 * 3600)).toContain('rain.fillSoon');
  const indoors = { ...element, sun: { exposure: 'indoors', faces_deg: 0, absorptivity: 0.65 } } as const;
  expect(told(1800, { elements: [indoors] })).not.toContain('rain.fill');
  const likely = (rainChance: number, at: number): string[] => codes(days([6, 6, 6], (hour) => ({ rainChance: hour === at ? rainChance : 0 })));
  expect(likely(0.3, 1)).toContain('rain.fillChance');
  expect(likely(0.29, 1)).not.toContain('rain.fillChance');
  expect(likely(0.9, 40)).not.toContain('rain.fillChance');
});

test('what opens it counts its lifts, the wait before its overlay, and the overlay', () => {
  const sheet = sheetOf('sandedRapid');
  const open = { elements: [{ ...element, opens: null }] };
  const thin = { ...sheet, thickness: { ...sheet.thickness, liftMost_m: 0.02 } };
  const [whole, lifts] = [chosenOf(jobWith(finding, sheet, open)), chosenOf(jobWith(finding, thin, open))];
  expect([whole.lifts, lifts.lifts]).toEqual([1, 2]);
  expect(whole.opens!.after_s).toBeCloseTo(whole.readiness.find(({ name }) => name === 'foot')!.after_s, 6);
  expect(lifts.opens!.after_s - whole.opens!.after_s).toBeGreaterThan(600);
  const broom = sheetOf('broomOverlay').id;
  const overlaid = jobWith(finding, sheet, {
    ...open,
    treatments: [{ findingId: 'f', sheetId: sheet.id, overlay: { sheetId: broom, thickness_m: 0.003, over: 'patch' } }],
  });
  const system = chosenOf(overlaid);
  const over = system.overlay!.chosen.opens!;
  expect(system.opens!.after_s).toBeGreaterThan(over.after_s + sheet.intervals!.recoat.least_s / 3);
  // Asked to open sooner than that, the overlay is refused.
  const asked = { ...overlaid, elements: [{ ...element, opens: { to: 'foot' as const, after_s: Math.round(over.after_s * 1.1) } }] };
  expect(chosenOf(asked).refused.map(({ code }) => code)).toContain('open.late');
});

test('a record that lives longer sets its final later too, and permits nothing sooner; one that lives shorter permits nothing sooner either', () => {
  const plain = chosenOf(input).readiness;
  const at = (readiness: typeof plain, name: string): number => readiness.find((milestone) => milestone.name === name)!.after_s;
  const [slower, quicker] = [1.6, 0.6].map((ratio) => chosenOf(crewRecordOf(input, sheetOf('sandedRapid'), ratio)).readiness);
  expect(at(slower!, 'final')).toBeGreaterThan(at(plain, 'final') * 1.2);
  expect(at(quicker!, 'final')).toBeLessThan(at(plain, 'final'));
  expect(at(slower!, 'foot')).toBeGreaterThan(at(plain, 'foot'));
  expect(at(quicker!, 'foot')).toBeGreaterThanOrEqual(at(plain, 'foot') * 0.98);
});
