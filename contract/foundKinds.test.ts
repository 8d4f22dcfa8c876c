import { takeOffOf } from '@tufa/core/plan';
import { rectangle, type Point } from '@tufa/core/takeoff';
import type { FindingFields, RowOf } from './entities';
import { findingInputOf } from './findingInputOf';
import { FIELDS } from './schemas';
import { senseOf } from './sense';
import { check } from './validate';

const id = (n: number): string => `0198a000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const m = (value: number) => ({ value, source: 'typed' as const });
const face = rectangle({ length_m: 3, width_m: 1 });
const line: Point[] = [
  [0, 0],
  [1.2, 0],
];
const sink = rectangle({ length_m: 0.5, width_m: 0.4, at: [1, 0.2] });
const outside = rectangle({ length_m: 0.5, width_m: 0.4, at: [2.8, 0.2] });

const found = (kind: FindingFields['kind'], properties: object, points: readonly Point[]): FindingFields =>
  ({ jobId: id(1), elementId: id(2), label: 'A', kind, outline: { points }, properties }) as FindingFields;
const KINDS = {
  skim: found('skim', { thickness: m(0.003), profile: 3 }, face),
  wedge: found('wedge', { run: m(0.6), rise: m(0.02) }, line),
  step: found('step', { going: m(0.3), rise: m(0.17), steps: 2, stays: 0.5 }, line),
  counter: found('counter', { thickness: m(0.04), dropped: { length: m(3), across: m(0.04), down: m(0.05) } }, face),
  void: found('void', { deepest: m(0.06), shape: 'dish' }, rectangle({ length_m: 0.5, width_m: 0.4 })),
};
const taken = (fields: FindingFields) =>
  takeOffOf(findingInputOf({ ...fields, id: id(3), version: 1, changed: 1, removed: false } as RowOf<'finding'>, [], [sink, outside])[0]!);

test.each<[keyof typeof KINDS, number, number]>([
  // Over the face less the sink; what is only half inside is no opening of it. The texture it fills comes on top.
  ['skim', 2.8, 2.8 * (0.003 + 0.0004)],
  ['wedge', 0.72, (0.6 * 0.02 * 1.2) / 2],
  // Half of each body stays; the tread's pitch of 1.5 % is filled too.
  ['step', 0.72, 2 * (0.5 * 1.2 * 0.3 * 0.17 + (0.015 * 0.3 * 0.3 * 1.2) / 2)],
  ['counter', 2.8, 2.8 * 0.04 + 3 * 0.04 * 0.05],
  // A dish is half its box; a tenth is washed out.
  ['void', 0.2, 0.5 * 0.2 * 0.06 * 1.1],
])('a row of the kind %s is measured as it was told', (kind, area_m2, volume_m3) => {
  const fields = KINDS[kind];
  expect(check(FIELDS.finding, fields).fault).toBeNull();
  expect(senseOf({ ...fields })).toBeNull();
  const { area_m2: area, volume } = taken(fields);
  expect([area, volume.p50]).toEqual([expect.closeTo(area_m2, 9), expect.closeTo(volume_m3, kind === 'skim' ? 4 : 9)]);
});

test.each<[string, FindingFields, string]>([
  ['an overlay without its thickness', found('skim', { profile: 3 }, face), 'properties.thickness'],
  ['a roughness that no comparator has', found('skim', { thickness: m(0.003), profile: 11 }, face), 'properties.profile'],
  ['half a step', found('step', { going: m(0.3), rise: m(0.17), steps: 1.5, stays: 0 }, line), 'properties.steps'],
  ['a step that stays whole', found('step', { going: m(0.3), rise: m(0.17), steps: 1, stays: 1 }, line), 'properties.stays'],
  ['a countertop that says nothing of its front', found('counter', { thickness: m(0.04) }, face), 'properties.dropped'],
  ['a void described as a crack', found('void', { width: m(0.002), depth: m(0.03) }, face), 'properties.deepest'],
])('%s is named', (_name, fields, field) => {
  expect(check(FIELDS.finding, fields).fault?.field).toBe(field);
});

test('a ramp needs a line that is one', () => {
  const still: Point[] = [
    [1, 1],
    [1, 1],
  ];
  expect(senseOf({ ...KINDS.wedge, outline: { points: still } })).toMatchObject({ field: 'outline.points', code: 'lineVanishes' });
});
