import { inside, polygonArea, type DepthReading, type Point, type ReadSpall, type SpallShape } from '../takeoff';

/** A spall made up by rule, with the volume it truly has. */
export interface SimulatedSpall extends ReadSpall {
  readonly family: string;
  readonly truth_m3: number;
}

/** The same throws for the same seed, 0 to 1. */
function throwsOf(seed: number): () => number {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

/** How deep each family is, of its deepest, at a share of the way out and a direction. */
const FAMILIES: Readonly<Record<string, { shape: SpallShape; share: (out: number, turn: number, wobble: number) => number }>> = {
  cone: { shape: 'cone', share: (out) => 1 - out },
  dish: { shape: 'dish', share: (out) => 1 - out ** 2 },
  pan: { shape: 'pan', share: (out) => 1 - out ** 6 },
  steep: { shape: 'dish', share: (out, turn) => (1 - out ** (2 + Math.cos(turn))) * (0.8 + 0.2 * Math.cos(turn)) },
  ledge: { shape: 'dish', share: (out, turn) => (Math.cos(turn) > 0 ? 1 - out ** 4 : 0.45 * (1 - out ** 4)) },
  rough: { shape: 'dish', share: (out, turn, wobble) => (1 - out ** 2) * (1 + 0.12 * Math.sin(5 * turn + wobble) * Math.sin(9 * out + wobble)) },
};

const GRID = 90;

/** So many spalls of every family: a ragged outline, the deepest off the middle, four to twenty readings, a third with the deepest typed and not tapped. */
export function simulatedSpalls(seed: number, count: number): SimulatedSpall[] {
  const next = throwsOf(seed);
  const between = (least: number, most: number): number => least + (most - least) * next();
  return Array.from({ length: count }, (_, n): SimulatedSpall => {
    const [family, { shape, share }] = Object.entries(FAMILIES)[n % Object.keys(FAMILIES).length]!;
    const [size_m, deepest, wobble] = [between(0.15, 0.7), between(0.012, 0.06), between(0, 6)];
    const corners = Math.floor(between(7, 13));
    const radii = Array.from({ length: corners }, () => size_m * between(0.75, 1.15));
    const outline = radii.map((radius, i): Point => [radius * Math.cos((2 * Math.PI * i) / corners), radius * Math.sin((2 * Math.PI * i) / corners)]);
    const middle: Point = [size_m * between(-0.25, 0.25), size_m * between(-0.25, 0.25)];
    const depthAt = ([x, y]: Point): number => {
      const turn = Math.atan2(y - middle[1], x - middle[0]);
      const reach = reachOf(outline, middle, turn);
      return deepest * Math.max(0, share(Math.min(1, Math.hypot(x - middle[0], y - middle[1]) / reach), turn, wobble));
    };
    const places = gridIn(outline);
    const depths = places.map(depthAt);
    const truth_m3 = (polygonArea(outline) * depths.reduce((sum, depth_m) => sum + depth_m, 0)) / depths.length;
    const most_m = Math.max(...depths);
    const readings = Array.from({ length: Math.floor(between(4, 21)) }, (): DepthReading => {
      const at = places[Math.floor(next() * places.length)]!;
      return [at[0], at[1], Math.max(0.0005, depthAt(at) * between(0.94, 1.06))];
    });
    const tapped = n % 3 !== 0;
    const deepestAt = places[depths.indexOf(most_m)]!;
    if (tapped) readings[0] = [deepestAt[0], deepestAt[1], most_m];
    return { outline, readings, rim_m: 0, deepest_m: Math.max(most_m, ...readings.map(([, , depth_m]) => depth_m)), shape, family, truth_m3 };
  });
}

/** How far the outline is from a place in a direction, m. */
function reachOf(outline: readonly Point[], [x, y]: Point, turn: number): number {
  const [dx, dy] = [Math.cos(turn), Math.sin(turn)];
  let reach = 1e-9;
  for (let i = 0, j = outline.length - 1; i < outline.length; j = i, i += 1) {
    const [[ax, ay], [bx, by]] = [outline[j]!, outline[i]!];
    const across = dx * (by - ay) - dy * (bx - ax);
    if (across === 0) continue;
    const along = ((ax - x) * (by - ay) - (ay - y) * (bx - ax)) / across;
    const on = ((ax - x) * dy - (ay - y) * dx) / across;
    if (along > 0 && on >= 0 && on <= 1) reach = Math.max(reach, along);
  }
  return reach;
}

function gridIn(outline: readonly Point[]): Point[] {
  const [xs, ys] = [outline.map(([x]) => x), outline.map(([, y]) => y)];
  const at = (all: readonly number[], i: number): number => Math.min(...all) + ((Math.max(...all) - Math.min(...all)) * (i + 0.5)) / GRID;
  return Array.from({ length: GRID * GRID }, (_, i): Point => [at(xs, i % GRID), at(ys, Math.floor(i / GRID))]).filter((place) => inside(place, outline));
}
