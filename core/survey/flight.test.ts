import { asksOf, computePlan, type PlanInput } from '../plan';
import { Problem } from '../quantity';
import { element, finding, input, jobWith, sheetOf, typed } from '../testing/job';
import { polygonArea, rectangle, type Point } from '../takeoff';
import {
  elementVerdict,
  evenedRise,
  facePoints,
  flightFaces,
  flightOutline,
  flightSurvey,
  movedWith,
  onStepAt,
  STEP_FACES,
  type Flight,
  type SpallInput,
  type StepInput,
} from '.';

const flightOf = (rises: readonly number[], goings: readonly number[], pitches: readonly (number | undefined)[] = []): Flight => ({
  width: typed(1.2),
  steps: rises.map((rise, i) => ({ rise: typed(rise), going: typed(goings[i]!), ...(pitches[i] === undefined ? {} : { pitch: pitches[i] }) })),
  sides: 'open',
  rails: 'none',
});
const cellar = flightOf([0.175, 0.178, 0.184, 0.178], [0.28, 0.283, 0.28, 0.76], [0.015, 0.005, -0.01, 0.03]);

test('laid flat, every face has its true area, in one piece, and what is drawn on it is found there again', () => {
  const faces = flightFaces(cellar);
  expect(faces.map(({ step, face }) => `${face} ${step}`).join(', ')).toBe('tread 4, riser 4, tread 3, riser 3, tread 2, riser 2, tread 1, riser 1');
  expect(polygonArea(flightOutline(cellar))).toBeCloseTo(1.2 * (0.175 + 0.178 + 0.184 + 0.178 + 0.28 + 0.283 + 0.28 + 0.76), 12);
  faces.forEach(({ from_m }, i) => expect(from_m).toBeCloseTo(faces[i - 1]?.to_m ?? 0, 12));
  for (const { step } of faces) for (const face of STEP_FACES) expect(onStepAt(cellar, facePoints(cellar, { step, face })!)).toEqual({ step, face });
  expect(polygonArea(facePoints(cellar, { step: 3, face: 'riser' })!)).toBeCloseTo(1.2 * 0.184, 12);
  expect(facePoints(cellar, { step: 5, face: 'tread' })).toBeNull();
  expect(onStepAt(cellar, [[0.1, 9]])).toBeNull();
  expect(onStepAt(cellar, [])).toBeNull();
});

test('what was drawn keeps to its face where the flight is measured anew', () => {
  const patch: Point[] = [
    [0.1, 1.3],
    [0.3, 1.3],
    [0.3, 1.35],
  ];
  const on = onStepAt(cellar, patch)!;
  expect(on).toEqual({ step: 3, face: 'riser' });
  const anew = flightOf([0.175, 0.178, 0.184, 0.19], [0.28, 0.283, 0.29, 0.9]);
  const moved = movedWith(cellar, anew, patch);
  expect(onStepAt(anew, moved)).toEqual(on);
  expect(moved[0]![1] - patch[0]![1]).toBeCloseTo(0.012 + 0.01 + 0.14, 12);
  // A step that is gone leaves what was on it where it lay.
  expect(movedWith(cellar, flightOf([0.175], [0.76]), patch)).toEqual(patch);
});

test('a flight says how even it is, how its treads lie and how it climbs', () => {
  const { risers, goings, steps, height_m, angle_rad } = flightSurvey(cellar);
  expect([risers.most.step, risers.least.step]).toEqual([3, 1]);
  expect(risers.by_m).toBeCloseTo(0.009, 12);
  // The landing is no going.
  expect(goings!.most).toEqual({ step: 2, value_m: 0.283 });
  expect(steps.map(({ lies }) => lies)).toEqual(['sheds', 'flat', 'back', 'steep']);
  expect(height_m).toBeCloseTo(0.715, 12);
  expect(angle_rad).toBeCloseTo(Math.atan((0.178 + 0.184 + 0.178) / (0.28 + 0.283 + 0.28)), 12);
  expect(flightSurvey(flightOf([0.17], [1])).steps[0]!.lies).toBe('unread');
  expect(() => flightSurvey(flightOf([], []))).toThrow(Problem);
});

test('risers that miss the height are refused with both figures; what a tape may be out is not', () => {
  expect(() => flightSurvey({ ...cellar, height: typed(0.721) })).not.toThrow();
  expect(() => flightSurvey({ ...cellar, height: typed(0.76) })).toThrow(
    expect.objectContaining({
      code: 'risersNotHeight',
      figures: expect.objectContaining({ height_m: 0.76, off_m: expect.closeTo(0.045, 9) as number }) as object,
    }),
  );
});

test('a rebuilt step shares the height with the riser over it; under a landing nothing is shared', () => {
  expect(evenedRise({ flight: cellar, step: 3 })).toBeCloseTo((0.184 + 0.178) / 2, 12);
  expect(evenedRise({ flight: cellar, step: 1, steps: 3 })).toBeCloseTo(0.715 / 4, 12);
  expect(evenedRise({ flight: cellar, step: 4 })).toBeNull();
});

const codes = (flight: Flight): string[] => elementVerdict({ element: { ...element, kind: 'step', flight }, found: [] }).reasons.map(({ code }) => code);

test('a verdict tells what a foot and the rain would find, and is silent on an even flight that sheds', () => {
  expect(codes(cellar)).toEqual(['verdict.risersUneven', 'verdict.treadsBack', 'verdict.treadsFlat', 'verdict.landingSteep']);
  expect(codes(flightOf([0.178, 0.179], [0.28, 0.9], [0.015, 0.015]))).toEqual(['verdict.clear']);
  expect(codes(flightOf([0.178, 0.179], [0.28, 0.9], [0.03, 0.001]))).toEqual(['verdict.treadsSteep', 'verdict.landingFlat']);
  expect(codes(flightOf([0.178], [0.9], [-0.01]))).toEqual(['verdict.landingBack']);
  expect(codes(flightOf([0.178, 0.178, 0.178], [0.28, 0.3, 0.9]))).toEqual(['verdict.goingsUneven']);
});

const rebuilt = (label: string, from: number): StepInput => ({
  id: `f${label}`,
  elementId: 'e',
  label,
  kind: 'step',
  from,
  width: typed(1.2),
  going: typed(0.28),
  rise: typed(0.18),
  steps: 1,
  stays_m3: 0,
  pitch: 0.015,
  propAngle_rad: 0.78,
});

const flightJob = (flight: Flight): PlanInput => {
  const sheet = sheetOf('rapidConcrete');
  const findings = [rebuilt('A', 3), rebuilt('B', 2)];
  const steps = { ...element, kind: 'step', flight, outline: flightOutline(flight), thickness: typed(0.5), moisture: sheet.moisture } as const;
  return {
    ...jobWith(findings[0]!, sheet),
    elements: [steps],
    findings,
    treatments: findings.map(({ id }) => ({ findingId: id, sheetId: sheet.id })),
    conditions: { ...input.conditions, sun: false },
  };
};

test('steps rebuilt one by one go from the bottom up: the higher waits until the form is off below; walls save side boards', () => {
  const plan = computePlan(flightJob({ ...cellar, sides: 'oneWall' }));
  const fills = plan.batches.filter(({ serves }) => serves.some(({ role }) => role === 'fill'));
  expect([...new Set(fills.map(({ serves }) => serves[0]!.findingId))]).toEqual(['fB', 'fA']);
  const higher = fills.find(({ serves }) => serves[0]!.findingId === 'fA')!;
  expect(higher.waits.map(({ reason }) => reason)).toContain('strip');
  const [form] = plan.findings[0]!.chosen!.steps.filter(({ code }) => code === 'step.form.set');
  expect(form!.figures).toMatchObject({ step: 3, sides: 1 });
});

test("a step under a rail's posts is not broken out on a contractor's word", () => {
  const plan = computePlan(flightJob({ ...cellar, rails: 'onSteps' }));
  expect(plan.elements[0]!.stops.map(({ code }) => code)).toEqual(['verdict.railPosts', 'verdict.railPosts']);
  expect(plan.findings.every(({ chosen }) => !chosen)).toBe(true);
});

test('a step rebuilt on no flight, or trowelled, keeps its place: nothing waits for a form that is not there', () => {
  const loose = flightJob({ ...cellar, sides: 'walls' });
  const [first, second] = loose.findings as StepInput[];
  const { from: _from, ...nowhere } = first!;
  const plan = computePlan({ ...loose, findings: [nowhere, second!], house: { riserFace: 'trowelHeld' } });
  expect(plan.batches.flatMap(({ waits }) => waits).filter(({ reason }) => reason === 'strip')).toEqual([]);
});

test('what broke out of a riser must hang, what broke out of a tread lies', () => {
  const [riser, tread] = (['riser', 'tread'] as const).map((face): SpallInput => {
    const [[x, y]] = facePoints(cellar, { step: 2, face }) as [Point];
    return { ...finding, outline: rectangle({ length_m: 0.3, width_m: 0.1, at: [x + 0.1, y + 0.03] }) };
  });
  const steps = { ...element, kind: 'step', flight: cellar } as const;
  expect([riser!, tread!].map((spall) => asksOf(spall, { element: steps, findings: [] }).stands)).toEqual([true, false]);
});
