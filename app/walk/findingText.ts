import type { FindingFields, RowOf } from '@tufa/contract/entities';
import { facePoints, onStepAt, type Flight, type OnStep, type StepFace } from '@tufa/core/survey';
import { extent, outsiders, rectangle, type Point } from '@tufa/core/takeoff';
import { isLine } from '@tufa/draw';
import { printFigure, say } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';
import { planKind } from '@tufa/words/survey';
import { FieldProblem } from '../parts/ui/fieldProblem';
import { readTyped } from '../parts/ui/quantityText';
import { EMPTY, type FindingText } from './TypedFinding';
import { typedKind } from './kinds';
import type { FoundIn, FoundJoint } from './kinds/TypedKind';

/** What a row says, as it would be typed. */
export function textOfFinding(speaker: Speaker, finding: RowOf<'finding'> | undefined, flight?: Flight): FindingText {
  if (!finding) return EMPTY;
  const { typed = {}, points } = finding.outline;
  const drawn = Object.keys(typed).length === 0;
  return {
    ...EMPTY,
    kind: planKind(finding),
    by: drawn ? 'corners' : 'sizes',
    ...Object.fromEntries(['length', 'width', 'fromLeft', 'fromTop'].map((name) => [name, typed[name] ?? ''])),
    corners: drawn ? [...points] : [],
    phase: finding.properties.phase ?? 'now',
    note: finding.properties.note ?? '',
    ...('onStep' in finding.properties && finding.properties.onStep
      ? { stepNumber: String(finding.properties.onStep.step), stepFace: finding.properties.onStep.face }
      : {}),
    ...stepDrawn(flight, points),
    ...(finding.kind === 'step' && finding.properties.from !== undefined ? { stepNumber: String(finding.properties.from), stepFace: 'nosing' as const } : {}),
    ...(finding.kind === 'mark' ? {} : typedKind(finding.kind)?.textOf(speaker, finding.properties, points)),
  };
}

/** Where on a flight it was drawn, as it would be typed. */
function stepDrawn(flight: Flight | undefined, points: readonly Point[]): Partial<FindingText> {
  const on = flight ? onStepAt(flight, points) : null;
  return on ? { stepNumber: String(on.step), stepFace: on.face } : {};
}

/** Kinds that may take a whole face of a flight: a nosing along its edge, a layer over its riser or tread. */
const FACED: readonly FindingText['kind'][] = ['edge', 'skim', 'spall', 'step'];

/** How a kind may be told on an element, the usual way first; nothing where it can only be drawn. */
export function waysOf(kind: FindingText['kind'], { geometry: { flight } }: RowOf<'element'>): readonly FindingText['by'][] {
  const ways = typedKind(kind)?.ways ?? [];
  if (!flight || !FACED.includes(kind)) return ways;
  return ['face', ...(ways.length > 0 ? ways.filter((way) => way !== 'whole') : (['corners'] as const))];
}

/** How a kind is told: as chosen, where it has that way. */
export const wayOf = ({ kind, by }: Pick<FindingText, 'kind' | 'by'>, element: RowOf<'element'>): FindingText['by'] =>
  waysOf(kind, element).includes(by) ? by : 'corners';

/** The face of a flight that was chosen. @throws FieldProblem */
function faceChosen(speaker: Speaker, values: FindingText, flight: Flight): OnStep {
  const step = Number(values.stepNumber.trim());
  if (!Number.isInteger(step) || step < 1) throw new FieldProblem('stepNumber', say(speaker, 'walk.stepsWhole'));
  if (step > flight.steps.length) throw new FieldProblem('stepNumber', say(speaker, 'walk.flight.noSuchStep', { count: flight.steps.length }));
  return { step, face: faceOf(values) };
}

/** A nosing is broken along its edge, a step is rebuilt from its nosing on; a layer lies on a riser or a tread. */
const faceOf = ({ kind, stepFace }: Pick<FindingText, 'kind' | 'stepFace'>): StepFace =>
  kind === 'edge' || kind === 'step' ? 'nosing' : stepFace === 'nosing' ? 'tread' : stepFace;

/** The outline as drawn, or as typed by sizes and a place, in the middle where none is given. @throws FieldProblem */
function outlineOf(speaker: Speaker, values: FindingText, element: RowOf<'element'>): readonly Point[] {
  const way = wayOf(values, element);
  const { flight } = element.geometry;
  if (way === 'whole') return element.geometry.outline;
  if (way === 'face' && flight) return facePoints(flight, faceChosen(speaker, values, flight))!;
  if (way === 'corners') {
    const line = isLine(values.kind);
    if (values.corners.length < (line ? 2 : 3)) throw new FieldProblem('corners', say(speaker, line ? 'field.lineTooShort' : 'field.outlineTooShort'));
    const out = outsiders(values.corners, element.geometry.outline, element.geometry.openings);
    if (out.length > 0) throw new FieldProblem('corners', say(speaker, 'walk.outsiders', { count: out.length, corners: out.map((i) => i + 1).join(', ') }));
    return values.corners;
  }
  // On a flight it lies on one face, and its place is told from that face's corner.
  const whole = extent(flight ? facePoints(flight, faceChosen(speaker, values, flight))! : element.geometry.outline);
  const side = (field: 'length' | 'width'): number => {
    const value = readTyped(speaker, { field, text: values[field], as: 'side', limit: 'side_m' });
    const most = whole[`${field}_m`];
    if (value > most) throw new FieldProblem(field, say(speaker, 'field.tooBig', { most: printFigure(speaker, 'most_m', most) }));
    return value;
  };
  const length_m = side('length');
  const width_m = side('width');
  const place = (field: 'fromLeft' | 'fromTop', room: number): number =>
    values[field].trim() === '' ? room / 2 : values[field].trim() === '0' ? 0 : readTyped(speaker, { field, text: values[field], as: 'side', limit: 'side_m' });
  const off: Point = [place('fromLeft', whole.length_m - length_m), place('fromTop', whole.width_m - width_m)];
  if (off[0] + length_m > whole.length_m + 1e-9)
    throw new FieldProblem('fromLeft', say(speaker, 'field.tooBig', { most: printFigure(speaker, 'most_m', whole.length_m - length_m) }));
  if (off[1] + width_m > whole.width_m + 1e-9)
    throw new FieldProblem('fromTop', say(speaker, 'field.tooBig', { most: printFigure(speaker, 'most_m', whole.width_m - width_m) }));
  return rectangle({ length_m, width_m, at: flight ? [whole.left_m + off[0], whole.top_m + off[1]] : off });
}

/** A rectangle of what is typed so far; nothing while that cannot be read. */
export function sizedOutline(speaker: Speaker, { length, width }: Pick<FindingText, 'length' | 'width'>): readonly Point[] {
  try {
    return rectangle({
      length_m: readTyped(speaker, { field: 'length', text: length, as: 'side', limit: 'side_m' }),
      width_m: readTyped(speaker, { field: 'width', text: width, as: 'side', limit: 'side_m' }),
    });
  } catch (error) {
    if (error instanceof FieldProblem) return [];
    throw error;
  }
}

/** What was typed of an outline, without the fields left empty. */
const typedOf = ({ length, width, fromLeft, fromTop }: FindingText): Record<string, string> =>
  Object.fromEntries(Object.entries({ length, width, fromLeft, fromTop }).flatMap(([name, text]) => (text.trim() === '' ? [] : [[name, text.trim()]])));

/** Kinds that may be on a step of a flight. */
export const ON_STEP: readonly FindingText['kind'][] = ['edge', 'skim'];

/** Which step it is on: as was typed, or on a flight as it was drawn. @throws FieldProblem */
function stepTyped(speaker: Speaker, values: FindingText, { geometry: { flight } }: RowOf<'element'>, points: readonly Point[]): object {
  const { kind, stepNumber, stepFace } = values;
  const drawn = flight ? onStepAt(flight, points) : null;
  if (kind === 'step') {
    const count = flight?.steps.length ?? 0;
    if (drawn && drawn.step + Number(values.steps) - 1 > count) throw new FieldProblem('steps', say(speaker, 'walk.flight.noSuchStep', { count }));
    return drawn ? { from: drawn.step } : {};
  }
  if (!ON_STEP.includes(kind)) return {};
  if (flight) return drawn ? { onStep: drawn } : {};
  if (stepNumber.trim() === '') return {};
  const step = Number(stepNumber);
  if (!Number.isInteger(step) || step < 1 || step > 60) throw new FieldProblem('stepNumber', say(speaker, 'walk.stepsWhole'));
  return { onStep: { step, face: stepFace } };
}

/** The kind of row a kind of drawing is kept as, with what it says. @throws FieldProblem */
function saidOf(speaker: Speaker, values: FindingText, found: FoundIn, onStep: object): object {
  const said = { ...(values.phase === 'now' ? {} : { phase: values.phase }), ...(values.note.trim() ? { note: values.note.trim() } : {}) };
  const kind = typedKind(values.kind);
  return kind
    ? { kind: values.kind, properties: { ...kind.wireOf({ speaker, values, ...found }), ...onStep, ...said } }
    : { kind: 'mark', properties: { what: values.kind, ...said } };
}

/** What is sent of a finding. @throws FieldProblem */
export const wireOfFinding = (
  speaker: Speaker,
  values: FindingText,
  {
    element,
    jobId,
    label,
    read_m,
    joints = [],
  }: { element: RowOf<'element'>; jobId: string; label: string; read_m?: number | undefined; joints?: readonly FoundJoint[] },
): FindingFields => {
  const { length_m, width_m } = extent(element.geometry.outline);
  const found = { thickness_m: element.geometry.thickness.value, across_m: Math.min(length_m, width_m), ...(read_m === undefined ? {} : { read_m }) };
  // Where it lies is asked first, and so told first where it cannot be read.
  const points = outlineOf(speaker, values, element);
  const outline = { points, ...(wayOf(values, element) === 'sizes' ? { typed: typedOf(values) } : {}) };
  return {
    jobId,
    elementId: element.id,
    label,
    ...saidOf(speaker, values, { ...found, points, joints }, stepTyped(speaker, values, element, points)),
    outline,
  } as FindingFields;
};
