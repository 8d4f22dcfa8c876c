import { UNKNOWN } from '@tufa/contract/assemble';
import type { ElementFields, ElementGeometry, Material, RowOf } from '@tufa/contract/entities';
import type { Exposure, Moisture, Texture } from '@tufa/core/shelf';
import {
  fitOutline,
  type Answer,
  type CounterStand,
  type Earlier,
  type ElementKind,
  type FittedOutline,
  type StandingWater,
  type TapedLength,
} from '@tufa/core/survey';
import { extent, outsiders, rectangle, type Point } from '@tufa/core/takeoff';
import { Problem } from '@tufa/core/quantity';
import { WEATHER } from '@tufa/core/weather';
import { say, sayProblem } from '@tufa/words';
import { textOf } from '@tufa/words/survey';
import { measuredOf, readTyped, readWithin } from '../parts/ui/quantityText';
import { FieldProblem } from '../parts/ui/fieldProblem';
import type { Speaker } from '@tufa/words/speak';
import { flightTyped, textOfFlight, type FlightText } from './flightText';

/** Corners that an L may lack. */
export const NOTCHES = ['topLeft', 'topRight', 'bottomRight', 'bottomLeft'] as const;
type Notch = (typeof NOTCHES)[number];

interface OpeningText {
  left: string;
  top: string;
  width: string;
  height: string;
}

/** One length along the tape, as it is typed. */
export interface TapeText {
  from: number;
  to: number;
  text: string;
}

/** How much of the sun reaches it. */
export const SUNS = ['indoors', 'shade', 'part', 'sun'] as const;

/** Tape and shape that agree within this are taken as they are, m. */
export const CLOSES_M = 0.01;

/** An element as it is typed and drawn. */
export interface ElementText extends FlightText {
  name: string;
  kind: ElementKind;
  shape: NonNullable<ElementGeometry['shape']>;
  length: string;
  width: string;
  notchLength: string;
  notchWidth: string;
  notch: Notch;
  corners: Point[];
  tapes: TapeText[];
  /** the outline was moved to where the tape says */
  fitted: boolean;
  thickness: string;
  openings: OpeningText[];
  /** nothing while nobody has answered; of the next three too */
  suspended: 'yes' | 'no' | '';
  exposures: Exposure[];
  moisture: Moisture | '';
  opensTo: 'foot' | 'vehicles' | 'nobody';
  opensAfter: string;
  material: Material;
  texture: Texture | 'any';
  /** in the shelf's words; nothing where any will do */
  colour: string;
  age: string;
  earlier: Earlier | '';
  cause: Answer | '';
  /** of a top; nothing while nobody has said */
  standOn: CounterStand['on'] | '';
  standFloor: CounterStand['floor'];
  standConfirmed: 'yes' | 'no';
  /** nothing where none stands in it */
  waterLevel: string;
  waterAccess: StandingWater['access'];
  neighbours: string;
  north: string;
  fall: string;
  fallTowards: string;
  sun: (typeof SUNS)[number];
  faces: string;
}

/** An element as its form shows it; an empty form for none. */
export function textOfElement(speaker: Speaker, element: RowOf<'element'> | undefined): ElementText {
  const { geometry, properties } = element ?? {};
  const typed = geometry?.typed ?? {};
  const opens = properties?.opens;
  return {
    name: element?.name ?? '',
    kind: element?.kind ?? 'slab',
    shape: geometry?.shape ?? (geometry && !typed['length'] ? 'polygon' : 'rectangle'),
    length: typed['length'] ?? '',
    width: typed['width'] ?? '',
    notchLength: typed['notchLength'] ?? '',
    notchWidth: typed['notchWidth'] ?? '',
    notch: (typed['notch'] as Notch | undefined) ?? 'topRight',
    corners: geometry && (geometry.shape === 'polygon' || !typed['length']) ? [...geometry.outline] : [],
    tapes: (geometry?.tapes ?? []).map(({ from, to, typed: text }) => ({ from, to, text })),
    ...textOfFlight(speaker, geometry ?? {}),
    fitted: element !== undefined,
    thickness: geometry ? textOf(speaker, geometry.thickness, 'length') : '',
    openings: (geometry?.openings ?? []).map((opening, i) => openingText(speaker, opening, geometry!.outline, typed, i)),
    suspended: properties?.suspended === undefined ? '' : properties.suspended ? 'yes' : 'no',
    exposures: [...(properties?.exposures ?? [])],
    moisture: properties?.moisture ?? '',
    opensTo: opens?.to ?? 'nobody',
    opensAfter: opens?.typed ?? '',
    material: properties?.material ?? 'concrete',
    texture: properties?.texture ?? 'any',
    colour: properties?.colour ?? '',
    age: properties?.age_y === null || properties?.age_y === undefined ? '' : String(properties.age_y),
    earlier: properties?.earlier ?? '',
    cause: properties?.causeGoesOn ?? '',
    standOn: properties?.stand?.on ?? '',
    standFloor: properties?.stand?.floor ?? 'unknown',
    standConfirmed: properties?.stand?.confirmed ? 'yes' : 'no',
    waterLevel: properties?.water ? textOf(speaker, properties.water.level, 'length') : '',
    waterAccess: properties?.water?.access ?? 'outside',
    neighbours: properties?.neighbours ?? '',
    north: geometry?.north_deg === null || geometry?.north_deg === undefined ? '' : String(geometry.north_deg),
    fall: properties?.fall ? String(Math.round(properties.fall.slope * 1000) / 10) : '',
    fallTowards: properties?.fall ? String(properties.fall.towards_deg) : '',
    sun: properties?.sun?.exposure ?? 'sun',
    faces: properties?.sun ? String(properties.sun.faces_deg) : '',
  };
}

function openingText(speaker: Speaker, opening: readonly Point[], outline: readonly Point[], typed: Readonly<Record<string, string>>, i: number): OpeningText {
  const [hole, whole] = [extent(opening), extent(outline)];
  const text = (name: string, value: number): string =>
    typed[`opening${name}${'abcdefghijklmnopqrstuvwxyz'[i]}`] ?? textOf(speaker, { value, source: 'typed' }, 'length');
  return {
    left: text('Left', hole.left_m - whole.left_m),
    top: text('Top', hole.top_m - whole.top_m),
    width: text('Width', hole.length_m),
    height: text('Height', hole.width_m),
  };
}

const side = (speaker: Speaker, field: keyof ElementText, text: string): number => readTyped(speaker, { field, text, as: 'side', limit: 'side_m' });

/** The taped sides and diagonals that were typed. @throws FieldProblem */
const tapesOf = (speaker: Speaker, tapes: readonly TapeText[]): (TapedLength & { typed: string })[] =>
  tapes.flatMap(({ from, to, text }) => (text.trim() === '' ? [] : [{ from, to, length_m: side(speaker, 'tapes', text), typed: text.trim() }]));

/** Where the tape puts the corners, or null while nothing is taped. @throws FieldProblem, Problem */
export function fittedOf(speaker: Speaker, values: Pick<ElementText, 'corners' | 'tapes'>): FittedOutline | null {
  const lengths = tapesOf(speaker, values.tapes);
  return lengths.length > 0 && values.corners.length > 2 ? fitOutline({ sketch: values.corners, lengths }) : null;
}

/** Corners of an L: a rectangle with one corner taken out. @throws FieldProblem */
function ellOf(speaker: Speaker, values: ElementText): Point[] {
  const [l, w] = [side(speaker, 'length', values.length), side(speaker, 'width', values.width)];
  const [a, b] = [side(speaker, 'notchLength', values.notchLength), side(speaker, 'notchWidth', values.notchWidth)];
  if (a >= l) throw new FieldProblem('notchLength', say(speaker, 'walk.notchTooBig', { most_m: l }));
  if (b >= w) throw new FieldProblem('notchWidth', say(speaker, 'walk.notchTooBig', { most_m: w }));
  switch (values.notch) {
    case 'topLeft':
      return [
        [a, 0],
        [l, 0],
        [l, w],
        [0, w],
        [0, b],
        [a, b],
      ];
    case 'topRight':
      return [
        [0, 0],
        [l - a, 0],
        [l - a, b],
        [l, b],
        [l, w],
        [0, w],
      ];
    case 'bottomRight':
      return [
        [0, 0],
        [l, 0],
        [l, w - b],
        [l - a, w - b],
        [l - a, w],
        [0, w],
      ];
    case 'bottomLeft':
      return [
        [0, 0],
        [l, 0],
        [l, w],
        [a, w],
        [a, w - b],
        [0, w - b],
      ];
  }
}

function shapeOf(speaker: Speaker, values: ElementText): Pick<ElementGeometry, 'outline' | 'typed' | 'shape' | 'tapes' | 'flight'> {
  const { shape, length, width, notchLength, notchWidth, notch } = values;
  if (shape === 'flight') return flightTyped(speaker, values);
  if (shape === 'rectangle')
    return {
      shape,
      outline: rectangle({ length_m: side(speaker, 'length', length), width_m: side(speaker, 'width', width) }),
      typed: { length: length.trim(), width: width.trim() },
    };
  if (shape === 'ell')
    return {
      shape,
      outline: ellOf(speaker, values),
      typed: { length: length.trim(), width: width.trim(), notchLength: notchLength.trim(), notchWidth: notchWidth.trim(), notch },
    };
  if (values.corners.length < 3) throw new FieldProblem('corners', say(speaker, 'field.outlineTooShort'));
  const tapes = tapesOf(speaker, values.tapes);
  if (tapes.length === 0) throw new FieldProblem('tapes', say(speaker, 'walk.tapeOne'));
  try {
    const { outline, misfit_m } = fittedOf(speaker, values)!;
    if (misfit_m > CLOSES_M && !values.fitted) throw new FieldProblem('tapes', say(speaker, 'walk.misfit', { misfit_m }));
    return { shape, outline, tapes };
  } catch (error) {
    if (error instanceof Problem) throw new FieldProblem('corners', sayProblem(speaker, error));
    throw error;
  }
}

/** Openings as outlines inside the element. @throws FieldProblem */
function openingsOf(speaker: Speaker, openings: readonly OpeningText[], outline: readonly Point[]): { openings: Point[][]; typed: Record<string, string> } {
  const { left_m, top_m } = extent(outline);
  const origin: Point = [left_m, top_m];
  const typed: Record<string, string> = {};
  const made = openings.map((opening, i) => {
    const read = (name: keyof OpeningText, least = 0.01): number => {
      const text = opening[name].trim();
      typed[`opening${name[0]!.toUpperCase()}${name.slice(1)}${'abcdefghijklmnopqrstuvwxyz'[i]}`] = text;
      return text === '0' && least === 0 ? 0 : readWithin(speaker, { field: `openings.${i}.${name}`, text, as: 'side', least, most: 100 });
    };
    const corners = rectangle({ length_m: read('width'), width_m: read('height'), at: [origin[0] + read('left', 0), origin[1] + read('top', 0)] });
    if (outsiders(corners, outline).length > 0) throw new FieldProblem(`openings.${i}.left`, say(speaker, 'walk.openingOut'));
    return corners;
  });
  return { openings: made, typed };
}

const degreesOf = (speaker: Speaker, field: keyof ElementText, text: string): number | null => {
  if (text.trim() === '') return null;
  const value = Number(text.trim());
  if (!(value >= 0 && value <= 360)) throw new FieldProblem(field, say(speaker, 'walk.degrees'));
  return value;
};

/** Water that stands in it: over a wall's top it would run out. @throws FieldProblem */
function waterTyped(speaker: Speaker, { kind, waterLevel, waterAccess }: ElementText, height_m: number): { water?: StandingWater } {
  if (waterLevel.trim() === '') return {};
  const level = measuredOf(speaker, { field: 'waterLevel', text: waterLevel, as: 'side', limit: 'side_m' });
  if (kind === 'wall' && level.value > height_m + 1e-9) throw new FieldProblem('waterLevel', say(speaker, 'walk.water.over', { height_m }));
  return { water: { level, access: waterAccess } };
}

/** What is sent of an element, without the answers to the five questions. @throws FieldProblem */
export function wireOfElement(speaker: Speaker, values: ElementText, jobId: string): Omit<ElementFields, 'stops'> {
  const shape = shapeOf(speaker, values);
  const holes = openingsOf(speaker, values.openings, shape.outline);
  const north = degreesOf(speaker, 'north', values.north);
  const age = values.age.trim() === '' ? null : Number(values.age);
  if (age !== null && !(age >= 0 && age <= 500)) throw new FieldProblem('age', say(speaker, 'walk.ageYears'));
  const slope = values.fall.trim() === '' ? null : Number(values.fall.replace('%', ''));
  if (slope !== null && !(slope >= 0 && slope <= 100)) throw new FieldProblem('fall', say(speaker, 'walk.fallPercent'));
  return {
    jobId,
    name: values.name,
    kind: values.kind,
    geometry: {
      ...shape,
      ...(shape.typed || holes.openings.length > 0 ? { typed: { ...shape.typed, ...holes.typed } } : {}),
      thickness: measuredOf(speaker, { field: 'thickness', text: values.thickness, as: 'depth', limit: 'thickness_m', unknown: UNKNOWN.thickness }),
      ...(holes.openings.length > 0 ? { openings: holes.openings } : {}),
      north_deg: north,
    },
    properties: {
      ...(values.suspended ? { suspended: values.suspended === 'yes' } : {}),
      // What holds back water stands in it, whatever else it endures.
      exposures: values.waterLevel.trim() === '' ? values.exposures : [...new Set<Exposure>([...values.exposures, 'immersion'])],
      ...(values.moisture ? { moisture: values.moisture } : {}),
      opens:
        values.opensTo === 'nobody'
          ? null
          : {
              to: values.opensTo,
              after_s: readTyped(speaker, { field: 'opensAfter', text: values.opensAfter, as: 'opens', limit: 'opens_s' }),
              typed: values.opensAfter.trim(),
            },
      material: values.material,
      ...(values.texture === 'any' ? {} : { texture: values.texture }),
      ...(values.colour ? { colour: values.colour } : {}),
      age_y: age,
      ...(values.earlier ? { earlier: values.earlier } : {}),
      ...(values.cause ? { causeGoesOn: values.cause } : {}),
      ...(values.kind === 'counter' && values.standOn !== ''
        ? { stand: { on: values.standOn, floor: values.standFloor, confirmed: values.standConfirmed === 'yes' } }
        : {}),
      ...waterTyped(speaker, values, extent(shape.outline).width_m),
      neighbours: values.neighbours.trim(),
      fall:
        slope === null ? null : { slope: slope / 100, towards_deg: degreesOf(speaker, 'fallTowards', values.fallTowards) ?? 180, typed: values.fall.trim() },
      sun: { exposure: values.sun, faces_deg: degreesOf(speaker, 'faces', values.faces) ?? 180, absorptivity: WEATHER.absorptivity.grey },
    },
  };
}
