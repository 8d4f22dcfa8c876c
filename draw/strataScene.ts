import type { PlainCode } from './LabelFigures';
import { line, area } from 'd3-shape';
import { ruledEdge } from './ruler';
import { brokenEdge, pathOf, roomFor, round, type Scene, type Shape } from './scene';

/** When each band ends at one value of the quantity, s. */
export interface Column {
  readonly at: number;
  readonly flows_s: number;
  readonly finishes_s: number;
  readonly sets_s: number;
  /** what ends placing and finishing there: a skin is drawn with another line */
  readonly flowEnding: 'flow' | 'finish' | 'skin';
  readonly finishEnding: 'flow' | 'finish' | 'skin';
  /** the whole life of the flow */
  readonly flowLife_s: number;
}

/** The room of the strata and its scales. */
export interface StrataFrame {
  readonly width: number;
  readonly height: number;
  readonly least: number;
  readonly most: number;
  /** the longest time shown above the break, s */
  readonly deepest_s: number;
  /** the ruled edge stands on the left, under a left thumb */
  readonly mirror?: boolean;
}

const RULER = 68;
const TOP = 8;
const STRIP = 54;
const AXIS = 22;

/** Where values and times fall in the strata, and back. */
export function strataScale({ width, height, least, most, deepest_s, mirror = false }: StrataFrame) {
  const left = mirror ? RULER : 0;
  const right = mirror ? width : width - RULER;
  const bottom = height - STRIP - AXIS;
  return {
    left,
    right,
    bottom,
    toX: (value: number) => left + ((value - least) / (most - least)) * (right - left),
    fromX: (x: number) => least + ((Math.min(Math.max(x, left), right) - left) / (right - left)) * (most - least),
    toY: (time_s: number) => TOP + (Math.min(time_s, deepest_s) / deepest_s) * (bottom - TOP),
  };
}

/** A depth of time that shows the set at the handle and most of the field, rounded up to five minutes, s. */
export function deepestOf(columns: readonly Column[], value: number): number {
  const near = columns.reduce((best, column) => (Math.abs(column.at - value) < Math.abs(best.at - value) ? column : best));
  return Math.ceil((near.sets_s * 1.5) / 300) * 300;
}

/** The bands that a finger does not move: flows, takes the tool, stiffens, set; the ruled edge. */
export function strataScene(input: {
  readonly frame: StrataFrame;
  readonly columns: readonly Column[];
  /** the word for minutes at the ruled edge */
  readonly unit: string;
}): Scene {
  const { frame, columns } = input;
  const scale = strataScale(frame);
  const x = (column: Column): number => round(scale.toX(column.at));
  const band = (upper: (c: Column) => number, lower: (c: Column) => number): string =>
    area<Column>()
      .x(x)
      .y0((c) => round(scale.toY(upper(c))))
      .y1((c) => round(scale.toY(lower(c))))([...columns]) ?? '';
  const edge = (time: (c: Column) => number): string =>
    line<Column>()
      .x(x)
      .y((c) => round(scale.toY(time(c))))([...columns]) ?? '';
  const zero = (): number => 0;
  const end = (): number => frame.deepest_s;
  const shapes: Shape[] = [
    { type: 'path', d: band((c) => c.sets_s, end), pattern: 'set' },
    {
      type: 'path',
      d: band(
        (c) => c.finishes_s,
        (c) => c.sets_s,
      ),
      pattern: 'stiff',
    },
    {
      type: 'path',
      d: band(
        (c) => c.flows_s,
        (c) => c.finishes_s,
      ),
      pattern: 'mortar',
    },
    { type: 'path', d: band(zero, (c) => c.flows_s), pattern: 'wet' },
    ...[(c: Column) => c.flows_s, (c: Column) => c.finishes_s, (c: Column) => c.sets_s].map((time): Shape => ({
      type: 'path',
      d: edge(time),
      stroke: 'ink',
      width: 2.5,
    })),
    // The whole life of the flow: the plan stops before it, at the safe share.
    { type: 'path', d: edge((c) => Math.min(c.flowLife_s, frame.deepest_s)), stroke: 'ink', width: 2, dash: '2 5' },
    { type: 'path', d: brokenEdge({ from: scale.left, to: scale.right, y: scale.bottom + 4 }), stroke: 'ink', width: 2 },
  ];
  // Where drying ends a layer before the set does, its boundary is drawn heavy and broken, and says so.
  for (const [ends, time] of [
    [(c: Column) => c.flowEnding, (c: Column) => c.flows_s],
    [(c: Column) => c.finishEnding, (c: Column) => c.finishes_s],
  ] as const) {
    const dry = columns.filter((c) => ends(c) === 'skin');
    if (dry.length < 2) continue;
    const d = line<Column>()
      .defined((c) => ends(c) === 'skin')
      .x(x)
      .y((c) => round(scale.toY(time(c))))([...columns]);
    if (d) shapes.push({ type: 'path', d, stroke: 'caution', width: 6, dash: '10 5' });
    const middle = dry[Math.floor(dry.length / 2)]!;
    shapes.push({
      type: 'label',
      x: x(middle),
      y: scale.toY(time(middle)) - 8,
      label: { code: 'strata.skin' },
      size: 14,
      weight: 700,
      anchor: 'middle',
      plate: true,
    });
  }
  // Names stand where their band is thick enough to hold them, at the quieter end.
  const names: [PlainCode, (c: Column) => number, (c: Column) => number][] = [
    ['strata.flows', zero, (c) => c.flows_s],
    ['strata.finishes', (c) => c.flows_s, (c) => c.finishes_s],
    ['strata.stiffens', (c) => c.finishes_s, (c) => c.sets_s],
  ];
  for (const [code, upper, lower] of names) {
    const at = columns.slice(1, Math.ceil(columns.length * 0.3)).reduce((best, c) => (thickness(c) > thickness(best) ? c : best));
    function thickness(c: Column): number {
      return scale.toY(lower(c)) - scale.toY(upper(c));
    }
    if (thickness(at) < 26) continue;
    shapes.push({
      type: 'label',
      x: scale.left + 10,
      y: (scale.toY(upper(at)) + scale.toY(lower(at))) / 2 + 5,
      label: { code },
      size: 15,
      weight: 700,
      plate: true,
    });
  }
  shapes.push({ type: 'label', x: scale.right - 10, y: scale.bottom - 12, label: { code: 'strata.set' }, size: 15, weight: 700, anchor: 'end', plate: true });

  const major = frame.deepest_s > 7200 ? 60 : frame.deepest_s > 2400 ? 10 : 5;
  shapes.push(
    ...ruledEdge({
      x: frame.mirror ? scale.left - 8 : scale.right + 8,
      mirror: frame.mirror ?? false,
      from: TOP,
      to: scale.bottom,
      perUnit: (60 * (scale.bottom - TOP)) / frame.deepest_s,
      major,
      minor: major / 5,
      unit: input.unit,
    }),
  );
  return { width: frame.width, height: frame.height, title: { code: 'draw.strata' }, shapes };
}

/** What moves with the finger: the handle with its value, minutes and milestones, and the ghost of where it stood with the difference. */
export function strataHandle(input: {
  readonly frame: StrataFrame;
  readonly column: Pick<Column, 'at' | 'flows_s' | 'finishes_s' | 'sets_s'>;
  /** the value at the handle as a person reads it */
  readonly value: string;
  /** values along the foot; one that the handle's own would touch is left out */
  readonly ticks: readonly { readonly at: number; readonly text: string }[];
  readonly milestones: readonly { readonly name: string; readonly after_s: number }[];
  readonly ghost: { readonly at: number; readonly text: string } | null;
  /** the chance that a batch placed up to the line is lost, in words */
  readonly chance: string;
}): Scene {
  const { frame, column, ghost } = input;
  const scale = strataScale(frame);
  const x = round(scale.toX(column.at));
  const shapes: Shape[] = [];
  if (ghost) {
    const gx = round(scale.toX(ghost.at));
    shapes.push({ type: 'path', d: `M${gx} ${TOP}V${scale.bottom}`, stroke: 'ink', width: 2, dash: '3 6' });
  }
  const stripTop = scale.bottom + 12;
  shapes.push({
    type: 'path',
    d: pathOf([
      [0, stripTop],
      [frame.width, stripTop],
      [frame.width, stripTop + STRIP - 12],
      [0, stripTop + STRIP - 12],
    ]),
    fill: 'sunk',
  });
  const share = frame.width / Math.max(input.milestones.length, 1);
  input.milestones.forEach(({ name, after_s }, i) => {
    shapes.push({ type: 'path', d: `M${round(share * i + 2)} ${stripTop}v${STRIP - 12}`, stroke: 'ink', width: 2.5 });
    for (const [code, dy, weight] of [
      ['strata.milestone', 17, 500],
      ['strata.after', 35, 700],
    ] as const)
      shapes.push({ type: 'label', x: share * i + 9, y: stripTop + dy, label: { code, figures: { milestone: name, after_s } }, size: 14, weight });
  });
  const valueRoom = roomFor(input.value, 16) / 2;
  for (const { at, text } of input.ticks) {
    const tx = scale.toX(at);
    if (Math.abs(tx - x) < valueRoom + roomFor(text, 14) / 2) continue;
    shapes.push({
      type: 'label',
      x: Math.min(Math.max(tx, scale.left + 18), scale.right - 18),
      y: frame.height - 4,
      label: { text },
      size: 14,
      anchor: 'middle',
      paint: 'faint',
    });
  }
  shapes.push({
    type: 'label',
    x: Math.min(Math.max(x, scale.left + valueRoom), scale.right - valueRoom),
    y: frame.height - 3,
    label: { text: input.value },
    size: 16,
    weight: 800,
    anchor: 'middle',
    plate: true,
  });
  shapes.push({ type: 'path', d: `M${x} ${TOP - 8}V${scale.bottom + 12}`, stroke: 'ink', width: 4 });
  // Minutes stand beside the handle, pushed down where two would touch, on the side with room.
  const toRight = x - scale.left < (scale.right - scale.left) * 0.62;
  let floor = TOP + 10;
  const taken: number[] = [];
  for (const [time_s, size] of [
    [column.flows_s, 28],
    [column.finishes_s, 24],
    [column.sets_s, 20],
  ] as const) {
    if (time_s > frame.deepest_s) continue;
    const y = scale.toY(time_s);
    const textY = Math.max(y + size * 0.36, floor + size * 0.9);
    floor = textY + 6;
    taken.push(textY - size / 3);
    shapes.push({ type: 'path', d: `M${x} ${round(y)}h${toRight ? 16 : -16}`, stroke: 'ink', width: 3 });
    shapes.push({
      type: 'label',
      x: x + (toRight ? 22 : -22),
      y: textY,
      label: { text: String(Math.round(time_s / 60)) },
      size,
      weight: 800,
      anchor: toRight ? 'start' : 'end',
      plate: true,
    });
  }
  // The safe share's chance at its line, on whichever side of the handle has room for it.
  const safeAt = x < scale.right - 190 ? scale.right - 6 : x - scale.left > 250 ? x - 14 : null;
  if (safeAt !== null)
    shapes.push({
      type: 'label',
      x: safeAt,
      y: Math.max(scale.toY(column.flows_s) - 8, TOP + 15),
      label: { code: 'strata.safe', figures: { chance: input.chance } },
      size: 14,
      weight: 700,
      anchor: 'end',
      plate: true,
    });
  if (ghost) {
    const room = roomFor(ghost.text, 14) / 2;
    const gx = Math.min(Math.max(scale.toX(ghost.at), scale.left + room), scale.right - room);
    // At the foot of the ghost, or as far up as it takes to stand clear of the handle's minutes.
    const beside = Math.abs(gx - (x + (toRight ? 40 : -40))) < room + 40;
    let y = scale.bottom - 12;
    while (beside && y > TOP + 24 && taken.some((at) => Math.abs(at - (y - 5)) < 24)) y -= 12;
    shapes.push({ type: 'label', x: gx, y, label: { text: ghost.text }, size: 14, weight: 700, anchor: 'middle', plate: true });
  }
  return { width: frame.width, height: frame.height, title: { code: 'draw.strata' }, shapes };
}
