import { inRange, Problem } from '../quantity';
import { polygonArea, type Point } from '../takeoff';
import { SURVEY } from './constants';

/** A taped length between two corners of an outline, counted from 0: a side, or a diagonal. */
export interface TapedLength {
  readonly from: number;
  readonly to: number;
  readonly length_m: number;
}

/** An outline as the tape says it, and how far the sides fail to close. */
export interface FittedOutline {
  readonly outline: readonly Point[];
  /** by how much the taped lengths cannot all hold, m: the worst of what is left between tape and outline */
  readonly misfit_m: number;
  /** what each taped length differs from the outline, m, in the order given */
  readonly left_m: readonly number[];
}

const ROUNDS = 200;
/** Drawn corners hold their place only where no tape says otherwise. */
const HOLD = 1e-4;
const SQUARE = 1;

/**
 * The outline that follows taped lengths as nearly as all of them together allow, least squares from a sketch. Corners
 * sketched square stay square where the tape lets them, so sides that do not close show as a misfit; spread over all of
 * them, it is the outline returned.
 *
 * @param sketch corners as tapped, m; the first stays where it is and the first side keeps its direction
 * @param lengths sides and diagonals with their tape, m
 * @throws Problem `outOfRange`, `outlineTooShort`, `outlineCrosses`, `outlineVanishes`, `noConvergence`
 * @example fitOutline({ sketch: rectangle({ length_m: 1, width_m: 1 }), lengths: [{ from: 0, to: 1, length_m: 2 }] }).outline[1] // [2, 0]
 */
export function fitOutline({ sketch, lengths }: { sketch: readonly Point[]; lengths: readonly TapedLength[] }): FittedOutline {
  polygonArea(sketch);
  const n = sketch.length;
  lengths.forEach(({ from, to, length_m }) => {
    inRange({ quantity: 'side_m', value: length_m, least: 0.01, most: 1000 });
    inRange({ quantity: 'corner', value: Math.max(from, to), least: 0, most: n - 1 });
    if (from === to) throw new Problem('outOfRange', { quantity: 'corner', value: to, least: 0, most: n - 1 });
  });
  const side = (from: number): TapedLength | undefined =>
    lengths.find((length) => (length.from === from && length.to === (length.from + 1) % n) || (length.to === from && length.from === (from + 1) % n));
  // A sketch is out of scale: every side takes its taped length, in the direction it was drawn, before the fit begins.
  const walked: Point[] = [sketch[0]!];
  for (let i = 0; i + 1 < n; i += 1) {
    const [a, b] = [sketch[i]!, sketch[i + 1]!];
    const drawn = Math.hypot(b[0] - a[0], b[1] - a[1]);
    const scale = (side(i)?.length_m ?? drawn) / drawn;
    const [x, y] = walked[i]!;
    walked.push([x + (b[0] - a[0]) * scale, y + (b[1] - a[1]) * scale]);
  }
  const squares = sketch.flatMap((_, i) => (isSquare(sketch, i) ? [i] : []));
  const fitted = settle(walked, lengths, squares);
  polygonArea(fitted);
  const left_m = lengths.map(({ from, to, length_m }) => distance(fitted[from]!, fitted[to]!) - length_m);
  return { outline: fitted, left_m, misfit_m: left_m.reduce((worst, left) => Math.max(worst, Math.abs(left)), 0) };
}

const distance = (a: Point, b: Point): number => Math.hypot(b[0] - a[0], b[1] - a[1]);

function isSquare(outline: readonly Point[], i: number): boolean {
  const n = outline.length;
  const [before, at, after] = [outline[(i + n - 1) % n]!, outline[i]!, outline[(i + 1) % n]!];
  const [u, v] = [
    [before[0] - at[0], before[1] - at[1]],
    [after[0] - at[0], after[1] - at[1]],
  ] as const;
  const cosine = (u[0] * v[0] + u[1] * v[1]) / (Math.hypot(...u) * Math.hypot(...v));
  return Math.abs(cosine) < Math.sin(SURVEY.squareWithin_rad);
}

/** Gauss-Newton on the corners: tape, square corners, and a light hold on the sketch; the first corner and the first side's direction are held. */
function settle(start: readonly Point[], lengths: readonly TapedLength[], squares: readonly number[]): Point[] {
  const n = start.length;
  let points = start.map(([x, y]): [number, number] => [x, y]);
  const size = Math.max(...start.map((p) => distance(p, start[0]!)));
  for (let round = 0; round < ROUNDS; round += 1) {
    const rows: { at: [number, number][]; left: number }[] = [];
    for (const { from, to, length_m } of lengths) {
      const [a, b] = [points[from]!, points[to]!];
      const d = distance(a, b);
      const [ux, uy] = [(b[0] - a[0]) / d, (b[1] - a[1]) / d];
      rows.push({
        at: [
          [2 * from, -ux],
          [2 * from + 1, -uy],
          [2 * to, ux],
          [2 * to + 1, uy],
        ],
        left: d - length_m,
      });
    }
    for (const i of squares) {
      const [h, j] = [(i + n - 1) % n, (i + 1) % n];
      const [u, v] = [
        [points[h]![0] - points[i]![0], points[h]![1] - points[i]![1]],
        [points[j]![0] - points[i]![0], points[j]![1] - points[i]![1]],
      ];
      const scale = SQUARE / Math.max(Math.hypot(...u), Math.hypot(...v));
      rows.push({
        at: [
          [2 * h, v[0]! * scale],
          [2 * h + 1, v[1]! * scale],
          [2 * j, u[0]! * scale],
          [2 * j + 1, u[1]! * scale],
          [2 * i, -(u[0]! + v[0]!) * scale],
          [2 * i + 1, -(u[1]! + v[1]!) * scale],
        ],
        left: (u[0]! * v[0]! + u[1]! * v[1]!) * scale,
      });
    }
    for (let k = 0; k < 2 * n; k += 1) rows.push({ at: [[k, HOLD]], left: HOLD * (points[k >> 1]![k & 1]! - start[k >> 1]![k & 1]!) });
    const [dx, dy] = [start[1]![0] - start[0]![0], start[1]![1] - start[0]![1]];
    const off = (points[1]![0] - points[0]![0]) * dy - (points[1]![1] - points[0]![1]) * dx;
    rows.push({ at: [[0, 1e3]], left: 1e3 * (points[0]![0] - start[0]![0]) }, { at: [[1, 1e3]], left: 1e3 * (points[0]![1] - start[0]![1]) });
    const across = 1e3 / Math.hypot(dx, dy);
    rows.push({
      at: [
        [2, dy * across],
        [3, -dx * across],
      ],
      left: off * across,
    });
    const step = solveNormal(rows, 2 * n);
    points = points.map(([x, y], i) => [x - step[2 * i]!, y - step[2 * i + 1]!]);
    if (Math.max(...step.map(Math.abs)) < 1e-9 * size) return points;
  }
  throw new Problem('noConvergence', { quantity: 'outline' });
}

/** The least-squares step of sparse rows by their normal equations. */
function solveNormal(rows: readonly { at: readonly (readonly [number, number])[]; left: number }[], n: number): number[] {
  const a = Array.from({ length: n }, () => new Float64Array(n + 1));
  for (const { at, left } of rows)
    for (const [i, vi] of at) {
      for (const [j, vj] of at) a[i]![j]! += vi * vj;
      a[i]![n]! += vi * left;
    }
  for (let i = 0; i < n; i += 1) {
    let pivot = i;
    for (let k = i + 1; k < n; k += 1) if (Math.abs(a[k]![i]!) > Math.abs(a[pivot]![i]!)) pivot = k;
    [a[i], a[pivot]] = [a[pivot]!, a[i]!];
    for (let k = 0; k < n; k += 1) {
      if (k === i) continue;
      const by = a[k]![i]! / a[i]![i]!;
      if (by !== 0) for (let j = i; j <= n; j += 1) a[k]![j]! -= by * a[i]![j]!;
    }
  }
  return a.map((row, i) => row[n]! / row[i]!);
}
