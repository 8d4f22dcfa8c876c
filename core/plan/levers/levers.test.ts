import fc from 'fast-check';
import { input, sheetOf, typed } from '../../testing/job';
import {
  computePlan,
  leverCombinations,
  leversOf,
  PLAN,
  questionFor,
  Site,
  slackOf,
  takeOffOf,
  windowFor,
  type LeverRequest,
  type WindowQuestion,
  prepared,
} from '../index';

const hot = { ...input.conditions, air_C: typed(35), slab_C: typed(46), powder_C: typed(33), water_C: typed(26), wind_ms: typed(3), humidity: typed(0.3) };
const requestOf = (wanted_s: number, change: Partial<WindowQuestion> = {}, grid: number[] = [1, 0.5, 0.25]): LeverRequest => {
  const takeOff = takeOffOf(input.findings[0]!);
  const { elements, findings } = input;
  const given = { input: prepared({ ...input, conditions: hot }), element: elements[0]!, finding: findings[0]! };
  const question = { ...questionFor({ ...given, takeOff, sheet: sheetOf('sandedRapid'), share: 0.5 }), ...change };
  return { question, answer: windowFor(question), grid, wanted_s };
};

test('each lever that reaches alone is no stronger than it must be, and its window is what was asked for', () => {
  fc.assert(
    fc.property(fc.double({ min: 1.05, max: 1.8, noNaN: true }), (factor) => {
      const plain = requestOf(0);
      const wanted_s = plain.answer.window.placeBy_s * factor;
      const request = requestOf(wanted_s);
      for (const { change, needed, limit, code } of leversOf(request)) {
        const slack = slackOf(windowFor({ ...request.question, ...change }), wanted_s);
        if (needed) expect(slack).toBeGreaterThanOrEqual(-1e-6);
        else expect(limit).not.toBeNull();
        // A smooth lever stops where it is just enough; to a thousandth of its reach.
        if (needed && ['coolWater', 'ice', 'coolPowder', 'shadeSlab', 'wetSlab'].includes(code)) expect(slack).toBeLessThan(3);
      }
    }),
    { numRuns: 12 },
  );
});

test('those that reach come first, the least trouble before the more', () => {
  const levers = leversOf(requestOf(requestOf(0).answer.window.placeBy_s * 1.15));
  const reaching = levers.filter(({ needed }) => needed);
  expect(reaching.length).toBeGreaterThan(1);
  expect(levers.slice(0, reaching.length)).toEqual(reaching);
  expect(reaching.map(({ trouble }) => trouble)).toEqual([...reaching.map(({ trouble }) => trouble)].sort((a, b) => a - b));
  expect(levers.every(({ code, trouble }) => PLAN.levers[code] === trouble)).toBe(true);
});

test('where none reaches alone two together do, else three; nothing is combined that turns the same thing', () => {
  const base = requestOf(0).answer.window.placeBy_s;
  let pairs = 0;
  for (const factor of [1.5, 2.2, 2.6, 3, 3.4, 9]) {
    const request = requestOf(base * factor);
    const alone = leversOf(request).some(({ needed }) => needed);
    const found = leverCombinations(request);
    for (const { moves, change, slack_s, trouble } of found) {
      pairs += 1;
      expect(slackOf(windowFor({ ...request.question, ...change }), base * factor)).toBeCloseTo(slack_s, 6);
      expect(slack_s).toBeGreaterThanOrEqual(-1e-6);
      expect(trouble).toBe(moves.reduce((sum, { code }) => sum + PLAN.levers[code], 0));
      const codes = moves.map(({ code }) => code);
      expect(codes.includes('ice') && codes.includes('coolWater')).toBe(false);
      expect(codes.includes('shadeSlab') && codes.includes('wetSlab')).toBe(false);
    }
    if (factor === 9) expect([alone, found]).toEqual([false, []]);
  }
  expect(pairs).toBeGreaterThan(2);
  expect(leverCombinations(requestOf(0, { slab_C: 20, air_C: 20, powder_C: 20, sun: false }))).toEqual([]);
});

test('a dose in citric acid goes in sixths of its most; a resin is neither watered nor iced', () => {
  const citric = {
    ...sheetOf('sandedRapid'),
    retarderUnit: 'citric' as const,
    retarder: [
      [0, 1],
      [0.006, 2],
    ] as const,
  };
  const dose = leversOf(requestOf(0, { sheet: citric })).find(({ code }) => code === 'retarder')!.figures['dose'];
  expect(dose).toBeCloseTo(0.001, 9);
  const resin = leversOf(requestOf(900, { sheet: sheetOf('crackResin') })).map(({ code }) => code);
  expect(resin).not.toContain('ice');
  expect(resin).not.toContain('wetSlab');
});

test('with a day another hour is tried, the nearest that does', () => {
  const hours = Array.from({ length: 48 }, (_, i) => ({
    air_C: 24 + 8 * Math.cos(((i - 16) / 12) * Math.PI),
    humidity: 0.3,
    wind10_ms: 3,
    cloud: 0,
    irradiance_Wm2: null,
  }));
  const placed = { latitude_deg: 43, longitude_deg: -76, firstWater: '2026-07-03T19:00:00.000Z', weather: { from: '2026-07-02T04:00:00.000Z', hours } };
  const assumed = { value: 21, source: 'assumed' } as const;
  const conditions = { ...hot, air_C: assumed, slab_C: assumed, humidity: { ...assumed, value: 0.5 }, wind_ms: { ...assumed, value: 1.5 } };
  const site = new Site(placed, input.elements[0]!, conditions);
  const takeOff = takeOffOf(input.findings[0]!);
  const question = questionFor({
    input: prepared({ ...input, conditions }),
    element: input.elements[0]!,
    finding: input.findings[0]!,
    takeOff,
    sheet: sheetOf('sandedRapid'),
    share: 0.5,
    site,
  });
  const answer = windowFor(question);
  const request = { question, answer, grid: [0.5], site, wanted_s: answer.window.placeBy_s * 1.02 };
  const hour = leversOf(request).find(({ code }) => code === 'hour')!;
  const hours_h = hour.needed!['hours']!;
  expect(slackOf(windowFor({ ...question, ...hour.change }), request.wanted_s)).toBeGreaterThanOrEqual(0);
  const nearer = site.hour(hours_h - Math.sign(hours_h), 7200);
  expect(slackOf(windowFor({ ...question, ...nearer }), request.wanted_s)).toBeLessThan(0);
  // What no hour gives is left out when it gives next to nothing, or told with what stops it.
  const never = leversOf({ ...request, wanted_s: 1e5 }).filter(({ code }) => code === 'hour');
  expect(never.every(({ needed, limit }) => needed === null && limit === 'hours')).toBe(true);
});

test('a plan whose window is too short says what would do, alone or together', () => {
  const short = { ...input, conditions: hot, wanted_s: 500 };
  const { levers, combinations } = computePlan(short).findings[0]!.chosen!;
  expect(levers.some(({ needed }) => needed) || combinations.length > 0).toBe(true);
  expect(levers.filter(({ needed }) => needed === null).every(({ limit }) => limit !== null)).toBe(true);
});

test('water that no hose gives is told all the same: with it the mix is as warm as ice would make it', () => {
  const base = requestOf(0).answer.window.placeBy_s;
  const told = Array.from({ length: 30 }, (_, i) => 1 + i * 0.05).flatMap((factor) =>
    leversOf(requestOf(base * factor)).filter(({ code, wouldNeed }) => code === 'coolWater' && wouldNeed),
  );
  expect(told.length).toBeGreaterThan(0);
  for (const { wouldNeed, needed, limit } of told) {
    expect([needed, limit]).toEqual([null, 'coldWater']);
    expect(wouldNeed!['water_C']).toBeLessThan(2);
  }
  expect(leversOf(requestOf(base * 1.05)).every(({ wouldNeed }) => wouldNeed === null)).toBe(true);
});
