import { flightFaces, type Flight } from '@tufa/core/survey';
import { extent } from '@tufa/core/takeoff';
import { isLine, PLAN_KINDS, planStyle, type PlanKind } from './kinds';
import { boxAt, labelPlaces, overlap, type Box, type WantedLabel } from './labelPlaces';
import type { PlanFinding } from './PlanFinding';
import { nicePace } from './ruler';
import { pathOf, roomFor, round, type Scene, type Shape } from './scene';

type At = readonly [number, number];

/** What part of an element is looked at: how many times closer than whole, and where its left upper corner went, in units of the drawing. */
export interface PlanLook {
  readonly zoom: number;
  readonly x: number;
  readonly y: number;
}

/** All of the element, unmoved. */
export const WHOLE: PlanLook = { zoom: 1, x: 0, y: 0 };

/** What a plan shows, and the room for it. */
export interface PlanSceneInput {
  readonly outline: readonly At[];
  readonly openings?: readonly (readonly At[])[];
  /** how far down its plane water reaches up, m */
  readonly water_m?: number;
  /** a flight laid flat: its risers are told from its treads */
  readonly flight?: Pick<Flight, 'steps'>;
  readonly findings: readonly PlanFinding[];
  /** where it was tapped: an open ring is solid, a filled one hollow */
  readonly taps?: readonly { readonly at: At; readonly hollow: boolean }[];
  /** depths and widths where they were read, already printed */
  readonly readings?: readonly { readonly at: At; readonly text: string }[];
  /** places proposed for the next readings */
  readonly wanted?: readonly At[];
  /** where to tap next */
  readonly next?: At | null;
  /** where north lies, degrees clockwise from the top */
  readonly north_deg?: number | null;
  readonly width: number;
  readonly height: number;
  /** metres in one unit of the scale bar's measure: 1 for metres, 0.3048 for feet */
  readonly unit_m: number;
  readonly unit: string;
  /** a small picture for a list: no labels, no scale bar */
  readonly small?: boolean;
  readonly look?: PlanLook;
}

const MARGIN = 14;
/** Room under it for the scale bar and north. */
const FOOT = 26;

/** Where metres on the element fall in the drawing, and back. */
export function planScale({ outline, width, height, small = false, look = WHOLE }: Pick<PlanSceneInput, 'outline' | 'width' | 'height' | 'small' | 'look'>) {
  const { left_m: left, top_m: top, length_m, width_m } = extent(outline);
  const margin = small ? 4 : MARGIN;
  const foot = small ? 0 : FOOT;
  const whole = Math.min((width - 2 * margin) / Math.max(length_m, 1e-6), (height - 2 * margin - foot) / Math.max(width_m, 1e-6));
  const perMetre = whole * look.zoom;
  const [fromLeft, fromTop] = [margin * look.zoom + look.x, margin * look.zoom + look.y];
  return {
    perMetre,
    toX: (x: number) => fromLeft + (x - left) * perMetre,
    toY: (y: number) => fromTop + (y - top) * perMetre,
    fromX: (x: number) => (x - fromLeft) / perMetre + left,
    fromY: (y: number) => (y - fromTop) / perMetre + top,
  };
}

const LABEL_MOST = 40;
/** More taps than this lie everywhere: nothing is gained by looking for a place between them. */
const TAPS_MOST = 200;

/** The plan of an element with its findings, to scale. */
export function planScene(input: PlanSceneInput): Scene {
  const { outline, openings = [], findings, width, height, unit_m, unit, small = false, taps = [], next = null, readings = [], wanted = [] } = input;
  const scale = planScale(input);
  const at = ([x, y]: At): [number, number] => [scale.toX(x), scale.toY(y)];
  const shapes: Shape[] = [{ type: 'path', d: pathOf(outline.map(at)), fill: 'sheet', stroke: 'ink', width: small ? 2 : 3 }];
  const paths = new Map<string, { kind: PlanKind; chosen: boolean; d: string }>();
  const handles: Shape[] = [];
  const named: { text: string; wanted: WantedLabel }[] = [];
  const lines: (readonly At[])[] = [outline, ...openings].map((points) => [...points, points[0]!].map(at));
  if (input.water_m !== undefined) shapes.push(...waterShapes(input.water_m, outline, scale, small));
  if (input.flight) shapes.push(...flightShapes(input.flight, outline, scale));
  findings.forEach((finding, i) => {
    const { points, label, depth, kind = 'spall', chosen = false } = finding;
    const corners = points.map(at);
    if (corners.length < 2) {
      if (corners[0]) shapes.push(dot(corners[0], 6, 'act'));
      return;
    }
    const d = pathOf(corners, !isLine(kind) && corners.length > 2) + (kind === 'fall' ? arrow(corners) : '');
    const look = `${kind} ${chosen}`;
    paths.set(look, { kind, chosen, d: (paths.get(look)?.d ?? '') + d });
    for (const hole of finding.holes ?? [])
      handles.push({
        type: 'path',
        d: ring(at(hole.at), Math.max(small ? 1.5 : 3, hole.radius_m * scale.perMetre)),
        fill: 'ground',
        stroke: 'ink',
        width: small ? 1 : 2,
      });
    if (chosen) for (const corner of corners) handles.push(dot(corner, 6, 'act'));
    if (small) return;
    const line = isLine(kind);
    lines.push(line ? corners : [...corners, corners[0]!]);
    if ((!label && !depth) || i >= LABEL_MOST) return;
    // The figure stands on the plan where the finding itself has room for it; else the letter alone, and the list says the rest.
    const both = depth ? `${label}  ${depth}` : label;
    const text = roomFor(both, 16) < (line ? 1.6 : 0.9) * extent(corners).length_m ? both : label;
    const [cx, cy] = middleOf(kind, corners);
    named.push({ text, wanted: { width: roomFor(text, 16), height: 18, at: [cx, cy], beside: line } });
  });
  // One path for all that look alike: a hundred spalls are drawn as quickly as one.
  for (const { kind, chosen, d } of [...paths.values()].sort((a, b) => PLAN_KINDS.indexOf(a.kind) - PLAN_KINDS.indexOf(b.kind))) {
    const { pattern, stroke, width: line, dash } = planStyle(kind);
    shapes.push({
      type: 'path',
      d,
      ...(pattern ? { pattern, grain: small ? 0.7 : 1 } : {}),
      stroke: chosen ? 'act' : stroke,
      width: small ? line * 0.6 : chosen ? line + 1.5 : line,
      ...(dash ? { dash } : {}),
    });
  }
  // A layer goes around an opening: what is open stays open on top of it.
  for (const opening of openings) {
    const corners = opening.map(at);
    const half = corners.length >> 1;
    shapes.push({ type: 'path', d: pathOf(corners), fill: 'ground', stroke: 'ink', width: 2 });
    shapes.push({
      type: 'path',
      d: pathOf([corners[0]!, corners[half]!], false) + pathOf([corners[1]!, corners[half + 1] ?? corners[0]!], false),
      stroke: 'faint',
      width: 1.5,
    });
  }
  shapes.push(...handles);
  const foot = Math.min(height - 10, Math.max(...outline.map(([, y]) => scale.toY(y))) + FOOT);
  const words = small
    ? NO_WORDS
    : wordsOn({
        named,
        lines,
        // Words only where there is room for them: looked at closer, each reading says its figure.
        readings: readings.map((reading) => ({ text: () => reading.text, at: at(reading.at) })),
        reads: readings.length <= LABEL_MOST || (input.look?.zoom ?? 1) > 2,
        taps: taps.length <= TAPS_MOST ? taps.map((tap) => at(tap.at)) : [],
        // The scale bar with its figure, and north.
        fixed: [
          boxAt(width / 5, foot, width / 2.5, 18),
          ...(input.north_deg === null || input.north_deg === undefined ? [] : [boxAt(width - 26, foot, 44, 26)]),
        ],
        room: { left: 1, top: 1, right: width - 1, bottom: height - 1 },
      });
  // One of many taps gives way under a word.
  const seen = taps
    .map((tap) => ({ at: at(tap.at), hollow: tap.hollow }))
    .filter((tap) => taps.length > TAPS_MOST || !words.boxes.some((box) => overlap(box, boxAt(...tap.at, 8, 8))));
  shapes.push(...tapShapes(seen, Math.min(5, Math.max(2.5, scale.perMetre * 0.08))));
  if (readings.length > 0) shapes.push({ type: 'path', d: readings.map((reading) => cross(at(reading.at))).join(''), stroke: 'ink', width: 2 });
  shapes.push(...words.shapes);
  for (const place of wanted) shapes.push({ ...circle(at(place), 10), stroke: 'act', width: 3, dash: '4 3' } as Shape);
  if (next) {
    shapes.push({ ...dot(at(next), 12, 'sheet'), stroke: 'act', width: 4 } as Shape);
    shapes.push(dot(at(next), 4, 'act'));
  }
  if (!small) shapes.push(...scaleBar({ width, y: foot, perUnit: unit_m * scale.perMetre, unit }), ...northArrow(input.north_deg, width, foot));
  return { width, height, title: { code: 'draw.plan', figures: { count: findings.length } }, shapes };
}

/** Two paths for however many taps. */
function tapShapes(taps: readonly { at: [number, number]; hollow: boolean }[], radius: number): Shape[] {
  const rings = (of: boolean, r: number): string =>
    taps
      .filter(({ hollow }) => hollow === of)
      .map((tap) => ring(tap.at, r))
      .join('');
  const [solid, hollow] = [rings(false, radius), rings(true, radius * 1.4)];
  return [
    ...(solid ? [{ type: 'path', d: solid, fill: 'sheet', stroke: 'ink', width: radius > 4 ? 2 : 1.5 } as Shape] : []),
    ...(hollow ? [{ type: 'path', d: hollow, fill: 'ink' } as Shape] : []),
  ];
}

function scaleBar({ width, y: at, perUnit, unit }: { width: number; y: number; perUnit: number; unit: string }): Shape[] {
  const length = nicePace(width / 4 / perUnit);
  const to = MARGIN + length * perUnit;
  const y = round(at);
  return [
    { type: 'path', d: `M${MARGIN} ${y - 6}V${y + 4}M${MARGIN} ${y}H${round(to)}M${round(to)} ${y - 6}V${y + 4}`, stroke: 'ink', width: 2 },
    { type: 'label', x: to + 8, y: y + 5, label: { text: `${length} ${unit}` }, size: 14, paint: 'faint', plate: true },
  ];
}

function northArrow(north_deg: number | null | undefined, width: number, foot: number): Shape[] {
  if (north_deg === null || north_deg === undefined) return [];
  const turn = (north_deg * Math.PI) / 180;
  const [cx, cy] = [width - 34, foot + 2];
  const by = (along: number, across: number): [number, number] => [
    cx + along * Math.sin(turn) + across * Math.cos(turn),
    cy - along * Math.cos(turn) + across * Math.sin(turn),
  ];
  return [
    { type: 'path', d: pathOf([by(11, 0), by(-9, -6), by(-5, 0), by(-9, 6)]), fill: 'ink' },
    { type: 'label', x: cx + 15, y: cy + 5, label: { code: 'draw.north' }, size: 14, weight: 700 },
  ];
}

/** The face of standing water: a wave from side to side, with three short lines under it as levels are drawn. */
function waterShapes(water_m: number, outline: readonly At[], scale: ReturnType<typeof planScale>, small: boolean): Shape[] {
  const { left_m, length_m } = extent(outline);
  const [left, right, y] = [scale.toX(left_m), scale.toX(left_m + length_m), scale.toY(water_m)];
  const waves = Math.max(2, Math.round((right - left) / 24));
  const wave = (right - left) / waves;
  const d = Array.from({ length: waves }, () => `q${round(wave / 4)} -5 ${round(wave / 2)} 0t${round(wave / 2)} 0`).join('');
  return [
    { type: 'path', d: `M${round(left)} ${round(y)}${d}`, stroke: 'act', width: small ? 1.5 : 2.5 },
    ...(small
      ? []
      : ([
          {
            type: 'path',
            d: [28, 18, 8].map((wide, i) => `M${round(right - 24 - wide / 2)} ${round(y + 9 + i * 6)}h${wide}`).join(''),
            stroke: 'act',
            width: 2,
          },
          { type: 'label', x: round(right - 44), y: round(y + 20), label: { code: 'draw.water' }, size: 14, anchor: 'end', plate: true },
        ] as Shape[])),
  ];
}

/** Risers of a flight laid flat, darker than its treads, each step with its number at the rim. */
function flightShapes(flight: Pick<Flight, 'steps'>, outline: readonly At[], scale: ReturnType<typeof planScale>): Shape[] {
  const { left_m, length_m } = extent(outline);
  const [left, right] = [scale.toX(left_m), scale.toX(left_m + length_m)];
  return flightFaces(flight).flatMap(({ face, from_m, to_m }): Shape[] => {
    if (face === 'tread') return [];
    const [top, bottom] = [scale.toY(from_m), scale.toY(to_m)];
    return [
      { type: 'path', d: `M${round(left)} ${round(top)}H${round(right)}V${round(bottom)}H${round(left)}Z`, fill: 'sunk', stroke: 'edge', width: 1 },
      { type: 'path', d: `M${round(left)} ${round(top)}H${round(right)}`, stroke: 'ink', width: 3 },
    ];
  });
}

/** Letters and figures where they cover nothing, those led by a line that found no room; figures of readings give way. */
function wordsOn({
  named,
  lines,
  readings,
  reads,
  taps,
  fixed,
  room,
}: {
  named: readonly { readonly text: string; readonly wanted: WantedLabel }[];
  lines: readonly (readonly At[])[];
  readings: readonly { readonly text: () => string; readonly at: At }[];
  reads: boolean;
  taps: readonly At[];
  fixed: readonly Box[];
  room: Box;
}): { readonly shapes: Shape[]; readonly boxes: Box[] } {
  const seen = ([x, y]: At): boolean => x >= room.left && x <= room.right && y >= room.top && y <= room.bottom;
  const letters = named.filter(({ wanted }) => seen(wanted.at));
  const figures = reads ? readings.filter((reading) => seen(reading.at)).map((reading) => ({ text: reading.text(), at: reading.at })) : [];
  const asked = [
    ...letters.map(({ wanted }) => wanted),
    ...figures.map(({ text, at }): WantedLabel => ({ width: roomFor(text, 14), height: 16, at, beside: true, optional: true })),
  ];
  const places = labelPlaces(
    asked,
    { boxes: [...fixed, ...readings.map(({ at: [x, y] }) => boxAt(x, y, 10, 10))], soft: taps.map(([x, y]) => boxAt(x, y, 10, 10)), lines },
    room,
  );
  const boxes = places.flatMap((place, i) => (place ? [boxAt(place.x, place.y, asked[i]!.width, asked[i]!.height)] : []));
  const shapes = places.flatMap((place, i): Shape[] => {
    if (!place) return [];
    const letter = letters[i];
    const { text } = letter ?? figures[i - letters.length]!;
    const from = letter?.wanted.at;
    return [
      ...(place.leader && from ? [{ type: 'path', d: pathOf([from, [place.x, place.y]], false), stroke: 'ink', width: 1.5 } as Shape] : []),
      {
        type: 'label',
        x: round(place.x),
        y: round(place.y + (letter ? 6 : 5)),
        label: { text },
        size: letter ? 16 : 14,
        anchor: 'middle',
        ...(letter ? { weight: 700, plate: true } : {}),
      },
    ];
  });
  return { shapes, boxes };
}

const NO_WORDS: ReturnType<typeof wordsOn> = { shapes: [], boxes: [] };

/** Where a label stands: in the middle of an area, at the middle of a line. */
function middleOf(kind: PlanKind, corners: readonly [number, number][]): [number, number] {
  if (isLine(kind)) {
    const half = (corners.length - 1) / 2;
    const [a, b] = [corners[Math.floor(half)]!, corners[Math.ceil(half)]!];
    return [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  }
  return corners.reduce<[number, number]>(([sx, sy], [x, y]) => [sx + x / corners.length, sy + y / corners.length], [0, 0]);
}

function arrow(corners: readonly [number, number][]): string {
  const [a, b] = [corners.at(-2)!, corners.at(-1)!];
  const turn = Math.atan2(b[1] - a[1], b[0] - a[0]);
  const wing = (by: number): [number, number] => [b[0] - 14 * Math.cos(turn + by), b[1] - 14 * Math.sin(turn + by)];
  return pathOf([wing(0.45), b, wing(-0.45)], false);
}

const ring = ([x, y]: [number, number], r: number): string => `M${round(x - r)} ${round(y)}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`;
const cross = ([x, y]: [number, number]): string => `M${round(x - 4)} ${round(y)}h8M${round(x)} ${round(y - 4)}v8`;
const circle = (at: [number, number], r: number): Shape => ({ type: 'path', d: ring(at, r) });
const dot = (at: [number, number], r: number, fill: 'act' | 'ink' | 'sheet'): Shape => ({ type: 'path', d: ring(at, r), fill });

/** What is being drawn on a plan: its line or outline with a handle at every corner, for a canvas over the plan. */
export function draftScene({
  points,
  kind,
  chosen,
  crossing,
  width,
  height,
  scale,
}: {
  points: readonly At[];
  kind: PlanKind;
  /** the corner held, counted from 0 */
  chosen: number | null;
  /** the outline crosses itself */
  crossing: boolean;
  width: number;
  height: number;
  scale: Pick<ReturnType<typeof planScale>, 'toX' | 'toY'>;
}): Scene {
  const corners = points.map(([x, y]): [number, number] => [scale.toX(x), scale.toY(y)]);
  const shapes: Shape[] = [];
  const closed = !isLine(kind) && corners.length > 2;
  if (corners.length > 1)
    shapes.push({
      type: 'path',
      d: pathOf(corners, closed) + (kind === 'fall' ? arrow(corners) : ''),
      stroke: crossing ? 'stop' : 'act',
      width: 4,
      ...(crossing ? { dash: '6 5' } : {}),
    });
  corners.forEach((corner, i) => {
    shapes.push({ ...dot(corner, i === chosen ? 15 : 10, i === chosen ? 'ink' : 'sheet'), stroke: crossing ? 'stop' : 'act', width: 4 } as Shape);
  });
  return { width, height, title: { text: '' }, shapes };
}

/** The legend of a plan: a sample of each kind on it, with its word. */
export function legendScene({ kinds, width }: { kinds: readonly PlanKind[]; width: number }): Scene {
  const column = Math.max(1, Math.floor(width / 150));
  const each = width / column;
  const shapes = kinds.flatMap((kind, i): Shape[] => {
    const [x, y] = [(i % column) * each + 2, Math.floor(i / column) * 30 + 4];
    const { pattern, stroke, width: line, dash } = planStyle(kind);
    const sample = isLine(kind) ? `M${x} ${y + 11}h34` : `M${x} ${y}h34v22h-34Z`;
    return [
      { type: 'path', d: sample, ...(pattern ? { pattern } : {}), stroke, width: line, ...(dash ? { dash } : {}) },
      { type: 'label', x: x + 44, y: y + 16, label: { code: `draw.legend.${kind}` }, size: 14 },
    ];
  });
  return { width, height: Math.ceil(kinds.length / column) * 30 + 4, title: { code: 'draw.legendTitle' }, shapes };
}
