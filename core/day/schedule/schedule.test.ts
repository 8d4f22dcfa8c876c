import fc from 'fast-check';
import instances from '../../reference/schedules.json';
import { durationAt, schedule, type Instance, type Schedule } from './index';

const kept = instances as unknown as readonly { readonly instance: Instance; readonly best_s: number; readonly proven: boolean }[];

/** What a day breaks; nothing where it holds everything. */
function broken({ step_s, horizon_s, resources, operations, lags }: Instance, { starts_s, finish_s }: Schedule): string[] {
  const by = new Map(operations.map((operation) => [operation.id, operation]));
  const endOf = (id: string): number => starts_s[id]! + durationAt(by.get(id)!, starts_s[id]!);
  const faults = operations.flatMap(({ id, windows, fixed_s, needs }) => {
    const at = starts_s[id]!;
    const end = endOf(id);
    const wrong = (why: string, is: boolean): string[] => (is ? [`${why} ${id}`] : []);
    const during = (resource: string): number =>
      operations.reduce((sum, other) => sum + (starts_s[other.id]! <= at && at < endOf(other.id) ? (other.needs[resource] ?? 0) : 0), 0);
    return [
      ...wrong('step', at < 0 || at % step_s !== 0),
      ...wrong('horizon', end > horizon_s),
      ...wrong('fixed', fixed_s !== undefined && at !== fixed_s),
      ...wrong('window', windows !== undefined && !windows.some(([from, to]) => at >= from && end <= to)),
      ...Object.keys(needs).flatMap((resource) => wrong(resource, during(resource) > (resources[resource] ?? 0))),
    ];
  });
  const apart = lags.flatMap(({ from, to, least_s, most_s }) => {
    const gap = starts_s[to]! - endOf(from);
    return gap < least_s || (most_s !== null && gap > most_s) ? [`lag ${from} ${to}`] : [];
  });
  const end = operations.length === 0 ? 0 : Math.max(...operations.map(({ id }) => endOf(id)));
  return [...faults, ...apart, ...(end === finish_s ? [] : ['finish'])];
}

test('the kept days: nothing broken, the proven ones met, in the mean within 1 %, at worst within 5 %', () => {
  const over = kept.map(({ instance, best_s, proven }) => {
    const made = schedule(instance);
    expect(broken(instance, made)).toEqual([]);
    const share = made.finish_s! / best_s - 1;
    if (proven) expect(share).toBeGreaterThanOrEqual(0);
    return share;
  });
  expect(over.reduce((sum, share) => sum + Math.max(0, share), 0) / over.length).toBeLessThan(0.01);
  expect(Math.max(...over)).toBeLessThan(0.05);
});

test('the same seed is the same day; a search that is stopped keeps what it has', () => {
  const { instance } = kept.at(-1)!;
  expect(schedule(instance, { work: 0.05 })).toEqual(schedule(instance, { work: 0.05 }));
  const told: number[] = [];
  const stopped = schedule(instance, { onProgress: ({ tried }) => (told.push(tried), tried < 128) });
  expect(told).toEqual([0, 64, 128]);
  expect(broken(instance, stopped)).toEqual([]);
  expect(broken(instance, schedule(instance, { work: 0 }))).toEqual([]);
});

const STEP = 300;
const days = fc
  .record({
    hands: fc.integer({ min: 1, max: 2 }),
    operations: fc.array(
      fc.record({
        steps: fc.integer({ min: 1, max: 4 }),
        hands: fc.integer({ min: 1, max: 2 }),
        mixer: fc.boolean(),
        window: fc.option(fc.integer({ min: 0, max: 8 })),
      }),
      { minLength: 2, maxLength: 5 },
    ),
    lags: fc.array(fc.record({ a: fc.nat(4), b: fc.nat(4), least: fc.integer({ min: 0, max: 3 }), most: fc.option(fc.integer({ min: 0, max: 4 })) }), {
      maxLength: 5,
    }),
  })
  .map(({ hands, operations, lags }): Instance => ({
    v: 1,
    step_s: STEP,
    horizon_s: 24 * STEP,
    resources: { hands, mixer: 1 },
    operations: operations.map(({ steps, hands: wants, mixer, window }, i) => ({
      id: `o${i}`,
      duration_s: steps * STEP,
      needs: { hands: Math.min(hands, wants), ...(mixer ? { mixer: 1 } : {}) },
      ...(window === null ? {} : { windows: [[window * STEP, (window + 12) * STEP] as const] }),
    })),
    lags: lags
      .map(({ a, b, least, most }) => ({ from: Math.min(a, b) % operations.length, to: Math.max(a, b) % operations.length, least, most }))
      .filter(({ from, to }) => from < to)
      .map(({ from, to, least, most }) => ({ from: `o${from}`, to: `o${to}`, least_s: least * STEP, most_s: most === null ? null : (least + most) * STEP })),
    minimise: 'finish',
  }));

/** The shortest day by branch and bound: every start of every operation, given up where it cannot be shorter. Null where there is none. */
function exact({ step_s, horizon_s, resources, operations, lags }: Instance): number | null {
  const starts: number[] = [];
  let best: number | null = null;
  const endOf = (i: number): number => starts[i]! + operations[i]!.duration_s;
  const fits = (i: number): boolean =>
    lags.every(({ from, to, least_s, most_s }) => {
      const [a, b] = [operations.findIndex(({ id }) => id === from), operations.findIndex(({ id }) => id === to)];
      if (a > i || b > i) return true;
      const gap = starts[b]! - endOf(a);
      return gap >= least_s && (most_s === null || gap <= most_s);
    }) &&
    Object.entries(resources).every(([resource, most]) =>
      starts.every((at) => starts.reduce((sum, _, j) => sum + (starts[j]! <= at && at < endOf(j) ? (operations[j]!.needs[resource] ?? 0) : 0), 0) <= most),
    );
  const branch = (i: number, end_s: number): void => {
    if (best !== null && end_s >= best) return;
    if (i === operations.length) {
      best = end_s;
      return;
    }
    const { duration_s, windows } = operations[i]!;
    for (let at = 0; at + duration_s <= horizon_s; at += step_s) {
      if (windows && !windows.some(([from, to]) => at >= from && at + duration_s <= to)) continue;
      starts[i] = at;
      if (fits(i)) branch(i + 1, Math.max(end_s, at + duration_s));
      starts.length = i;
    }
  };
  branch(0, 0);
  return best;
}

test('small days are as short as any can be, and whatever is told to clash cannot be', () => {
  fc.assert(
    fc.property(days, (instance) => {
      const made = schedule(instance, { work: 0.25 });
      const best = exact(instance);
      if (made.clash) {
        expect(made).toMatchObject({ starts_s: {}, finish_s: null });
        expect(made.clash.operations.length).toBeGreaterThan(0);
        expect(best).toBeNull();
      } else {
        expect(broken(instance, made)).toEqual([]);
        expect(made.finish_s).toBe(best);
      }
    }),
    { numRuns: 60, seed: 7 },
  );
});

const plain = (change: Partial<Instance>): Instance => ({
  v: 1,
  step_s: 60,
  horizon_s: 3600,
  resources: { hands: 1 },
  operations: [
    { id: 'a', duration_s: 600, needs: { hands: 1 } },
    { id: 'b', duration_s: 600, needs: { hands: 1 } },
  ],
  lags: [{ from: 'a', to: 'b', least_s: 0, most_s: null }],
  minimise: 'finish',
  ...change,
});

test.each<[string, Partial<Instance>, string, readonly string[]]>([
  ['more hands than there are', { operations: [{ id: 'a', duration_s: 60, needs: { hands: 2 } }], lags: [] }, 'needs', ['a']],
  ['a window too short', { operations: [{ id: 'a', duration_s: 600, needs: {}, windows: [[0, 300]] }], lags: [] }, 'windows', ['a']],
  ['a day too short', { horizon_s: 900 }, 'horizon', ['a', 'b']],
  [
    'lags against each other',
    {
      lags: [
        { from: 'a', to: 'b', least_s: 900, most_s: null },
        { from: 'a', to: 'b', least_s: 0, most_s: 600 },
      ],
    },
    'lags',
    ['a', 'b'],
  ],
  [
    'two fixed ones for one pair of hands',
    {
      operations: [
        { id: 'a', duration_s: 600, needs: { hands: 1 }, fixed_s: 0 },
        { id: 'b', duration_s: 600, needs: { hands: 1 }, fixed_s: 300 },
      ],
      lags: [],
    },
    'resources',
    ['a', 'b'],
  ],
])('%s clashes and says so', (_what, change, why, operations) => {
  expect(schedule(plain(change), { work: 0.05 })).toEqual({ starts_s: {}, finish_s: null, clash: { why, operations } });
});

test('an operation takes as long as the hour of its start says, the last hour holding on; a day of nothing is over at once', () => {
  const slow = plain({ horizon_s: 20_000, operations: [{ id: 'a', duration_s: 60, byHour_s: [1800, 600], needs: { hands: 1 } }], lags: [] });
  expect(schedule(slow)).toEqual({ starts_s: { a: 0 }, finish_s: 1800, clash: null });
  expect(durationAt({ duration_s: 60, byHour_s: [1800, 600] }, 90_000)).toBe(600);
  expect(schedule(plain({ operations: [], lags: [] }))).toEqual({ starts_s: {}, finish_s: 0, clash: null });
});

test('an operation twice, or a lag of one that is not there, is refused', () => {
  const [a] = plain({}).operations;
  expect(() => schedule(plain({ operations: [a!, a!], lags: [] }))).toThrow(expect.objectContaining({ code: 'operationTwice' }) as Error);
  expect(() => schedule(plain({ lags: [{ from: 'a', to: 'z', least_s: 0, most_s: null }] }))).toThrow(
    expect.objectContaining({ code: 'unknownOperation' }) as Error,
  );
});
