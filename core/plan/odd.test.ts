import type { Sheet } from '../shelf';
import { aids } from '../shelf/catalogue';
import type { CrackInput, FindingInput, GrooveInput } from '../survey';
import { rectangle } from '../takeoff';
import { chosenOf, counterTop, crack, element, finding, input, jobWith, sheetOf, typed } from '../testing/job';
import { workOf } from './steps/workOf';
import { CAUTIONS, computePlan, namedOnly, rateOf, vibrationOf, prepared, type PlanInput } from './index';

const found = { id: 'f', elementId: 'e', label: 'A' };
const open = { elements: [{ ...element, opens: null }] };
const STEP: FindingInput = {
  ...found,
  kind: 'step',
  width: typed(1),
  going: typed(0.28),
  rise: typed(0.17),
  steps: 2,
  stays_m3: 0,
  pitch: 0.015,
  propAngle_rad: 0.8,
};
const JOINT: GrooveInput = { ...found, kind: 'groove', line: crack.line, width: typed(0.006), depth: typed(0.012), blade_m: 0.003, moves: null };
const codes = (job: PlanInput): string[] => chosenOf(job).steps.map(({ code }) => code);
/** A sheet that says nothing of when it may be stripped, covered or walked on. */
const silent = (name: string): Sheet => {
  const { intervals: _intervals, ...sheet } = sheetOf(name);
  return { ...sheet, milestones: {}, strengthFor: {} };
};

test('a still joint: resin as a crown over it, with sand only where its sheet takes any and it is wide enough; mortar is only filled in', () => {
  const dry = { elements: [{ ...element, moisture: 'dry' as const, opens: null }] };
  const sanded = chosenOf(jobWith(JOINT, sheetOf('crackResin'), dry));
  const narrow = chosenOf(jobWith({ ...JOINT, width: typed(0.0008), blade_m: 0.0008 }, sheetOf('crackResin'), dry));
  expect(sanded.sand_kg).toBeGreaterThan(0);
  expect(narrow.sand_kg).toBeNull();
  expect(narrow.steps.map(({ code }) => code)).toContain('step.crack.neat');
  expect(codes(jobWith(JOINT, sheetOf('fineRapid')))).toContain('step.fillJoint');
  const low = { ...dry, elements: [{ ...dry.elements[0]!, marks: [{ id: 'm', label: 'M', what: 'fall', points: [[0, 0], [1, 0]] }] as const }] }; // prettier-ignore
  expect(codes(jobWith(JOINT, sheetOf('crackResin'), low))).toContain('step.dam');
});

test('steps by a school and by their depth; a sheet that is silent is stripped and covered at once', () => {
  const treads = codes(jobWith(STEP, sheetOf('rapidConcrete'), { house: { stepOrder: 'treadsFirst' } }));
  expect(treads).toContain('step.order.treadsFirst');
  const low = codes(jobWith({ ...STEP, rise: typed(0.04) } as FindingInput, sheetOf('sandedRapid')));
  expect(low).toContain('step.riser.trowelHeld');
  expect(low).not.toContain('step.form.set');
  const quiet = chosenOf(jobWith(STEP, silent('rapidConcrete'), open));
  expect(quiet.steps.find(({ code }) => code === 'step.form.strip')!.after!.least_s).toBe(0);
  expect(quiet.opens).toBeNull();
  expect(chosenOf(jobWith(STEP, sheetOf('structuralRapid'))).ticket.task).toBe('pour');
});

test('a flight is laid a step at a time: each gets its face before its form comes off, and four steps take four times the placing of one', () => {
  const flight = (steps: number): PlanInput => jobWith({ ...STEP, steps } as FindingInput, sheetOf('rapidConcrete'), open);
  const [first, second] = codes(flight(2)).flatMap((code, i) => (code === 'step.form.strip' ? [i] : []));
  const faces = codes(flight(2)).flatMap((code, i) => (code === 'step.texture' ? [i] : []));
  expect(faces).toHaveLength(2);
  expect(faces[0]).toBeLessThan(first!);
  expect(faces[1]).toBeGreaterThan(first!);
  expect(faces[1]).toBeLessThan(second!);
  const placed_s = (steps: number): number => {
    const job = flight(steps);
    const { takeOff, chosen } = computePlan(job).findings[0]!;
    const laid = chosen!.steps.filter(({ code }) => code === 'step.lift');
    const worked = { input: prepared(job), element: job.elements[0]!, finding: job.findings[0]!, takeOff, sheet: sheetOf('rapidConcrete'), batches: 1 };
    return workOf(worked, laid).reduce((sum, { person_s }) => sum + person_s, 0);
  };
  expect(placed_s(4)).toBeCloseTo(4 * placed_s(1), 6);
});

test('what says nothing of its gel, its strip or its intervals is still worked, layer on layer', () => {
  const hole: FindingInput = { ...found, kind: 'void', outline: finding.outline, deepest: typed(0.05), shape: 'pan' };
  const gel = chosenOf(jobWith(hole, silent('antiWashout'))).steps.find(({ code }) => code === 'step.gelWait')!;
  expect(gel.figures).toEqual({ gel_s: 0 });
  const cast = chosenOf(jobWith({ ...counterTop, cast: true }, silent('counterMix'))).steps;
  expect(cast.find(({ code }) => code === 'step.demould')!.after!.least_s).toBe(0);
  const deep = { ...finding, deepest: typed(0.07) };
  const { intervals: _intervals, ...plain } = sheetOf('sandedRapid');
  const lifts = chosenOf(jobWith(deep, plain, open));
  const foot = lifts.readiness.find(({ name }) => name === 'foot')!.after_s;
  expect(lifts.opens!.after_s).toBeGreaterThan(foot);
  const broom = sheetOf('broomOverlay').id;
  const under = jobWith(finding, plain, {
    ...open,
    treatments: [{ findingId: 'f', sheetId: plain.id, overlay: { sheetId: broom, thickness_m: 0.003, over: 'patch' } }],
  });
  expect(chosenOf(under).opens!.after_s).toBeGreaterThan(chosenOf(under).overlay!.chosen.opens!.after_s);
});

test('packets, acid, colour, fibre, slurry and bottles are bought for all batches at once', () => {
  const bought = (job: PlanInput): Record<string, unknown> => Object.fromEntries(computePlan(job).extras.map(({ code, ...amount }) => [code, amount]));
  const batch = { ...input.batch, retarderDose: 1, colourPacks: 2, fibre: { kind: 'polypropylene', dose_kg_m3: 0.9, bag_kg: 0.45 } as const };
  const { count, last } = chosenOf({ ...input, batch }).batches;
  expect(count).toBeGreaterThan(1);
  const packets = Math.ceil((count - 1) * 0.5 + last!);
  expect(bought({ ...input, ...open, batch })).toEqual({ retarder: { count: packets }, colour: { count: expect.any(Number) }, fibre: { count: 1 } });
  const citric: Sheet = { ...sheetOf('sandedRapid'), retarderUnit: 'citric', retarder: [[0, 1], [0.006, 2]] }; // prettier-ignore
  expect(bought(jobWith(finding, citric, { ...open, batch: { ...input.batch, retarderDose: 0.003 } }))).toEqual({ citric: { mass_kg: expect.any(Number) } });
  expect(bought(jobWith(finding, sheetOf('rapidConcrete'), { ...open, findings: [{ ...finding, deepest: typed(0.06) }] }))).toEqual({
    cement: { mass_kg: expect.any(Number) },
    latex: { mass_kg: expect.any(Number) },
  });
});

test('a caution with figures names them; a person’s tools add up over fill and overlay', () => {
  const job = jobWith(STEP, sheetOf('rapidConcrete'));
  const plan = computePlan(job);
  const figures = Object.fromEntries(
    CAUTIONS.filter((caution) => caution.figures && caution.trigger({ input: job, plan })).map(({ code, figures: of }) => [code, of!({ input: job, plan })]),
  );
  expect(figures['formWeight']).toMatchObject({ holdDown_kg: expect.any(Number), prop_kg: expect.any(Number) });
  expect(figures['vibration']).toMatchObject({ trigger_s: expect.any(Number), strongest_s: expect.any(Number) });
  for (const { figures: of } of CAUTIONS)
    if (of) expect(Object.values(of({ input, plan: computePlan({ ...input, treatments: [] }) })).length).toBeGreaterThan(0);
  const broom = sheetOf('broomOverlay').id;
  const overlaid: PlanInput = { ...input, treatments: [{ ...input.treatments[0]!, overlay: { sheetId: broom, thickness_m: 0.003, over: 'element' } }] };
  expect(vibrationOf(overlaid, computePlan(overlaid))!.trigger_s).toBeGreaterThan(vibrationOf(input, computePlan(input))!.trigger_s);
  expect(vibrationOf({ ...input, findings: [] }, computePlan(input))).toBeNull();
});

test('how fast a crew works: as the job says, else the firm, else as most, and all of it as quick as its days have shown', () => {
  const figures = { rate: [{ value: 0.004 }, { value: 0.004 }, { value: 0.004 }] } as unknown as NonNullable<PlanInput['record']>['figures'];
  const learned = (change: Partial<PlanInput>): PlanInput => prepared({ ...input, ...change, record: { lives: [], figures } });
  const plain = rateOf(input, 'overlay');
  expect(rateOf({ ...input, firm: { ...input.firm, workRates: { overlay: 0.01 } } }, 'overlay')).toBe(0.01);
  expect(rateOf({ ...input, crew: { ...input.crew, rates: { overlay: 0.02 } } }, 'overlay')).toBe(0.02);
  const pace = rateOf(learned({}), 'fill') / rateOf(input, 'fill');
  expect(pace).toBeGreaterThan(1);
  expect(rateOf(learned({}), 'overlay') / plain).toBeCloseTo(pace, 9);
  expect(rateOf(learned({ firm: { ...input.firm, workRates: { overlay: 0.01 } } }), 'overlay')).toBeCloseTo(0.01 * pace, 9);
  expect(rateOf(learned({ crew: { ...input.crew, rates: { overlay: 0.02 } } }), 'overlay')).toBeCloseTo(0.02 * pace, 9);
});

test('a milestone whose strength is never reached is none; one by its class’s strength alone is marked', () => {
  const never = chosenOf(jobWith(finding, { ...sheetOf('sandedRapid'), strengthFor: { foot: 290 } }, open));
  expect(never.readiness.map(({ name }) => name)).not.toContain('foot');
  expect(never.opens).toBeNull();
  const early = chosenOf(jobWith(finding, { ...sheetOf('sandedRapid'), strengths: [[3600, 2]], strengthFor: { foot: 12 } }, open)); // prettier-ignore
  expect(early.opens).toMatchObject({ extrapolated: true });
});

test('what a crew cannot see is judged where it lies: an agent on a base nobody has felt, a mark that rusts', () => {
  const { moisture: _moisture, ...felt } = element;
  const epoxy = aids.find(({ class: of, moisture }) => of === 'epoxyBond' && moisture === 'dry')!;
  const bonded = jobWith(
    finding,
    { ...sheetOf('sandedRapid'), bond: 'agent' },
    { elements: [{ ...felt, opens: null }], aids, treatments: [{ findingId: 'f', sheetId: sheetOf('sandedRapid').id, aids: { bond: epoxy.id } }] },
  );
  expect(chosenOf(bonded).aids[0]!.reasons.map(({ code }) => code)).toContain('moisture.open');
  const rusty = { ...element, marks: [{ id: 'm', label: 'R', what: 'rust' as const, points: rectangle({ length_m: 0.2, width_m: 0.2 }) }] };
  const grown: CrackInput = { ...crack, id: 'c', label: 'C', visits: [{ at_s: 0, widths: [[1, 0.002]] }, { at_s: 9e6, widths: [[1, 0.003]] }] }; // prettier-ignore
  const wedge: FindingInput = { ...found, id: 'w', label: 'W', kind: 'wedge', run: typed(0.5), rise: typed(0.02), width: typed(1) };
  const { seen } = computePlan({ ...input, elements: [rusty], findings: [grown, wedge] }).elements[0]!;
  expect(seen['verdict.rust R']).toMatchObject({ area_m2: expect.closeTo(0.04, 9), at: [0.1, 0.1] });
  expect(seen['verdict.crackGrew C']).toMatchObject({ step_m: expect.closeTo(0.001, 9) });
});

test('what a plan is kept with is what it names, and nothing else of the shelf', () => {
  const broom = sheetOf('broomOverlay');
  const job = jobWith(finding, sheetOf('sandedRapid'), { sheets: [broom, sheetOf('sandedRapid'), sheetOf('fineRapid')] });
  const { aids: _aids, ...bare } = job;
  expect(namedOnly(bare).sheets.map(({ id }) => id)).toEqual([sheetOf('sandedRapid').id]);
  expect(namedOnly(bare)).not.toHaveProperty('aids');
  const [treatment] = job.treatments;
  const under = {
    ...job,
    aids,
    treatments: [{ ...treatment!, aids: { bond: aids[0]!.id }, overlay: { sheetId: broom.id, thickness_m: 0.003, over: 'patch' as const } }],
  };
  expect(namedOnly(under).sheets).toHaveLength(2);
  expect(namedOnly(under).aids).toEqual([aids[0]]);
});
