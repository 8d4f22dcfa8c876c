import type { Flight, OnStep } from '@tufa/core/survey';
import { flightFaces } from '@tufa/core/survey';
import { planStyle, type PlanKind } from './kinds';
import { boundsOf, boxAt, labelPlaces, type WantedLabel } from './labelPlaces';
import { pathOf, roomFor, round, type Scene, type Shape } from './scene';

type At = readonly [number, number];

/** Something broken on a flight, as its profile shows it. */
export interface FlightFinding {
  readonly id: string;
  readonly label: string;
  readonly kind: PlanKind;
  /** where it lies on the flight laid flat, m from the far end of the landing down */
  readonly from_m: number;
  readonly to_m: number;
  /** how far in and down a nosing broke, m */
  readonly broken?: { readonly across_m: number; readonly down_m: number };
  /** a step rebuilt: which, how many up from it, and what share of its body stays */
  readonly rebuilt?: { readonly step: number; readonly steps: number; readonly stays: number };
}

/** What the profile of a flight shows, and the room for it. */
export interface FlightSceneInput {
  readonly flight: Pick<Flight, 'steps'>;
  /** rise and going of each step, from the bottom up, as they are printed */
  readonly printed: readonly { readonly rise: string; readonly going: string }[];
  readonly findings: readonly FlightFinding[];
  readonly chosen: OnStep | null;
  readonly width: number;
  readonly height: number;
}

const MARGIN = 16;
/** Room above the landing for the word of its depth. */
const HEAD = 26;
/** A landing is drawn no longer than so many goings: then it is broken off. */
const LANDING_MOST = 1.6;
/** A finger within so much of a nosing means the nosing, px. */
const NOSING_PX = 16;
const SIZE = 15;
/** A broken nosing is drawn no smaller than it can be seen, px. */
const SEEN_PX = 15;

const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);

/** How far each step runs as it is drawn, its landing broken off where it is long. */
function runsOf({ steps }: Pick<Flight, 'steps'>): { runs: readonly number[]; broken: boolean } {
  const goings = steps.slice(0, -1).map(({ going }) => going.value);
  const landing_m = steps.at(-1)!.going.value;
  const most_m = LANDING_MOST * Math.max(...(goings.length > 0 ? goings : [landing_m]));
  return { runs: [...goings, Math.min(landing_m, most_m)], broken: landing_m > most_m };
}

/** How high the profile of a flight is where it fills a width, px. */
export const flightHeight = ({ flight, width }: Pick<FlightSceneInput, 'flight' | 'width'>): number =>
  ((width - 2 * MARGIN) / sum(runsOf(flight).runs)) * sum(flight.steps.map(({ rise }) => rise.value)) + HEAD + MARGIN;

/** Where the corners of a flight fall in a drawing, from the foot up: the climber comes from the left. */
export function flightLayout({ flight, width, height }: Pick<FlightSceneInput, 'flight' | 'width' | 'height'>) {
  const { steps } = flight;
  const { runs, broken } = runsOf(flight);
  const [run_m, rise_m] = [sum(runs), sum(steps.map(({ rise }) => rise.value))];
  const perMetre = Math.min((width - 2 * MARGIN) / run_m, (height - HEAD - MARGIN) / rise_m);
  const left = (width - run_m * perMetre) / 2;
  const floor = HEAD + rise_m * perMetre + Math.max(0, (height - HEAD - MARGIN - rise_m * perMetre) / 2);
  let [x, y] = [left, floor];
  const corners = steps.map(({ rise }, i) => {
    const foot: At = [x, y];
    y -= rise.value * perMetre;
    const nosing: At = [x, y];
    x += runs[i]! * perMetre;
    return { step: i + 1, foot, nosing, back: [x, y] as At };
  });
  return { perMetre, floor, corners, broken, right: x };
}

type Layout = ReturnType<typeof flightLayout>;

/** The face under a finger: a nosing where it is near to one, else the nearest riser or tread. */
export function flightFaceAt({ corners }: Pick<Layout, 'corners'>, [x, y]: At): OnStep {
  const off = ([ax, ay]: At, [bx, by]: At): number =>
    Math.hypot(Math.max(Math.min(ax, bx) - x, 0, x - Math.max(ax, bx)), Math.max(Math.min(ay, by) - y, 0, y - Math.max(ay, by)));
  const all = corners.flatMap(({ step, foot, nosing, back }) => [
    { on: { step, face: 'riser' } as OnStep, off: off(foot, nosing) },
    { on: { step, face: 'tread' } as OnStep, off: off(nosing, back) },
    // A nosing is small: a finger near to it means it, up to a third of the way along its faces.
    {
      on: { step, face: 'nosing' } as OnStep,
      off: off(nosing, nosing) <= Math.min(NOSING_PX, Math.abs(foot[1] - nosing[1]) / 3, (back[0] - nosing[0]) / 3) ? -1 : Infinity,
    },
  ]);
  return all.reduce((best, next) => (next.off < best.off ? next : best)).on;
}

/** A place on the flight laid flat, on its profile. */
function onProfile(flight: Pick<Flight, 'steps'>, { corners }: Layout, at_m: number): At {
  const faces = flightFaces(flight);
  const of = faces.find(({ to_m }) => at_m <= to_m + 1e-9) ?? faces.at(-1)!;
  const share = Math.min(1, Math.max(0, (at_m - of.from_m) / (of.to_m - of.from_m)));
  const { foot, nosing, back } = corners[of.step - 1]!;
  // Laid flat the landing's far end comes first: a tread is walked from its back to its nosing, a riser from its nosing to its foot.
  const [from, to] = of.face === 'tread' ? [back, nosing] : [nosing, foot];
  return [from[0] + (to[0] - from[0]) * share, from[1] + (to[1] - from[1]) * share];
}

/** The line of the profile between two places laid flat, around its corners. */
function alongProfile(flight: Pick<Flight, 'steps'>, layout: Layout, from_m: number, to_m: number): At[] {
  const between = flightFaces(flight).flatMap(({ to_m: corner_m }) => (corner_m > from_m + 1e-6 && corner_m < to_m - 1e-6 ? [corner_m] : []));
  return [from_m, ...between, to_m].map((at_m) => onProfile(flight, layout, at_m));
}

/** A finding on the profile: what is drawn of it, its outline, and where its letter belongs. */
function drawnFinding(
  flight: Pick<Flight, 'steps'>,
  layout: Layout,
  { kind, from_m, to_m, broken, rebuilt }: FlightFinding,
): { shapes: Shape[]; outline: At[]; at: At } {
  const { perMetre, corners } = layout;
  const { pattern, stroke, width, dash } = planStyle(kind);
  const middle = (points: readonly At[]): At => {
    const { left, right, top, bottom } = boundsOf(points);
    return [(left + right) / 2, (top + bottom) / 2];
  };
  if (rebuilt) {
    const of = corners.slice(rebuilt.step - 1, rebuilt.step - 1 + rebuilt.steps);
    // What stays is the back of the box: the new body is cut off along a slope that leaves it.
    const shapes = of.map(({ foot, nosing, back }): At[] => {
      const low = Math.min(1, 2 * (1 - rebuilt.stays));
      const far = Math.min(1, Math.max(0, 2 * (0.5 - rebuilt.stays)));
      return [
        foot,
        nosing,
        back,
        ...(far > 0
          ? [[back[0], back[1] + (foot[1] - back[1]) * far] as At, [foot[0] + (back[0] - foot[0]) * far, foot[1]] as At]
          : [[foot[0], nosing[1] + (foot[1] - nosing[1]) * low] as At]),
      ];
    });
    return {
      shapes: shapes.map((points) => ({ type: 'path', d: pathOf(points), pattern: 'mortar', stroke: 'ink', width: 3, dash: '10 4' }) as Shape),
      outline: shapes.flat(),
      at: middle(shapes[0] ?? []),
    };
  }
  if (broken) {
    const { nosing, foot, back } = corners.find(({ nosing: [, y] }) => Math.abs(y - onProfile(flight, layout, from_m)[1]) < 1) ?? corners[0]!;
    const across = Math.min(back[0] - nosing[0], Math.max(SEEN_PX, broken.across_m * perMetre));
    const down = Math.min(foot[1] - nosing[1], Math.max(SEEN_PX, broken.down_m * perMetre));
    const outline: At[] = [nosing, [nosing[0] + across, nosing[1]], [nosing[0], nosing[1] + down]];
    return { shapes: [{ type: 'path', d: pathOf(outline), fill: 'sheet', pattern: 'mortar', stroke: 'ink', width: 2.5 }], outline, at: middle(outline) };
  }
  const line = alongProfile(flight, layout, from_m, Math.max(to_m, from_m + 6 / perMetre));
  return {
    shapes: [{ type: 'path', d: pathOf(line, false), stroke: pattern ? 'edge' : stroke, width: pattern ? 11 : Math.max(5, width), ...(dash ? { dash } : {}) }],
    outline: line,
    at: middle(line),
  };
}

/** The profile of a flight as who climbs it sees it cut through: risers, treads, what is broken on them, and the face in hand. */
export function flightScene(input: FlightSceneInput): Scene {
  const { flight, printed, findings, chosen, width, height } = input;
  const layout = flightLayout(input);
  const { corners, floor, broken, right } = layout;
  const line = corners.flatMap(({ foot, nosing, back }) => [foot, nosing, back]);
  const shapes: Shape[] = [
    { type: 'path', d: pathOf([...line, [right, floor], [corners[0]!.foot[0], floor]]), fill: 'sunk', pattern: 'aggregate', stroke: 'none', width: 0 },
    { type: 'path', d: `M4 ${round(floor)}H${width - 4}`, stroke: 'ink', width: 2 },
    { type: 'path', d: pathOf(line, false), stroke: 'ink', width: 3.5 },
    broken
      ? { type: 'path', d: zigzagDown(right, corners.at(-1)!.back[1], floor), stroke: 'ink', width: 2 }
      : { type: 'path', d: `M${round(right)} ${round(corners.at(-1)!.back[1])}V${round(floor)}`, stroke: 'ink', width: 2 },
  ];
  const drawn = findings.map((finding) => ({ finding, ...drawnFinding(flight, layout, finding) }));
  for (const { shapes: of } of drawn) shapes.push(...of);
  if (chosen) shapes.push(...chosenFace(layout, chosen));
  const letters = drawn.map(({ finding, at }): WantedLabel => ({ width: roomFor(finding.label, SIZE + 3), height: SIZE + 7, at, beside: true }));
  const sizes = corners.flatMap(({ foot, nosing, back }, i) => [
    { text: printed[i]!.going, at: [(nosing[0] + back[0]) / 2, nosing[1] - 13] as At, faint: true },
    { text: printed[i]!.rise, at: [foot[0] + 10 + roomFor(printed[i]!.rise, SIZE) / 2, (foot[1] + nosing[1]) / 2] as At, faint: false },
  ]);
  const figures = sizes.map(({ text, at }): WantedLabel => ({ width: roomFor(text, SIZE), height: SIZE + 4, at, optional: true }));
  const places = labelPlaces(
    [...figures, ...letters],
    { boxes: [], lines: [line, ...drawn.map(({ outline }) => outline)] },
    boxAt(width / 2, height / 2, width - 4, height - 4),
  );
  drawn.forEach(({ finding, at }, i) => {
    const place = places[figures.length + i];
    if (!place) return;
    if (place.leader) shapes.push({ type: 'path', d: pathOf([at, [place.x, place.y]], false), stroke: 'edge', width: 1.5 });
    shapes.push({
      type: 'label',
      x: round(place.x),
      y: round(place.y + 6),
      label: { text: finding.label },
      size: SIZE + 3,
      weight: 700,
      anchor: 'middle',
      plate: true,
    });
  });
  sizes.forEach(({ text, faint }, i) => {
    const place = places[i];
    if (!place) return;
    shapes.push({
      type: 'label',
      x: round(place.x),
      y: round(place.y + 5),
      label: { text },
      size: SIZE,
      weight: faint ? 500 : 700,
      anchor: 'middle',
      ...(faint ? { paint: 'faint' } : {}),
      plate: true,
    });
  });
  return { width, height, title: { code: 'draw.flight', figures: { count: flight.steps.length } }, shapes };
}

function chosenFace({ corners }: Layout, { step, face }: OnStep): Shape[] {
  const of = corners[step - 1];
  if (!of) return [];
  if (face === 'nosing') return [{ type: 'path', d: ring(of.nosing, 10), fill: 'none', stroke: 'act', width: 5 }];
  return [{ type: 'path', d: pathOf(face === 'riser' ? [of.foot, of.nosing] : [of.nosing, of.back], false), stroke: 'act', width: 7 }];
}

const ring = ([x, y]: At, r: number): string => `M${round(x - r)} ${round(y)}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`;

/** Where a landing goes on beyond the drawing. */
function zigzagDown(x: number, from: number, to: number): string {
  const teeth = Math.max(2, Math.round((to - from) / 12));
  return pathOf(
    Array.from({ length: teeth + 1 }, (_, i): [number, number] => [x + (i % 2 === 0 ? 4 : -4), from + ((to - from) * i) / teeth]),
    false,
  );
}
