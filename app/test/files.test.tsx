import { aids, catalogue } from '@tufa/core/shelf/catalogue';
import type { FirmData } from '@tufa/contract/entities';
import { PLAIN, say } from '@tufa/words';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { parse, unparse } from 'papaparse';
import type { ReactElement } from 'react';
import { useJob, type JobView } from '../parts/job/useJob';
import * as saving from '../parts/phone/saveFile';
import { CompareScreen } from '../shelf/CompareScreen';
import { ShelfFiles } from '../shelf/ShelfFiles';
import { SurveyFiles } from '../walk/SurveyFiles';
import { demonstration, firmWith, page, show, tap, written } from './shown';
import { went } from './router';

const dock = demonstration[0]!;
const plain = firmWith([dock]);
const spall = Object.values(plain.finding).find(({ kind }) => kind === 'spall')!;
/** The job with depths read in its spall. */
const depths: FirmData['reading'] = Object.fromEntries(
  [0.021, 0.034, 0.012].map((value, i) => {
    const id = `0198a000-dddd-7000-8000-00000000000${i}`;
    const at = spall.outline.points[i]!;
    const fields = {
      jobId: dock.job.id,
      elementId: spall.elementId,
      findingId: spall.id,
      kind: 'depth',
      at,
      takenAt: '2026-05-12T08:00:00.000Z',
      subject: null,
    } as const;
    return [id, { id, version: 1, changed: 1, removed: false, ...fields, value: { value, typed: `${value * 1000} mm`, source: 'typed' } }];
  }),
);
const data = { ...plain, reading: { ...plain.reading, ...depths } };
const saved: { name: string; type: string; text: string | Blob }[] = [];

beforeEach(() => {
  saved.length = 0;
  jest.spyOn(saving, 'saveFile').mockImplementation((file) => void saved.push(file));
});
afterEach(() => jest.restoreAllMocks());

function Walked({ children }: { children: (view: JobView) => ReactElement }): ReactElement | null {
  const { view } = useJob(dock.job.id, { surveyFirst: true });
  return view ? children(view) : null;
}
const openSurvey = () =>
  show(<Walked>{(view) => <SurveyFiles view={view} element={Object.values(data.element)[0]!} onDone={() => undefined} />}</Walked>, { data });

/** Chooses a file as the browser would hand it over. */
async function bring(testId: string, name: string, content: string): Promise<void> {
  const file = new File([content], name);
  Object.assign(file, { text: async () => content });
  fireEvent.change(screen.getByTestId(testId), { target: { files: [file] } });
  await waitFor(() => expect(document.querySelector('[aria-live=polite]:not([role=status])')).not.toBeNull());
}
const textOf = async (label: string): Promise<string> => {
  await tap(label);
  await waitFor(() => expect(saved).toHaveLength(1));
  return String(saved[0]!.text);
};

describe('a survey', () => {
  const readings = Object.values(data.reading).filter(({ kind }) => ['depth', 'width', 'sounding'].includes(kind));

  test('goes out as a table of its readings and comes in again whole; nothing is written before it is asked for', async () => {
    await openSurvey();
    const csv = await textOf(say(PLAIN, 'files.csv'));
    const rows = parse<Record<string, string>>(csv, { header: true, skipEmptyLines: true }).data;
    expect(rows.length).toBeGreaterThanOrEqual(readings.length);
    await bring('survey-file', 'readings.csv', csv);
    expect(page()).toContain(say(PLAIN, 'files.readings', { count: rows.length }));
    expect(written()).toEqual([]);
    await tap(say(PLAIN, 'files.write'));
    await waitFor(() => expect(written()).toHaveLength(rows.length));
    expect(new Set(written().map(({ kind }) => kind))).toEqual(new Set(['reading.add']));
  });

  test('goes out whole and comes in under ids of its own', async () => {
    await openSurvey();
    const json = await textOf(say(PLAIN, 'files.json'));
    await bring('survey-file', 'survey.json', json);
    expect(page()).toContain(say(PLAIN, 'files.findings', { count: Object.keys(data.finding).length }));
    await tap(say(PLAIN, 'files.write'));
    await waitFor(() => expect(written().filter(({ kind }) => kind === 'finding.add')).toHaveLength(Object.keys(data.finding).length));
    const ids = written().map(({ target }) => target);
    expect(ids.some((id) => id in data.finding || id in data.element || id in data.reading)).toBe(false);
    const elements = written().flatMap(({ kind, target }) => (kind === 'element.add' ? [target] : []));
    for (const { kind, change } of written()) if (kind === 'finding.add') expect(elements).toContain(change['elementId']);
  });

  test.each([
    ['a depth that is no figure', (csv: string) => csv.replace(/,0\.034,[^,\n]*/, ',deep,deep')],
    ['a kind that there is not', (csv: string) => csv.replaceAll(',depth,', ',deepness,')],
  ])('%s is named with its row, and nothing can be written', async (_, spoilt) => {
    await openSurvey();
    const csv = await textOf(say(PLAIN, 'files.csv'));
    expect(spoilt(csv)).not.toBe(csv);
    await bring('survey-file', 'readings.csv', spoilt(csv));
    expect(page()).toMatch(/\b\d+\b.*(value|kind)/);
    expect(() => screen.getByText(say(PLAIN, 'files.write'))).toThrow();
    expect(written()).toEqual([]);
  });

  test.each([
    ['no JSON', 'not at all'],
    ['another file', '{"v":1}'],
    ['a list', '[]'],
  ])('%s is refused in words', async (_, content) => {
    await openSurvey();
    await bring('survey-file', 'x.json', content);
    expect(page()).not.toMatch(/problem\.|\{\{|undefined/);
    expect(() => screen.getByText(say(PLAIN, 'files.write'))).toThrow();
  });

  test('is drawn as SVG and DXF', async () => {
    await openSurvey();
    await tap(say(PLAIN, 'files.svg'));
    await tap(say(PLAIN, 'files.dxf'));
    await waitFor(() => expect(saved).toHaveLength(2));
    expect(saved.map(({ name, text }) => [name.split('.').at(-1), String(text).slice(0, 4).trim()])).toEqual([
      ['svg', '<svg'],
      ['dxf', expect.stringMatching(/^(0|999)/)],
    ]);
  });
});

describe('the shelf', () => {
  const open = () => show(<ShelfFiles />, { data });

  test('goes out whole as JSON, and coming in again it brings the next sheet of each product and no new one', async () => {
    await open();
    const json = await textOf(say(PLAIN, 'shelf.file.json'));
    await bring('shelf-file', 'shelf.json', json);
    expect(page()).toContain(say(PLAIN, 'shelf.file.would', { count: catalogue.length + aids.length }));
    expect(page()).toContain(say(PLAIN, 'shelf.file.fresh', { count: 0 }));
    await tap(say(PLAIN, 'shelf.file.write'));
    await waitFor(() => expect(written().filter(({ kind }) => kind === 'sheet.add')).toHaveLength(catalogue.length + aids.length));
    expect(written().filter(({ kind }) => kind === 'product.add')).toEqual([]);
    expect(written().every(({ change }) => change['revision'] === 2)).toBe(true);
    expect(went).toEqual(['/shelf']);
  });

  test('goes out as a table of labels, and a label under another name is a new product', async () => {
    await open();
    const csv = await textOf(say(PLAIN, 'shelf.file.csv'));
    const [first] = parse<Record<string, string>>(csv, { header: true, skipEmptyLines: true }).data;
    await bring('shelf-file', 'shelf.csv', unparse([{ ...first, name: 'Yard mortar' }]));
    expect(page()).toContain(say(PLAIN, 'shelf.file.fresh', { count: 1 }));
  });

  test('a row with a fault is named, and nothing of the file can be written', async () => {
    await open();
    const csv = await textOf(say(PLAIN, 'shelf.file.csv'));
    const [first, second] = parse<Record<string, string>>(csv, { header: true, skipEmptyLines: true }).data;
    await bring('shelf-file', 'shelf.csv', unparse([first, { ...second, pack: 'some' }]));
    expect(page()).toContain(say(PLAIN, 'shelf.file.nothing'));
    expect(page()).toMatch(/\b2\b/);
    expect(() => screen.getByText(say(PLAIN, 'shelf.file.write'))).toThrow();
  });
});

describe('sheets side by side', () => {
  const rows = Object.values(data.sheet);
  const two = ['sandedRapid', 'fineRapid'].map((kind) => rows.find(({ sheet }) => sheet.class === kind)!);

  test('show what differs, then everything', async () => {
    await show(<CompareScreen />, { data, at: { ids: two.map(({ id }) => id).join(',') } });
    for (const { sheet } of two) expect(page()).toContain(sheet.name);
    const lines = (): number => screen.getByTestId('compare').querySelectorAll('tr, [role=row]').length;
    const differing = lines();
    await tap(say(PLAIN, 'shelf.everything'));
    expect(lines()).toBeGreaterThan(differing);
    expect(page()).toContain(say(PLAIN, 'shelf.differs'));
  });

  test.each([
    ['one', two[0]!.id],
    ['one twice removed', 'x,y'],
  ])('%s cannot be compared, and it says so', async (_, ids) => {
    await show(<CompareScreen />, { data, at: { ids } });
    expect(page()).toContain(say(PLAIN, 'shelf.compareFew'));
    expect(screen.queryByTestId('compare')).toBeNull();
  });
});
