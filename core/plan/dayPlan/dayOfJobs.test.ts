import { input } from '../../testing/job';
import { computePlan, dayOfJobs, type DayAsk, type JobOfDay } from '../index';

const H = 3600;
const plan = computePlan(input, { ranked: 'chosen' });
const job = (ask: Partial<DayAsk> = {}): JobOfDay => ({ input, plan, ask: { firstWater_s: null, from_s: 5 * H, opensBy_s: null, ...ask } });
const at = (turns: ReturnType<typeof dayOfJobs>) => turns.map(({ nth }) => nth);

test('one after another, with the way between them, nobody before the hour', () => {
  const turns = dayOfJobs([job(), job()], { travel_s: 1800, from_s: 6 * H });
  expect(turns).toHaveLength(2);
  expect(turns[0]!.arrive_s).toBeGreaterThanOrEqual(6 * H);
  expect(turns[1]!.arrive_s).toBeGreaterThanOrEqual(turns[0]!.done_s! + 1800);
  for (const { firstWater_s, arrive_s, done_s, late, clash } of turns) {
    expect(firstWater_s!).toBeGreaterThan(arrive_s);
    expect(done_s!).toBeGreaterThan(firstWater_s!);
    expect([late, clash]).toEqual([false, false]);
  }
});

test('what must be open first, or has its good hours in the morning, goes first; what cannot hold is told', () => {
  const [first] = dayOfJobs([job()], { travel_s: 0, from_s: 6 * H });
  const opens = first!.done_s! + 3 * H;
  expect(at(dayOfJobs([job(), job({ opensBy_s: opens })], { travel_s: 1800, from_s: 6 * H }))).toEqual([1, 0]);
  const sheetId = input.treatments[0]!.sheetId;
  const morning = job({ good: { [sheetId]: [[6 * H, first!.done_s!]] } });
  expect(at(dayOfJobs([job(), morning], { travel_s: 1800, from_s: 6 * H }))).toEqual([1, 0]);
  const both = dayOfJobs([job({ opensBy_s: opens }), job({ opensBy_s: opens })], { travel_s: 1800, from_s: 6 * H });
  expect(both.filter(({ late, clash }) => late || clash)).toHaveLength(1);
  expect(dayOfJobs([], { travel_s: 0, from_s: 0 })).toEqual([]);
});

test('more than four are taken as they come', () => {
  const turns = dayOfJobs([job(), job(), job(), job(), job({ opensBy_s: 8 * H })], { travel_s: 600, from_s: 6 * H });
  expect(at(turns)).toEqual([0, 1, 2, 3, 4]);
});
