import fc from 'fast-check';
import { batchList, numbered, type Batch, type LayerAsk } from './index';

interface Portion {
  readonly kg: number;
}

const ask = (id: string, amount: number, change: Partial<LayerAsk<Portion>> = {}): LayerAsk<Portion> => ({
  id,
  findingId: id.split('/')[0]!,
  role: 'fill',
  lift: 1,
  lifts: 1,
  step: null,
  make: 'pail',
  productId: 'mortar',
  amount,
  task: 'spread',
  pool: 'mortar',
  waits: [],
  order: [0],
  dealt: (all) => ({
    each: Math.min(all, 10),
    count: Math.max(1, Math.ceil(all / 10 - 1e-9)),
    last: all - 10 * (Math.ceil(all / 10 - 1e-9) - 1),
    limit: null,
    fits: true,
  }),
  made: (kg) => ({ kg }),
  busy_s: () => 600,
  ...change,
});
const told = (list: readonly Batch[]): string[] =>
  list.map(({ number, serves }) => `${number} ${serves.map(({ id, part, amount }) => `${id} ${part} ${Math.round(amount * 100) / 100}`).join(', ')}`);
const wait = (on: string, least_s = 0, most_s: number | null = null) => ({ on, least_s, most_s, reason: 'stiff' as const });

test('what is mixed alike goes into one pail, one after another, the last of what is left', () => {
  expect(told(batchList([ask('a', 14), ask('b', 3, { order: [1] }), ask('c', 5, { order: [2], pool: 'other' })]))).toEqual([
    '1 a first 10',
    '2 a rest 4, b whole 3',
    '3 c whole 5',
  ]);
});

test('a crumb of the next is not begun where the last batch has room for it', () => {
  expect(told(batchList([ask('a', 9.97), ask('b', 14, { order: [1] })]))).toEqual(['1 a whole 9.97', '2 b first 10', '3 b rest 4']);
  expect(told(batchList([ask('a', 9.97), ask('b', 10.03, { order: [1] })]))).toEqual(['1 a whole 9.97, b first 0.03', '2 b rest 10']);
});

test('what waits lets others go first; a wait names the batch that ended what it waits for, the longest least and the shortest most', () => {
  const list = batchList([
    ask('a/1', 12),
    ask('a/2', 4, { waits: [wait('a/1', 7200, 9000)] }),
    ask('b', 3, { order: [1], pool: 'other' }),
    ask('c', 3, { order: [2], waits: [wait('a/1', 60, 8000)] }),
  ]);
  expect(told(list)).toEqual(['1 a/1 first 10', '2 a/1 rest 2', '3 b whole 3', '4 c whole 3', '5 a/2 whole 4']);
  expect(list.map(({ waits }) => waits)).toEqual([[], [], [], [wait('2', 60, 8000)], [wait('2', 7200, 9000)]]);
});

test('what does not fit is mixed by itself and says so', () => {
  const none = { each: 8, count: 1, last: 8, limit: 'life' as const, fits: false };
  const list = batchList([ask('a', 8, { dealt: () => none }), ask('b', 3, { order: [1] })]);
  expect(list.map(({ fits, limit }) => [fits, limit])).toEqual([
    [false, 'life'],
    [true, null],
  ]);
});

const asks = fc
  .array(
    fc.record({
      amount: fc.double({ min: 0.01, max: 60, noNaN: true }),
      pool: fc.constantFrom('x', 'y', null),
      each: fc.constantFrom(3, 7.5, 12),
      after: fc.array(fc.nat(20), { maxLength: 2 }),
      least_s: fc.nat(9000),
      order: fc.nat(3),
    }),
    { minLength: 1, maxLength: 12 },
  )
  .map((drawn) =>
    drawn.map(({ amount, pool, each, after, least_s, order }, i) =>
      ask(String(i), amount, {
        pool,
        order: [order],
        waits: after.filter((on) => on < i).map((on) => wait(String(on), least_s)),
        dealt(all) {
          const count = Math.max(1, Math.ceil(all / each - 1e-9));
          return { each: Math.min(all, each), count, last: all - each * (count - 1), limit: null, fits: true };
        },
      }),
    ),
  );

test('every layer is served once and whole, no batch before what it waits for, the same list every time', () => {
  fc.assert(
    fc.property(asks, (all) => {
      const list = batchList(all);
      const at = new Map(list.map(({ number }, i) => [number, i]));
      for (const { id, amount } of all) {
        const parts = list.flatMap((batch, i) => batch.serves.filter((served) => served.id === id).map((served) => ({ ...served, i })));
        expect(Math.abs(parts.reduce((sum, part) => sum + part.amount, 0) - amount)).toBeLessThan(1e-9 * amount);
        expect(parts.map(({ part }) => part)).toEqual(
          parts.length === 1 ? ['whole'] : parts.map((_, k) => (k === 0 ? 'first' : k === parts.length - 1 ? 'rest' : 'more')),
        );
        for (const { on } of all.find((other) => other.id === id)!.waits) {
          const ended = Math.max(...list.flatMap((batch, i) => (batch.serves.some((served) => served.id === on) ? [i] : [])));
          expect(parts[0]!.i).toBeGreaterThan(ended);
        }
      }
      list.forEach((batch, i) => {
        expect(batch.number).toBe(String(i + 1));
        expect(batch.amount).toBeCloseTo(batch.kg, 9);
        for (const { on } of batch.waits) expect(at.get(on)!).toBeLessThan(i);
      });
      expect(new Set(list.map(({ key }) => key)).size).toBe(list.length);
      expect(batchList(all)).toEqual(list);
    }),
  );
});

test('a number that is chalked stays with its batch in every later plan; what is new takes the next that nobody used', () => {
  const before = batchList([ask('a', 8), ask('b', 8, { order: [1], pool: null })]);
  expect(before.map(({ number, key }) => [number, key])).toEqual([
    ['1', 'a:1'],
    ['2', 'b:1'],
  ]);
  const after = batchList([ask('n', 5, { pool: null }), ask('a', 14, { order: [1] }), ask('b', 8, { order: [2], pool: null, waits: [wait('a')] })]);
  const kept = numbered(after, [
    { number: '2', key: 'b:1' },
    { number: '2b', key: 'b:2' },
    { number: '1', key: 'gone:1' },
    { number: '7', key: 'b:1' },
  ]);
  expect(kept.map(({ number, key }) => [number, key])).toEqual([
    ['3', 'n:1'],
    ['4', 'a:1'],
    ['5', 'a:2'],
    ['2', 'b:1'],
  ]);
  expect(kept[3]!.waits[0]!.on).toBe('5');
  expect(numbered(after, [])).toEqual(after);
});

test('orders of different lengths and waits of one batch on another are compared figure by figure', () => {
  const list = batchList([
    ask('b', 3, { order: [1, 0, 2], pool: null }),
    ask('a', 3, { order: [1], pool: null }),
    ask('c/1', 4, { order: [2], pool: 'c' }),
    ask('c/2', 4, { order: [2, 1], pool: 'c' }),
    ask('d', 4, { order: [3], waits: [wait('c/1', 900, null), wait('c/2', 60, 5000), wait('nowhere', 9e9)] }),
  ]);
  expect(told(list)).toEqual(['1 a whole 3', '2 b whole 3', '3 c/1 whole 4, c/2 whole 4', '4 d whole 4']);
  expect(list[3]!.waits).toEqual([wait('3', 900, 5000)]);
  // What waits on itself by way of another still comes, once.
  expect(batchList([ask('x', 1, { waits: [wait('y')] }), ask('y', 1, { waits: [wait('x')], order: [1] })]).map(({ serves }) => serves.length)).toEqual([1, 1]);
  // Of two that need batches as small the first binds; of nothing there is no batch.
  expect(batchList([ask('n', 0)])).toEqual([]);
});
