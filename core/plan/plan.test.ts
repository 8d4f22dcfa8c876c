import fc from 'fast-check';
import { SHEET_CLASSES } from '../shelf';
import { rectangle } from '../takeoff';
import { Problem } from '../quantity';
import {
  rankingOf,
  type Plan,
  CAUTIONS,
  cautionsOn,
  computePlan,
  DEFAULT_CREW,
  DEFAULT_FIRM,
  filledTakeOff,
  questionFor,
  strataDomain,
  strataOf,
  takeOffOf,
  STRATA_QUANTITIES,
  vibrationOf,
  windowFor,
  type PlanInput,
  prepared,
  hashesOf,
} from './index';
import { aids } from '../shelf/catalogue';
import { crack, element, finding, input, jobWith, sheetOf, typed } from '../testing/job';
import type { ElementInput, SpallInput } from '../survey';

const withFinding = (change: Partial<SpallInput>): PlanInput => ({ ...input, findings: [{ ...finding, ...change }] });
const withElement = (change: Partial<ElementInput>): PlanInput => ({ ...input, elements: [{ ...element, ...change }] });
const chosenOf = (jobFile: PlanInput) => computePlan(jobFile).findings[0]!.chosen!;
const reasonsOf = (jobFile: PlanInput, name: string): string[] =>
  computePlan(jobFile)
    .findings[0]!.ranking.find(({ sheetId }) => sheetId === sheetOf(name).id)!
    .reasons.filter(({ verdict }) => verdict !== 'yes')
    .map(({ code }) => code);

test('take-off scales with the cube of length and does not care where an outline starts or which way it runs', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.2, max: 3, noNaN: true }), fc.integer({ min: 0, max: 3 }), fc.boolean(), (scale, start, reverse) => {
      const turned = [...finding.outline.slice(start), ...finding.outline.slice(0, start)].map(([x, y]) => [x * scale, y * scale] as const);
      const jobFile = withFinding({ outline: reverse ? [...turned].reverse() : turned, deepest: typed(0.038 * scale) });
      const plain = takeOffOf(finding).volume.p50;
      expect(takeOffOf(jobFile.findings[0]!).volume.p50 / plain).toBeCloseTo(scale ** 3, 9);
    }),
  );
});

test('batches cover the need exactly once and keep every limit', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.01, max: 0.09, noNaN: true }), fc.double({ min: 0.3, max: 3, noNaN: true }), (deepest, length_m) => {
      const { batches, quantities, window } = chosenOf(withFinding({ deepest: typed(deepest), outline: rectangle({ length_m, width_m: 0.7 }) }));
      fc.pre(batches.share !== null);
      expect(batches.share * batches.count).toBeGreaterThanOrEqual(quantities.bags.p50 - 1e-6);
      expect(batches.share * (batches.count - 1)).toBeLessThan(quantities.bags.p50);
      expect(window.batch.volume_m3).toBeLessThanOrEqual(0.75 * DEFAULT_FIRM.pail_m3);
      expect(window.window.fits).toBe(true);
    }),
    { numRuns: 25 },
  );
});

test('a hotter slab shortens the window, a retarder lengthens it and sets later, cold water is a lever that says so', () => {
  const mild = chosenOf(input);
  const hot = chosenOf({ ...input, conditions: { ...input.conditions, slab_C: typed(44) } });
  const slow = chosenOf({ ...input, batch: { ...input.batch, retarderDose: 1 } });
  expect(hot.window.window.placeBy_s).toBeLessThan(mild.window.window.placeBy_s);
  expect(slow.window.window.placeBy_s).toBeGreaterThan(mild.window.window.placeBy_s);
  const foot = (chosen: typeof mild): number => chosen.window.milestones.find(({ name }) => name === 'foot')!.after_s;
  expect(foot(slow)).toBeGreaterThan(foot(mild));
  const lever = mild.levers.find(({ code }) => code === 'coolWater')!;
  const again = windowFor({
    ...questionFor({
      input: prepared(input),
      element: input.elements[0]!,
      finding: input.findings[0]!,
      follows: true,
      takeOff: filledTakeOff({
        input: prepared(input),
        finding: input.findings[0]!,
        takeOff: computePlan(input).findings[0]!.takeOff,
        sheet: sheetOf('sandedRapid'),
      }),
      sheet: sheetOf('sandedRapid'),
      share: mild.batches.share!,
    }),
    ...lever.change,
  });
  expect(again.window.placeBy_s - mild.window.window.placeBy_s).toBeCloseTo(lever.gain_s, 9);
  expect(mild.levers.map(({ slackGain_s }) => slackGain_s)).toEqual([...mild.levers.map(({ slackGain_s }) => slackGain_s)].sort((a, b) => b - a));
});

test('a window too short for any portion names what ends it and plans no batch', () => {
  const scorched = { ...input, crew: { ...DEFAULT_CREW, rate_m2_s: 2e-5 } };
  const { batches } = chosenOf(scorched);
  expect(batches).toMatchObject({ share: null, count: 0 });
  expect(computePlan(scorched).warnings.map(({ code }) => code)).toContain('batch.noneFits');
});

test.each<[string, PlanInput, string, string]>([
  ['too deep for a sheet', withFinding({ deepest: typed(0.13) }), 'sandedRapid', 'thickness.over'],
  ['too thin for a stone mix', withFinding({ deepest: typed(0.02) }), 'rapidConcrete', 'grain.coarse'],
  ['feathering what must not be', withFinding({ edge: 'feathered', deepest: typed(0.006) }), 'sandedRapid', 'edge.noFeather'],
  ['a wall', withElement({ kind: 'wall' }), 'sandedRapid', 'orientation.wrong'],
  ['a resin on a damp slab', { ...input, findings: [crack] }, 'crackResin', 'moisture.mustBeDry'],
  ['a dry slab', withElement({ moisture: 'dry' }), 'sandedRapid', 'moisture.soak'],
  ['standing water', withElement({ exposures: ['immersion'] }), 'sandedRapid', 'exposure.notAllowed'],
  ['opened too soon', withElement({ opens: { to: 'vehicles', after_s: 1800 } }), 'sandedRapid', 'open.late'],
  ['a cold day', { ...input, conditions: { ...input.conditions, slab_C: typed(1) } }, 'sandedRapid', 'temperature.cold'],
  ['made for overlays', input, 'broomOverlay', 'use.other'],
])('%s is answered with a reason', (_name, jobFile, sheet, code) => {
  expect(reasonsOf(jobFile, sheet)).toContain(code);
});

test('the ranking puts yes before caution before no, the cheaper first among equals', () => {
  const { ranking } = computePlan(input).findings[0]!;
  const verdicts = ranking.map(({ verdict }) => verdict);
  expect(verdicts).toEqual([...verdicts].sort((a, b) => ['yes', 'caution', 'no'].indexOf(a) - ['yes', 'caution', 'no'].indexOf(b)));
  expect(new Set(verdicts).size).toBe(3);
  const costs = ranking.filter(({ verdict }) => verdict === 'yes').map(({ cost_minor }) => cost_minor!);
  expect(costs).toEqual([...costs].sort((a, b) => a - b));
  expect(ranking.every(({ reasons }) => reasons.length > 0)).toBe(true);
});

test.each(['yes', 'unknown', undefined] as const)('a stop question answered %s hides ranking, batches and ticket', (answer) => {
  const plan = computePlan(withElement({ stops: { ...element.stops, ...(answer ? { rust: answer } : {}), ...(answer ? {} : { rust: undefined as never }) } }));
  expect(plan.elements[0]!.verdict.code).toBe('stop');
  expect(plan.findings[0]).toMatchObject({ ranking: [], chosen: null });
});

test('a third of a suspended member is a stop by its figures alone', () => {
  expect(computePlan({ ...withElement({ suspended: true, thickness: typed(0.1) }) }).elements[0]!.verdict.reasons[0]!.code).toBe('verdict.depthOfSuspended');
  expect(computePlan(withElement({ thickness: typed(0.06) })).elements[0]!.verdict.code).toBe('borderline');
});

test('hashes: what each stage is made from moves it and every stage after it, and none before', () => {
  const STAGES = ['takeOff', 'layers', 'quantities', 'batches', 'day'] as const;
  const before = hashesOf(input);
  const moved = (change: Partial<PlanInput>): string[] => {
    const after = hashesOf({ ...input, ...change });
    return STAGES.filter((stage) => before[stage] !== after[stage]);
  };
  const entry = { value: 0.002, sheetId: input.sheets[0]!.id };
  const record = (figures: object) => ({ record: { lives: [], figures } }) as unknown as Partial<PlanInput>;
  const overlay = { sheetId: input.sheets[0]!.id, thickness_m: 0.003, over: 'patch' as const };
  expect(moved(record({ soakDepth: [entry] }))).toEqual(STAGES);
  expect(moved({ treatments: input.treatments.map((treatment) => ({ ...treatment, overlay })) })).toEqual(STAGES.slice(1));
  expect(moved({ house: { edge: 'keyed' } })).toEqual(STAGES.slice(1));
  expect(moved({ stock: [] })).toEqual(STAGES.slice(2));
  expect(moved({ batch: { ...input.batch, share: 0.5 } })).toEqual(STAGES.slice(3));
  expect(moved({ wanted_s: 1800 })).toEqual(['day']);
  expect(moved(record({}))).toEqual(['day']);
});

test('hashes: a reading moves only the day, a deeper spall moves every stage', () => {
  const before = hashesOf(input);
  const warmer = hashesOf({ ...input, conditions: { ...input.conditions, air_C: typed(27) } });
  expect({ ...warmer, day: before.day }).toEqual(before);
  expect(warmer.day).not.toBe(before.day);
  const deeper = hashesOf(withFinding({ deepest: typed(0.04) }));
  expect(Object.entries(deeper).every(([stage, hash]) => hash !== before[stage as keyof typeof before])).toBe(true);
});

test('the order is never dearer than a single pack size, and surer orders run short less often', () => {
  const { options } = chosenOf(input).quantities;
  expect(options.map(({ chanceShort }) => chanceShort)).toEqual([...options.map(({ chanceShort }) => chanceShort)].sort((a, b) => b - a));
  for (const { need_kg, cost_minor } of options)
    for (const pack of sheetOf('sandedRapid').packs) expect(cost_minor).toBeLessThanOrEqual(Math.ceil(need_kg / pack.mass_kg) * pack.price_minor);
});

test('strata thin out towards the heat for every class of sheet and every quantity that can be set', () => {
  for (const sheet of SHEET_CLASSES.map(sheetOf).filter(({ water }) => water)) {
    const question = {
      ...questionFor({
        input: prepared(input),
        element: input.elements[0]!,
        finding: input.findings[0]!,
        takeOff: computePlan(input).findings[0]!.takeOff,
        sheet,
        share: 0.5,
      }),
      thickness_m: sheet.thickness.liftMost_m,
    };
    for (const quantity of STRATA_QUANTITIES) {
      const domain = strataDomain(sheet, quantity);
      if (!domain) continue;
      const columns = strataOf({ question, quantity, domain, samples: 5 });
      for (const { flows_s, finishes_s, sets_s } of columns) expect(flows_s > 0 && flows_s <= finishes_s && finishes_s <= sets_s).toBe(true);
      if (quantity === 'slab_C') expect(columns.at(-1)!.finishes_s).toBeLessThan(columns[0]!.finishes_s);
    }
  }
});

test('every caution of the table is triggered by some job and silent on an empty one, except what always holds', () => {
  const resin: PlanInput = {
    ...input,
    sheets: [{ ...sheetOf('sandedRapid'), hazards: ['wetCement', 'silica', 'sensitiser'] }],
    batch: { ...input.batch, retarderDose: 1 },
  };
  const stopped = withElement({ stops: { rust: 'yes' } });
  // What is brushed over it bites as well as what is mixed.
  const silane = aids.find(({ class: of }) => of === 'silane')!;
  const coated: PlanInput = { ...input, aids, treatments: [{ ...input.treatments[0]!, aids: { coat: silane.id } }] };
  const top = { ...element, id: 'f', kind: 'counter', elementId: element.id, label: 'T', cutouts_m2: [], edges: [], stock_m: 2.4, kerf_m: 0.003 } as const;
  const counter: PlanInput = { ...input, findings: [{ ...top, thickness: typed(0.04) }], treatments: [] };
  const found = { id: 'f', elementId: 'e', label: 'A' };
  const tank = jobWith({ ...found, kind: 'void', outline: finding.outline, deepest: typed(0.05), shape: 'pan' }, sheetOf('antiWashout'));
  const rebuilt = {
    ...found,
    kind: 'step',
    width: typed(1.2),
    going: typed(0.28),
    rise: typed(0.17),
    steps: 1,
    stays_m3: 0,
    pitch: 0.015,
    propAngle_rad: 0.8,
  } as const;
  const formed = jobWith(rebuilt, sheetOf('rapidConcrete'));
  const empty: PlanInput = { ...input, elements: [], findings: [], treatments: [] };
  const seen = new Set(
    [input, resin, stopped, coated, counter, tank, formed].flatMap((jobFile) =>
      CAUTIONS.map(({ screen }) => screen)
        .flatMap((screen) => cautionsOn(screen, { input: jobFile, plan: computePlan(jobFile) }))
        .map(({ code }) => code),
    ),
  );
  expect([...seen].sort()).toEqual(CAUTIONS.map(({ code }) => code).sort());
  const always = CAUTIONS.filter(({ trigger }) => trigger({ input: empty, plan: computePlan(empty) })).map(({ code }) => code);
  expect(always).toEqual(['publicAccess', 'washWater', 'localCode']);
  expect(CAUTIONS.filter(({ acknowledge }) => acknowledge).map(({ code }) => code)).toEqual([
    'oldCoatings',
    'silicaDust',
    'diving',
    'confinedSpace',
    'wetCement',
    'resinSensitises',
  ]);
  // A person's tools add up: twice the hands, half of it each.
  const share = (hands: number): number => vibrationOf({ ...input, crew: { ...input.crew, hands } }, computePlan(input))!.action_share;
  expect(share(1) / share(2)).toBeCloseTo(2, 9);
  expect(share(1)).toBeGreaterThan(0);
});

test.each<[string, PlanInput, string]>([
  ['an element that is not there', withFinding({ elementId: 'x' }), 'unknownElement'],
  ['a sheet that is not there', { ...input, treatments: [{ findingId: 'f', sheetId: 'x' }] }, 'unknownSheet'],
  [
    'a self-crossing outline',
    withFinding({
      outline: [
        [0, 0],
        [1, 1],
        [1, 0],
        [0, 1],
      ],
    }),
    'outlineCrosses',
  ],
  [
    'a vanishing outline',
    withFinding({
      outline: [
        [0, 0],
        [1, 0],
        [2, 0],
      ],
    }),
    'outlineVanishes',
  ],
  ['boiling water', { ...input, conditions: { ...input.conditions, water_C: typed(95) } }, 'outOfRange'],
])('refuses %s with a typed problem', (_name, jobFile, code) => {
  expect(() => computePlan(jobFile)).toThrow(expect.objectContaining({ code }) as Problem);
});

test('the shelf judged for one finding is what a whole plan holds for it, and a plan without the shelf is the same plan', () => {
  const two: PlanInput = { ...input, findings: [finding, { ...finding, id: 'g', label: 'B', phase: 'season' }] };
  const whole = computePlan(two);
  for (const { findingId, ranking } of whole.findings) expect(rankingOf(two, findingId)).toEqual(ranking);
  expect(whole.findings[1]!.ranking.length).toBe(input.sheets.length);
  const bare = computePlan(two, { ranked: 'chosen' });
  expect(bare.findings.map(({ ranking }) => ranking.map(({ sheetId }) => sheetId))).toEqual([[input.treatments[0]!.sheetId], []]);
  const without = ({ findings, ...rest }: Plan) => ({
    ...rest,
    findings: findings.map(({ ranking: _shelf, chosen, ...finding }) => ({ ...finding, chosen: chosen && { ...chosen, levers: [], combinations: [] } })),
  });
  expect(without(bare)).toEqual(without(whole));
  expect(bare.findings.map(({ chosen }) => chosen?.levers)).toEqual([[], undefined]);
  const best = computePlan(two, { ranked: 'best' });
  expect(without(best)).toEqual(without(whole));
  best.findings.forEach(({ ranking }, i) => {
    expect(ranking[0]).toEqual(whole.findings[i]!.ranking[0]);
    for (const ranked of ranking) expect(whole.findings[i]!.ranking).toContainEqual(ranked);
    expect(ranking.length).toBeLessThan(input.sheets.length / 2);
  });
  expect(rankingOf(two, 'nobody')).toEqual([]);
  expect(rankingOf({ ...two, elements: [{ ...element, stops: { ...element.stops, rust: 'yes' } }] }, 'f')).toEqual([]);
});
