import parseJoi from 'joi-to-json';
import { catalogue } from '@tufa/core/shelf/catalogue';
import { applyCommand, assemblePlanInput, changeSchema, check, checkCommand, COMMAND_KINDS, FIELDS, planInput, readingsOf, sheet } from './index';
import { ajv, command, sampleData, id, job, SAMPLES, typed } from './test/samples';

test.each(Object.keys(SAMPLES) as (keyof typeof FIELDS)[])('Joi and the JSON Schema made from it say the same of a %s', (name) => {
  const { good, bad } = SAMPLES[name];
  const jsonSchema = ajv.compile(parseJoi(FIELDS[name]) as object);
  expect({ joi: check(FIELDS[name], good).fault, json: jsonSchema(good) ? null : jsonSchema.errors }).toEqual({ joi: null, json: null });
  for (const refused of bad) {
    expect(check(FIELDS[name], refused).fault).not.toBeNull();
    expect(jsonSchema(refused)).toBe(false);
  }
});

test('every shipped sheet and the job file pass their schemas', () => {
  for (const material of catalogue) expect(check(sheet, material).fault).toBeNull();
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
  expect(checkCommand(bad).fault).toEqual({ field: 'change.geometry.outline.1.0', code: 'field.number.max', figures: { limit: 100 } });
});

test('the phone shows a job before the firm has answered, and plans it as the firm would', () => {
  const commands = [
    command('job.add', id(1), SAMPLES.job.good),
    command('element.add', id(2), { ...SAMPLES.element.good, jobId: id(1) }),
    command('finding.add', id(3), { ...SAMPLES.finding.good, elementId: id(2) }),
    command('reading.add', id(4), SAMPLES.reading.good),
    command('element.change', id(2), { name: 'Slab two' }),
  ];
  const data = commands.reduce(applyCommand, sampleData());
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
  ].reduce(applyCommand, sampleData());
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
  ].reduce(applyCommand, sampleData());
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
