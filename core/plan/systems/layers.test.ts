import fc from 'fast-check';
import { aids } from '../../shelf/catalogue';
import type { Aid, Texture } from '../../shelf';
import type { FindingInput } from '../../survey';
import { crack, element, finding, input, sheetOf, typed } from '../../testing/job';
import {
  compareSystems,
  computePlan,
  judgedAid,
  kitOf,
  overlaysFor,
  rankingOf,
  stepsWith,
  type PlanInput,
  type SystemOutcome,
  type TreatmentInput,
  prepared,
} from '../index';

const broom = sheetOf('broomOverlay').id;
/** What a job costs as it is chosen. */
const asChosen = (jobFile: PlanInput): SystemOutcome => compareSystems({ input: jobFile, systems: [{ code: 'chosen', treatments: jobFile.treatments }] })[0]!;

const aidOf = (name: string): Aid => aids.find((aid) => aid.class === name)!;
const treated = (more: Partial<TreatmentInput>, given: Partial<PlanInput> = {}): PlanInput => ({
  ...input,
  ...given,
  aids,
  treatments: [{ findingId: 'f', sheetId: (given.sheets?.[0] ?? sheetOf('sandedRapid')).id, ...more }],
});
test('a fill that is overlaid need not look like its surroundings; its overlay must', () => {
  const looked = { elements: [{ ...element, texture: 'dash' as const, colour: 'buff' }] };
  const codesOf = (jobFile: PlanInput): string[][] => {
    const { ranking, chosen } = computePlan(jobFile, { ranked: 'chosen' }).findings[0]!;
    const judged = [...ranking, ...(chosen!.overlay ? [chosen!.overlay.judged] : [])];
    return judged.map(({ reasons }) => reasons.map(({ code }) => code).filter((code) => /^(texture|colour)/.test(code)));
  };
  const both = ['texture.cannot', 'colour.shows'];
  expect(codesOf(treated({}, looked))).toEqual([both]);
  expect(codesOf(treated({ overlay: { sheetId: broom, thickness_m: 0.003, over: 'patch' } }, looked))).toEqual([[], both]);
  const bare = treated({ overlay: { sheetId: broom, thickness_m: 0.003, over: 'patch' } }, looked);
  expect(rankingOf(bare, 'f').flatMap(({ reasons }) => reasons.filter(({ code }) => code.startsWith('colour')))).toEqual([]);
});

test('dew holds for what is resin, seals or coats: an agent waits, a coat is told to', () => {
  const codes = (name: Aid['class'], role: 'bond' | 'coat', humidity: number): string[] => {
    const aid = aids.find((each) => each.class === name)!;
    const asked = { input: prepared(input), element, finding, sheet: sheetOf('sandedRapid'), treatment: undefined, air_C: 20, slab_C: 17, humidity };
    return judgedAid(asked, role, aid).reasons.map(({ code }) => code);
  };
  expect([codes('epoxyBond', 'bond', 0.9), codes('epoxyBond', 'bond', 0.4)].map((all) => all.includes('dew.agent'))).toEqual([true, false]);
  for (const name of ['sealer', 'silane', 'coating'] as const)
    expect([codes(name, 'coat', 0.9), codes(name, 'coat', 0.4)].map((all) => all.includes('dew.coat'))).toEqual([true, false]);
});

test('what cures and coats a countertop or an overlay lies on the mix, whatever is under it', () => {
  const sealer = aids.find(({ class: of, substrates }) => of === 'sealer' && !substrates.includes('laminate'))!;
  const film = aids.find(({ class: of, film: leaves }) => of === 'curing' && leaves)!;
  const laminate = { elements: [{ ...element, kind: 'counter' as const, material: 'laminate' as const, opens: null }] };
  const judged = (kind: 'counter' | 'spall', role: 'coat' | 'bond', aid: Aid): string[] => {
    const top = { ...element, id: 'f', kind, elementId: 'e', label: 'A', cutouts_m2: [], edges: [], stock_m: 2.4, kerf_m: 0.003, thickness: typed(0.04) };
    const asked = { input: prepared({ ...input, ...laminate }), element: laminate.elements[0]!, sheet: sheetOf('counterMix'), treatment: undefined };
    return judgedAid({ ...asked, finding: (kind === 'counter' ? top : finding) as FindingInput, air_C: 20, slab_C: 20, humidity: 0.5 }, role, aid).reasons.map(
      ({ code }) => code,
    );
  };
  expect(judged('counter', 'coat', sealer)).toContain('substrate.allowed');
  expect(judged('counter', 'bond', sealer)).toContain('substrate.notAllowed');
  // What bonds touches the base as it is; what coats comes when the mix has dried.
  const epoxy = aids.find(({ class: kind, moisture }) => kind === 'epoxyBond' && moisture === 'dry')!;
  expect(judged('counter', 'bond', epoxy)).toContain('moisture.mustBeDry');
  expect(judged('counter', 'coat', sealer)).not.toContain('moisture.mustBeDry');
  expect(judged('spall', 'coat', sealer)).toContain('substrate.notAllowed');
  // A cure under an overlay is none: it goes on the overlay, and its film may stay while nothing coats it.
  const over = { sheetId: broom, thickness_m: 0.003, over: 'patch' as const };
  const asked = { input: prepared(input), element, finding, sheet: sheetOf('sandedRapid'), air_C: 20, slab_C: 20, humidity: 0.5 };
  const codesWith = (coat: object): string[] =>
    judgedAid({ ...asked, treatment: { findingId: 'f', sheetId: 's', overlay: over, aids: { cure: film.id, ...coat } } }, 'cure', film).reasons.map(
      ({ code }) => code,
    );
  expect([codesWith({}).includes('aid.filmUnderLayer'), codesWith({ coat: sealer.id }).includes('aid.filmUnderLayer')]).toEqual([false, true]);
});

test('only a patch is filled high and ground flush; what is laid or pressed in under water is bought as it lies', () => {
  const at = { ...element, opens: null, exposures: [], moisture: 'damp' as const };
  const KINDS: readonly FindingInput[] = [
    finding,
    { id: 'f', elementId: 'e', label: 'A', kind: 'skim', outline: finding.outline, thickness: typed(0.003), profile: 3 },
    { id: 'f', elementId: 'e', label: 'A', kind: 'void', outline: finding.outline, deepest: typed(0.06), shape: 'dish' },
    { id: 'f', elementId: 'e', label: 'A', kind: 'wedge', run: typed(0.6), rise: typed(0.03), width: typed(1) },
  ];
  const planned = (finding: FindingInput, level: 'high' | 'flush') =>
    computePlan({ ...input, elements: [at], findings: [finding], house: { level }, treatments: [{ findingId: 'f', sheetId: sheetOf('fineRapid').id }] })
      .findings[0]!.chosen!;
  const more = KINDS.map((kind) => planned(kind, 'high').quantities.powder.p50 / planned(kind, 'flush').quantities.powder.p50);
  expect(more.map((share) => share > 1 + 1e-9)).toEqual([true, false, false, false]);
  const codes = planned(KINDS[2]!, 'high').steps.map(({ code }) => code);
  expect(codes.at(-1)).toBe('step.faceAbove');
  expect(codes.filter((code) => /anchors|rubFlush|coat|cure|texture/.test(code))).toEqual([]);
});

test('a face is finished as its surroundings are, where its sheet takes that', () => {
  const finishOf = (texture: Texture): unknown => {
    const { chosen } = computePlan(treated({}, { elements: [{ ...element, texture }] })).findings[0]!;
    return stepsWith(chosen!.steps, 'step.texture')[0]?.figures.texture;
  };
  const takes = sheetOf('sandedRapid').textures!;
  expect([finishOf(takes[1]!), finishOf('dash')]).toEqual([takes[1], takes[0]]);
});

test('an overlay over the fill is one system: its own quantity, steps after the fill has set, one order each, paid for', () => {
  const overlay = { sheetId: broom, thickness_m: 0.003, over: 'element' as const };
  const plan = computePlan(treated({ overlay }, { elements: [{ ...element, opens: null }] }));
  const { chosen } = plan.findings[0]!;
  expect(chosen!.overlay!.takeOff.area_m2).toBeCloseTo(24, 9);
  expect(chosen!.layers.map(({ code }) => code)).toEqual(['lift', 'overlay']);
  expect(plan.orders.map(({ sheetId }) => sheetId)).toEqual([sheetOf('sandedRapid').id, broom]);
  expect(chosen!.steps.at(-1)).toMatchObject({ code: 'step.overlayReady', condition: 'keyAgain' });
  expect(chosen!.steps.map(({ code }) => code)).not.toContain('step.cure');
  expect(chosen!.overlay!.chosen.steps.map(({ code }) => code)).toEqual(expect.arrayContaining(['step.spread', 'step.cure']));
  const alone = computePlan(treated({ overlay: { ...overlay, over: 'patch' } })).findings[0]!.chosen!.overlay!;
  expect(alone.takeOff.area_m2).toBeCloseTo(1.08, 9);
  const prepared = (steps: readonly { code: string }[]): boolean => steps.some(({ code }) => code.startsWith('step.prepare'));
  expect([prepared(alone.chosen.steps), prepared(chosen!.overlay!.chosen.steps)]).toEqual([false, true]);
  const opened = treated(
    { overlay },
    {
      elements: [
        {
          ...element,
          openings: [
            [
              [0, 0],
              [2, 0],
              [2, 3],
              [0, 3],
            ],
          ],
        },
      ],
    },
  );
  expect(computePlan(opened).findings[0]!.chosen!.overlay!.takeOff.area_m2).toBeCloseTo(18, 9);
  const [with_, without] = [treated({ overlay }), treated({})].map((jobFile) => asChosen(jobFile));
  expect(with_!.cost.total_minor).toBeGreaterThan(without!.cost.total_minor);
  expect(with_!.hand_s).toBeGreaterThan(without!.hand_s);
  expect(() => computePlan(treated({ overlay: { ...overlay, sheetId: 'x' } }))).toThrow('unknownSheet');
});

test('an element’s overlay waits for every fill of it, a patch’s for its own', () => {
  const deep = { ...finding, id: 'g', label: 'B', deepest: typed(0.09), outline: finding.outline.map(([x, y]) => [x + 2, y] as const) };
  const two = (over: 'patch' | 'element'): PlanInput => ({
    ...input,
    elements: [{ ...element, opens: null, thickness: typed(0.3) }],
    findings: [finding, deep],
    treatments: [
      { findingId: 'f', sheetId: sheetOf('sandedRapid').id, overlay: { sheetId: broom, thickness_m: 0.003, over } },
      // Two lifts with a night between them.
      { findingId: 'g', sheetId: 'slow' },
    ],
    sheets: [
      ...input.sheets,
      {
        ...sheetOf('sandedRapid'),
        id: 'slow',
        thickness: { ...sheetOf('sandedRapid').thickness, liftMost_m: 0.05 },
        intervals: { layer: { least_s: 72000, most_s: 172800 }, recoat: { least_s: 0, most_s: 1e6 } },
      },
    ],
  });
  const [patch, whole] = [asChosen(two('patch')), asChosen(two('element'))];
  // The patch is overlaid on the first day and only the second lift is placed later; the whole waits for that lift.
  expect(whole.days).toBeGreaterThanOrEqual(2);
  expect(whole.opens_s! - patch.opens_s!).toBeGreaterThan(3600);
});

test('an element is overlaid once, whoever asks; nothing thin goes over what is no patch', () => {
  const overlay = { sheetId: broom, thickness_m: 0.003, over: 'element' as const };
  const both = ['f', 'g'].map((findingId) => ({ findingId, sheetId: sheetOf('sandedRapid').id, overlay }));
  const plan = computePlan({ ...input, findings: [finding, { ...finding, id: 'g', label: 'B' }], treatments: both });
  expect(plan.findings.map(({ chosen }) => chosen!.overlay !== null)).toEqual([true, false]);
  const line = computePlan({ ...input, findings: [crack], treatments: [{ findingId: 'f', sheetId: sheetOf('crackResin').id, overlay }] });
  expect(line.findings[0]!.chosen!.overlay).toBeNull();
  expect(overlaysFor({ input: prepared(input), element, finding: crack, overlay })).toEqual([]);
  const [best] = overlaysFor({ input: prepared(input), element: { ...element, opens: null }, finding, overlay });
  expect(input.sheets.find(({ id }) => id === best!.sheetId)!.class).toBe('broomOverlay');
});

test('aids: so much of each, covered in their state, ordered in their packs, loaded with the rest', () => {
  const agent = { ...sheetOf('sandedRapid'), bond: 'agent' as const };
  const jobFile = treated(
    { aids: { bond: aidOf('epoxyBond').id, cure: aids.find(({ class: c, film }) => c === 'curing' && !film)!.id, coat: aidOf('silane').id } },
    { sheets: [agent] },
  );
  const plan = computePlan(jobFile);
  const { chosen } = plan.findings[0]!;
  expect(chosen!.aids.map(({ role, verdict }) => [role, verdict])).toEqual([
    ['bond', 'yes'],
    ['cure', 'yes'],
    ['coat', 'yes'],
  ]);
  const [bond] = chosen!.aids;
  expect(bond!.amount.p90).toBeCloseTo((1.08 / aidOf('epoxyBond').coverage_m2!.least_m2) * 1.07, 9);
  expect(bond!.amount.p10).toBeLessThan(bond!.amount.p50);
  expect(chosen!.steps.find(({ code }) => code === 'step.bond.agent')).toMatchObject({ sheetId: aidOf('epoxyBond').id, condition: 'coverTacky' });
  expect(chosen!.steps.find(({ code }) => code === 'step.coat')!.after!.least_s).toBeGreaterThanOrEqual(aidOf('silane').waits_s);
  expect(plan.aids).toHaveLength(3);
  for (const { packages, amount } of plan.aids)
    expect(packages.reduce((sum, { amount: each, count }) => sum + each * count, 0)).toBeGreaterThanOrEqual(amount.p50);
  expect(kitOf(jobFile, plan).filter(({ code }) => code === 'aid')).toHaveLength(3);
  // What is dosed covers no area: nothing of it is counted by the square metre.
  const colour = aidOf('colour');
  const dosed = computePlan(treated({ aids: { coat: colour.id } }));
  expect(dosed.findings[0]!.chosen!.aids).toMatchObject([{ aidId: colour.id, verdict: 'no', amount: { p10: 0, p50: 0, p90: 0 } }]);
  expect(dosed.aids).toEqual([]);
  const under = treated({ overlay: { sheetId: broom, thickness_m: 0.003, over: 'patch' } });
  expect(kitOf(under, computePlan(under)).map(({ code }) => code)).toContain('squeegee');
  expect(() => computePlan(treated({ aids: { coat: 'x' } }))).toThrow('unknownAid');
});

test.each<[string, Partial<TreatmentInput>, Partial<PlanInput>, string, string]>([
  ['a film under water', { aids: { coat: aidOf('sealer').id } }, { elements: [{ ...element, exposures: ['immersion'] }] }, 'coat', 'aid.filmUnderWater'],
  [
    'what has no film but is not for water',
    { aids: { coat: aidOf('silane').id } },
    { elements: [{ ...element, moisture: 'wet' }] },
    'coat',
    'aid.notUnderWater',
  ],
  ['a film under a coat', { aids: { cure: aidOf('curing').id, coat: aidOf('silane').id } }, {}, 'cure', 'aid.filmUnderLayer'],
  ['a latex where an agent is asked', { aids: { bond: aidOf('latex').id } }, { house: { bond: 'agent' } }, 'bond', 'aid.otherKind'],
  ['a coat in the cold', { aids: { coat: aidOf('sealer').id } }, { conditions: { ...input.conditions, slab_C: typed(-4) } }, 'coat', 'temperature.cold'],
  ['a coat in the heat', { aids: { coat: aidOf('sealer').id } }, { conditions: { ...input.conditions, slab_C: typed(68) } }, 'coat', 'temperature.hot'],
  [
    'a coat on what it does not know',
    { aids: { coat: aidOf('silane').id } },
    { elements: [{ ...element, material: 'timber' }] },
    'coat',
    'substrate.notAllowed',
  ],
])('%s is refused', (_, more, given, role, code) => {
  const plan = computePlan(treated(more, given));
  const aid = plan.findings[0]!.chosen!.aids.find((aid) => aid.role === role)!;
  expect(aid.verdict).toBe('no');
  expect(aid.reasons.filter(({ verdict }) => verdict === 'no').map((reason) => reason.code)).toContain(code);
  const { name } = aids.find(({ id }) => id === aid.aidId)!;
  expect(plan.warnings.filter(({ code: warned }) => warned === 'choice.refused').map(({ figures }) => 'name' in figures && figures.name)).toContain(name);
  const jobFile = treated(more, given);
  expect(asChosen(jobFile)).toMatchObject({ verdict: 'no' });
});

test('an agent that holds under water may; a coat that the sun fades is only a caution', () => {
  const wet = treated(
    { aids: { bond: aidOf('epoxyBond').id } },
    { elements: [{ ...element, exposures: ['immersion'], material: 'concrete' }], house: { bond: 'agent' } },
  );
  expect(computePlan(wet).findings[0]!.chosen!.aids[0]!.reasons.map(({ code }) => code)).toEqual(
    expect.arrayContaining(['aid.holdsUnderWater', 'substrate.allowed']),
  );
  const coat: Aid = { ...aidOf('sealer'), exposures: [], orientations: ['horizontal'] };
  const sunny = { ...treated({ aids: { coat: coat.id } }, { elements: [{ ...element, exposures: ['sunlight'] }] }), aids: [coat] };
  expect(computePlan(sunny).findings[0]!.chosen!.aids[0]!).toMatchObject({ verdict: 'caution' });
  const upright = { ...sunny, elements: [{ ...element, kind: 'wall' as const }] };
  expect(computePlan(upright).findings[0]!.chosen!.aids[0]!.reasons.map(({ code }) => code)).toContain('orientation.wrong');
});

test('the amount of an aid follows the area, is less on a tight base than on a rough one, and what is ordered is the firm’s quantile of it', () => {
  const coat = aidOf('silane');
  const of = (area: number, quantile: number) => {
    const jobFile = treated({ aids: { coat: coat.id } }, { findings: [{ ...finding, outline: finding.outline.map(([x, y]) => [x * area, y] as const) }] });
    return computePlan({ ...jobFile, firm: { ...jobFile.firm, orderQuantile: quantile } });
  };
  fc.assert(
    fc.property(fc.double({ min: 0.2, max: 4, noNaN: true }), fc.double({ min: 0.5, max: 0.95, noNaN: true }), (area, quantile) => {
      const { aids: orders, findings } = of(area, quantile);
      const [aid] = findings[0]!.chosen!.aids;
      expect(aid!.area_m2).toBeCloseTo(1.08 * area, 6);
      expect(aid!.amount.p10).toBeLessThan(aid!.amount.p50);
      expect(aid!.amount.p50).toBeLessThan(aid!.amount.p90);
      // The median is the geometric mean of what the label's two surfaces take.
      expect(aid!.amount.p50 ** 2).toBeCloseTo(aid!.amount.p10 * aid!.amount.p90, 12);
      const bought = orders[0]!.packages.reduce((sum, { amount, count }) => sum + amount * count, 0);
      expect(bought).toBeGreaterThanOrEqual(aid!.amount.p50 * (1 - 1e-9));
      expect(orders[0]!.cost_minor).toBeGreaterThan(0);
    }),
    { seed: 11, numRuns: 25 },
  );
});

test('two findings with one coat buy it together', () => {
  const coat = aidOf('silane');
  const two = treated({ aids: { coat: coat.id } });
  const both: PlanInput = {
    ...two,
    findings: [finding, { ...finding, id: 'g', label: 'B' }],
    treatments: ['f', 'g'].map((findingId) => ({ ...two.treatments[0]!, findingId })),
  };
  const [alone, pair] = [computePlan(two), computePlan(both)];
  expect(pair.aids).toHaveLength(1);
  expect(pair.aids[0]!.amount.p50).toBeCloseTo(2 * alone.aids[0]!.amount.p50, 9);
  expect(pair.aids[0]!.cost_minor).toBeLessThanOrEqual(2 * alone.aids[0]!.cost_minor);
});
