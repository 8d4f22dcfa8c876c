import type { FindingFields, RowOf } from '@tufa/contract/entities';
import { FIELDS } from '@tufa/contract/schemas';
import { senseOf } from '@tufa/contract/sense';
import { check } from '@tufa/contract/validate';
import { rectangle, type Point } from '@tufa/core/takeoff';
import { FieldProblem } from '../parts/ui/fieldProblem';
import { textOfFinding, wireOfFinding } from '../walk/findingText';
import type { FindingText } from '../walk/TypedFinding';
import { isWhole, movedFindings } from '../walk/wholeFindings';
import { PLAIN } from '@tufa/words';

const id = (n: number): string => `0198a000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const row = { version: 1, changed: 1, removed: false };
const outline = rectangle({ length_m: 4, width_m: 3 });
const thickness = { value: 0.3, source: 'typed' as const };
const element = {
  ...row,
  id: id(2),
  jobId: id(1),
  name: 'E',
  kind: 'slab',
  geometry: { outline, thickness },
  properties: {},
  stops: {},
} as unknown as RowOf<'element'>;
const line: Point[] = [
  [0.5, 1],
  [2.5, 1],
];
const area = rectangle({ length_m: 1, width_m: 1, at: [1, 1] });
const typed = (change: Partial<FindingText>): FindingText => ({ ...textOfFinding(PLAIN, undefined), ...change });
const wire = (values: FindingText): FindingFields => wireOfFinding(PLAIN, values, { element, jobId: id(1), label: 'A' });
const asRow = (fields: FindingFields) => ({ ...row, id: id(3), ...fields }) as RowOf<'finding'>;

test.each<[string, Partial<FindingText>]>([
  ['a spall by sizes', { kind: 'spall', length: "3'", width: '2 ft', deepest: '1 1/2 in', shape: 'pan', cutDepth: '3/4 in' }],
  ['a crack', { kind: 'crack', corners: line, opening: '2 mm', depth: '2 in', moves: 'unknown', lip: '1/8 in', profile: 'vee' }],
  ['a joint that moves', { kind: 'joint', corners: line, opening: '1/2 in', depth: '1 in', between: "13'" }],
  ['a broken edge', { kind: 'edge', corners: line, across: '2 in', down: '1 in', section: 'rectangle' }],
  ['an overlay drawn', { kind: 'skim', by: 'corners', corners: area, layer: '1/8 in', roughness: '5' }],
  ['an overlay of all of it', { kind: 'skim', by: 'whole', layer: '3 mm', roughness: '2' }],
  ['a ramp', { kind: 'wedge', corners: line, run: "2'", rise: '3/4 in', phase: 'season' }],
  ['steps', { kind: 'step', corners: line, going: '11 in', rise: '7 in', steps: '3', stays: '25' }],
  ['a top without a front', { kind: 'counter', by: 'whole', layer: '1 1/2 in' }],
  [
    'a top with its front',
    {
      kind: 'counter',
      by: 'whole',
      layer: '3/4 in',
      sides: ['plain', 'plain', 'dropped', 'splash'],
      across: '3/4 in',
      down: '1 1/2 in',
      splashHeight: '4 in',
      splashThick: '3/4 in',
      radii: ['', '1 in'],
      holes: [{ left: '1 ft', top: '4 in', across: '1 3/8 in' }],
    },
  ],
  ['a void', { kind: 'void', by: 'sizes', length: '20 in', width: '1 ft', deepest: '2 1/4 in', shape: 'dish', note: 'an arm down' }],
  ['a wet spot', { kind: 'wet', corners: area }],
])('%s goes out as the wire wants it and comes back as it was typed', (_name, change) => {
  const values = typed(change);
  const sent = wire(values);
  expect(check(FIELDS.finding, sent).fault).toBeNull();
  expect(senseOf({ ...sent })).toBeNull();
  const back = textOfFinding(PLAIN, asRow(sent));
  // What was not drawn is told by its sizes; all of an element is told by where it lies.
  const { by: _by, corners: _corners, ...said } = change;
  expect(back).toMatchObject(said);
  expect(wire({ ...back, by: change.by ?? back.by })).toEqual(sent);
});

test.each<[string, Partial<FindingText>, string]>([
  ['half a step', { kind: 'step', corners: line, going: '11 in', rise: '7 in', steps: '2.5' }, 'steps'],
  ['an overlay without a thickness', { kind: 'skim', by: 'whole' }, 'layer'],
  ['a front without its height', { kind: 'counter', by: 'whole', layer: '1 in', sides: ['dropped'], across: '1 in' }, 'down'],
  ['a void deeper than its wall', { kind: 'void', by: 'corners', corners: area, deepest: '14 in' }, 'deepest'],
  ['a crack deeper than its slab', { kind: 'crack', corners: line, opening: '2 mm', depth: '14 in' }, 'depth'],
  ['a ramp of one point', { kind: 'wedge', corners: line.slice(0, 1), run: "2'", rise: '1 in' }, 'corners'],
  ['an overlay that leaves its element', { kind: 'skim', by: 'corners', corners: rectangle({ length_m: 9, width_m: 1 }), layer: '3 mm' }, 'corners'],
])('%s is refused where it was typed', (_name, change, field) => {
  let fault: unknown;
  try {
    wire(typed(change));
  } catch (error) {
    fault = error;
  }
  expect(fault).toBeInstanceOf(FieldProblem);
  expect((fault as FieldProblem).field).toBe(field);
});

test('a deepest under a reading is refused where it was typed; a millimetre of difference is none', () => {
  const values = typed({ kind: 'spall', by: 'corners', corners: area, deepest: '30 mm' });
  const read = (read_m: number) => () => wireOfFinding(PLAIN, values, { element, jobId: id(1), label: 'A', read_m });
  expect(read(0.034)).toThrow(FieldProblem);
  expect(read(0.0305)).not.toThrow();
  // Nor is a crack wider than the kerb it is in.
  const kerb = { ...element, geometry: { ...element.geometry, outline: rectangle({ length_m: 4, width_m: 0.15 }) } };
  const crack = typed({ kind: 'crack', corners: [[0, 0.1], [3, 0.1]], opening: '0.2 m', depth: '2 in' }); // prettier-ignore
  expect(() => wireOfFinding(PLAIN, crack, { element: kerb, jobId: id(1), label: 'A' })).toThrow(FieldProblem);
});

test('all of an element is what has its outline and may have it', () => {
  const whole = asRow(wire(typed({ kind: 'skim', by: 'whole', layer: '3 mm' })));
  const part = { ...asRow(wire(typed({ kind: 'skim', by: 'corners', corners: area, layer: '3 mm' }))), id: id(4) };
  const spall = { ...asRow(wire(typed({ kind: 'spall', by: 'corners', corners: [...outline], deepest: '1 in' }))), id: id(5) };
  expect([whole, part, spall].map((finding) => isWhole(finding, element))).toEqual([true, false, false]);
  const gone = { ...whole, id: id(6), removed: true };
  const elsewhere = { ...whole, id: id(7), elementId: id(9) };
  const finding = Object.fromEntries([whole, part, spall, gone, elsewhere].map((row) => [row.id, row]));
  const wider = { ...element.geometry, outline: rectangle({ length_m: 9, width_m: 4 }) };
  expect(movedFindings({ finding }, element, wider).map((moved) => [moved.finding.id, moved.points])).toEqual([[whole.id, wider.outline]]);
});
