/** A box on a drawing, px. */
export interface Box {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

type At = readonly [number, number];

/** A label that wants to stand somewhere. */
export interface WantedLabel {
  readonly width: number;
  readonly height: number;
  /** what it names: the label stands there, or a leader line comes from there */
  readonly at: At;
  /** stands beside what it names, not on it */
  readonly beside?: boolean;
  /** left out rather than far from what it names */
  readonly optional?: boolean;
}

/** What no label may stand on. */
export interface Taken {
  readonly boxes: readonly Box[];
  /** what gives way under a label where the next free place is far: taps, one of many */
  readonly soft?: readonly Box[];
  /** lines and outlines as they are drawn */
  readonly lines: readonly (readonly At[])[];
}

/** Where a label stands: its middle, and whether a leader line must lead to it. */
export interface LabelPlace {
  readonly x: number;
  readonly y: number;
  readonly leader: boolean;
}

/** How far around it is looked, px, and in how many directions. */
const FARTHEST = 132;
const STEP = 11;
const WAYS = 16;
/** Further from what it names than this a label is led to by a line. */
const NEAR = 4;
const GAP = 2;
/** What standing on another label or a reading costs, what standing on a line does; giving way under it costs 1, and so does every so many px away. */
const COVERS = 100;
const CROSSES = 25;
const FAR_PX = 45;

export const boxAt = (x: number, y: number, width: number, height: number): Box => ({
  left: x - width / 2,
  right: x + width / 2,
  top: y - height / 2,
  bottom: y + height / 2,
});

export const overlap = (a: Box, b: Box): boolean => a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;

/** Whether a line runs through a box: clipped to it, something is left. */
export function crossesBox([x1, y1]: At, [x2, y2]: At, { left, right, top, bottom }: Box): boolean {
  let [from, to] = [0, 1];
  for (const [start, delta, low, high] of [
    [x1, x2 - x1, left, right],
    [y1, y2 - y1, top, bottom],
  ] as const) {
    if (delta === 0) {
      if (start < low || start > high) return false;
      continue;
    }
    const [a, b] = [(low - start) / delta, (high - start) / delta];
    from = Math.max(from, Math.min(a, b));
    to = Math.min(to, Math.max(a, b));
    if (from > to) return false;
  }
  return true;
}

/** Where around its anchor a label is tried, the nearest first. */
function* triesOf({ at: [x, y], width, height, beside = false }: WantedLabel): Generator<LabelPlace> {
  // On what it names, or a little aside on it, between what lies there.
  if (!beside)
    for (const [sx, sy] of [
      [0, 0],
      [0, -1],
      [0, 1],
      [-1, 0],
      [1, 0],
      [-1, -1],
      [1, -1],
      [-1, 1],
      [1, 1],
    ] as const)
      yield { x: x + sx * 12, y: y + sy * 12, leader: false };
  const [dx, dy] = [width / 2 + 8, height / 2 + 8];
  for (const [sx, sy] of [
    [1, -1],
    [0, -1],
    [1, 0],
    [1, 1],
    [0, 1],
    [-1, -1],
    [-1, 0],
    [-1, 1],
  ] as const)
    yield { x: x + sx * dx, y: y + sy * dy, leader: false };
  for (let away = STEP; away <= FARTHEST; away += STEP)
    for (let way = 0; way < WAYS; way += 1) {
      const turn = (2 * Math.PI * way) / WAYS - Math.PI / 2;
      yield { x: x + (dx + away) * Math.cos(turn), y: y + (dy + away) * Math.sin(turn), leader: away > NEAR };
    }
}

/**
 * Stands labels where they cover nothing: not each other, not what is taken, not outside the drawing. Each is tried on
 * what it names, beside it, then further away with a leader line; the first that fits stands. The same labels always
 * stand in the same places; what is soft gives way where the next free place is far.
 *
 * @returns a place for each label, in order; null for an optional one that finds no room. One that must stand and finds
 *   none stands where it covers least.
 */
export function labelPlaces(labels: readonly WantedLabel[], { boxes, soft = [], lines }: Taken, room: Box): (LabelPlace | null)[] {
  const taken = [...boxes];
  const bounds = lines.map((points) => boundsOf(points));
  const touched = (box: Box): number =>
    taken.filter((other) => overlap(box, other)).length * COVERS +
    lines.filter((points, i) => overlap(box, bounds[i]!) && points.some((point, j) => j > 0 && crossesBox(points[j - 1]!, point, box))).length * CROSSES;
  return labels.map((label) => {
    let best: { place: LabelPlace; box: Box; cost: number } | null = null;
    for (const place of triesOf(label)) {
      if (label.optional && place.leader) break;
      const box = boxAt(place.x, place.y, label.width + 2 * GAP, label.height + 2 * GAP);
      if (box.left < room.left || box.right > room.right || box.top < room.top || box.bottom > room.bottom) continue;
      const far = Math.hypot(place.x - label.at[0], place.y - label.at[1]) / FAR_PX;
      // Further out nothing can be better than what was found.
      if (best && best.cost <= far) break;
      const cost = touched(box) + far + soft.filter((other) => overlap(box, other)).length;
      if (!best || cost < best.cost) best = { place, box, cost };
    }
    if (!best || (label.optional && best.cost >= CROSSES)) return null;
    taken.push(best.box);
    return best.place;
  });
}

/** A box around points, a little larger so that a level line has one too. */
export function boundsOf(points: readonly At[]): Box {
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  return { left: Math.min(...xs) - 0.5, right: Math.max(...xs) + 0.5, top: Math.min(...ys) - 0.5, bottom: Math.max(...ys) + 0.5 };
}
