import { UNKNOWN } from '@tufa/contract/assemble';
import type { FindingFields, RowOf } from '@tufa/contract/entities';
import type { Answer, Phase } from '@tufa/core/survey';
import { extent, outsiders, rectangle, type CrackProfile, type Point, type Section, type SpallShape } from '@tufa/core/takeoff';
import { isLine, type PlanKind } from '@tufa/draw';
import { printFigure, say } from '@tufa/words';
import { textOf, planKind } from '@tufa/words/survey';
import { measuredOf, readTyped } from '../parts/ui/quantityText';
import { FieldProblem } from '../parts/ui/fieldProblem';
import type { Speaker } from '@tufa/words/speak';

/** A finding as it is typed and drawn. */
export interface FindingText {
  kind: PlanKind;
  /** an area by its sizes, drawn, or the element's whole face */
  by: 'sizes' | 'corners' | 'whole';
  length: string;
  width: string;
  fromLeft: string;
  fromTop: string;
  corners: Point[];
  deepest: string;
  shape: SpallShape;
  edge: 'cut' | 'feathered';
  cutDepth: string;
  opening: string;
  depth: string;
  profile: CrackProfile;
  moves: Answer;
  lip: string;
  between: string;
  section: Section;
  across: string;
  down: string;
  layer: string;
  /** CSP 1-10 */
  roughness: string;
  run: string;
  rise: string;
  going: string;
  steps: string;
  stays: string;
  dropLength: string;
  phase: Phase;
  note: string;
}

const EMPTY: FindingText = {
  kind: 'spall',
  by: 'sizes',
  length: '',
  width: '',
  fromLeft: '',
  fromTop: '',
  corners: [],
  deepest: '',
  shape: 'dish',
  edge: 'cut',
  cutDepth: '',
  opening: '',
  depth: '',
  profile: 'slot',
  moves: 'no',
  lip: '',
  between: '',
  section: 'triangle',
  across: '',
  down: '',
  layer: '',
  roughness: '3',
  run: '',
  rise: '',
  going: '',
  steps: '1',
  stays: '0',
  dropLength: '',
  phase: 'now',
  note: '',
};

/** What a row says, as it would be typed. */
export function textOfFinding(speaker: Speaker, finding: RowOf<'finding'> | undefined): FindingText {
  if (!finding) return EMPTY;
  const { typed = {}, points } = finding.outline;
  const drawn = Object.keys(typed).length === 0;
  const text = {
    ...EMPTY,
    kind: planKind(finding),
    by: drawn ? ('corners' as const) : ('sizes' as const),
    ...Object.fromEntries(['length', 'width', 'fromLeft', 'fromTop'].map((name) => [name, typed[name] ?? ''])),
    corners: drawn ? [...points] : [],
    phase: finding.properties.phase ?? 'now',
    note: finding.properties.note ?? '',
  };
  switch (finding.kind) {
    case 'spall': {
      const { deepest, shape, edge, cutDepth } = finding.properties;
      return { ...text, deepest: textOf(speaker, deepest, 'length'), shape, edge, cutDepth: cutDepth ? textOf(speaker, cutDepth, 'length') : '' };
    }
    case 'crack': {
      const { width, depth, profile, moves, lip } = finding.properties;
      return {
        ...text,
        opening: textOf(speaker, width, 'length'),
        depth: textOf(speaker, depth, 'length'),
        profile,
        moves,
        lip: lip ? textOf(speaker, lip, 'length') : '',
      };
    }
    case 'joint': {
      const { width, depth, between } = finding.properties;
      return {
        ...text,
        opening: textOf(speaker, width, 'length'),
        depth: textOf(speaker, depth, 'length'),
        between: between ? textOf(speaker, between, 'length') : '',
      };
    }
    case 'edge': {
      const { section, across, down } = finding.properties;
      return { ...text, section, across: textOf(speaker, across, 'length'), down: textOf(speaker, down, 'length') };
    }
    case 'skim': {
      const { thickness, profile } = finding.properties;
      return { ...text, layer: textOf(speaker, thickness, 'length'), roughness: String(profile) };
    }
    case 'wedge': {
      const { run, rise } = finding.properties;
      return { ...text, run: textOf(speaker, run, 'length'), rise: textOf(speaker, rise, 'length') };
    }
    case 'step': {
      const { going, rise, steps, stays } = finding.properties;
      const kept = String(Math.round(stays * 100));
      return { ...text, going: textOf(speaker, going, 'length'), rise: textOf(speaker, rise, 'length'), steps: String(steps), stays: kept };
    }
    case 'counter': {
      const { thickness, dropped } = finding.properties;
      const front = dropped
        ? {
            dropLength: textOf(speaker, dropped.length, 'length'),
            across: textOf(speaker, dropped.across, 'length'),
            down: textOf(speaker, dropped.down, 'length'),
          }
        : {};
      return { ...text, layer: textOf(speaker, thickness, 'length'), ...front };
    }
    case 'void': {
      const { deepest, shape } = finding.properties;
      return { ...text, deepest: textOf(speaker, deepest, 'length'), shape };
    }
    case 'mark':
      return text;
  }
}

/** Kinds that are told by sizes or drawn, the usual way first: a layer or a top is mostly all of what it lies on. */
export const WAYS: Readonly<Partial<Record<PlanKind, readonly FindingText['by'][]>>> = {
  spall: ['sizes', 'corners'],
  void: ['sizes', 'corners'],
  skim: ['whole', 'sizes', 'corners'],
  counter: ['whole', 'sizes', 'corners'],
};

/** How a kind is told: as chosen, where it has that way. */
export const wayOf = ({ kind, by }: Pick<FindingText, 'kind' | 'by'>): FindingText['by'] => (WAYS[kind]?.includes(by) ? by : 'corners');

/** The outline as drawn, or as typed by sizes and a place, in the middle where none is given. @throws FieldProblem */
function outlineOf(speaker: Speaker, values: FindingText, element: RowOf<'element'>): readonly Point[] {
  if (wayOf(values) === 'whole') return element.geometry.outline;
  if (wayOf(values) === 'corners') {
    const line = isLine(values.kind);
    if (values.corners.length < (line ? 2 : 3)) throw new FieldProblem('corners', say(speaker, line ? 'field.lineTooShort' : 'field.outlineTooShort'));
    const out = outsiders(values.corners, element.geometry.outline, element.geometry.openings);
    if (out.length > 0) throw new FieldProblem('corners', say(speaker, 'walk.outsiders', { count: out.length, corners: out.map((i) => i + 1).join(', ') }));
    return values.corners;
  }
  const whole = extent(element.geometry.outline);
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
  const at: Point = [place('fromLeft', whole.length_m - length_m), place('fromTop', whole.width_m - width_m)];
  if (at[0] + length_m > whole.length_m + 1e-9)
    throw new FieldProblem('fromLeft', say(speaker, 'field.tooBig', { most: printFigure(speaker, 'most_m', whole.length_m - length_m) }));
  if (at[1] + width_m > whole.width_m + 1e-9)
    throw new FieldProblem('fromTop', say(speaker, 'field.tooBig', { most: printFigure(speaker, 'most_m', whole.width_m - width_m) }));
  return rectangle({ length_m, width_m, at });
}

/** What was typed of an outline, without the fields left empty. */
const typedOf = ({ length, width, fromLeft, fromTop }: FindingText): Record<string, string> =>
  Object.fromEntries(Object.entries({ length, width, fromLeft, fromTop }).flatMap(([name, text]) => (text.trim() === '' ? [] : [[name, text.trim()]])));

/** The kind of row a kind of drawing is kept as, with what it says. @throws FieldProblem */
function saidOf(speaker: Speaker, values: FindingText, thickness_m: number): Pick<FindingFields, 'kind' | 'properties'> {
  const said = { ...(values.phase === 'now' ? {} : { phase: values.phase }), ...(values.note.trim() ? { note: values.note.trim() } : {}) };
  const depth = (field: 'deepest' | 'cutDepth' | 'across' | 'down', text: string) => {
    const value = measuredOf(speaker, { field, text, as: 'depth', limit: 'depth_m', ...(field === 'deepest' ? { unknown: UNKNOWN.deepest } : {}) });
    if (field !== 'across' && value.source === 'typed' && value.value > thickness_m)
      throw new FieldProblem(field, say(speaker, 'walk.tooDeep', { thickness_m }));
    return value;
  };
  const opening = () => measuredOf(speaker, { field: 'opening', text: values.opening, as: 'depth', limit: 'crack_m', unknown: UNKNOWN.crackWidth });
  const down = () => measuredOf(speaker, { field: 'depth', text: values.depth, as: 'depth', limit: 'crackDepth_m', unknown: UNKNOWN.crackDepth });
  switch (values.kind) {
    case 'spall': {
      const cut = values.edge === 'cut' && values.cutDepth.trim() !== '' ? { cutDepth: depth('cutDepth', values.cutDepth) } : {};
      return { kind: 'spall', properties: { deepest: depth('deepest', values.deepest), shape: values.shape, edge: values.edge, ...cut, ...said } };
    }
    case 'crack': {
      const lip =
        values.lip.trim() === '' || values.lip.trim() === '0' ? null : measuredOf(speaker, { field: 'lip', text: values.lip, as: 'depth', limit: 'lip_m' });
      return { kind: 'crack', properties: { profile: values.profile, width: opening(), depth: down(), moves: values.moves, lip, ...said } };
    }
    case 'joint': {
      const between = values.between.trim() === '' ? null : measuredOf(speaker, { field: 'between', text: values.between, as: 'side', limit: 'side_m' });
      return { kind: 'joint', properties: { width: opening(), depth: down(), between, ...said } };
    }
    case 'edge':
      return { kind: 'edge', properties: { section: values.section, across: depth('across', values.across), down: depth('down', values.down), ...said } };
    case 'skim': {
      const layer = measuredOf(speaker, { field: 'layer', text: values.layer, as: 'depth', limit: 'skim_m' });
      return { kind: 'skim', properties: { thickness: layer, profile: Number(values.roughness), ...said } };
    }
    case 'wedge': {
      const run = measuredOf(speaker, { field: 'run', text: values.run, as: 'side', limit: 'side_m' });
      return { kind: 'wedge', properties: { run, rise: measuredOf(speaker, { field: 'rise', text: values.rise, as: 'depth', limit: 'depth_m' }), ...said } };
    }
    case 'step': {
      const steps = Number(values.steps.trim());
      if (!Number.isInteger(steps) || steps < 1 || steps > 60) throw new FieldProblem('steps', say(speaker, 'walk.stepsWhole'));
      const going = measuredOf(speaker, { field: 'going', text: values.going, as: 'depth', limit: 'going_m' });
      const rise = measuredOf(speaker, { field: 'rise', text: values.rise, as: 'depth', limit: 'stepRise_m' });
      return { kind: 'step', properties: { going, rise, steps, stays: Number(values.stays) / 100, ...said } };
    }
    case 'counter': {
      const layer = measuredOf(speaker, { field: 'layer', text: values.layer, as: 'depth', limit: 'counter_m' });
      if (values.dropLength.trim() === '') return { kind: 'counter', properties: { thickness: layer, dropped: null, ...said } };
      const part = (field: 'across' | 'down') => measuredOf(speaker, { field, text: values[field], as: 'depth', limit: 'depth_m' });
      const dropped = {
        length: measuredOf(speaker, { field: 'dropLength', text: values.dropLength, as: 'side', limit: 'side_m' }),
        across: part('across'),
        down: part('down'),
      };
      return { kind: 'counter', properties: { thickness: layer, dropped, ...said } };
    }
    case 'void':
      return { kind: 'void', properties: { deepest: depth('deepest', values.deepest), shape: values.shape, ...said } };
    default:
      return { kind: 'mark', properties: { what: values.kind, ...said } };
  }
}

/** What is sent of a finding. @throws FieldProblem */
export const wireOfFinding = (
  speaker: Speaker,
  values: FindingText,
  { element, jobId, label }: { element: RowOf<'element'>; jobId: string; label: string },
): FindingFields =>
  ({
    jobId,
    elementId: element.id,
    label,
    ...saidOf(speaker, values, element.geometry.thickness.value),
    outline: { points: outlineOf(speaker, values, element), ...(wayOf(values) === 'sizes' ? { typed: typedOf(values) } : {}) },
  }) as FindingFields;
