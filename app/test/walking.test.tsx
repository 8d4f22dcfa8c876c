import { soundingGrid } from '@tufa/core/survey';
import { nearestOnLine, type Point } from '@tufa/core/takeoff';
import { PLAIN, say } from '@tufa/words';
import { screen, waitFor } from '@testing-library/react';
import fc from 'fast-check';
import type { ReactElement } from 'react';
import { useJob, type JobView } from '../parts/job/useJob';
import { copyOfElement, copyOfFinding, copyOfJob } from '../walk/copies';
import { Draft } from '../walk/Draft';
import { Measure } from '../walk/Measure';
import { snap } from '../walk/snap';
import { Soundings } from '../walk/Soundings';
import { control, demonstration, firmWith, lastOf, page, press, show, tap, typeIn, written } from './shown';

const dock = demonstration[0]!;
const data = firmWith([dock]);
const slab = Object.values(data.element)[0]!;
const spall = Object.values(data.finding).find(({ kind }) => kind === 'spall')!;
const METRIC = { ...PLAIN, system: 'metric', currency: 'EUR' } as const;
let done = 0;
beforeEach(() => void (done = 0));

function Walked({ children }: { children: (view: JobView) => ReactElement }): ReactElement | null {
  const { view } = useJob(dock.job.id, { surveyFirst: false });
  return view ? children(view) : null;
}
const walk = (part: (view: JobView) => ReactElement, speaker: typeof PLAIN | typeof METRIC = PLAIN) => show(<Walked>{part}</Walked>, { data, speaker });

describe('a draft', () => {
  const point = fc.tuple(fc.integer({ min: 0, max: 9 }), fc.integer({ min: 0, max: 9 }));
  const step = fc.record({ what: fc.constantFrom('do', 'drag', 'undo', 'redo'), point });

  test('whatever is done, taken back and done again, it stands where a list of its steps says', () => {
    fc.assert(
      fc.property(fc.array(step, { maxLength: 40 }), (steps) => {
        const draft = new Draft([]);
        const states: (readonly Point[])[] = [[]];
        let at = 0;
        for (const taken of steps) {
          if (taken.what === 'undo') at = Math.max(0, at - 1);
          else if (taken.what === 'redo') at = Math.min(states.length - 1, at + 1);
          else {
            states.splice(at + 1, Infinity, [...states[at]!, taken.point]);
            at += 1;
          }
          if (taken.what === 'undo') draft.undo();
          else if (taken.what === 'redo') draft.redo();
          else if (taken.what === 'do') draft.do([...draft.snapshot().points, taken.point]);
          else {
            const before = draft.snapshot().points;
            // A finger that wanders is one step.
            draft.begin([...before, [-1, -1]]);
            draft.move([...before, [-2, -2]]);
            draft.move([...before, taken.point]);
            draft.settle();
          }
          expect(draft.snapshot().points).toEqual(states[at]);
          expect(draft.rest().points).toEqual(states[at]);
          expect([draft.canUndo, draft.canRedo]).toEqual([at > 0, at < states.length - 1]);
        }
      }),
    );
  });

  test('lists and fields hear of it when the finger rests, a drawing at every move', () => {
    const draft = new Draft([[0, 0]]);
    const heard = { moves: 0, rests: 0 };
    const stop = draft.subscribe(() => (heard.moves += 1));
    draft.subscribeRest(() => (heard.rests += 1));
    draft.begin([[1, 1]]);
    draft.move([[2, 2]]);
    expect([heard, draft.rest().points]).toEqual([{ moves: 2, rests: 0 }, [[0, 0]]]);
    draft.settle();
    expect([heard, draft.rest().points]).toEqual([{ moves: 3, rests: 1 }, [[2, 2]]]);
    stop();
    draft.choose(0);
    draft.choose(0);
    expect([heard, draft.snapshot().chosen]).toEqual([{ moves: 3, rests: 2 }, 0]);
  });
});

describe('a tapped place', () => {
  const outline: readonly Point[] = [
    [0, 0],
    [4, 0],
    [4, 3],
    [0, 3],
  ];
  const inside = fc.tuple(fc.double({ min: 0, max: 4, noNaN: true }), fc.double({ min: 0, max: 3, noNaN: true }));

  test('is a corner within reach, else the edge, else the grid, and never finer than a millimetre', () => {
    fc.assert(
      fc.property(inside, fc.constantFrom(0, 0.1, 0.25), (at, grid_m) => {
        const reach_m = 0.2;
        const [x, y] = snap(at, { corners: outline, outline, grid_m, reach_m });
        const corner = outline.filter((point) => Math.hypot(point[0] - at[0], point[1] - at[1]) <= reach_m);
        const edge = nearestOnLine(at, outline, true);
        for (const value of [x, y]) expect(value * 1000).toBeCloseTo(Math.round(value * 1000), 6);
        if (corner.length > 0) expect(corner).toContainEqual([x, y]);
        else if (edge.off_m <= reach_m / 2) expect(nearestOnLine([x, y], outline, true).off_m).toBeLessThan(1e-9);
        else if (grid_m > 0) for (const value of [x, y]) expect(value / grid_m).toBeCloseTo(Math.round(value / grid_m), 6);
        else expect(Math.hypot(x - at[0], y - at[1])).toBeLessThan(0.001);
      }),
    );
  });
});

describe('copies', () => {
  test('of a finding lie on the same element under another letter', () => {
    expect(copyOfFinding(spall, 'Q')).toMatchObject({
      name: 'finding',
      verb: 'add',
      change: { jobId: spall.jobId, elementId: spall.elementId, label: 'Q', outline: spall.outline, properties: spall.properties },
    });
  });

  test('of an element carry its findings and its answers, and no opinion that was given of the first', () => {
    const opinion = { role: 'engineer', on: '2026-05-01', said: 'It holds.', covers: ['movement'] } as const;
    const [element, ...findings] = copyOfElement(data, { ...slab, stops: { ...slab.stops, opinion } }, 'Slab again');
    expect(element!.change).toMatchObject({ name: 'Slab again', geometry: slab.geometry });
    expect(element!.change).not.toHaveProperty('stops.opinion');
    expect(findings).toHaveLength(Object.values(data.finding).filter(({ elementId }) => elementId === slab.id).length);
    for (const { change } of findings) expect(change).toMatchObject({ elementId: element!.target });
  });

  test('of a job have no day, no demonstration, and ids of their own', () => {
    const { id, changes } = copyOfJob(data, data.job[dock.job.id]!, 'Again');
    expect(changes[0]).toMatchObject({ name: 'job', target: id, change: { name: 'Again', pourOn: null, demonstration: false } });
    expect(new Set(changes.map(({ target }) => target)).size).toBe(changes.length);
    expect(changes.some(({ target }) => target in data.element || target in data.finding)).toBe(false);
  });
});

describe('sounding', () => {
  const open = (speaker: typeof PLAIN | typeof METRIC = PLAIN) => walk((view) => <Soundings view={view} element={slab} onDone={() => (done += 1)} />, speaker);
  const heardBefore = Object.values(data.reading).filter(({ kind, elementId }) => kind === 'sounding' && elementId === slab.id);

  test('each tap is a reading at the next place of the grid, none twice, and the last is taken back', async () => {
    await open(METRIC);
    await tap(say(PLAIN, 'walk.solid'));
    await lastOf(1);
    await tap(say(PLAIN, 'walk.hollow'));
    await lastOf(2);
    const [first, second] = written().map(({ change }) => change as { at: Point; value: { value: number } });
    expect([first!.value.value, second!.value.value]).toEqual([0, 1]);
    expect(first!.at).not.toEqual(second!.at);
    const grid = soundingGrid({ outline: slab.geometry.outline, openings: slab.geometry.openings ?? [], spacing_m: 0.5 });
    for (const { at } of [first!, second!]) expect(grid).toContainEqual(at);
    await tap(say(PLAIN, 'walk.undoTap'));
    expect((await lastOf(3)).change).toMatchObject({ kind: 'removal', subject: written()[1]!.target });
    await tap(say(PLAIN, 'walk.solid'));
    expect((await lastOf(4)).change['at']).toEqual(second!.at);
  });

  test('a wider grid has fewer places, and every one of it can be tapped', async () => {
    await open();
    await press([...control('radiogroup', say(PLAIN, 'walk.spacing')).querySelectorAll('[role=radio]')].at(-1)!);
    const grid = soundingGrid({ outline: slab.geometry.outline, openings: slab.geometry.openings ?? [], spacing_m: 0.9144 });
    expect(grid.length).toBeGreaterThan(0);
    const near = (at: Point): boolean => heardBefore.some((row) => row.at && Math.hypot(row.at[0] - at[0], row.at[1] - at[1]) < 0.9144 * 0.4);
    const left = grid.filter((at) => !near(at)).length;
    for (let i = 0; i < left; i += 1) {
      await tap(say(PLAIN, 'walk.solid'));
      await lastOf(i + 1);
    }
    await waitFor(() => expect(page()).toContain(say(PLAIN, 'walk.soundDone', { count: grid.length })));
  });
});

describe('measuring', () => {
  const open = (speaker: typeof PLAIN | typeof METRIC = PLAIN) =>
    walk((view) => <Measure view={view} element={slab} again={null} onDone={() => (done += 1)} />, speaker);
  const from = say(PLAIN, 'walk.from');
  const fromTop = say(PLAIN, 'walk.fromTop');
  const depth = say(PLAIN, 'walk.depth');
  const save = (): Promise<void> => tap(say(PLAIN, 'walk.keepReading'));
  const xs = spall.outline.points.map(([x]) => x);
  const ys = spall.outline.points.map(([, y]) => y);
  const middle = (all: readonly number[]): number => (Math.min(...all) + Math.max(...all)) / 2;
  const place = async (x_m: number, y_m: number): Promise<void> => {
    await typeIn(from, `${(x_m * 1000).toFixed(0)} mm`);
    await typeIn(fromTop, `${(y_m * 1000).toFixed(0)} mm`);
  };

  test('a depth at a typed place is a reading of that finding', async () => {
    await open();
    await place(middle(xs), middle(ys));
    await typeIn(depth, '1 1/4 in');
    await save();
    const { kind, change } = await lastOf(1);
    expect([kind, change['kind'], change['findingId'], change['elementId']]).toEqual(['reading.add', 'depth', spall.id, slab.id]);
    expect(change['value']).toMatchObject({ value: expect.closeTo(0.03175, 6), source: 'typed', typed: expect.stringContaining('1') });
    const [x, y] = change['at'] as Point;
    expect([x, y]).toEqual([expect.closeTo(middle(xs), 2), expect.closeTo(middle(ys), 2)]);
  });

  test('outside the finding it is refused, and the mend that is offered puts it on the edge', async () => {
    await open();
    await place(Math.max(...xs) + 0.2, middle(ys));
    await typeIn(depth, '1 in');
    await save();
    expect((await screen.findByRole('alert')).textContent).toContain(spall.label);
    expect(written()).toEqual([]);
    await tap(say(PLAIN, 'walk.pullInside'));
    await save();
    const at = (await lastOf(1)).change['at'] as Point;
    expect(nearestOnLine(at, spall.outline.points, true).off_m).toBeLessThan(0.002);
  });

  test.each([
    ['deeper than the slab', '3 ft'],
    ['no depth', ''],
    ['no figure', 'deep'],
    ['less than nothing', '-1 in'],
  ])('%s is refused at the depth, kept as typed', async (_, text) => {
    await open();
    await place(middle(xs), middle(ys));
    await typeIn(depth, text);
    await save();
    await screen.findByRole('alert');
    expect(control('textbox', depth)).toHaveProperty('value', text);
    expect(written()).toEqual([]);
  });

  test('the last reading is taken back by one tap', async () => {
    await open();
    await place(middle(xs), middle(ys));
    await typeIn(depth, '1 in');
    await save();
    const { target } = await lastOf(1);
    await tap(say(PLAIN, 'walk.undoReading'));
    expect((await lastOf(2)).change).toMatchObject({ kind: 'removal', subject: target });
  });
});
