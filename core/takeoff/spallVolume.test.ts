import fc from 'fast-check';
import damage from '../reference/damage.json';
import { problemOf } from '../testing/problemOf';
import { simulatedSpalls } from '../reference/simulatedSpalls';
import { heldAgainst, simulatedIn } from '../reference/volumesHeld';
import { polygonArea, spallDepth, spallVolume, type DepthReading, type Point, type ReadSpall } from './index';

const read = simulatedIn(damage as never);

const within = (value: number, least: number, most: number): void => {
  expect(value).toBeGreaterThanOrEqual(least);
  expect(value).toBeLessThanOrEqual(most);
};

test('on simulated damage from another hand the median is true, the range holds what it says, and few orders are short', () => {
  expect(read).toHaveLength(120);
  const told = heldAgainst(read);
  within(told.median, 0.96, 1.04);
  within(told.inRange, 0.72, 0.9);
  within(told.short, 0, 0.09);
  for (const ratio of Object.values(told.families)) within(ratio, 0.8, 1.2);
});

test.each([1, 2, 3])('on draws of our own (%i) too', (seed) => {
  const told = heldAgainst(simulatedSpalls(seed, 120));
  within(told.median, 0.95, 1.06);
  within(told.inRange, 0.68, 0.95);
  within(told.short, 0, 0.09);
  for (const ratio of Object.values(told.families)) within(ratio, 0.8, 1.2);
});

const deepestRead = ({ readings }: ReadSpall): number => Math.max(...readings.map(([, , depth_m]) => depth_m));

const some = fc.constantFrom(...read.filter((_, i) => i % 4 === 0));

test('a volume turns, moves and grows with its spall', () => {
  fc.assert(
    fc.property(some, fc.double({ min: 0.5, max: 2, noNaN: true }), fc.integer({ min: 0, max: 3 }), (spall, by, quarters) => {
      const turned = ([x, y]: Point): Point =>
        (
          [
            [x, y],
            [-y, x],
            [-x, -y],
            [y, -x],
          ] as const
        )[quarters]!;
      const moved = (place: Point): Point => [turned(place)[0] * by + 3, turned(place)[1] * by - 2];
      const grown = {
        ...spall,
        outline: spall.outline.map(moved),
        readings: spall.readings.map(([x, y, depth_m]): DepthReading => [...moved([x, y]), depth_m * by]),
        deepest_m: spall.deepest_m * by,
      };
      const [before, after] = [spallVolume(spall), spallVolume(grown)];
      expect(after.volume_m3 / (before.volume_m3 * by ** 3)).toBeCloseTo(1, 1);
      expect(Math.abs(after.volume_m3 / (before.volume_m3 * by ** 3) - 1)).toBeLessThan(0.03);
    }),
    { numRuns: 30 },
  );
});

test('a deepest that is typed never makes less to fill; a cut edge never less than its cut; nothing is deeper than all of it', () => {
  fc.assert(
    fc.property(some, fc.double({ min: 1, max: 3, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }), (spall, deeper, cut) => {
      const { volume_m3 } = spallVolume(spall);
      expect(spallVolume({ ...spall, deepest_m: spall.deepest_m * deeper }).volume_m3).toBeGreaterThanOrEqual(
        spallVolume({ ...spall, deepest_m: deepestRead(spall) }).volume_m3,
      );
      const rim_m = cut * Math.min(...spall.readings.map(([, , depth_m]) => depth_m));
      expect(spallVolume({ ...spall, rim_m }).volume_m3).toBeGreaterThanOrEqual(rim_m * polygonArea(spall.outline) * (1 - 1e-9));
      expect(volume_m3).toBeLessThan(spall.deepest_m * polygonArea(spall.outline) * 1.25);
    }),
    { numRuns: 40 },
  );
});

test('at a reading it is as deep as was read; at the edge nothing, or the cut', () => {
  for (const spall of read.slice(0, 20)) {
    const depth = spallDepth(spall);
    for (const [x, y, depth_m] of spall.readings) expect(depth([x, y])).toBeCloseTo(depth_m, 6);
    expect(depth(spall.outline[0]!)).toBeCloseTo(0, 9);
    expect(spallDepth({ ...spall, rim_m: 0.002 })(spall.outline[0]!)).toBeCloseTo(0.002, 9);
  }
});

test('the more readings say the same the narrower it is told, and never narrower than what no reading sees', () => {
  const [spall] = read;
  const depth = spallDepth(spall!);
  const dense = simulatedGrid(spall!.outline).map(([x, y]): DepthReading => [x, y, depth([x, y])]);
  const { sigma } = spallVolume({ ...spall!, readings: dense });
  expect(sigma).toBeLessThan(spallVolume(spall!).sigma);
  expect(sigma).toBeGreaterThanOrEqual(0.065);
});

/** Places inside, a few centimetres apart. */
function simulatedGrid(outline: readonly Point[]): Point[] {
  const middle: Point = [outline.reduce((sum, [x]) => sum + x, 0) / outline.length, outline.reduce((sum, [, y]) => sum + y, 0) / outline.length];
  return outline.flatMap(([x, y]) => [0.25, 0.5, 0.75].map((share): Point => [middle[0] + (x - middle[0]) * share, middle[1] + (y - middle[1]) * share]));
}

test('too few, outside and absurd readings are named', () => {
  const spall: ReadSpall = read[0]!;
  expect(problemOf(() => spallVolume({ ...spall, readings: spall.readings.slice(0, 2) })).code).toBe('tooFew');
  expect(problemOf(() => spallVolume({ ...spall, readings: [...spall.readings, [99, 99, 0.01]] })).code).toBe('outsideOutline');
  expect(problemOf(() => spallVolume({ ...spall, readings: [...spall.readings.slice(1), [...spall.readings[0]!.slice(0, 2), 2] as never] })).code).toBe(
    'outOfRange',
  );
});

test('a sliver that has no middle, and readings on the edge alone, are still told', () => {
  const sliver: Point[] = [
    [0, 0],
    [2, 0.001],
    [2, 0.0012],
  ];
  const on: DepthReading[] = [
    [1, 0.00055, 0.01],
    [1.5, 0.0008, 0.01],
    [1.9, 0.00105, 0.01],
  ];
  const told = spallVolume({ outline: sliver, readings: on, rim_m: 0, deepest_m: 0.01, shape: 'dish' });
  expect(told.volume_m3).toBeGreaterThan(0);
  expect(told.sigma).toBeGreaterThanOrEqual(0.065);
  const { outline } = read[0]!;
  const rim = outline.slice(0, 4).map(([x, y]): DepthReading => [x, y, 0.004]);
  const edge = spallVolume({ outline, readings: rim, rim_m: 0, deepest_m: 0.004, shape: 'pan' });
  expect(edge.volume_m3).toBeGreaterThan(0);
  expect(Number.isFinite(edge.sigma)).toBe(true);
});
