import { aids, catalogue } from '../../shelf/catalogue';
import type { FindingInput } from '../../survey';
import { rectangle } from '../../takeoff';
import { element, input, sheetOf, typed } from '../../testing/job';
import { computePlan, type Batch, type PlanInput, type TicketLine, type TreatmentInput } from '../index';

// One worked ticket for each kind of job A to K. What stands beside a row is worked out by hand from the sheet's own
// figures: a powder's yield is (1/powder density + w/p / 1000) / (1 - air), the need is volume over yield, no waste.
const MILD = { air_C: typed(20), slab_C: typed(19), powder_C: typed(20), water_C: typed(15), humidity: typed(0.6), wind_ms: typed(1), sun: false };
const named = (name: RegExp) => catalogue.find((sheet) => name.test(sheet.name))!;
const job = (findings: readonly FindingInput[], treatments: readonly TreatmentInput[], more: Partial<PlanInput> = {}, change: object = {}): PlanInput => ({
  ...input,
  firm: { ...input.firm, medianWaste: 0 },
  elements: [{ ...element, exposures: [], opens: null, thickness: typed(0.3), moisture: 'damp', ...change }],
  conditions: MILD,
  findings,
  treatments,
  ...more,
});
const found = { id: 'f', elementId: 'e', label: 'A' };
const patch = (id: string, length_m: number, width_m: number, depth_m: number, change: object = {}): FindingInput =>
  ({
    ...found,
    id,
    kind: 'spall',
    outline: rectangle({ length_m, width_m }),
    deepest: typed(depth_m),
    shape: 'pan',
    edge: 'cut',
    cutDepth_m: depth_m,
    ...change,
  }) as FindingInput;
const yieldOf = (rho: number, ratio: number, air = 0.05): number => (1 / rho + ratio / 1000) / (1 - air);
const line = <C extends TicketLine['code']>(batch: Batch, code: C): Extract<TicketLine, { code: C }> =>
  batch.lines.find((each): each is Extract<TicketLine, { code: C }> => each.code === code)!;
const codes = ({ lines }: Batch): string[] => lines.map(({ code }) => code);
const sumOf = (batches: readonly Batch[]): number => batches.reduce((sum, { amount }) => sum + amount, 0);
const uses = (findingId: string, sheet: { id: string }, more: Partial<TreatmentInput> = {}): TreatmentInput => ({ findingId, sheetId: sheet.id, ...more });

const KINDS: readonly (readonly [kind: string, check: () => void])[] = [
  [
    'A, a thin overlay: 2 m2 of 3 mm over a profile of 3 (0.4 mm more), brushed at w/p 0.24',
    () => {
      const overlay = named(/^Broom overlay, rapid/);
      const { batches } = computePlan(
        job([{ ...found, kind: 'skim', outline: rectangle({ length_m: 2, width_m: 1 }), thickness: typed(0.003), profile: 3 }], [uses('f', overlay)]),
      );
      const ratio = overlay.water!.byTask[batches[0]!.task!]!;
      expect(sumOf(batches)).toBeCloseTo((2 * (0.003 + 0.0004)) / yieldOf(2700, ratio), 6);
      expect(codes(batches[0]!)).toEqual(['water', 'powder', 'mix']);
      expect(line(batches[0]!, 'water').volume_m3 * 1000).toBeCloseTo(batches[0]!.amount * ratio, 9);
    },
  ],
  [
    'B, a fill under an overlay: the fill in its pails, the overlay after the recoat wait of all of them',
    () => {
      const [mortar, overlay] = [sheetOf('sandedRapid'), named(/^Broom overlay, rapid/)];
      const { batches } = computePlan(
        job(
          [patch('f', 0.5, 0.4, 0.03), patch('g', 0.3, 0.3, 0.03)],
          [uses('f', mortar, { overlay: { sheetId: overlay.id, thickness_m: 0.003, over: 'element' } }), uses('g', mortar)],
          {},
          { outline: rectangle({ length_m: 2, width_m: 1.5 }) },
        ),
      );
      const [fills, overs] = [batches.filter(({ productId }) => productId === mortar.id), batches.filter(({ productId }) => productId === overlay.id)];
      expect([fills.length, overs.length]).toEqual([batches.length - overs.length, overs.length]);
      expect(batches.slice(-overs.length)).toEqual(overs);
      expect(new Set(fills.flatMap(({ serves }) => serves.map(({ findingId }) => findingId)))).toEqual(new Set(['f', 'g']));
      // The whole element's 3 m2 and a profile of 3 is 0.4 mm.
      expect(sumOf(overs)).toBeCloseTo((3 * 0.0034) / yieldOf(2700, overlay.water!.byTask[overs[0]!.task!]!), 6);
      const rubbed = mortar.milestones.grind ?? mortar.milestones.final!;
      for (const { waits } of overs) expect(waits).toMatchObject([{ reason: 'recoat' }]);
      expect(overs[0]!.waits[0]!.least_s).toBeGreaterThan(Math.min(rubbed, mortar.intervals?.recoat.least_s ?? rubbed) * 0.8);
    },
  ],
  [
    'C, a partial-depth replacement: 60 mm of rapid concrete, screeded, slurry brushed section by section before it',
    () => {
      const concrete = sheetOf('rapidConcrete');
      const { batches } = computePlan(
        job([{ ...found, kind: 'skim', outline: rectangle({ length_m: 0.6, width_m: 0.5 }), thickness: typed(0.06), profile: 6 }], [uses('f', concrete)]),
      );
      const [slurries, fills] = [batches.filter(({ make }) => make === 'slurry'), batches.filter(({ make }) => make === 'pail')];
      const ratio = concrete.water!.byTask[fills[0]!.task!]!;
      // A profile of 6 is 1.3 mm more.
      expect(sumOf(fills)).toBeCloseTo((0.3 * (0.06 + 0.0013)) / yieldOf(2700, ratio, 0.03), 6);
      // A millimetre of slurry: equal volumes of water and latex, the liquid two fifths of the cement by mass.
      const liquid = slurries.reduce((sum, { slurry }) => sum + slurry!.liquid_m3, 0);
      const water_kg = (liquid / 2) * 1000;
      const latex_kg = (liquid / 2) * 1020;
      expect(slurries.reduce((sum, batch) => sum + line(batch, 'cement').mass_kg, 0)).toBeCloseTo((water_kg + latex_kg) / 0.4, 9);
      expect(liquid + (water_kg + latex_kg) / 0.4 / 3150).toBeCloseTo(0.3 * 0.001, 9);
      expect(codes(slurries[0]!)).toEqual(['water', 'latex', 'cement', 'brushOn']);
      // Never more of it than the next mortar covers: each section lies just ahead of its own.
      expect(batches.map(({ make }) => make)).toEqual(fills.flatMap(() => ['slurry', 'pail']));
      fills.forEach((fill, i) => {
        expect(fill.waits).toMatchObject([{ on: slurries[i]!.number, reason: 'slurryWet' }]);
        expect(slurries[i]!.area_m2! / 0.3).toBeCloseTo(fill.amount / sumOf(fills), 9);
      });
    },
  ],
  [
    'D, a crack: parts one to one by volume up to their marks, shot after shot, and nothing said of powder',
    () => {
      const resin = named(/^Bottle resin, one minute/);
      const crack: FindingInput = {
        ...found,
        kind: 'crack',
        line: [
          [0, 0],
          [4, 0],
        ],
        profile: 'slot',
        widths: [[0, 0.003]],
        depth: typed(0.009),
        cap_m: 0.006,
        runaway: 0,
      };
      const { batches } = computePlan(job([crack], [uses('f', resin)], {}, { moisture: 'dry' }));
      expect(batches).toHaveLength(1);
      const [{ shots, lines }] = batches as [Batch];
      const parts = lines.flatMap((each) => (each.code === 'part' ? [each] : []));
      expect(parts.map(({ volume_m3 }) => volume_m3 / shots!.shot_m3)).toEqual([expect.closeTo(0.5, 9), expect.closeTo(0.5, 9)]);
      expect(parts[1]!.level_m3).toBeCloseTo(shots!.shot_m3, 12);
      expect(parts.reduce((sum, { mass_kg }) => sum + mass_kg, 0) * shots!.count).toBeCloseTo(batches[0]!.amount, 9);
      expect(codes(batches[0]!).filter((code) => ['water', 'powder'].includes(code))).toEqual([]);
    },
  ],
  [
    'E, a flight of three rebuilt: a step a batch from the bottom up, each after the form below is struck; a third of the powder each',
    () => {
      const mortar = named(/^Structural rapid mortar, polymer/);
      const flight: FindingInput = {
        ...found,
        kind: 'step',
        width: typed(1.1),
        going: typed(0.28),
        rise: typed(0.17),
        steps: 3,
        stays_m3: 0,
        pitch: 0.015,
        propAngle_rad: 0.8,
      };
      const { batches } = computePlan(job([flight], [uses('f', mortar)], {}, { kind: 'step' }));
      const steps = batches.map(({ serves }) => serves.map(({ step }) => step));
      for (const served of steps) expect(served).toHaveLength(1);
      expect([...new Set(steps.flat())]).toEqual([1, 2, 3]);
      const of = (step: number): Batch[] => batches.filter(({ serves }) => serves[0]!.step === step);
      for (const step of [1, 2, 3]) expect(sumOf(of(step))).toBeCloseTo(sumOf(batches) / 3, 9);
      expect(of(2)[0]!.waits).toMatchObject([{ on: of(1).at(-1)!.number, reason: 'strip' }]);
      // Stone goes in at half the powder's weight.
      expect(line(batches[0]!, 'stone').mass_kg).toBeCloseTo(batches[0]!.amount * 0.5, 9);
    },
  ],
  [
    'F, a wall built up in two lifts: hung at w/p 0.178, the second lift when the first is stiff',
    () => {
      const render = named(/^Render repair mortar, polymer/);
      const { batches } = computePlan(job([patch('f', 0.5, 0.4, 0.03, { edge: 'feathered' })], [uses('f', render)], {}, { kind: 'wall' }));
      const lifts = batches.flatMap(({ serves }) => serves.map(({ lift, lifts }) => `${lift}/${lifts}`));
      expect(new Set(lifts)).toEqual(new Set(['1/2', '2/2']));
      expect(batches.every(({ task }) => task === 'hang')).toBe(true);
      expect(line(batches[0]!, 'water').volume_m3 * 1000).toBeCloseTo(batches[0]!.amount * 0.178, 9);
      expect(batches.find(({ serves }) => serves[0]!.lift === 2)!.waits).toMatchObject([{ reason: 'stiff', least_s: expect.any(Number) }]);
    },
  ],
  [
    'G, a countertop: identical water in every whole batch, poured at w/p 0.17, powder in its goes',
    () => {
      const mix = named(/^Countertop mix, white/);
      const top: FindingInput = {
        ...found,
        kind: 'counter',
        outline: rectangle({ length_m: 2, width_m: 0.6 }),
        cutouts_m2: [],
        thickness: typed(0.04),
        cast: true,
        edges: [],
        stock_m: 2.44,
        kerf_m: 0.003,
      };
      const { batches } = computePlan(job([top], [uses('f', mix)], {}, { kind: 'countertop' }));
      expect(sumOf(batches)).toBeCloseTo((1.2 * 0.04) / yieldOf(2700, 0.17), 6);
      const waters = batches.slice(0, -1).map((batch) => line(batch, 'water').volume_m3);
      expect(new Set(waters).size).toBe(1);
      expect(waters[0]! * 1000).toBeCloseTo(batches[0]!.amount * 0.17, 9);
      expect(line(batches[0]!, 'powder').portions).toBe(mix.mixing.portions);
    },
  ],
  [
    'H, a void under water: stiff to a ball, left to gel, pressed in by hand, a third of a litre a portion',
    () => {
      const mortar = sheetOf('antiWashout');
      const hole: FindingInput = { ...found, kind: 'void', outline: rectangle({ length_m: 0.4, width_m: 0.3 }), deepest: typed(0.04), shape: 'pan' };
      const { batches } = computePlan(job([hole], [uses('f', mortar)], {}, { kind: 'tank', moisture: 'wet' }));
      expect(batches.every(({ make }) => make === 'hand')).toBe(true);
      // A pan holds four fifths of its box, a tenth washes out, a profile of 5 is 0.9 mm more.
      expect(sumOf(batches)).toBeCloseTo((0.12 * (0.04 * 0.8 * 1.1 + 0.0009)) / yieldOf(2800, 0.145), 6);
      expect(codes(batches[0]!)).toEqual(['water', 'powder', 'mix', 'gel', 'portions']);
      expect(line(batches[0]!, 'portions').count).toBe(Math.ceil((batches[0]!.amount * yieldOf(2800, 0.145)) / 0.35e-3));
    },
  ],
  [
    'I, another agent: brushed from its tin, covered while it is open',
    () => {
      const [mortar, agent] = [sheetOf('edgeMortar'), aids.find(({ name }) => /wet on wet/.test(name))!];
      const edge: FindingInput = { ...found, kind: 'edge', section: 'rectangle', length: typed(1), across: typed(0.04), down: typed(0.04) };
      const { batches } = computePlan(job([edge], [uses('f', mortar, { aids: { bond: agent.id } })], { aids }));
      expect(batches.map(({ make }) => make)).toEqual(['ready', 'pail']);
      expect(batches[1]!.waits).toMatchObject([{ on: '1', reason: 'bondOpen' }]);
    },
  ],
  [
    'J, fibres: 0.9 kg to the cubic metre, last into the wet mix',
    () => {
      const mortar = sheetOf('sandedRapid');
      const { batches } = computePlan(
        job([patch('f', 0.5, 0.4, 0.03)], [uses('f', mortar)], { batch: { ...input.batch, fibre: { kind: 'polypropylene', dose_kg_m3: 0.9, bag_kg: 0.45 } } }),
      );
      const [batch] = batches as [Batch];
      expect(line(batch, 'fibre').mass_kg).toBeCloseTo(0.9 * batch.amount * yieldOf(2750, mortar.water!.byTask[batch.task!]!), 6);
      expect(codes(batch).slice(-2)).toEqual(['fibre', 'mix']);
    },
  ],
  [
    'K, a wedge: half its box, in the pail',
    () => {
      const mortar = sheetOf('fineRapid');
      const wedge: FindingInput = { ...found, kind: 'wedge', run: typed(0.6), rise: typed(0.02), width: typed(1.5) };
      const { batches, findings } = computePlan(job([wedge], [uses('f', mortar)]));
      const { quantities } = findings[0]!.chosen!;
      expect(sumOf(batches)).toBeCloseTo(quantities.powder.p50, 9);
      expect(sumOf(batches) * yieldOf(2750, mortar.water!.byTask[batches[0]!.task!]!)).toBeGreaterThan((0.6 * 0.02 * 1.5) / 2);
      expect(codes(batches[0]!)).toEqual(['water', 'powder', 'mix']);
    },
  ],
];

test.each(KINDS)('%s', (_kind, check) => check());

test('a fill, an overlay and a crack in one job: nothing is left out, nothing twice, everything in its turn', () => {
  const [mortar, overlay, resin] = [sheetOf('sandedRapid'), named(/^Broom overlay, rapid/), named(/^Bottle resin, one minute/)];
  const crack: FindingInput = {
    ...found,
    id: 'c',
    elementId: 'd',
    kind: 'crack',
    line: [
      [0, 1],
      [1.5, 1],
    ],
    profile: 'slot',
    widths: [[0, 0.003]],
    depth: typed(0.009),
    cap_m: 0.006,
    runaway: 0,
  };
  const floor = { ...element, exposures: [], opens: null, moisture: 'damp' as const };
  const given = job(
    [patch('f', 0.5, 0.4, 0.03), crack],
    [uses('f', mortar, { overlay: { sheetId: overlay.id, thickness_m: 0.003, over: 'patch' } }), uses('c', resin)],
    { elements: [floor, { ...floor, id: 'd', moisture: 'dry' }] },
  );
  const { batches, orders } = computePlan(given);
  expect(new Set(batches.map(({ productId }) => productId))).toEqual(new Set([mortar.id, overlay.id, resin.id]));
  for (const { sheetId, powder } of orders) expect(sumOf(batches.filter(({ productId }) => productId === sheetId))).toBeCloseTo(powder.p50, 9);
  expect(batches.map(({ number }) => number)).toEqual(batches.map((_, i) => String(i + 1)));
});

test.each(['risersFirst', 'treadsFirst'] as const)(
  'of a step the house does %s, the other face once that has set; the lower step before the upper',
  (stepOrder) => {
    const mortar = named(/^Structural rapid mortar, polymer/);
    const face = (id: string, step: number, on: 'riser' | 'tread'): FindingInput => ({
      ...found,
      id,
      kind: 'skim',
      outline: rectangle({ length_m: 1.1, width_m: 0.2 }),
      thickness: typed(0.006),
      profile: 4,
      onStep: { step, face: on },
    });
    const faces = [face('t2', 2, 'tread'), face('r2', 2, 'riser'), face('t1', 1, 'tread'), face('r1', 1, 'riser')];
    const { batches } = computePlan(
      job(
        faces,
        faces.map(({ id }) => uses(id, mortar)),
        { house: { stepOrder } },
        { kind: 'step' },
      ),
    );
    const order = batches.flatMap(({ serves }) => serves.map(({ findingId }) => findingId));
    const at = (id: string): number => order.indexOf(id);
    const [first, second] = stepOrder === 'risersFirst' ? ['r', 't'] : ['t', 'r'];
    for (const step of [1, 2]) expect(at(`${first}${step}`)).toBeLessThan(at(`${second}${step}`));
    expect(at(`${first}1`)).toBeLessThan(at(`${first}2`));
    // A riser is a batch of its own.
    for (const { serves } of batches) if (serves.some(({ findingId }) => findingId.startsWith('r'))) expect(serves).toHaveLength(1);
    for (const { serves, waits } of batches.filter(({ serves: [served] }) => served!.findingId.startsWith(second!)))
      expect([serves.map(({ step }) => step), waits.some(({ reason, least_s }) => reason === 'riserTread' && least_s > 0)]).toEqual([
        [expect.any(Number)],
        true,
      ]);
  },
);

test('a whole element is overlaid once all of its fills have waited; a cure and a coat come last, each after what it lies on', () => {
  const [mortar, overlay] = [sheetOf('sandedRapid'), named(/^Broom overlay, rapid/)];
  const cure = aids.find(({ class: of }) => of === 'curing')!;
  const coat = aids.find(({ class: of }) => of === 'silane')!;
  const { batches } = computePlan(
    job(
      [patch('f', 0.5, 0.4, 0.03), patch('g', 0.3, 0.3, 0.03)],
      [
        uses('f', mortar, { overlay: { sheetId: overlay.id, thickness_m: 0.003, over: 'element' }, aids: { cure: cure.id, coat: coat.id } }),
        uses('g', mortar, { aids: { cure: cure.id } }),
      ],
      { aids },
      { outline: rectangle({ length_m: 2, width_m: 1.5 }) },
    ),
  );
  const roles = batches.map(({ serves: [served] }) => served!.role);
  expect(roles.lastIndexOf('fill')).toBeLessThan(roles.indexOf('overlay'));
  for (const batch of batches.filter(({ make }) => make === 'ready')) {
    expect(batch.lines).toMatchObject([{ code: 'brushOn', area_m2: expect.any(Number) }]);
    expect(batch.waits.length).toBeGreaterThan(0);
    expect(batch.window).toBeNull();
  }
});

test('where no portion can be placed in time the layer is on the list all the same, and says that it does not fit', () => {
  const slow = { ...sheetOf('fineRapid'), id: 'slow', flow: { least_s: 30, most_s: 30 }, finish: { least_s: 45, most_s: 45 } };
  const { batches, findings } = computePlan(job([patch('f', 0.6, 0.5, 0.02)], [uses('f', slow)], { sheets: [slow] }));
  expect(findings[0]!.chosen!.batches.share).toBeNull();
  if (findings[0]!.chosen!.refused.length === 0) expect(batches.map(({ fits }) => fits)).toEqual([false]);
  else expect(batches).toEqual([]);
});

test('a portion of a retarded, coloured and iced mix has them in the water, by its share of the bag', () => {
  const mortar = sheetOf('sandedRapid');
  const { batches } = computePlan(
    job([patch('f', 0.5, 0.4, 0.03)], [uses('f', mortar)], { batch: { share: 0.25, retarderDose: 1, colourPacks: 2, iceShare: 0.1 } }),
  );
  const [batch] = batches as [Batch];
  expect(batch.amount).toBeCloseTo(22.7 / 4, 9);
  expect(line(batch, 'retarder').packets).toBeCloseTo(0.25, 9);
  expect(line(batch, 'colour').packs).toBeCloseTo(0.5, 9);
  expect(line(batch, 'ice').mass_kg + line(batch, 'water').volume_m3 * 1000).toBeCloseTo(batch.amount * mortar.water!.byTask[batch.task!]!, 9);
});

test('a sealant comes ready: one batch, gunned; a joint and a crack of one resin are each their own', () => {
  const [sealant, resin] = [sheetOf('jointSealant'), named(/^Pit and crack resin/)];
  const joint: FindingInput = {
    ...found,
    id: 'j',
    kind: 'groove',
    line: [
      [0, 0],
      [3, 0],
    ],
    width: typed(0.012),
    depth: typed(0.025),
    blade_m: 0.003,
    moves: { between_m: 4, range_K: 30, movementClass: 0.25 },
  };
  const cracks = ['c', 'd'].map((id): FindingInput => ({
    ...found,
    id,
    kind: 'crack',
    line: [
      [0, 1],
      [1, 1],
    ],
    profile: 'slot',
    widths: [[0, 0.002]],
    depth: typed(0.01),
    cap_m: 0.006,
    runaway: 0,
  }));
  const { batches } = computePlan(job([joint, ...cracks], [uses('j', sealant), ...cracks.map(({ id }) => uses(id, resin))], {}, { moisture: 'dry' }));
  const of = (id: string): Batch[] => batches.filter(({ serves }) => serves.some(({ findingId }) => findingId === id));
  expect(of('j').map(({ make, lines }) => [make, lines.map(({ code }) => code)])).toEqual([['ready', ['ready']]]);
  for (const id of ['c', 'd']) expect(of(id).map(({ make, serves }) => [make, serves.length])).toEqual([['parts', 1]]);
});
