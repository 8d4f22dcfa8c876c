import fc from 'fast-check';
import type { BatchWindowInput } from '../setting';
import {
  BatchClock,
  byTime,
  chalkedOf,
  extraOf,
  fold,
  isExtra,
  letterOf,
  listedNumber,
  nextOf,
  startedOf,
  writtenOn,
  type EventKind,
  type PourEvent,
} from './index';

let seq = 0;
const event = (kind: EventKind, at: number, change: Partial<PourEvent> = {}): PourEvent => {
  seq += 1;
  return {
    id: `i${seq}`,
    jobId: 'j',
    findingId: 'f',
    planId: 'p',
    batch: '1',
    device: 'd',
    seq,
    deviceAt: at,
    clockOffset: 0,
    person: 'lead',
    kind,
    v: 1,
    payload: {},
    ...change,
  };
};

test('events fold to batches whatever order they arrive in', () => {
  const events = [
    event('start', 0),
    event('placed', 300),
    event('note', 310, { payload: { text: 'stiff' } }),
    event('finished', 500),
    event('start', 600, { batch: '2' }),
  ];
  fc.assert(
    fc.property(fc.shuffledSubarray(events, { minLength: events.length }), (shuffled) => {
      expect(fold(shuffled)).toMatchObject([
        { batch: '1', placedAt: 300, running: false, notes: [{ text: 'stiff' }] },
        { batch: '2', running: true },
      ]);
    }),
  );
});

test('an undo takes one event back, two ends are both kept, and clock offsets are corrected', () => {
  const placed = event('placed', 300);
  expect(fold([event('start', 0), placed, event('undo', 305, { undoes: placed.id })])[0]!.placedAt).toBeNull();
  expect(fold([event('start', 0), event('finished', 500), event('wentHard', 505, { device: 'e' })])[0]!.ends.map(({ kind }) => kind)).toEqual([
    'finished',
    'wentHard',
  ]);
  expect(fold([event('start', 1000, { clockOffset: -400 })])[0]!.startedAt).toBe(600);
  expect(fold([event('placed', 10)])).toEqual([]);
});

test('a number is never used again: shots are counted on their batch, extra ones get letters, a phone without signal its own', () => {
  const plain = { number: '3', key: 'a:1', shots: null };
  const squeezed = { number: '5', key: 'c:1', shots: { count: 3 } };
  expect(nextOf(plain, [])).toBe('3');
  expect(nextOf(plain, ['3'])).toBeNull();
  expect(writtenOn(squeezed)).toEqual(['5-1', '5-2', '5-3']);
  expect(nextOf(squeezed, ['5-1', '5-2'])).toBe('5-3');
  expect(extraOf('3', ['3'])).toBe('3b');
  expect(extraOf('3', ['3', '3b'])).toBe('3c');
  expect(extraOf('3', ['3'], 'k')).toBe('3bk');
  expect(['4b', '5-3', '12', '3bk', 'x'].map(listedNumber)).toEqual(['4', '5', '12', '3', 'x']);
  expect([letterOf('0198a000-de00-7000-8000-00000000001b'), letterOf('')]).toEqual(['b', 'a']);
  expect(['4', '4b', '5-3'].map(isExtra)).toEqual([false, true, false]);
});

test('what is chalked is what was written, the first first; an undone start stays written, an older one is known by its finding', () => {
  const start = event('start', 10, { batch: '2', payload: { key: 'a:1' } });
  const events = [
    start,
    event('undo', 12, { undoes: start.id }),
    event('chalked', 5, { batch: '1', payload: { key: 'b:1' } }),
    event('start', 20, { batch: '3b' }),
  ];
  expect(chalkedOf(events)).toEqual([
    { number: '1', key: 'b:1' },
    { number: '2', key: 'a:1' },
    { number: '3', key: 'f/fill/1:3' },
  ]);
  expect(startedOf(events)).toEqual(['2', '3b']);
  expect(fold(events).map(({ batch }) => batch)).toEqual(['3b']);
});

const basis = (evaporation_kg_m2h: number): BatchWindowInput => ({
  pace: { mix_s: 120, carry_s: 30, place_s: 120, finish_s: 90 },
  flow_life_s: 720,
  finish_life_s: 1080,
  filmShare: 1,
  safeShare: Math.exp(-1.2815515655446004 * 0.32),
  sdLn: 0.32,
  accepted: 0.1,
  wetEdge: false,
  mixesWhilePlacing: true,
  course: { Ea_J_mol: 55000, mix_C: 22, surroundings_C: 26, mass_kg: 14, surface_C: 31, thickness_m: 0.02 },
  drying: { mixWater_kg_m3: 270, evaporation_kg_m2h, share: 0.1 },
});

test('the level falls from 1 and stands on the line when the time is up, before and after placing', () => {
  for (const placed_s of [null, 240]) {
    const clock = new BatchClock(basis(0.3), placed_s, 1500);
    const by_s = placed_s === null ? clock.placeBy_s : clock.finishBy_s;
    expect(clock.at(0).level).toBe(1);
    const at = clock.at(by_s);
    expect(at.left_s).toBeCloseTo(0, 9);
    expect(at.level).toBeCloseTo(at.safeLine, 6);
    // Placing changes which budget counts; before and after it the level only falls.
    for (let t = (placed_s ?? 0) + 30; t < by_s; t += 30) expect(clock.at(t).level).toBeLessThanOrEqual(clock.at(t - 30).level);
  }
});

test('phases follow one another and a drying wind ends a batch by its skin', () => {
  const clock = new BatchClock(basis(0), 200, 1500);
  expect([0, clock.placeBy_s + 1, clock.finishBy_s + 1, 1501].map((t) => clock.at(t).phase)).toEqual(['wet', 'workable', 'stiffening', 'set']);
  expect(new BatchClock(basis(6), 200, 1500).at(210).ending).toBe('skin');
});

test('events out of their turn change nothing; ties go by device and then by count; letters run on', () => {
  const start = event('start', 0);
  expect(fold([start, event('start', 50)])[0]!.startedAt).toBe(0);
  expect(fold([start, event('placed', 100), event('placed', 200)])[0]!.placedAt).toBe(100);
  expect(fold([start, event('note', 10, { payload: {} })])[0]!.notes).toEqual([{ text: '', at: 10 }]);
  const [late, early] = [event('note', 10, { device: 'b' }), event('note', 10, { device: 'a' })];
  expect([late, early].sort(byTime)).toEqual([early, late]);
  expect([early, late].sort(byTime)).toEqual([early, late]);
  const letters = Array.from({ length: 25 }, (_, i) => `1${String.fromCharCode(98 + i)}`);
  expect(extraOf('1', ['1', ...letters])).toBe('1z26');
});

test('nothing to dry: the clock follows the budgets alone', () => {
  const clock = new BatchClock({ ...basis(0.2), drying: null }, null, 2400);
  expect(clock.at(0)).toMatchObject({ level: 1, ending: 'flow', phase: 'wet' });
  expect(clock.at(clock.placeBy_s + 1).left_s).toBeLessThan(0);
});
