import fc from 'fast-check';
import {
  checksOf,
  fold,
  fullOf,
  nextDamp,
  nextOf,
  rolesOf,
  siteClocks,
  startedTwice,
  takenOf,
  usedOf,
  type EventKind,
  type Follow,
  type PourEvent,
} from './index';

let seq = 0;
const event = (kind: EventKind, at: number, change: Partial<PourEvent> = {}): PourEvent => {
  seq += 1;
  return {
    id: `e${seq}`,
    jobId: 'j',
    findingId: 'f',
    planId: 'p',
    batch: '1',
    device: 'd',
    seq,
    deviceAt: at * 1000,
    clockOffset: 0,
    person: 'lead',
    kind,
    v: 1,
    payload: {},
    ...change,
  };
};
const tested = (test: string, at: number, passed: boolean): PourEvent => event('tested', at, { payload: { test, passed } });
const FOLLOWS: readonly Follow[] = [
  { code: 'nextLift', after_s: 600, until_s: 3600 },
  { code: 'strip', after_s: 1200, until_s: null },
  { code: 'foot', after_s: 7200, until_s: null },
];
const clocks = (...taps: PourEvent[]) => siteClocks(FOLLOWS, fold([event('start', 0), event('finished', 300), ...taps])[0]!);
const at = (code: string, ...taps: PourEvent[]): number => clocks(...taps).find((clock) => clock.code === code)!.at / 1000;

test('what follows stands by the plan until a hand says otherwise', () => {
  expect(clocks().map(({ code, at: due, until }) => [code, due / 1000, until && until / 1000])).toEqual([
    ['nextLift', 600, 3600],
    ['strip', 1200, null],
    ['foot', 7200, null],
  ]);
});

test('not yet learns a new time from this batch and moves what waits on it; ready early moves only what its setting moves', () => {
  // Found soft at 15 minutes what was to be firm at 10: half as slow again, and asked no sooner than some minutes on.
  const soft = tested('nextLift', 900, false);
  expect(at('nextLift', soft)).toBeCloseTo(900 * 1.12, 6);
  expect(at('strip', soft)).toBeCloseTo(1200 * 1.5 * 1.12, 6);
  expect(at('foot', soft)).toBeCloseTo(7200 * 1.5 * 1.12, 6);
  const firm = tested('nextLift', 300, true);
  expect(at('strip', firm)).toBe(1200);
  expect(at('foot', firm)).toBe(7200);
  expect(clocks(firm).find(({ code }) => code === 'nextLift')).toMatchObject({ passedAt: 300_000, at: 300_000 });
});

test('a hand never brings a strength nearer, and asks again only later than it asked', () => {
  fc.assert(
    fc.property(fc.array(fc.record({ code: fc.constantFrom('nextLift', 'strip'), at: fc.integer({ min: 30, max: 6000 }), passed: fc.boolean() })), (hands) => {
      const taps = hands.map(({ code, at: when, passed }) => tested(code, when, passed));
      expect(at('foot', ...taps)).toBeGreaterThanOrEqual(7200);
      for (const { code, at: due, passedAt } of clocks(...taps)) {
        const no = hands.filter((hand) => hand.code === code && !hand.passed).map((hand) => hand.at * 1000);
        if (passedAt === null && no.length > 0) expect(due).toBeGreaterThan(Math.max(...no));
      }
    }),
  );
});

test('gel that is disturbed starts again and says nothing of the rest; of a lost batch nothing follows', () => {
  const follows: readonly Follow[] = [{ code: 'gel', after_s: 600, until_s: null }, ...FOLLOWS];
  const state = fold([event('start', 0), tested('gel', 400, false), tested('gel', 500, false)])[0]!;
  expect(siteClocks(follows, state).map(({ code, at: due }) => [code, due / 1000])).toEqual([
    ['nextLift', 600],
    ['gel', 1100],
    ['strip', 1200],
    ['foot', 7200],
  ]);
  for (const kind of ['wentHard', 'thrown'] as const) expect(siteClocks(FOLLOWS, fold([event('start', 0), event(kind, 60)])[0]!)).toEqual([]);
});

test('a slab is damped so long after it was damped last', () => {
  const state = fold([event('start', 0), tested('damp', 500, true)])[0]!;
  expect(nextDamp(state, 900, 'damp')).toBe(1_400_000);
  expect(nextDamp(state, 900, 'mist')).toBe(900_000);
});

test('a batch keeps what was read, that it is clean, thrown or full; undone it is as before', () => {
  const thrown = event('thrown', 90);
  const [state] = fold([
    event('start', 0),
    event('read', 10, { payload: { pail_C: 24 } }),
    event('read', 20, { payload: { slab_C: 30 } }),
    event('cleaned', 95),
    thrown,
  ]);
  expect(state).toMatchObject({ pail_C: 24, slab_C: 30, cleanedAt: 95_000, running: false, ends: [{ kind: 'thrown' }] });
  expect(fold([event('start', 0), thrown, event('undo', 91, { undoes: thrown.id })])[0]).toMatchObject({ running: true, ends: [] });
});

test('a line that is full takes no further shot; its last one ends with it', () => {
  const shots = { number: '5', key: 'k', shots: { count: 7 } };
  const taps = [event('start', 0, { batch: '5-1' }), event('full', 30, { batch: '5-1' })];
  expect(nextOf(shots, ['5-1'], fullOf(taps))).toBeNull();
  expect(nextOf(shots, ['5-1'], fullOf(taps.slice(0, 1)))).toBe('5-2');
  expect(fold(taps)[0]).toMatchObject({ full: true, running: false, ends: [{ kind: 'finished' }] });
});

test('what went in is what was said last, what was taken off the stock is all of it, and a spoken note keeps its recording', () => {
  const said = event('used', 5, { payload: { used: { water_m3: 0.0016 } } });
  const taps = [
    event('start', 0),
    event('used', 2, { payload: { used: { water_m3: 0.0015 } } }),
    said,
    event('used', 6),
    event('read', 7),
    event('checked', 8),
  ];
  expect(usedOf(taps).get('1')).toEqual({ water_m3: 0.0016 });
  expect(usedOf([...taps, event('undo', 9, { undoes: said.id })]).get('1')).toEqual({ water_m3: 0.0015 });
  const took = (mass_kg: number): PourEvent => event('stocked', 9, { batch: '0', payload: { taken: { productId: 'm', mass_kg } } });
  expect(takenOf([took(4), took(6), event('stocked', 10, { batch: '0' })]).get('m')).toBe(10);
  const [state] = fold([...taps, event('note', 10, { payload: { voice: 'v' } }), event('note', 11, { payload: { text: 'dry' } })]);
  expect(state!.notes).toEqual([
    { text: '', at: 10_000, voice: 'v' },
    { text: 'dry', at: 11_000 },
  ]);
  expect([state!.pail_C, state!.slab_C, state!.tests]).toEqual([null, null, []]);
});

test('of each check the last word counts; what is no check, or was taken back, says nothing', () => {
  const check = (test: string | undefined, at: number, passed?: boolean) =>
    event('checked', at, { payload: { ...(test === undefined ? {} : { test }), ...(passed === undefined ? {} : { passed }) } });
  const lip = check('lip', 1, false);
  const taps = [lip, check('lip', 2), check('fall', 3, false), check(undefined, 4), event('note', 5)];
  expect(checksOf(taps).get('f')).toEqual({ lip: true, fall: false });
  expect(checksOf([lip, event('undo', 2, { undoes: lip.id })]).size).toBe(0);
});

test('two who start the same number are told of each other; a role is what was said last', () => {
  const taps = [event('start', 10), event('start', 12, { device: 'e', person: 'crew' })];
  expect(startedTwice(taps)).toEqual([{ batch: '1', first: { person: 'lead', at: 10_000 }, second: { person: 'crew', at: 12_000 } }]);
  expect(fold(taps)).toHaveLength(1);
  expect([...rolesOf([event('role', 1, { payload: { role: 'mix' } }), event('role', 2, { payload: { role: 'place' } })])]).toEqual([['lead', 'place']]);
});

test('what counts from when a batch is laid begins then, by plan while it is not', () => {
  const follows: readonly Follow[] = [{ code: 'nextLift', after_s: 600, until_s: 3600, laid_s: 300 }];
  const due = (...taps: PourEvent[]) => siteClocks(follows, fold([event('start', 0), ...taps])[0]!).map(({ at: from, until }) => [from / 1000, until! / 1000]);
  expect(due()).toEqual([[900, 3900]]);
  expect(due(event('placed', 120))).toEqual([[720, 3720]]);
  expect(due(event('finished', 150))).toEqual([[750, 3750]]);
});
