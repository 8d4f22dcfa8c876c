import { HOUSE_QUESTIONS, type HouseMethod, type HouseQuestion } from '../choose';
import type { FindingInput } from '../survey';
import { rectangle } from '../takeoff';
import { aids } from '../shelf/catalogue';
import { counterTop, chosenOf, crack, element, finding, input, jobWith, sheetOf, typed } from '../testing/job';
import { computePlan, kitOf, type PlanInput } from './index';

const found = { id: 'f', elementId: 'e', label: 'A' };
const EDGE: FindingInput = { ...found, kind: 'edge', section: 'triangle', length: typed(1.2), across: typed(0.06), down: typed(0.04) };
const STEP: FindingInput = {
  ...found,
  kind: 'step',
  width: typed(1.2),
  going: typed(0.3),
  rise: typed(0.17),
  steps: 1,
  stays_m3: 0.03,
  pitch: 0.02,
  propAngle_rad: 0.7,
};
const SKIM: FindingInput = { ...found, kind: 'skim', outline: rectangle({ length_m: 2, width_m: 1 }), thickness: typed(0.003), profile: 4 };
const COOL = { conditions: { ...input.conditions, slab_C: typed(15), air_C: typed(15) } };
const WALL: PlanInput = {
  ...jobWith({ ...finding, edge: 'feathered', deepest: typed(0.02) }, sheetOf('renderRepair')),
  elements: [{ ...element, kind: 'wall', moisture: 'damp' }],
};
const JOBS: readonly PlanInput[] = [
  input,
  jobWith({ ...finding, deepest: typed(0.07) }, sheetOf('sandedRapid')),
  jobWith({ ...finding, edge: 'feathered', deepest: typed(0.006) }, sheetOf('sandedRapid')),
  jobWith(EDGE, sheetOf('edgeMortar')),
  jobWith(STEP, sheetOf('rapidConcrete')),
  jobWith(SKIM, sheetOf('broomOverlay')),
  jobWith({ ...SKIM, thickness: typed(0.0025) }, sheetOf('sandedRapid')),
  jobWith(crack, sheetOf('crackResin')),
  jobWith(crack, sheetOf('renderRepair')),
  WALL,
  { ...WALL, ...COOL },
  { ...input, ...COOL },
  { ...input, batch: { ...input.batch, retarderDose: 1 } },
  {
    ...input,
    record: {
      lives: [{ sheetId: input.treatments[0]!.sheetId, entries: Array.from({ length: 4 }, () => ({ temperature_C: 21, retarder: 1, life_s: 700 })) }],
      figures: {},
    },
  },
  jobWith({ ...crack, widths: [[0, 0.008]] }, sheetOf('crackResin')),
  jobWith({ ...crack, widths: [[0, 0.002]] }, sheetOf('renderRepair')),
];
const planOf = (job: PlanInput, house: Partial<HouseMethod>): string => JSON.stringify(computePlan({ ...job, house }).findings);
const plain = JOBS.map((job) => planOf(job, {}));

const schools = (Object.keys(HOUSE_QUESTIONS) as HouseQuestion[]).flatMap((question) => HOUSE_QUESTIONS[question].map((school) => [question, school] as const));

test.each(schools)('%s: %s is followed by the plan, and Tufa’s own is what an unset firm gets', (question, school) => {
  // Which jobs differ, not how: a plan is too long to read in a failure. One that differs is enough.
  const differ = JOBS.some((job, i) => planOf(job, { [question]: school }) !== plain[i]);
  expect(differ).toBe(school !== HOUSE_QUESTIONS[question][0]);
});

test('a base is prepared with the gentlest tool that leaves what its sheet asks, in so many passes and wheels', () => {
  const prepared = (profile: number, area = 1) => {
    const sheet = { ...sheetOf('sandedRapid'), profile };
    const spall = { ...finding, outline: rectangle({ length_m: area, width_m: 1 }) };
    return chosenOf(jobWith(spall, sheet)).steps.find(({ code }) => code.startsWith('step.prepare'))!;
  };
  expect([1, 2, 3, 4, 5, 6, 9].map((profile) => prepared(profile).code.split('.').at(-1))).toEqual([
    'wash',
    'brush',
    'grind',
    'blast',
    'blast',
    'breakOut',
    'breakOut',
  ]);
  expect(prepared(3, 1).figures).toMatchObject({ passes: 2, discs: 1, asked: 3 });
  expect(prepared(3, 41).figures).toMatchObject({ discs: 2 });
  expect(prepared(5).figures).toMatchObject({ passes: 1, discs: 0 });
});

test('a school of fibre doses the mix, but never a crack, a resin, or a job that names its own', () => {
  const house = { reinforcement: 'fibre' } as const;
  const { fibre, quantities } = chosenOf({ ...input, house });
  expect(fibre!.mass_kg).toBeCloseTo(0.9 * quantities.powder.p50 * quantities.yield_m3_kg, 9);
  expect(chosenOf(input).fibre).toBeNull();
  expect(chosenOf({ ...jobWith(crack, sheetOf('crackResin')), house }).fibre).toBeNull();
  const glass = { kind: 'glass', dose_kg_m3: 5, bag_kg: 1 } as const;
  expect(chosenOf({ ...input, house, batch: { ...input.batch, fibre: glass } }).fibre!.mass_kg).toBeCloseTo(
    5 * quantities.powder.p50 * quantities.yield_m3_kg,
    9,
  );
});

test('anchors are counted along the edge or round the patch, to price and to load', () => {
  const house = { reinforcement: 'anchors' } as const;
  const pinned = { ...input, house };
  // Round 1.2 by 0.9 m: 4.2 m, one every 0.3.
  expect(chosenOf(pinned).steps.find(({ code }) => code.startsWith('step.anchors'))!.figures).toMatchObject({ number: 14 });
  expect(kitOf(pinned, computePlan(pinned)).find(({ code }) => code === 'anchorPins')!.figures).toEqual({ count: 14 });
  expect(kitOf(pinned, computePlan(pinned)).find(({ code }) => code === 'blade')!.figures).toEqual({ count: 1 });
});

const codes = (jobFile: PlanInput): string[] => chosenOf(jobFile).steps.map(({ code }) => code);

test('a spall on a slab: shouldered, out, prepared, soaked, measured, filled, struck off, textured, cured', () => {
  expect(codes(input)).toEqual([
    'step.shoulder',
    'step.breakOut',
    'step.prepare.blast',
    'step.vacuum',
    'step.soak',
    'step.measure.weight',
    'step.lift',
    'step.strikeOff',
    'step.texture',
    'step.cure',
    'step.coat',
  ]);
});

test('two lifts wait for each other inside the sheet’s interval, sooner on a warm slab', () => {
  const deep = jobWith({ ...finding, deepest: typed(0.08) }, sheetOf('sandedRapid'));
  const warm = chosenOf(deep).steps.filter(({ code }) => code === 'step.lift');
  expect(warm).toHaveLength(2);
  expect(warm[0]!.after).toBeNull();
  const { least_s, most_s } = sheetOf('sandedRapid').intervals!.layer;
  // The slab is ten kelvin over the sheet's reference.
  expect(warm[1]!.after!.least_s).toBeLessThan(least_s);
  expect(warm[1]!.after!.most_s! / warm[1]!.after!.least_s).toBeCloseTo(most_s / least_s, 9);
});

test.each([
  [0.0008, 'neat'],
  [0.001, 'sandInResin'],
  [0.006, 'sandInResin'],
  [0.0061, 'bedAndCap'],
])('a crack of %s m is filled %s', (width, method) => {
  const steps = codes(jobWith({ ...crack, widths: [[0, width]] }, sheetOf('crackResin')));
  expect(steps).toContain(`step.crack.${method}`);
  expect(steps.includes('step.sandBed')).toBe(method === 'bedAndCap');
});

test.each([
  [0.0119, 'skimmed'],
  [0.012, 'trowelHeld'],
  [0.05, 'trowelHeld'],
  [0.0501, 'formed'],
])('a riser face of %s m is %s', (down, face) => {
  expect(codes(jobWith({ ...EDGE, across: typed(0.2), down: typed(down) }, sheetOf('edgeMortar')))).toContain(`step.riser.${face}`);
});

test('a joint that moves: cut, rod a quarter wider, sealant half as deep as wide; a shallow patch has no anchors, a deep one under wheels asks', () => {
  const joint: FindingInput = {
    ...found,
    kind: 'groove',
    line: crack.line,
    width: typed(0.016),
    depth: typed(0.03),
    blade_m: 0.006,
    moves: { between_m: 4, range_K: 50, movementClass: 0.25 },
  };
  const { steps } = chosenOf(jobWith(joint, sheetOf('jointSealant')));
  expect(steps.find(({ code }) => code === 'step.rod')!.figures).toEqual({ rod_m: expect.closeTo(0.02, 12) });
  expect(steps.find(({ code }) => code === 'step.sealant')!.thickness_m).toBeCloseTo(0.008, 12);
  expect(steps.find(({ code }) => code === 'step.groove')!.figures).toMatchObject({ passes: 3 });
  expect(codes(input)).not.toContain('step.anchors');
  const wheels = { elements: [{ ...element, exposures: ['wheels'] as const }] };
  expect(codes(jobWith({ ...finding, deepest: typed(0.05) }, sheetOf('sandedRapid'), wheels))).toContain('step.anchorsAsk');
});

test('a fill that stands a millimetre high costs that millimetre, until the crew’s own record says it fills flush', () => {
  const flush = chosenOf({ ...input, house: { level: 'flush' } }).quantities;
  const high = chosenOf(input).quantities;
  expect((high.powder.p50 - flush.powder.p50) * high.yield_m3_kg).toBeCloseTo(1.2 * 0.9 * 0.001 * 1.07, 6);
  const entries = Array.from({ length: 4 }, () => ({ temperature_C: 21, retarder: 1, life_s: 700 }));
  const logged = (count: number): PlanInput => ({
    ...input,
    record: { lives: [{ sheetId: input.treatments[0]!.sheetId, entries: entries.slice(0, count) }], figures: {} },
  });
  expect(chosenOf(logged(4)).quantities.powder.p50).toBeCloseTo(flush.powder.p50, 9);
  expect(chosenOf(logged(3)).quantities.powder.p50).toBeCloseTo(high.powder.p50, 9);
});

const seal = sheetOf('jointSealant');
const JOINT: FindingInput = { ...found, kind: 'groove', line: crack.line, width: typed(0.016), depth: typed(0.03), blade_m: 0.006, moves: null };
const WEDGE: FindingInput = { ...found, kind: 'wedge', run: typed(0.6), rise: typed(0.02), width: typed(1) };
const VOID: FindingInput = { ...found, kind: 'void', outline: rectangle({ length_m: 0.5, width_m: 0.4 }), deepest: typed(0.05), shape: 'pan' };
const fall = [{ id: 'm', label: 'M', what: 'fall', points: crack.line }] as const;
const bare = { ...sheetOf('sandedRapid'), textures: [], milestones: { initial: 1380, final: 1920 }, strengthFor: {}, bond: 'agent' } as const;
const { intervals: _none, ...silent } = { ...sheetOf('fineRapid') };

test.each<[string, PlanInput, readonly string[], readonly string[]]>([
  [
    'a void is pressed in under water, and never soaked or cured',
    jobWith(VOID, sheetOf('antiWashout')),
    ['step.loose', 'step.pressIn'],
    ['step.soak', 'step.cure', 'step.vacuum'],
  ],
  ['a wedge that may not feather has its toe cut', jobWith(WEDGE, sheetOf('sandedRapid')), ['step.cutToe'], ['step.shoulder']],
  ['a wedge that may, has not', jobWith(WEDGE, sheetOf('fineRapid')), ['step.lift'], ['step.cutToe']],
  [
    'a countertop is not ground flush by itself',
    jobWith(counterTop, sheetOf('counterMix')),
    ['step.bond.agent', 'step.lift'],
    ['step.rubFlush', 'step.breakOut'],
  ],
  [
    'a laminate top is abraded, not cut to a profile, and never soaked',
    jobWith(counterTop, sheetOf('counterMix'), { elements: [{ ...element, kind: 'counter', material: 'laminate', moisture: 'dry' }] }),
    ['step.ready.glossy', 'step.vacuumDry', 'step.notSoaked'],
    ['step.prepare.blast', 'step.soak', 'step.vacuum'],
  ],
  [
    'boards are screwed down',
    jobWith(counterTop, sheetOf('counterMix'), { elements: [{ ...element, kind: 'counter', material: 'board', moisture: 'dry' }] }),
    ['step.ready.board'],
    ['step.soak'],
  ],
  [
    'terrazzo is ground as concrete is, but drinks nothing',
    jobWith(SKIM, sheetOf('broomOverlay'), { elements: [{ ...element, material: 'terrazzo' }] }),
    ['step.notSoaked'],
    ['step.ready.glossy', 'step.soak'],
  ],
  ['a crack for resin is vacuumed, never rinsed', jobWith(crack, sheetOf('crackResin')), ['step.vacuumDry', 'step.dry'], ['step.vacuum', 'step.soak']],
  [
    'a joint that is still is filled rigid',
    jobWith(JOINT, sheetOf('crackResin')),
    ['step.groove', 'step.crack.sandInResin', 'step.lookLow'],
    ['step.rod', 'step.sealant'],
  ],
  ['a crack that moves becomes a joint', jobWith({ ...crack, moves: 'yes' }, seal), ['step.cutJoint', 'step.sealant'], ['step.grindFlush']],
  ['a crack on a fall is dammed', jobWith(crack, sheetOf('crackResin'), { elements: [{ ...element, moisture: 'dry', marks: fall }] }), ['step.dam'], []],
  ['a narrow crack in render is rubbed', jobWith({ ...crack, widths: [[0, 0.002]] }, sheetOf('renderRepair')), ['step.rubIn'], ['step.openGroove']],
  [
    'one that moves in season is opened',
    jobWith({ ...crack, widths: [[0, 0.002]], moves: 'yes' }, sheetOf('renderRepair')),
    ['step.openGroove'],
    ['step.rubIn'],
  ],
  ['a hot wall is soaked', { ...WALL, conditions: { ...input.conditions, slab_C: typed(25) } }, ['step.soak'], ['step.dustDamp']],
  ['a cool one only rinsed', { ...WALL, conditions: { ...input.conditions, slab_C: typed(24.9) } }, ['step.dustDamp'], ['step.soak']],
  ['a sheet silent on finish, rubbing and coats', jobWith(finding, bare), ['step.finish', 'step.bond.agent', 'step.rubFlush'], ['step.texture', 'step.coat']],
  ['a sheet silent on intervals still has its lifts', jobWith({ ...finding, deepest: typed(0.06) }, silent), ['step.lift', 'step.coat'], []],
  ['a skim is spread', jobWith(SKIM, sheetOf('broomOverlay')), ['step.spread'], ['step.breakOut', 'step.rubFlush']],
  ['a step has its order', jobWith(STEP, sheetOf('rapidConcrete')), ['step.riser.formed', 'step.order.risersFirst', 'step.bond.slurry'], []],
  [
    'a school of anchors on a still slab',
    { ...jobWith(finding, sheetOf('sandedRapid'), { elements: [{ ...element, exposures: [] }] }), house: { reinforcement: 'anchors' } },
    ['step.anchors'],
    ['step.anchorsAsk'],
  ],
])('%s', (_name, jobFile, has, lacks) => {
  const steps = codes(jobFile);
  for (const code of has) expect(steps).toContain(code);
  for (const code of lacks) expect(steps).not.toContain(code);
});

test('the base is made as what touches it wants it: dry for an agent that bonds dry, and the water that is carried follows', () => {
  const agentOf = (moisture: 'dry' | 'damp') => aids.find((aid) => aid.class === 'epoxyBond' && aid.moisture === moisture)!;
  const bonded = (moisture: 'dry' | 'damp'): PlanInput => {
    const jobFile = jobWith(counterTop, sheetOf('counterMix'), { aids });
    return { ...jobFile, treatments: [{ ...jobFile.treatments[0]!, aids: { bond: agentOf(moisture).id } }] };
  };
  expect(codes(bonded('dry'))).toContain('step.dryForAgent');
  expect(codes(bonded('damp'))).toContain('step.soak');
  const water = (jobFile: PlanInput) => chosenOf(jobFile).water!;
  expect(water(bonded('dry'))).toMatchObject({ presoak_m3: 0, films_m3: 0 });
  expect(water(bonded('damp')).presoak_m3).toBeGreaterThan(0);
  expect(water({ ...WALL, ...COOL })).toMatchObject({ presoak_m3: 0 });
  expect(water({ ...WALL, ...COOL }).films_m3).toBeGreaterThan(0);
  // An agent that nobody asks for says nothing of the base.
  const mortar = jobWith(finding, sheetOf('sandedRapid'), { aids });
  expect(codes({ ...mortar, treatments: [{ ...mortar.treatments[0]!, aids: { bond: agentOf('dry').id } }] })).toContain('step.soak');
});
