import { input } from '../../testing/job';
import { nextDoseOf, shadedOf, type PlanInput } from '../index';
import { freedBy } from './freedBy';
import type { DayAsk } from './DayPlan';

const H = 3600;
const ask: DayAsk = { firstWater_s: null, from_s: 5 * H, opensBy_s: null };

test('shade takes the sun off what it lies on, and of nothing in the sun there is none', () => {
  expect(shadedOf(input)!.conditions.sun).toBe(false);
  const cloudy: PlanInput = { ...input, conditions: { ...input.conditions, sun: false } };
  expect(shadedOf(cloudy)).toBeNull();
  const site = { latitude_deg: 44, longitude_deg: 0, firstWater: '2026-05-12T12:00:00Z', weather: { from: '2026-05-12T00:00:00Z', hours: [] } };
  expect(shadedOf({ ...cloudy, site })!.elements.map(({ sun }) => sun?.exposure)).toEqual(['shade']);
  const roof = input.elements.map((element) => ({ ...element, sun: { exposure: 'indoors' as const, faces_deg: 180, absorptivity: 0.6 } }));
  expect(shadedOf({ ...cloudy, site, elements: roof })).toBeNull();
  expect(shadedOf({ ...input, elements: roof })!.elements).toEqual(roof);
});

test('the next dose of retarder is the least over what goes in, and none over the most', () => {
  const dose = nextDoseOf(input)!;
  expect(dose).toBeGreaterThan(0);
  const most = input.sheets.find(({ id }) => id === input.treatments[0]!.sheetId)!.retarder.at(-1)![0];
  expect(nextDoseOf({ ...input, batch: { ...input.batch, retarderDose: most } })).toBeUndefined();
  expect(nextDoseOf({ ...input, treatments: [{ findingId: 'f', sheetId: 'none' }] })).toBeUndefined();
});

test('a limit that nobody asked for, or that no change is enough of, frees nothing', () => {
  const never = () => ({ holds: false, starts_s: {} });
  const always = () => ({ holds: true, starts_s: {} });
  for (const limit of ['pins', 'fixed', 'opensBy', 'weather'] as const) expect(freedBy(limit, ask, never)).toBeNull();
  for (const limit of ['pins', 'fixed'] as const) expect(freedBy(limit, ask, always)).toBeNull();
  for (const limit of ['opensBy', 'weather'] as const) expect(freedBy(limit, ask, always)).toEqual({ limit, by_s: 300, id: null });
  // Of two bars the one that is moved least.
  const pins = { 'mix 1': 6 * H, 'mix 2': 7 * H };
  const freed = freedBy('pins', { ...ask, pins }, ({ pins: kept = {} }) => ({
    holds: true,
    starts_s: 'mix 1' in kept ? { 'mix 2': 7 * H + 900 } : { 'mix 1': 8 * H },
  }));
  expect(freed).toEqual({ limit: 'pins', by_s: 900, id: 'mix 2' });
  expect(freedBy('pins', { ...ask, pins }, () => ({ holds: true, starts_s: {} }))).toBeNull();
  // Work that begins at midnight goes later, never before it.
  const fixed = [{ id: 'x', name: 'x', start_s: 0, duration_s: H, hands: 1 }];
  expect(freedBy('fixed', { ...ask, fixed }, ({ fixed: moved }) => ({ holds: moved![0]!.start_s >= H, starts_s: {} }))).toEqual({
    limit: 'fixed',
    by_s: H,
    id: 'x',
  });
});
