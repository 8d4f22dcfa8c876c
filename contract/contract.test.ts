import Ajv from 'ajv';
import addFormats from 'ajv-formats';
import parseJoi from 'joi-to-json';
import { DEFAULT_BATCH, DEFAULT_CREW, DEFAULT_FIRM } from '@tufa/core/plan';
import { aids, catalogue } from '@tufa/core/shelf/catalogue';
import {
  applyCommand,
  assemblePlanInput,
  changeSchema,
  check,
  checkCommand,
  COMMAND_KINDS,
  emptyFirmData,
  FIELDS,
  mergeRows,
  planInput,
  readingsOf,
  sheet,
  type Command,
  type FirmData,
} from './index';
import { readingRows, readingsFromRows, readSurveyFile, surveyFileOf } from './surveyFile';

const id = (n: number): string => `0198a000-aaaa-7000-8000-00000000000${n}`;
const typed = (value: number) => ({ value, source: 'typed' as const });

const SAMPLES: Record<keyof typeof FIELDS, { good: object; bad: object[] }> = {
  firm: { good: { name: 'Ours', settings: DEFAULT_FIRM }, bad: [{ name: '' }, { name: 'Ours', settings: { ...DEFAULT_FIRM, acceptedChance: 0.9 } }] },
  job: {
    good: {
      name: 'Dock',
      customer: '',
      address: '',
      accessNote: '',
      zone: 'Europe/Paris',
      pourOn: '2026-05-12T09:10',
      crew: DEFAULT_CREW,
      batch: DEFAULT_BATCH,
      demonstration: false,
    },
    bad: [
      { name: 'Dock' },
      { name: 'Dock', customer: '', address: '', accessNote: '', zone: 'here!', pourOn: null, crew: DEFAULT_CREW, batch: DEFAULT_BATCH, demonstration: false },
    ],
  },
  element: {
    good: {
      jobId: id(1),
      name: 'Slab',
      kind: 'slab',
      geometry: {
        outline: [
          [0, 0],
          [1, 0],
          [1, 1],
        ],
        thickness: typed(0.1),
      },
      properties: { suspended: false, exposures: ['frost'], moisture: 'dry', opens: { to: 'foot', after_s: 7200 } },
      stops: { rust: 'no' },
    },
    bad: [{ jobId: id(1), name: 'Slab', kind: 'roof', geometry: { outline: [[0, 0]], thickness: typed(0.1) }, properties: {}, stops: {} }],
  },
  finding: {
    good: {
      jobId: id(1),
      elementId: id(2),
      label: 'A',
      kind: 'spall',
      outline: {
        points: [
          [0, 0],
          [1, 0],
          [1, 1],
        ],
      },
      properties: { deepest: typed(0.03), shape: 'pan', edge: 'cut' },
    },
    bad: [{ jobId: id(1), elementId: id(2), label: 'A', kind: 'spall', outline: { points: [] }, properties: { deepest: typed(5), shape: 'pan', edge: 'cut' } }],
  },
  reading: {
    good: { jobId: id(1), elementId: null, findingId: null, kind: 'slab_C', value: typed(31), at: null, takenAt: '2026-05-12T09:10:00Z', subject: null },
    bad: [{ jobId: id(1), elementId: null, findingId: null, kind: 'mood', value: typed(31), at: null, takenAt: '2026-05-12T09:10:00Z', subject: null }],
  },
  photograph: {
    good: {
      jobId: id(1),
      elementId: id(2),
      findingId: null,
      batch: null,
      sha256: 'a'.repeat(64),
      bytes: 4000,
      takenAt: '2026-05-12T09:10:00Z',
      strokes: [
        [
          [0, 0],
          [0.5, 1],
        ],
      ],
      before: null,
    },
    bad: [
      {
        jobId: id(1),
        elementId: id(2),
        findingId: null,
        batch: null,
        sha256: 'a'.repeat(64),
        bytes: 40_000_000,
        takenAt: '2026-05-12T09:10:00Z',
        strokes: [],
        before: null,
      },
    ],
  },
  treatment: { good: { jobId: id(1), findingId: id(2), sheetId: id(3), layers: [], edge: null, bond: null, cure: null }, bad: [{ jobId: 'x' }] },
  product: { good: { name: 'Bag in hand', class: 'fineRapid' }, bad: [{ name: 'Bag in hand', class: 'elastic' }] },
  sheet: {
    good: { productId: catalogue[0]!.productId, revision: 1, sheet: catalogue[0]! },
    bad: [
      { productId: catalogue[0]!.productId, revision: 1, sheet: { ...catalogue[0]!, class: 'latex' } },
      { productId: catalogue[0]!.productId, revision: 1, sheet: { ...aids[0]!, unit: 'gallon' } },
      { productId: catalogue[0]!.productId, revision: 1, sheet: { ...catalogue[0]!, movement: 2 } },
    ],
  },
  stockLot: {
    good: { productId: id(1), amount: 11.3, lot: null, openedOn: '2026-05-01', useBy: '2026-09-01' },
    bad: [
      { productId: id(1), amount: -1, lot: null, openedOn: null, useBy: null },
      { productId: id(1), amount: 1, lot: null, openedOn: null, useBy: 'soon' },
    ],
  },
  plan: {
    good: {
      jobId: id(1),
      input: job(),
      hashes: Object.fromEntries(['takeOff', 'layers', 'quantities', 'batches', 'day'].map((stage) => [stage, 'a'.repeat(64)])),
      coreVersion: '0.1.0',
      seed: 1,
      replaces: null,
    },
    bad: [{ jobId: id(1), input: {}, hashes: {}, coreVersion: '0.1.0', seed: 1, replaces: null }],
  },
  pourEvent: {
    good: {
      jobId: id(1),
      findingId: id(2),
      planId: id(3),
      batch: '4b',
      device: id(4),
      seq: 1,
      deviceAt: '2026-05-12T09:10:00Z',
      clockOffset: 12,
      person: id(5),
      kind: 'start',
      v: 1,
      payload: {},
      undoes: null,
    },
    bad: [
      {
        jobId: id(1),
        findingId: id(2),
        planId: id(3),
        batch: 'four',
        device: id(4),
        seq: 1,
        deviceAt: 'now',
        clockOffset: 12,
        person: id(5),
        kind: 'start',
        v: 1,
        payload: {},
        undoes: null,
      },
    ],
  },
};

function job() {
  return {
    v: 1,
    job: { id: id(1), name: 'Dock' },
    firm: DEFAULT_FIRM,
    elements: [],
    findings: [],
    sheets: [catalogue[0]],
    treatments: [],
    conditions: { air_C: typed(20), slab_C: typed(20), powder_C: typed(20), water_C: typed(15), humidity: typed(0.5), wind_ms: typed(1), sun: false },
    crew: DEFAULT_CREW,
    batch: DEFAULT_BATCH,
  };
}

const ajv = addFormats(new Ajv({ strict: false }));

test.each(Object.keys(SAMPLES) as (keyof typeof FIELDS)[])('Joi and the JSON Schema made from it say the same of a %s', (name) => {
  const { good, bad } = SAMPLES[name];
  const jsonSchema = ajv.compile(parseJoi(FIELDS[name]) as object);
  expect({ joi: check(FIELDS[name], good).fault, json: jsonSchema(good) ? null : jsonSchema.errors }).toEqual({ joi: null, json: null });
  for (const one of bad) {
    expect(check(FIELDS[name], one).fault).not.toBeNull();
    expect(jsonSchema(one)).toBe(false);
  }
});

test('every shipped sheet and the job file pass their schemas', () => {
  for (const one of catalogue) expect(check(sheet, one).fault).toBeNull();
  expect(check(planInput, job()).fault).toBeNull();
});

test('append-only things have no verb but add, and the firm only changes', () => {
  expect(COMMAND_KINDS).toEqual(expect.arrayContaining(['firm.change', 'reading.add', 'plan.add', 'pourEvent.add', 'job.remove']));
  for (const kind of ['firm.add', 'reading.change', 'plan.remove', 'pourEvent.change']) expect(COMMAND_KINDS).not.toContain(kind);
  expect(check(changeSchema('job.change'), { name: 'x' }).fault).toBeNull();
  expect(check(changeSchema('job.add'), { name: 'x' }).fault).not.toBeNull();
});

test('a fault names its field, its code and the limit', () => {
  const bad: object = {
    id: id(1),
    v: 1,
    device: id(2),
    seq: 1,
    person: id(3),
    madeAt: '2026-05-12T09:10:00Z',
    kind: 'element.change',
    target: id(4),
    base: {},
    change: {
      geometry: {
        outline: [
          [0, 0],
          [900, 0],
          [1, 1],
        ],
        thickness: typed(0.1),
      },
    },
  };
  expect(checkCommand(bad).fault).toEqual({ field: 'change.geometry.outline.1.0', code: 'number.max', figures: { limit: 100 } });
});

const command = (kind: Command['kind'], target: string, change: object): Command => ({
  id: id(9),
  v: 1,
  device: id(8),
  seq: 1,
  person: id(7),
  madeAt: '',
  kind,
  target,
  base: null,
  change: change as Command['change'],
});
const held = (): FirmData => mergeRows(emptyFirmData(), { firm: [{ id: id(5), version: 1, changed: 1, removed: false, ...SAMPLES.firm.good } as never] });

test('the phone shows a job before the firm has answered, and plans it as the firm would', () => {
  const commands = [
    command('job.add', id(1), SAMPLES.job.good),
    command('element.add', id(2), { ...SAMPLES.element.good, jobId: id(1) }),
    command('finding.add', id(3), { ...SAMPLES.finding.good, elementId: id(2) }),
    command('reading.add', id(4), SAMPLES.reading.good),
    command('element.change', id(2), { name: 'Slab two' }),
  ];
  const data = commands.reduce(applyCommand, held());
  const input = assemblePlanInput(data, id(1))!;
  expect(input.elements[0]).toMatchObject({ name: 'Slab two', moisture: 'dry' });
  expect(input.conditions.slab_C).toMatchObject({ value: 31, source: 'typed' });
  expect(input.conditions.air_C.source).toBe('assumed');
  expect(assemblePlanInput(applyCommand(data, command('element.remove', id(2), {})), id(1))!.findings).toEqual([]);
  expect(assemblePlanInput(data, id(6))).toBeNull();
  expect(applyCommand(data, command('job.change', id(6), { name: 'nobody' }))).toBe(data);
});

test('a removed reading no longer counts', () => {
  const data = [
    command('reading.add', id(4), SAMPLES.reading.good),
    command('reading.add', id(6), { ...SAMPLES.reading.good, kind: 'removal', subject: id(4) }),
  ].reduce(applyCommand, held());
  expect(readingsOf(data, id(1))).toEqual([]);
});

test('depths read in a finding and taps on an element go into the plan; one that was removed does not', () => {
  const at = (x: number, y: number) => ({ ...SAMPLES.reading.good, elementId: id(2), findingId: null, at: [x, y] });
  const data = [
    command('job.add', id(1), SAMPLES.job.good),
    command('element.add', id(2), { ...SAMPLES.element.good, jobId: id(1) }),
    command('finding.add', id(3), { ...SAMPLES.finding.good, elementId: id(2) }),
    command('reading.add', id(4), { ...at(0.3, 0.2), kind: 'depth', findingId: id(3), value: typed(0.02) }),
    command('reading.add', id(6), { ...at(0.4, 0.5), kind: 'sounding', value: typed(1) }),
    command('reading.add', id(7), { ...at(0.6, 0.5), kind: 'sounding', value: typed(0) }),
    command('reading.add', id(8), { ...at(0.8, 0.5), kind: 'sounding', value: typed(1) }),
    command('reading.add', id(9), { ...at(0, 0), kind: 'removal', subject: id(8) }),
  ].reduce(applyCommand, held());
  const input = assemblePlanInput(data, id(1))!;
  expect(input.findings[0]).toMatchObject({ readings: [[0.3, 0.2, 0.02]] });
  expect(input.elements[0]!.soundings).toEqual({
    points: [
      [0.4, 0.5],
      [0.6, 0.5],
    ],
    hollow: [0],
  });
});

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
const KINDS = {
  crack: found('crack', { profile: 'slot', width: typed(0.003), depth: typed(0.05), moves: 'unknown', lip: typed(0.002), phase: 'season' }, line),
  joint: found('joint', { width: typed(0.012), depth: typed(0.03), between: typed(4) }, line),
  edge: found('edge', { section: 'triangle', across: typed(0.05), down: typed(0.04) }, line),
  mark: found('mark', { what: 'wet', note: 'after rain' }, area),
};

test.each(Object.entries(KINDS))('a %s is held to its kind, by Joi and by the JSON Schema alike', (_kind, good) => {
  const validate = ajv.compile(parseJoi(FIELDS.finding) as object);
  expect(check(FIELDS.finding, good).fault).toBeNull();
  expect(validate(good)).toBe(true);
  const bad = { ...good, properties: { shape: 'pan' } };
  expect(check(FIELDS.finding, bad).fault).not.toBeNull();
  const sent = (change: object) => checkCommand({ ...command('finding.change', id(4), change), madeAt: '2026-05-12T09:10:00Z', base: {} }).fault;
  const { kind, outline, properties } = good;
  expect(sent({ kind, outline, properties })).toBeNull();
  expect(sent({ outline })).toMatchObject({ code: 'object.with' });
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
  ).toMatchObject({ code: kind === 'mark' ? 'outlineVanishes' : 'lineVanishes' });
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
      ].reduce(applyCommand, held()),
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

test('readings go out as rows and come back as they were; each bad row is named by row and field', () => {
  const taken = { ...SAMPLES.reading.good, takenAt: '2026-05-12T09:10:00.000Z' };
  const data = [
    command('job.add', id(1), SAMPLES.job.good),
    command('element.add', id(2), { ...SAMPLES.element.good, jobId: id(1) }),
    command('finding.add', id(3), { ...SAMPLES.finding.good, elementId: id(2) }),
    command('reading.add', id(4), {
      ...taken,
      kind: 'depth',
      elementId: id(2),
      findingId: id(3),
      at: [0.5, 0.2],
      value: { ...typed(0.019), typed: '3/4 in' },
    }),
    command('reading.add', id(5), { ...taken, kind: 'moisture', elementId: id(2), value: typed(0.04) }),
    command('reading.add', id(6), SAMPLES.reading.good),
  ].reduce(applyCommand, held());
  const rows = readingRows(data, id(1));
  expect(rows).toHaveLength(2);
  const { readings, faults } = readingsFromRows(rows, data, id(1));
  expect(faults).toEqual([]);
  const own = Object.values(data.reading).filter(({ kind }) => kind !== 'slab_C');
  for (const [i, reading] of readings.entries()) expect(own[i]).toMatchObject(reading);
  const row = rows[0]!;
  const bad = [
    { ...row, value: '300' },
    { ...row, kind: 'mood' },
    { ...row, element: 'Roof' },
    { ...row, finding: 'Z' },
    { ...row, x_m: '' },
    { ...row, taken_at: 'today' },
    { ...row, x_m: '7' },
    row,
  ];
  const read = readingsFromRows(bad, data, id(1));
  expect(read.faults.map(({ row: n, field, code }) => [n, field, code])).toEqual([
    [1, 'value', 'number.max'],
    [2, 'kind', 'any.only'],
    [3, 'element', 'unknownName'],
    [4, 'finding', 'unknownName'],
    [5, 'x_m', 'any.required'],
    [6, 'taken_at', 'string.isoDate'],
    [7, 'x_m', 'outsideElement'],
  ]);
  expect(read.readings).toHaveLength(1);
  const file = surveyFileOf(data, id(1));
  expect(readSurveyFile(JSON.stringify(file)).file).toEqual(file);
  expect(readSurveyFile('{').fault).toMatchObject({ code: 'notJson' });
  const crossed = {
    ...file,
    findings: [
      {
        ...file.findings[0]!,
        outline: {
          points: [
            [0, 0],
            [1, 1],
            [1, 0],
            [0, 1],
          ],
        },
      },
    ],
  };
  expect(readSurveyFile(JSON.stringify(crossed)).fault).toMatchObject({ field: 'findings.0.outline.points', code: 'outlineCrosses' });
  const withReading = (more: object) => readSurveyFile(JSON.stringify({ ...file, readings: [{ ...file.readings[0]!, ...more }] })).fault;
  // Nobody's *understood* comes in with a file.
  for (const kind of ['mood', 'acknowledged', 'removal']) expect(withReading({ kind })).toMatchObject({ field: 'readings.0.kind' });
  expect(withReading({ value: typed(3) })).toMatchObject({ field: 'readings.0.value.value', code: 'number.max' });
  expect(withReading({ elementId: id(9) })).toMatchObject({ field: 'readings.0.elementId', code: 'refersToUnknown' });
});
