import { takeOffOf } from '@tufa/core/plan';
import { rectangle, type Point } from '@tufa/core/takeoff';
import parseJoi from 'joi-to-json';
import type { RowOf } from './entities';
import { findingInputOf } from './findingInputOf';
import { applyCommand, assemblePlanInput, check, checkCommand, FIELDS, type Command } from './index';
import { senseOf } from './sense';
import { geometry } from './elementSchemas';
import { flightOutline } from '@tufa/core/survey';
import { LIMITS, type Limit } from './limits';
import { ajv, command, sampleData, id, SAMPLES, typed } from './test/samples';

const found = (kind: string, properties: object, points: readonly (readonly number[])[]) => ({
  ...SAMPLES.finding.good,
  elementId: id(2),
  kind,
  properties,
  outline: { points },
});
const line = [
  [0, 0],
  [0.6, 0.6],
] as const;
const area = [
  [0, 0],
  [1, 0],
  [1, 1],
] as const;
const LINES = ['crack', 'joint', 'edge', 'wedge', 'step'];
const KINDS = {
  crack: found('crack', { profile: 'slot', width: typed(0.003), depth: typed(0.05), moves: 'unknown', lip: typed(0.002), phase: 'season' }, line),
  joint: found('joint', { width: typed(0.012), depth: typed(0.03), between: typed(4) }, line),
  edge: found('edge', { section: 'triangle', across: typed(0.05), down: typed(0.04) }, line),
  mark: found('mark', { what: 'wet', note: 'after rain' }, area),
};

const face = rectangle({ length_m: 3, width_m: 1 });
const nosing: Point[] = [
  [0, 0],
  [1.2, 0],
];
const sink = rectangle({ length_m: 0.5, width_m: 0.4, at: [1, 0.2] });
const outside = rectangle({ length_m: 0.5, width_m: 0.4, at: [2.8, 0.2] });

/** Kinds that are laid, built or filled under water. */
const LAID = {
  skim: found('skim', { thickness: typed(0.003), profile: 3 }, face),
  wedge: found('wedge', { run: typed(0.6), rise: typed(0.02) }, nosing),
  step: found('step', { going: typed(0.3), rise: typed(0.17), steps: 2, stays: 0.5 }, nosing),
  counter: found('counter', { thickness: typed(0.04), dropped: { length: typed(3), across: typed(0.04), down: typed(0.05) } }, face),
  void: found('void', { deepest: typed(0.06), shape: 'dish' }, rectangle({ length_m: 0.5, width_m: 0.4 })),
};

test.each(Object.entries({ ...KINDS, ...LAID }))('a %s is held to its kind, by Joi and by the JSON Schema alike', (_kind, good) => {
  const validate = ajv.compile(parseJoi(FIELDS.finding) as object);
  expect(check(FIELDS.finding, good).fault).toBeNull();
  expect(validate(good)).toBe(true);
  const bad = { ...good, properties: { shape: 'pan' } };
  expect(check(FIELDS.finding, bad).fault).not.toBeNull();
  const sent = (change: object) => checkCommand({ ...command('finding.change', id(4), change), madeAt: '2026-05-12T09:10:00Z', base: {} }).fault;
  const { kind, outline, properties } = good;
  expect(sent({ kind, outline, properties })).toBeNull();
  expect(sent({ outline })).toMatchObject({ code: 'field.object.with' });
  expect(
    sent({
      kind,
      outline: {
        points: [
          [1, 1],
          [1, 1],
          [1, 1],
        ],
      },
    }),
  ).toMatchObject({ code: LINES.includes(kind) ? 'lineVanishes' : 'outlineVanishes' });
});

test('every kind of row becomes what the core measures, with what was read of it', () => {
  const width = (row: number, day: string, value: number) =>
    command('reading.add', id(row), {
      ...SAMPLES.reading.good,
      kind: 'width',
      elementId: id(2),
      findingId: id(3),
      at: [0.3, 0.3],
      value: typed(value),
      takenAt: `2026-0${day}T09:00:00Z`,
    });
  const of = (good: object, ...more: Command[]) =>
    assemblePlanInput(
      [
        command('job.add', id(1), SAMPLES.job.good),
        command('element.add', id(2), {
          ...SAMPLES.element.good,
          jobId: id(1),
          properties: { ...(SAMPLES.element.good as { properties: object }).properties, earlier: 'failed', neighbours: 'hedge' },
        }),
        command('finding.add', id(3), good),
        ...more,
      ].reduce(applyCommand, sampleData()),
      id(1),
    )!;
  expect(of(KINDS.crack).findings[0]).toMatchObject({
    kind: 'crack',
    phase: 'season',
    line,
    widths: [[0, 0.003]],
    moves: 'unknown',
    lip_m: 0.002,
    cap_m: 0.01,
  });
  const visited = of(KINDS.crack, width(4, '1-05', 0.002), width(6, '7-05', 0.004)).findings[0]!;
  expect(visited).toMatchObject({
    widths: [[expect.closeTo(0.3 * Math.SQRT2, 9), 0.004]],
    visits: [{ widths: [[expect.anything(), 0.002]] }, { widths: [[expect.anything(), 0.004]] }],
  });
  expect(of(KINDS.joint).findings[0]).toMatchObject({ kind: 'groove', moves: { between_m: 4 } });
  expect(of(KINDS.edge).findings[0]).toMatchObject({ kind: 'edge', length: { value: expect.closeTo(0.6 * Math.SQRT2, 9) } });
  const marked = of(KINDS.mark);
  expect(marked.findings).toEqual([]);
  expect(marked.elements[0]).toMatchObject({ earlier: 'failed', marks: [{ id: id(3), label: 'A', what: 'wet', points: area }] });
  expect(marked.elements[0]).not.toHaveProperty('neighbours');
  const outside = command('reading.add', id(4), {
    ...SAMPLES.reading.good,
    kind: 'depth',
    elementId: id(2),
    findingId: id(3),
    at: [0.1, 0.9],
    value: typed(0.02),
  });
  expect(of({ ...SAMPLES.finding.good, elementId: id(2) }, outside).findings[0]).not.toHaveProperty('readings');
});

const taken = (fields: object) =>
  takeOffOf(findingInputOf({ ...fields, id: id(3), version: 1, changed: 1, removed: false } as unknown as RowOf<'finding'>, [], [sink, outside])[0]!);

test.each<[keyof typeof LAID, number, number]>([
  // Over the face less the sink; what is only half inside is no opening of it. The texture it fills comes on top.
  ['skim', 2.8, 2.8 * (0.003 + 0.0004)],
  ['wedge', 0.72, (0.6 * 0.02 * 1.2) / 2],
  // Half of each body stays; the tread's pitch of 1.5 % is filled too.
  ['step', 0.72, 2 * (0.5 * 1.2 * 0.3 * 0.17 + (0.015 * 0.3 * 0.3 * 1.2) / 2)],
  ['counter', 2.8, 2.8 * 0.04 + 3 * 0.04 * 0.05],
  // A dish is half its box; a tenth is washed out.
  ['void', 0.2, 0.5 * 0.2 * 0.06 * 1.1],
])('a row of the kind %s is measured as it was told', (kind, area_m2, volume_m3) => {
  const fields = LAID[kind] as Record<string, unknown>;
  expect(check(FIELDS.finding, fields).fault).toBeNull();
  expect(senseOf({ ...fields })).toBeNull();
  const { area_m2: area, volume } = taken(fields);
  expect([area, volume.p50]).toEqual([expect.closeTo(area_m2, 9), expect.closeTo(volume_m3, kind === 'skim' ? 4 : 9)]);
});

test.each<[string, object, string]>([
  ['an overlay without its thickness', found('skim', { profile: 3 }, face), 'properties.thickness'],
  ['a roughness that no comparator has', found('skim', { thickness: typed(0.003), profile: 11 }, face), 'properties.profile'],
  ['an overlay as thick as a fill', found('skim', { thickness: typed(0.31), profile: 3 }, face), 'properties.thickness.value'],
  ['a step no higher than a lip', found('step', { going: typed(0.3), rise: typed(0.02), steps: 1, stays: 0 }, nosing), 'properties.rise.value'],
  ['half a step', found('step', { going: typed(0.3), rise: typed(0.17), steps: 1.5, stays: 0 }, nosing), 'properties.steps'],
  ['a step that stays whole', found('step', { going: typed(0.3), rise: typed(0.17), steps: 1, stays: 1 }, nosing), 'properties.stays'],
  ['a countertop that says nothing of its front', found('counter', { thickness: typed(0.04) }, face), 'properties.dropped'],
  ['a void described as a crack', found('void', { width: typed(0.002), depth: typed(0.03) }, face), 'properties.deepest'],
])('%s is named', (_name, fields, field) => {
  expect(check(FIELDS.finding, fields).fault?.field).toBe(field);
});

test('whatever the edge lets in can be measured: the least and the most of each kind', () => {
  const ends = (limit: Limit) => [typed(LIMITS[limit].least), typed(LIMITS[limit].most)] as const;
  const long: Point[] = [
    [0, 0],
    [99, 0],
  ];
  const short: Point[] = [
    [0, 0],
    [0.101, 0],
  ];
  const rows = [0, 1].flatMap((i) => [
    found('skim', { thickness: ends('skim_m')[i], profile: 1 + 9 * i }, face),
    found('counter', { thickness: ends('counter_m')[i], dropped: null }, face),
    found('step', { going: ends('going_m')[i], rise: ends('stepRise_m')[i], steps: 1 + 59 * i, stays: 0.95 * (1 - i) }, i ? long : short),
    found('wedge', { run: ends('side_m')[i], rise: ends('depth_m')[i] }, i ? long : short),
  ]);
  for (const row of rows) {
    expect([row.kind, check(FIELDS.finding, row).fault, senseOf({ ...row })]).toEqual([row.kind, null, null]);
    expect(taken(row).volume.p50).toBeGreaterThan(0);
  }
  const narrow = found('step', { going: typed(0.3), rise: typed(0.17), steps: 1, stays: 0 }, [
    [0, 0],
    [0.09, 0],
  ]);
  expect(senseOf({ ...narrow })).toMatchObject({ code: 'lineVanishes' });
  // An opening as large as what goes around it is no opening of it.
  const whole = { ...found('counter', { thickness: typed(0.04), dropped: null }, sink), id: id(3), version: 1, changed: 1, removed: false };
  expect(findingInputOf(whole as unknown as RowOf<'finding'>, [], [sink])[0]).toMatchObject({ cutouts_m2: [] });
});

test('a flight is taken as it lies flat; risers that miss its height and an outline of something else are refused where they were typed', () => {
  const measured = (value: number) => ({ value, source: 'typed' }) as const;
  const flight = {
    width: measured(1.2),
    steps: [0.175, 0.178].map((rise, i) => ({ rise: measured(rise), going: measured(i ? 0.9 : 0.28), pitch: 0.015 })),
    sides: 'oneWall',
    rails: 'none',
  } as const;
  const told = (more: object, outline = flightOutline(flight)) => ({
    geometry: { outline, thickness: measured(0.2), shape: 'flight', flight: { ...flight, ...more } },
  });
  expect(geometry.validate(told({ height: measured(0.355) }).geometry).error).toBeUndefined();
  expect(senseOf(told({ height: measured(0.355) }))).toBeNull();
  expect(senseOf(told({ height: measured(0.5) }))).toMatchObject({ field: 'geometry.flight.height', code: 'risersNotHeight' });
  expect(senseOf(told({}, rectangle({ length_m: 1.2, width_m: 1 })))).toMatchObject({ field: 'geometry.outline', code: 'flightOutline' });
  expect(geometry.validate(told({ steps: [] }).geometry).error).toBeDefined();
});
