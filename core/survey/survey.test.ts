import fc from 'fast-check';
import { computePlan, differenceOf, hashesOf, isStale, spallReadings, surveyOf, takeOffOf, verdictOf, type ElementSurvey } from '../plan';
import {
  distanceToOutline,
  ellipse,
  hollowShare,
  spallVolume,
  lineLength,
  nearestOnLine,
  outsiders,
  polygonArea,
  pulledInside,
  rectangle,
  stringLine,
  uncrossed,
  type Point,
} from '../takeoff';
import { spreadOf } from '../quantity';
import { flipsAt } from '../testing/flipsAt';
import { crack, element, finding, input } from '../testing/job';
import { problemOf } from '../testing/problemOf';
import { crackMovement, fitOutline, jointsWork, netArea, readingsToHalve, soundingGrid, type CrackInput, type ElementInput, type FindingInput } from './index';

const codes = (change: Partial<ElementInput>, findings: readonly FindingInput[] = [], hollow: number | null = null): string[] =>
  verdictOf({
    element: { ...element, ...change },
    findings,
    ...(hollow === null ? {} : { hollow: { share: hollow, low: hollow, high: hollow } }),
  }).reasons.map(({ code }) => code);
const verdict = (change: Partial<ElementInput>, findings: readonly FindingInput[] = []): string =>
  verdictOf({ element: { ...element, ...change }, findings }).code;
const mark = (what: 'hollow' | 'wet' | 'rust', size_m = 1) => ({ id: 'm', label: 'H', what, points: rectangle({ length_m: size_m, width_m: 1 }) });
const DAY_S = 86400;

test('hollow from a fifth on is borderline, from a half on replacing is the question; drawn areas count where nobody tapped', () => {
  expect(flipsAt(0, 0.4, (share) => codes({}, [], share).includes('verdict.hollowMuch'))).toBeCloseTo(0.2, 5);
  expect(flipsAt(0.3, 0.9, (share) => codes({}, [], share).includes('verdict.hollowMost'))).toBeCloseTo(0.5, 5);
  expect(codes({ marks: [mark('hollow', 5), { ...mark('hollow', 3), id: 'n' }] })).toEqual(['verdict.hollowMuch']);
  expect(codes({ marks: [mark('hollow', 1)] })).toEqual(['verdict.clear']);
});

test('rust stops whatever was answered; wet, failed patches and a cause that goes on are told', () => {
  expect(verdict({ marks: [mark('rust')] })).toBe('stop');
  expect(codes({ marks: [mark('wet')], earlier: 'failed', causeGoesOn: 'yes' })).toEqual(['verdict.wet', 'verdict.patchesFailed', 'verdict.causeGoesOn']);
  expect(codes({ earlier: 'held', causeGoesOn: 'unknown' })).toEqual(['verdict.causeUnknown']);
  expect(codes({ causeGoesOn: 'no' })).toEqual(['verdict.clear']);
});

test('a depth past half, past a third of what hangs, and through it', () => {
  const deep = (value: number): FindingInput => ({ ...finding, deepest: { value, source: 'typed' } });
  expect(flipsAt(0.02, 0.14, (d) => codes({}, [deep(d)]).includes('verdict.depthHalf'))).toBeCloseTo(0.075, 6);
  expect(flipsAt(0.02, 0.14, (d) => codes({ suspended: true }, [deep(d)]).includes('verdict.depthOfSuspended'))).toBeCloseTo(0.05, 6);
  expect(verdict({}, [deep(0.15)])).toBe('stop');
  expect(codes({}, [{ ...crack, depth: { value: 0.15, source: 'typed' } }])).toEqual(['verdict.clear']);
});

test('a crack with a step stops; one that moves gets a joint in a slab on the ground and stops anything else', () => {
  const cracked = (more: Partial<CrackInput>): FindingInput => ({ ...crack, ...more });
  expect(flipsAt(0, 0.01, (lip_m) => codes({}, [cracked({ lip_m })]).includes('verdict.crackStep'))).toBeCloseTo(0.001, 7);
  expect(verdict({}, [cracked({ moves: 'yes' })])).toBe('borderline');
  expect(codes({}, [cracked({ moves: 'yes' })])).toEqual(['verdict.crackMovesJoint']);
  expect(verdict({ kind: 'wall' }, [cracked({ moves: 'yes' })])).toBe('stop');
  expect(verdict({ suspended: true }, [cracked({ moves: 'yes' })])).toBe('stop');
  expect(codes({ kind: 'wall' }, [cracked({ moves: 'unknown' })])).toEqual(['verdict.crackUnknown']);
  const visits = [
    { at_s: 0, widths: [[0.5, 0.002]] as const },
    { at_s: 200 * DAY_S, widths: [[0.5, 0.002]] as const },
  ];
  expect(codes({}, [cracked({ moves: 'unknown', visits })])).toEqual(['verdict.clear']);
  expect(codes({ kind: 'wall' }, [cracked({ visits: [visits[0]!, { at_s: DAY_S, widths: [[0.5, 0.003]] }] })])).toEqual(['verdict.crackGrew']);
});

test('two visits that differ past twice the error of the places read are growth; dormant after half a year, else too soon', () => {
  const visit = (at_s: number, ...widths: (readonly [number, number])[]) => ({ at_s, widths });
  const moved = (by_m: number, days = 30) => crackMovement([visit(days * DAY_S, [0, 0.002 + by_m], [1, 0.003 + by_m]), visit(0, [0.02, 0.002], [1, 0.003])]);
  expect(moved(0)).toMatchObject({ code: 'unknown', pairs: 2, apart_s: 30 * DAY_S });
  expect(flipsAt(0, 0.001, (by) => moved(by)?.code === 'growing')).toBeCloseTo(0.0002, 8);
  expect(flipsAt(30, 300, (days) => moved(0, days)?.code === 'dormant')).toBeCloseTo(180, 3);
  expect(moved(-0.001)).toMatchObject({ code: 'growing' });
  const seen = (...widths_m: number[]) => crackMovement(widths_m.map((width_m, i) => visit(i * 60 * DAY_S, [0, width_m], [1, width_m])))!.code;
  // Rising and falling is movement, whatever first and last say; a last wider than the first is growth.
  expect([seen(0.002, 0.003, 0.002), seen(0.003, 0.002, 0.0021), seen(0.002, 0.003, 0.0026), seen(0.002, 0.002, 0.00205, 0.002)]).toEqual([
    'moving',
    'moving',
    'growing',
    'dormant',
  ]);
  expect(crackMovement([visit(0, [0, 0.002])])).toBeNull();
  expect(flipsAt(0, 1, (off) => crackMovement([visit(0, [0, 0.002]), visit(1, [off, 0.002])]) === null)).toBeCloseTo(0.1, 5);
});

test('a crack from edge to edge of a long panel does a joint’s work, unless there is one', () => {
  const outline = rectangle({ length_m: 6, width_m: 4 });
  const across: Point[] = [
    [3, 0.02],
    [3.1, 2],
    [3, 3.95],
  ];
  expect(jointsWork({ line: across, outline, thickness_m: 0.15 })).toBeCloseTo(40, 9);
  expect(flipsAt(0.05, 0.5, (thickness_m) => jointsWork({ line: across, outline, thickness_m }) === null)).toBeCloseTo(0.2, 5);
  expect(
    flipsAt(
      0,
      1,
      (y) =>
        jointsWork({
          line: [
            [3, y],
            [3, 4],
          ],
          outline,
          thickness_m: 0.1,
        }) === null,
    ),
  ).toBeCloseTo(0.1, 5);
  const joint: FindingInput = { ...crack, kind: 'groove', width: crack.depth, blade_m: 0.003, moves: null };
  expect(codes({}, [{ ...crack, line: across }])).toEqual(['verdict.jointsWork']);
  expect(codes({}, [{ ...crack, line: across }, joint])).toEqual(['verdict.clear']);
});

test('what waits is measured and named with its risk, and is no part of now', () => {
  const job = {
    ...input,
    findings: [finding, { ...finding, id: 'g', label: 'B', phase: 'season' as const }, { ...crack, id: 'h', label: 'C', phase: 'nextYear' as const }],
  };
  const [survey] = surveyOf(job).elements as [ElementSurvey];
  const [surveyed] = surveyOf(input).elements as [ElementSurvey];
  expect(survey.bad_m2).toBe(surveyed.bad_m2);
  expect(survey.volume).toEqual(surveyed.volume);
  expect(survey.debris).toEqual(surveyed.debris);
  expect(survey.length_m).toBe(0);
  expect(survey.waiting.map(({ phase, labels }) => [phase, ...labels])).toEqual([
    ['season', 'B'],
    ['nextYear', 'C'],
  ]);
  expect(survey.waiting[0]!.volume.p50).toBeCloseTo(surveyed.volume!.p50, 12);
  expect(survey.waiting[0]!.risks.map(({ code }) => code)).toEqual(['wait.frost', 'wait.deicer', 'wait.trip', 'wait.grows']);
  expect(survey.waiting[1]!.risks.map(({ code }) => code)).toEqual(['wait.frost', 'wait.deicer', 'wait.grows']);
  const wall = surveyOf({
    ...job,
    elements: [{ ...element, kind: 'wall', exposures: ['wheels'], openings: [rectangle({ length_m: 1, width_m: 2, at: [1, 1] })] }],
  });
  expect(wall.elements[0]!.area_m2).toBeCloseTo(22, 9);
  expect(wall.elements[0]!.waiting.map(({ risks }) => risks.map(({ code }) => code))).toEqual([
    ['wait.wheels', 'wait.grows'],
    ['wait.water', 'wait.grows'],
  ]);
});

test('tape makes the sketch: sides that close leave nothing, one that does not is told and spread', () => {
  const sketch = rectangle({ length_m: 5, width_m: 5 });
  const sides = (a: number, b: number, c: number, d: number) => [a, b, c, d].map((length_m, i) => ({ from: i, to: (i + 1) % 4, length_m }));
  const good = fitOutline({ sketch, lengths: sides(6, 4, 6, 4) });
  expect(good.misfit_m).toBeLessThan(1e-4);
  expect(polygonArea(good.outline)).toBeCloseTo(24, 3);
  const off = fitOutline({ sketch, lengths: sides(6, 4, 6.1, 4) });
  expect(off.misfit_m).toBeGreaterThan(0.01);
  expect(off.left_m.reduce((sum, left) => sum + left, 0)).toBeCloseTo(0, 2);
  // Taped out of square, the diagonal says so.
  const skew = fitOutline({
    sketch: [
      [0, 0],
      [6, 0],
      [7, 4],
      [1, 4],
    ],
    lengths: [...sides(6, Math.hypot(1, 4), 6, Math.hypot(1, 4)), { from: 0, to: 2, length_m: Math.hypot(7, 4) }],
  });
  expect(skew.misfit_m).toBeLessThan(1e-3);
  expect(polygonArea(skew.outline)).toBeCloseTo(24, 2);
  expect(problemOf(() => fitOutline({ sketch, lengths: [{ from: 0, to: 0, length_m: 1 }] })).code).toBe('outOfRange');
  expect(problemOf(() => fitOutline({ sketch, lengths: [{ from: 0, to: 9, length_m: 1 }] })).code).toBe('outOfRange');
});

test('a corner within five degrees of square is meant square', () => {
  const sketch = (lean: number): Point[] => [
    [0, 0],
    [4, 0],
    [4 + 3 * Math.tan(lean), 3],
    [3 * Math.tan(lean), 3],
  ];
  const squared = (degrees: number): boolean => {
    const lean = (degrees * Math.PI) / 180;
    const { outline } = fitOutline({ sketch: sketch(lean), lengths: [{ from: 0, to: 1, length_m: 4 }] });
    return Math.abs(outline[2]![0] - outline[1]![0]) < 0.02;
  };
  expect(flipsAt(1, 15, squared)).toBeCloseTo(5, 2);
});

const some = fc.tuple(fc.double({ min: 0, max: 10, noNaN: true }), fc.double({ min: 0, max: 10, noNaN: true }));

test('corners put in order cross no more, and none is lost', () => {
  fc.assert(
    fc.property(fc.uniqueArray(some, { minLength: 4, maxLength: 9, selector: ([x, y]) => `${Math.round(x * 10)} ${Math.round(y * 10)}` }), (points) => {
      const mended = uncrossed(points);
      expect([...mended].sort()).toEqual([...points].sort());
      expect(mended[0]).toEqual(points[0]);
      // What still crosses has corners in one line; polygonArea would refuse it as vanishing or crossing.
      if (new Set(points.map(([x]) => Math.round(x * 10))).size > 2) expect(() => polygonArea(mended)).not.toThrow();
    }),
    { numRuns: 60 },
  );
});

test('places: nearest on a line, outside and pulled in, along a string, round', () => {
  const outline = rectangle({ length_m: 4, width_m: 2 });
  expect(
    nearestOnLine(
      [1, 1],
      [
        [0, 0],
        [2, 0],
        [2, 3],
      ],
    ),
  ).toEqual({ off_m: 1, along_m: 1, at: [1, 0] });
  expect(
    nearestOnLine(
      [3, 1.5],
      [
        [0, 0],
        [2, 0],
        [2, 3],
      ],
    ),
  ).toEqual({ off_m: 1, along_m: 3.5, at: [2, 1.5] });
  expect(
    nearestOnLine(
      [1, 1],
      [
        [0, 0],
        [0, 0],
      ],
    ).off_m,
  ).toBeCloseTo(Math.SQRT2, 12);
  expect(distanceToOutline([2, 0.5], outline)).toBe(0.5);
  expect(
    outsiders(
      [
        [1, 1],
        [5, 1],
        [4, 2],
      ],
      outline,
    ),
  ).toEqual([1]);
  expect(
    pulledInside(
      [
        [1, 1],
        [5, 1],
      ],
      outline,
    ),
  ).toEqual([
    [1, 1],
    [4, 1],
  ]);
  expect(stringLine({ from: [0, 0], to: [1, 0], spacing_m: 0.4 })).toEqual([
    [0, 0],
    [0.4, 0],
    [0.8, 0],
    [1, 0],
  ]);
  expect(stringLine({ from: [0, 0], to: [0, 1], spacing_m: 5 })).toEqual([
    [0, 0],
    [0, 1],
  ]);
  const round = ellipse({ middle: [5, 5], across_m: 3, along_m: 2 });
  expect(polygonArea(round)).toBeCloseTo((Math.PI * 3 * 2) / 4, 9);
  expect(lineLength(round)).toBeGreaterThan(7);
});

test('what is found later makes a plan stale, and says what it costs; the weather does not', () => {
  const before = computePlan(input);
  const more = {
    ...input,
    findings: [...input.findings, { ...finding, id: 'g', label: 'B' }],
    treatments: [...input.treatments, { findingId: 'g', sheetId: input.treatments[0]!.sheetId }],
  };
  const after = computePlan(more);
  expect(isStale(hashesOf(input), hashesOf(more))).toBe(true);
  expect(isStale(hashesOf(input), hashesOf({ ...input, conditions: { ...input.conditions, sun: false } }))).toBe(false);
  const { bad_m2, packages, batches, work_s, cost_minor } = differenceOf({ before, after });
  expect(bad_m2[1]).toBeCloseTo(2 * bad_m2[0], 9);
  expect(batches[1]).toBe(2 * batches[0]);
  // The last batch of the one and of the other are of what is left.
  expect(work_s[1] / work_s[0]).toBeCloseTo(2, 0);
  expect(packages[1]).toBe(after.orders[0]!.chosen.packages.reduce((sum, { count }) => sum + count, 0));
  expect(packages[1]).toBeGreaterThan(packages[0]);
  expect(cost_minor[1]).toBeGreaterThan(cost_minor[0]);
  const waiting = computePlan({ ...more, findings: more.findings.map((finding) => ({ ...finding, phase: 'season' as const })) });
  expect(waiting.orders).toEqual([]);
  expect(waiting.findings.every(({ chosen }) => chosen === null)).toBe(true);
});

test('an opening is not walked, not counted, and belongs to no tap', () => {
  const outline = rectangle({ length_m: 4, width_m: 2 });
  const openings = [rectangle({ length_m: 1, width_m: 2, at: [1, 0] })];
  const grid = soundingGrid({ outline, openings, spacing_m: 0.5 });
  expect(grid).toHaveLength(24);
  expect(grid.every(([x]) => x < 1 || x > 2)).toBe(true);
  const { share, areas_m2 } = hollowShare({ element: outline, openings, points: grid, hollow: grid.flatMap(([x], i) => (x < 1 ? [i] : [])) });
  expect(areas_m2.reduce((sum, area) => sum + area, 0)).toBeCloseTo(6, 9);
  expect(share).toBeCloseTo(1 / 3, 9);
  expect(netArea({ outline, openings })).toBeCloseTo(6, 12);
  const corners: Point[] = [
    [0.5, 1],
    [1.2, 1],
    [2, 1],
    [5, 1],
  ];
  expect(outsiders(corners, outline, openings)).toEqual([1, 3]);
  expect(pulledInside(corners, outline, openings)).toEqual([
    [0.5, 1],
    [1, 1],
    [2, 1],
    [4, 1],
  ]);
});

test('far from every side a cell is taken whole: as much as clipping it gives', () => {
  const outline: Point[] = [
    [0, 0],
    [6, 0],
    [6, 3],
    [3, 3],
    [3, 6],
    [0, 6],
  ];
  const points = soundingGrid({ outline, spacing_m: 0.3 });
  const { areas_m2 } = hollowShare({ element: outline, points, hollow: [] });
  expect(areas_m2.reduce((sum, area) => sum + area, 0)).toBeCloseTo(27, 9);
  for (const area of areas_m2) expect(area).toBeCloseTo(0.09, 9);
});

test('where the next depths go and what the volume is come from the same depths', () => {
  const spall = {
    ...finding,
    outline: rectangle({ length_m: 2, width_m: 1 }),
    readings: [
      [0.3, 0.3, 0.02],
      [1.7, 0.5, 0.05],
      [0.4, 0.8, 0.03],
      [1, 0.5, 0.04],
    ] as [number, number, number][],
  };
  expect(spallReadings(spall)).toMatchObject({ rim_m: 0.02, deepest_m: 0.05 });
  expect(spallReadings({ ...spall, cutDepth_m: 0.03 }).rim_m).toBe(0.03);
  expect(spallReadings({ ...spall, edge: 'feathered', readings: [] })).toMatchObject({ rim_m: 0 });
  const { volume_m3, sigma } = spallVolume(spallReadings(spall));
  expect(takeOffOf(spall).volume.p50).toBeCloseTo(volume_m3, 12);
  expect(readingsToHalve(spallReadings(spall)).range).toBe(spreadOf(sigma));
});
