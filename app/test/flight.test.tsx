import type { ElementFields, FirmData, RowOf } from '@tufa/contract/entities';
import { FIELDS } from '@tufa/contract/schemas';
import { senseOf } from '@tufa/contract/sense';
import { check } from '@tufa/contract/validate';
import { facePoints } from '@tufa/core/survey';
import { PLAIN } from '@tufa/words';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import type { ReactElement } from 'react';
import { useJob, type JobView } from '../parts/job/useJob';
import { FieldProblem } from '../parts/ui/fieldProblem';
import { ElementForm } from '../walk/ElementForm';
import { FindingForm } from '../walk/FindingForm';
import { flightTyped, stepRows, textOfFlight, type FlightText } from '../walk/flightText';
import { FlightView } from '../walk/FlightView';
import { demonstration, firmWith, page, press, show, tap, typeIn, written } from './shown';

const cellar = demonstration[4]!;
const data = firmWith([cellar]);
const element = Object.values(data.element)[0]! as RowOf<'element'>;
const { flight } = element.geometry;
const EMPTY_STEP = { rise: '', going: '', pitch: '' };
const METRIC = { ...PLAIN, system: 'metric', currency: 'EUR' } as const;

function Walked({ children }: { children: (view: JobView) => ReactElement }): ReactElement | null {
  const { view } = useJob(cellar.job.id, { surveyFirst: false });
  return view ? children(view) : null;
}
const walk = (part: (view: JobView) => ReactElement, rows: FirmData = data) => show(<Walked>{part}</Walked>, { data: rows });

const EVEN: FlightText = {
  flightCount: '3',
  flightRise: '18 cm',
  flightGoing: '28 cm',
  flightWidth: '1.2 m',
  flightLanding: '1 m',
  flightHeight: '',
  flightSides: 'walls',
  flightRails: 'none',
  flightSteps: [],
};
const typed = (more: Partial<FlightText>) => flightTyped(METRIC, { ...EVEN, ...more });

describe('a flight as it is typed', () => {
  test('what most steps are like stands for each that says nothing else; what was typed comes back', () => {
    const rows = [{ rise: '', going: '', pitch: '1.5 %' }, { rise: '175 mm', going: '', pitch: '\u22122' }, { rise: '', going: '', pitch: '' }]; // prettier-ignore
    const geometry = typed({ flightSteps: rows });
    expect(geometry.flight.steps.map(({ rise, going, pitch }) => [Number(rise.value.toFixed(9)), going.value, pitch])).toEqual([
      [0.18, 0.28, 0.015],
      [0.175, 0.28, -0.02],
      [0.18, 1, undefined],
    ]);
    expect(textOfFlight(METRIC, geometry)).toEqual({ ...EVEN, flightSteps: [{ ...rows[0], pitch: '1.5' }, { ...rows[1], pitch: '-2' }, rows[2]] });
    const fields = { ...element, geometry: { ...geometry, thickness: element.geometry.thickness } };
    expect(senseOf({ geometry: fields.geometry })).toBeNull();
  });

  test.each([
    ['flightCount', { flightCount: '2.5' }],
    ['flightCount', { flightCount: '61' }],
    ['flightRise', { flightRise: '' }],
    ['flightSteps.1.rise', { flightSteps: [EMPTY_STEP, { ...EMPTY_STEP, rise: '2 m' }] }],
    ['flightSteps.0.pitch', { flightSteps: [{ ...EMPTY_STEP, pitch: 'steep' }] }],
    ['flightLanding', { flightLanding: '0' }],
  ] as [string, Partial<FlightText>][])('what cannot be is refused at %s', (field, more) => {
    expect(() => typed(more)).toThrow(expect.objectContaining({ field }) as FieldProblem);
  });

  test('more steps bring rows, fewer keep what was typed of the rest, and what is no number changes nothing', () => {
    const rows = [{ ...EMPTY_STEP, rise: '7 in' }];
    expect(stepRows(rows, '3')).toEqual([rows[0], EMPTY_STEP, EMPTY_STEP]);
    expect(stepRows(rows, 'x')).toEqual(rows);
  });
});

const save = (): Promise<void> => tap('Save');
const done = jest.fn();
const of = (kind: string) => written().find((command) => command.kind === kind);

test('a flight opened and saved untouched is what it was; a step that something lies on cannot be taken away', async () => {
  await walk((view) => <ElementForm view={view} element={element} onDone={done} />);
  await save();
  await waitFor(() => expect(of('element.change')).toBeDefined());
  const { geometry } = of('element.change')!.change as unknown as ElementFields;
  const rounded = (value: object): unknown =>
    JSON.parse(JSON.stringify(value, (_key, each: unknown) => (typeof each === 'number' ? Number(each.toFixed(9)) : each)));
  expect(rounded(geometry)).toEqual(rounded({ ...element.geometry, typed: geometry.typed }));
  expect(check(FIELDS.element, { ...element, geometry }).fault?.field).not.toMatch(/^geometry/);
  // Nothing of what was found has moved.
  expect(written().filter(({ kind }) => kind === 'finding.change')).toEqual([]);
});

test('a flight of one step would lose what lies on the second: it is kept, and said which', async () => {
  await walk((view) => <ElementForm view={view} element={element} onDone={done} />);
  await typeIn('How many steps', '1');
  await typeIn('Floor to landing', '');
  await save();
  await waitFor(() => expect(page()).toContain('A lies on a step that would be gone'));
  expect(written()).toEqual([]);
});

test('the faces of a flight are climbed by keys, say what the tape said, and begin what they need', async () => {
  const begun = jest.fn();
  const opened = jest.fn();
  await walk((view) => (
    <FlightView flight={flight!} survey={view.survey!.elements[0]!.flight} findings={Object.values(data.finding)} onOpen={opened} onBegin={begun} />
  ));
  const says = (): string => screen.getByTestId('flight-face').textContent ?? '';
  expect(says()).toContain('Tap the riser');
  await tap('Higher');
  expect(says()).toContain('Step 1, riser');
  for (let i = 0; i < 6; i += 1) await tap('Higher');
  expect(says()).toMatch(/Step 3, riser.*higher than riser 1.*risers 3 and 4 come out alike/);
  await tap('Rebuild the step');
  expect(begun).toHaveBeenCalledWith('step', { step: 3, face: 'riser' });
  for (let i = 0; i < 20; i += 1) await tap('Higher');
  expect(says()).toContain('Landing');
  for (let i = 0; i < 20; i += 1) await tap('Lower');
  await tap('Higher');
  expect(says()).toContain('Step 1, nosing');
  await tap('Edit B');
  expect(opened).toHaveBeenCalledWith(Object.values(data.finding).find(({ label }) => label === 'B')!.id);
});

test.each([
  ['edge', { step: 2, face: 'nosing' }, { 'Broken back': '1 in', 'Broken down': '1 in' }],
  ['skim', { step: 3, face: 'riser' }, { 'Thickness of the layer': '1/8 in' }],
  ['step', { step: 3, face: 'tread' }, {}],
] as const)('a %s begun at a face lies on all of it, and the flight says its sizes', async (kind, on, figures) => {
  await walk((view) => <FindingForm view={view} element={element} finding={undefined} label="C" begun={{ kind, ...on }} onDone={done} />);
  for (const [label, text] of Object.entries(figures)) await typeIn(label, text);
  await save();
  await waitFor(() => expect(of('finding.add')).toBeDefined());
  const { outline, properties } = of('finding.add')!.change as { outline: { points: unknown }; properties: Record<string, unknown> };
  expect(outline.points).toEqual(facePoints(flight!, kind === 'step' ? { ...on, face: 'nosing' } : on));
  if (kind === 'step') expect(properties).toMatchObject({ from: 3, steps: 1, rise: { typed: '7 1/4 in' }, going: { typed: '11 in' } });
  else expect(properties['onStep']).toEqual(on);
});

test('no more steps are rebuilt than the flight has', async () => {
  await walk((view) => (
    <FindingForm view={view} element={element} finding={undefined} label="C" begun={{ kind: 'step', step: 4, face: 'riser' }} onDone={done} />
  ));
  await typeIn('How many steps', '2');
  await save();
  await waitFor(() => expect(page()).toContain('This flight has 4 steps.'));
  expect(of('finding.add')).toBeUndefined();
  fireEvent.change(screen.getByLabelText('How many steps'), { target: { value: '1' } });
  await press(screen.getByText('Save'));
  await waitFor(() => expect(of('finding.add')).toBeDefined());
});
