import fc from 'fast-check';
import { crack, input, jobWith, sheetOf, typed } from '../../testing/job';
import {
  advance,
  beginRehearsal,
  computePlan,
  drawnMishaps,
  keptUntil,
  lifeOf,
  MISHAPS,
  mishapsOf,
  outcomeOf,
  rehearsalOf,
  wastedOf,
  type MishapCode,
  type PlanInput,
  type RehearsalSetup,
  type RehearsalState,
  type RehearsalTaps,
  type StartedBatch,
} from '../index';

const cool: PlanInput = { ...input, conditions: { ...input.conditions, air_C: typed(20), slab_C: typed(20), sun: false } };
const planned = (of: PlanInput) => ({ of, plan: computePlan(of, { ranked: 'chosen' }) });
const setupOf = ({ of, plan }: ReturnType<typeof planned>, codes: readonly MishapCode[] = [], more: Partial<RehearsalSetup> = {}): RehearsalSetup => ({
  ...rehearsalOf({ input: of, plan, codes, luck: 0, seed: 3 }),
  ...more,
});

type Started = { -readonly [K in keyof StartedBatch]: StartedBatch[K] };

/** Somebody plays: what they start each second, and what they say. */
function play(
  made: ReturnType<typeof planned>,
  setup: RehearsalSetup,
  {
    starts = (state, started) => started.every(({ number }) => ['finish', 'done'].includes(state.batches[number]?.stage ?? '')),
    says = () => undefined,
    broke = [],
    hands = made.of.crew.hands,
    until_s = 20_000,
  }: {
    starts?: (state: RehearsalState, started: readonly Started[]) => boolean;
    says?: (state: RehearsalState, started: readonly Started[]) => void;
    broke?: RehearsalTaps['broke'];
    hands?: number;
    until_s?: number;
  } = {},
) {
  const { of, plan } = made;
  const list = plan.batches.filter(({ window }) => window);
  const started: Started[] = [];
  let state = beginRehearsal(setup);
  for (let t = 0; t < until_s; t += 1) {
    const next = list[started.length];
    if (next && t >= keptUntil(broke.filter(({ at_s }) => at_s <= t)) && starts(state, started)) {
      const lived = lifeOf(of, plan, next);
      const touchedBy = lived && lived.touchedBy >= 0 ? plan.batches[lived.touchedBy]!.number : null;
      started.push({
        number: next.number,
        startedAt_s: t,
        placedAt_s: null,
        ends: [],
        foundWrong_s: null,
        batch: next,
        lived,
        hands,
        smallerVessel: false,
        touchedBy,
      });
    }
    says(state, started);
    state = advance(setup, state, { started, left: list.slice(started.length), broke: broke.filter(({ at_s }) => at_s <= t) }, t + 1);
    if (started.length === list.length && Object.values(state.batches).every(({ stage, lost }) => stage === 'done' || lost)) break;
  }
  return { state, started, list, outcome: outcomeOf(state, { started, broke }) };
}

test('who follows the plan on a day like the plan loses nothing and hardly stands', () => {
  const made = planned(cool);
  const { outcome, list } = play(made, setupOf(made));
  expect(outcome).toMatchObject({ started: list.length, lost: 0 });
  expect(outcome.wasted_s).toBeLessThan(60);
  expect(outcome.moments.filter(({ code }) => code !== 'close')).toEqual([]);
});

test('however often it is asked the same day goes the same way, and the seed decides it', () => {
  const made = planned(cool);
  const { started, list } = play(made, setupOf(made));
  const taps: RehearsalTaps = { started, left: list.slice(1), broke: [] };
  const at = (setup: RehearsalSetup, moments: readonly number[]) => moments.reduce((state, to) => advance(setup, state, taps, to), beginRehearsal(setup));
  const setup = setupOf(made, ['sun', 'call', 'wetter'], { luck: 1 });
  fc.assert(
    fc.property(fc.array(fc.double({ min: 0, max: 2000, noNaN: true }), { maxLength: 6 }), (between) =>
      expect(at(setup, [...between.sort((a, b) => a - b), 2001])).toEqual(at(setup, [2001])),
    ),
    { numRuns: 8 },
  );
  expect(at({ ...setup, seed: 4 }, [2001])).not.toEqual(at(setup, [2001]));
  expect(advance(setup, at(setup, [500]), taps, 400)).toEqual(at(setup, [500]));
});

test('left in the pail it goes hard; finished too soon it is not finished; given up, thrown away and idle hands are told', () => {
  const made = planned(cool);
  const setup = setupOf(made);
  const whyOf = (says: (state: RehearsalState, started: readonly Started[]) => void, of = setup) =>
    play(made, of, { says, starts: (_state, started) => started.length === 0, until_s: 4000 }).state.batches['1']!.lost?.why;
  const ended = (kind: 'finished' | 'wentHard' | 'thrown', at_s: number) => (_state: RehearsalState, started: readonly Started[]) => {
    if (started[0]!.ends.length === 0 && _state.at_s >= at_s) started[0]!.ends = [{ kind, at_s }];
  };
  expect(whyOf(() => undefined, { ...setup, hands: 0 })).toBe('hardInPail');
  expect(whyOf(ended('finished', 150))).toBe('unfinished');
  expect(whyOf(ended('wentHard', 150))).toBe('gaveUp');
  expect(whyOf(ended('thrown', 150))).toBe('thrown');
  expect(whyOf(() => undefined)).toBeUndefined();
  const { outcome } = play(made, setup, { starts: (_state, started) => started.length === 0, until_s: 4000 });
  expect(outcome.wasted_s).toBeGreaterThan(2400);
  expect(outcome.moments).toContainEqual(expect.objectContaining({ code: 'idle' }));
});

test('a mix too wet is lost unless somebody finds it before it is laid', () => {
  const made = planned(cool);
  const setup = setupOf(made, ['wetter']);
  const [mishap] = setup.mishaps;
  const wet = String(mishap!.nth);
  const unseen = play(made, setup);
  expect(unseen.state.batches[wet]!.lost?.why).toBe('tooWet');
  const seen = play(made, setup, {
    says: (state, started) => {
      const batch = started.find(({ number }) => number === wet);
      if (batch && state.at_s > batch.startedAt_s + 30 && batch.foundWrong_s === null) batch.foundWrong_s = state.at_s;
    },
  });
  expect(seen.outcome.lost).toBe(0);
  expect(seen.outcome.moments).toContainEqual(expect.objectContaining({ code: 'mishap', what: 'wetter', answered_s: expect.any(Number) }));
});

test('the sun, a hand that leaves, a pail that splits and a phone cost time or life until they are answered', () => {
  const made = planned(cool);
  const first = { nth: 1, after_s: 30 };
  const ends = (code: MishapCode, broke: RehearsalTaps['broke'] = []) => {
    const { state, outcome } = play(made, setupOf(made, [], { mishaps: [{ code, ...first }], sun_K: 8 }), { broke });
    return { took: outcome.took_s, spent: state.batches['2']!.spent, lost: outcome.lost, moments: outcome.moments };
  };
  const calm = play(made, setupOf(made));
  expect(ends('sun').spent).toBeGreaterThan(calm.state.batches['2']!.spent * 1.05);
  expect(ends('fewer').took).toBeGreaterThan(calm.outcome.took_s * 1.2);
  expect(ends('vessel').took).toBeGreaterThan(calm.outcome.took_s + 60);
  expect(ends('call').took).toBeGreaterThan(calm.outcome.took_s);
  expect(ends('call', [{ what: 'call', choice: 'after', at_s: 40 }]).took).toBeLessThan(ends('call').took);
  // Shade comes after its time, and what is fetched is there again.
  const shaded = ends('sun', [{ what: 'sun', choice: 'shadeIt', at_s: 40 }]);
  expect(shaded.moments[0]).toMatchObject({ code: 'mishap', what: 'sun', answered_s: expect.any(Number), choice: 'shadeIt' });
  expect(keptUntil([{ what: 'vessel', choice: 'fetch', at_s: 100 }])).toBe(2200);
  expect(keptUntil([{ what: 'vessel', choice: null, at_s: 100 }])).toBe(0);
});

test('what waits for another goes on it too soon, too late, or in its time', () => {
  const { of, plan } = planned(cool);
  const whyOf = (least_s: number, most_s: number | null, from_s: number) => {
    const batches = plan.batches.map((batch) => (batch.number === '2' ? { ...batch, waits: [{ on: '1', least_s, most_s, reason: 'stiff' as const }] } : batch));
    const made = { of, plan: { ...plan, batches } };
    return play(made, setupOf(made), { starts: (state, started) => started.length === 0 || (started.length === 1 && state.at_s >= from_s), until_s: 9000 })
      .state.batches['2']!.lost?.why;
  };
  expect(whyOf(1800, null, 600)).toBe('tooSoon');
  expect(whyOf(1800, null, 2600)).toBeUndefined();
  expect(whyOf(0, 1800, 4000)).toBe('tooLate');
});

test('what was done on an earlier visit is done; what has no clock is on at once; alone the tool keeps the hands', () => {
  const alone = planned({ ...cool, crew: { ...cool.crew, hands: 1 } });
  const setup = setupOf(alone);
  const [first, second] = alone.plan.batches;
  const of = (batch: typeof first, startedAt_s: number, more: Partial<StartedBatch> = {}): StartedBatch => ({
    number: batch!.number,
    startedAt_s,
    placedAt_s: null,
    ends: [],
    foundWrong_s: null,
    batch: batch!,
    lived: lifeOf(alone.of, alone.plan, batch!),
    hands: 1,
    smallerVessel: true,
    touchedBy: null,
    ...more,
  });
  const before = of(first, -4000, { ends: [{ kind: 'finished', at_s: -3000 }] });
  const at = (taps: RehearsalTaps, to_s: number) => advance(setup, beginRehearsal(setup), taps, to_s);
  const taps: RehearsalTaps = { started: [before, of(second, 10)], left: [], broke: [] };
  expect(at(taps, 30).batches[first!.number]).toMatchObject({ stage: 'done', laidAt_s: -4000, lost: null });
  expect(outcomeOf(at(taps, 30), taps).started).toBe(1);
  const brushed = of(first, 5, { lived: null });
  expect(at({ started: [brushed], left: [], broke: [] }, 10).batches[first!.number]).toMatchObject({ stage: 'done', laidAt_s: 5 });
  // Begun at once, both: while one hand mixes nothing is laid.
  const both: RehearsalTaps = { started: [of(first, 0), of(second, 1)], left: [], broke: [] };
  const apart: RehearsalTaps = { started: [of(first, 0)], left: [], broke: [] };
  expect(at(both, 1000).batches[first!.number]!.laidAt_s!).toBeGreaterThan(at(apart, 1000).batches[first!.number]!.laidAt_s! + 60);
  const alright = play(alone, setup, { starts: (state, started) => started.every(({ number }) => state.batches[number]?.stage === 'done'), hands: 1 });
  expect(alright.outcome.lost).toBeLessThan(alright.list.length);
});

test('an edge that has gone hard is a cold joint, a face that dries too fast skins, and a way that is chosen has its time', () => {
  const made = planned(cool);
  const list = made.plan.batches;
  const lived = lifeOf(made.of, made.plan, list[0]!)!;
  const of = (nth: number, startedAt_s: number, more: Partial<StartedBatch> = {}): StartedBatch => ({
    number: list[nth]!.number,
    startedAt_s,
    placedAt_s: null,
    ends: [],
    foundWrong_s: null,
    batch: { ...list[nth]!, waits: [] },
    lived: lifeOf(made.of, made.plan, list[nth]!),
    hands: made.of.crew.hands,
    smallerVessel: false,
    touchedBy: null,
    ...more,
  });
  const setup = setupOf(made);
  const at = (started: readonly StartedBatch[], to_s: number) => advance(setup, beginRehearsal(setup), { started, left: [], broke: [] }, to_s).batches;
  expect(at([of(0, 0, { touchedBy: list[1]!.number }), of(1, 3000)], 4500)[list[0]!.number]!.lost?.why).toBe('coldJoint');
  const dry = of(0, 0, { lived: { ...lived, skin_s: 20 } });
  expect(at([dry], 1500)[list[0]!.number]!.lost?.why).toBe('skinned');
  const stiff = of(0, 0, { lived: { ...lived, ratio: 0.1 } });
  expect(at([stiff], 1500)[list[0]!.number]!.lost?.why).toBe('stiff');
  expect((['fetch', 'shadeIt', 'cover', 'pause', 'after'] as const).map((choice) => keptUntil([{ what: 'call', choice, at_s: 0 }]))).toEqual([
    2100, 600, 600, 600, 0,
  ]);
  // Wet, and left by the tool before anybody looked.
  const wet = setupOf(made, [], { mishaps: [{ code: 'wetter', nth: 1, after_s: 0 }] });
  const early = of(0, 0, { ends: [{ kind: 'finished', at_s: lived.first_s + lived.place_s + lived.finish_s * 0.95 }] });
  expect(advance(wet, beginRehearsal(wet), { started: [early], left: [], broke: [] }, 2000).batches[list[0]!.number]!.lost?.why).toBe('tooWet');
  const fetched = setupOf(made, [], { mishaps: [{ code: 'fewer', nth: 1, after_s: 5 }] });
  const back = (choice: string) =>
    advance(fetched, beginRehearsal(fetched), { started: [of(0, 0)], left: [], broke: [{ what: 'fewer', choice, at_s: 10 }] }, 2500).hands;
  expect([back('goOn'), back('fetch')]).toEqual([made.of.crew.hands - 1, made.of.crew.hands]);
});

test('a crack in shots is squeezed by one hand, comes to its end, and nothing in it can be mixed wetter', () => {
  const line: PlanInput = jobWith(crack, sheetOf('crackResin'), { conditions: cool.conditions });
  const made = planned(line);
  const shot = made.plan.batches.find(({ shots }) => shots !== null)!;
  expect(mishapsOf({ plan: made.plan, hands: 2, codes: ['wetter', 'call'], seed: 4 }).map(({ code }) => code)).toEqual(['call']);
  const { state } = play(made, setupOf(made), { until_s: 4000 });
  expect(state.batches[shot.number]!.stage).toBe('done');
  // What changes through the day is told by its mean; where nothing has a clock there is nothing for the sun to warm.
  expect(rehearsalOf({ input: line, plan: made.plan, codes: ['sun'], luck: 0, seed: 1 }).sun_K).toBeGreaterThanOrEqual(4);
  expect(rehearsalOf({ input: line, plan: { ...made.plan, batches: [] }, codes: ['sun'], luck: 0, seed: 1 }).mishaps).toEqual([]);
});

test('mishaps come in their time, once each, and only those that can', () => {
  const { plan } = planned(cool);
  for (let seed = 1; seed < 20; seed += 1) {
    const drawn = mishapsOf({ plan, hands: 2, codes: MISHAPS, seed });
    expect(drawn.map(({ code }) => code).sort()).toEqual([...MISHAPS].sort());
    for (const { nth, after_s } of drawn) {
      expect(nth).toBeGreaterThanOrEqual(1);
      expect(nth).toBeLessThanOrEqual(plan.batches.length);
      expect(after_s).toBeGreaterThanOrEqual(0);
    }
    expect(mishapsOf({ plan, hands: 1, codes: MISHAPS, seed }).some(({ code }) => code === 'fewer')).toBe(false);
    expect(new Set(drawnMishaps(3, seed)).size).toBe(3);
  }
  const sunny = rehearsalOf({ input, plan: computePlan(input, { ranked: 'chosen' }), codes: ['sun'], luck: 1, seed: 1 });
  expect(sunny.mishaps).toEqual([]);
  const shade = rehearsalOf({ input: cool, plan, codes: ['sun'], luck: 1, seed: 1 });
  expect(shade.sun_K).toBeGreaterThanOrEqual(4);
  expect(wastedOf({ idle: [{ from_s: 0, to_s: 30 }] })).toBe(0);
});
