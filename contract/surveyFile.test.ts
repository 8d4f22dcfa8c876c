import { applyCommand } from './index';
import { readingRows, readingsFromRows, readSurveyFile, surveyFileOf } from './surveyFile';
import { command, sampleData, id, SAMPLES, typed } from './test/samples';

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
  ].reduce(applyCommand, sampleData());
  const rows = readingRows(data, id(1));
  expect(rows).toHaveLength(2);
  const { readings, faults } = readingsFromRows(rows, data, id(1));
  expect(faults).toEqual([]);
  const brought = Object.values(data.reading).filter(({ kind }) => kind !== 'slab_C');
  for (const [i, reading] of readings.entries()) expect(brought[i]).toMatchObject(reading);
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
    [1, 'value', 'field.number.max'],
    [2, 'kind', 'field.any.only'],
    [3, 'element', 'unknownName'],
    [4, 'finding', 'unknownName'],
    [5, 'x_m', 'field.any.required'],
    [6, 'taken_at', 'field.string.isoDate'],
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
  expect(withReading({ value: typed(3) })).toMatchObject({ field: 'readings.0.value.value', code: 'field.number.max' });
  expect(withReading({ elementId: id(9) })).toMatchObject({ field: 'readings.0.elementId', code: 'refersToUnknown' });
});
