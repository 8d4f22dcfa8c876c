import { input, typed } from '../../testing/job';
import { computePlan, dayPlanOf, oddsOf, type PlanInput } from '../index';
import type { DayAsk } from './DayPlan';

const ask: DayAsk = { firstWater_s: 36000, from_s: 21600, opensBy_s: null };
const calm = { rateDay: 0, rateBatch: 0, air_K: 0, windLn: 0, humidity: 0 };
/** Read to the degree: nothing but the lives is left to chance. */
const read: PlanInput = {
  ...input,
  conditions: {
    ...input.conditions,
    powder_C: { ...typed(22), spread: 0 },
    water_C: { ...typed(16), spread: 0 },
    air_C: { ...typed(24), spread: 0 },
    slab_C: { ...typed(26), spread: 0 },
  },
};

const dayOf = (of: PlanInput, asked = ask) => {
  const plan = computePlan(of, { ranked: 'chosen' });
  return { plan, day: dayPlanOf(of, plan, asked), asked, of };
};
const odds = ({ plan, day, asked, of }: ReturnType<typeof dayOf>, more: Parameters<typeof oddsOf>[4] = {}) => oddsOf(of, plan, day, asked, more)!;

test('with nothing but the lives drawn the chance of a batch is that of its window', () => {
  const made = dayOf(read);
  const { lost } = odds(made, { spreads: calm, days: 40_000 });
  for (const { number, window } of made.plan.batches) if (window) expect(Math.abs(lost[number]! - window.chanceLost)).toBeLessThan(0.012);
});

test('the less is sure the more is lost and the wider the day; the same seed is the same day', () => {
  const made = dayOf(read);
  const [still, usual] = [odds(made, { spreads: calm }), odds(made)];
  const spread = ({ done }: typeof still): number => done.p90 - done.p10;
  expect(usual.noneLost).toBeLessThanOrEqual(still.noneLost);
  expect(spread(usual)).toBeGreaterThan(spread(still));
  expect(usual.done.p10).toBeLessThanOrEqual(usual.done.p50);
  expect(odds(made)).toEqual(usual);
  expect(odds(made, { seed: 2 })).not.toEqual(usual);
});

test('a crew that is slower or quicker than planned goes on at its own pace: nothing is mixed before there are hands for it', () => {
  const made = dayOf({ ...read, crew: { ...read.crew, hands: 3 } });
  const still = odds(made, { spreads: calm });
  const paced = odds(made, { spreads: { ...calm, rateDay: 0.2 } });
  // Slower hands spend more of each life; they do not let the next pail stand.
  expect(paced.noneLost).toBeGreaterThan(still.noneLost - 0.25);
  expect(paced.done.p10).toBeLessThan(still.done.p50);
  expect(paced.done.p90).toBeGreaterThan(still.done.p50);
});

test('rain in an hour spoils what does not bear by then, as often as it rains; what is under a roof it does not reach', () => {
  const made = dayOf(read);
  const last = Math.max(...made.day.bars.filter(({ code }) => code === 'lay').map(({ end_s }) => end_s));
  const hour = Math.floor(last / 3600);
  const rain = Array.from({ length: 30 }, (_, h) => (h === hour ? 0.4 : 0));
  const dry = odds(made, { spreads: calm }).noneLost;
  expect(Math.abs(odds({ ...made, asked: { ...ask, rain } }, { spreads: calm }).noneLost - dry * 0.6)).toBeLessThan(0.02);
  const roof = dayOf({ ...read, elements: read.elements.map((element) => ({ ...element, sun: { exposure: 'indoors' as const, hours: [] } as never })) });
  expect(odds({ ...roof, asked: { ...ask, rain } }, { spreads: calm }).noneLost).toBeCloseTo(odds(roof, { spreads: calm }).noneLost, 9);
  // Wind that is not known makes a skin less sure, either way.
  const windy = dayOf({ ...read, conditions: { ...read.conditions, wind_ms: typed(6), humidity: typed(0.3) } });
  expect(odds(windy, { spreads: { ...calm, windLn: 0.6 } }).noneLost).not.toBe(odds(windy, { spreads: calm }).noneLost);
});

test('an opening that has hours to spare is met on nearly every day, one asked at the very moment on few', () => {
  const open = dayOf(read).day.opens!.at_s;
  const met = (opensBy_s: number): number => odds(dayOf(read, { ...ask, opensBy_s })).opensInTime!;
  expect(met(open + 4 * 3600)).toBeGreaterThan(0.98);
  expect(met(open + 300)).toBeLessThan(0.8);
  expect(oddsOf(read, dayOf(read).plan, { ...dayOf(read).day, done_s: null }, ask)).toBeNull();
});
