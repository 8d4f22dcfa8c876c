import { catalogue } from '../shelf/catalogue';
import type { SheetClass } from '../shelf';
import type { CrackInput, ElementInput, FindingInput, GrooveInput } from '../survey';
import { rectangle } from '../takeoff';
import { crack, element, finding, input, typed } from '../testing/job';
import { computePlan, type ChosenPlan, type Plan, type PlanInput } from './index';

const found = { id: 'f', elementId: 'e', label: 'A' };
const MILD = { air_C: typed(20), slab_C: typed(19), powder_C: typed(20), water_C: typed(15), humidity: typed(0.6), wind_ms: typed(1), sun: false };
const classOf = (sheetId: string): SheetClass => catalogue.find(({ id }) => id === sheetId)!.class;
const nameOf = (sheetId: string): string => catalogue.find(({ id }) => id === sheetId)!.name;

interface Tried {
  readonly element?: Partial<ElementInput>;
  readonly finding: FindingInput;
  readonly others?: readonly FindingInput[];
  readonly more?: Partial<PlanInput>;
}

const jobOf = ({ element: change = {}, finding, others = [], more = {} }: Tried): PlanInput => ({
  ...input,
  conditions: MILD,
  elements: [{ ...element, exposures: [], opens: null, ...change }],
  findings: [finding, ...others],
  treatments: [],
  ...more,
});

/** The shelf against it, and its best product's plan. */
function tried(given: Tried, product?: RegExp) {
  const job = jobOf(given);
  const { ranking } = computePlan(job).findings[0]!;
  const picked = product ? ranking.find(({ sheetId }) => product.test(nameOf(sheetId)))! : ranking[0]!;
  const plan = computePlan({ ...job, treatments: [{ findingId: 'f', sheetId: picked.sheetId }] });
  const chosen = plan.findings[0]!.chosen!;
  return {
    ranking,
    best: ranking[0]!,
    plan,
    chosen,
    codes: chosen.steps.map(({ code }) => code),
    fits: ranking.filter(({ verdict }) => verdict !== 'no').map(({ sheetId }) => classOf(sheetId)),
  };
}
const mixed = (chosen: ChosenPlan): string[] => chosen.ticket.lines.map(({ code }) => code);
/** What is bought beside products and aids. */
const bought = ({ extras }: Plan): string[] => extras.map(({ code }) => code);
const inOrder = (codes: readonly string[], ...wanted: readonly string[]): boolean => {
  let at = -1;
  return wanted.every((code) => (at = codes.indexOf(code, at + 1)) >= 0);
};

/** What a good tradesperson would sign, a row a sentence: it runs the core and says what is wrong with it. */
const ROWS: readonly (readonly [sentence: string, check: () => void])[] = [
  [
    'a sound slab, thin and broomed, opened the same afternoon: a rapid broom overlay wins; with three people a small deck is one mix',
    () => {
      const deck: Tried = {
        element: { opens: { to: 'foot', after_s: 4 * 3600 }, texture: 'broom', exposures: ['frost'] },
        finding: { ...found, kind: 'skim', outline: rectangle({ length_m: 1.8, width_m: 1.2 }), thickness: typed(0.003), profile: 3 },
        more: { crew: { ...input.crew, hands: 3 } },
      };
      const { best, chosen } = tried(deck);
      expect([classOf(best.sheetId), best.verdict]).toEqual(['broomOverlay', 'yes']);
      expect(nameOf(best.sheetId)).not.toMatch(/slow/);
      expect(chosen.batches.count).toBe(1);
    },
  ],
  [
    'a step rebuilt in a form: structural mortar with stone, or rapid concrete; from the bottom up, weighted, stripped and set again above, faces ground',
    () => {
      const flight: Tried = {
        element: { kind: 'step', thickness: typed(0.3) },
        finding: { ...found, kind: 'step', width: typed(1.1), going: typed(0.28), rise: typed(0.17), steps: 3, stays_m3: 0, pitch: 0.015, propAngle_rad: 0.8 },
      };
      const { best, chosen, codes, ranking } = tried(flight);
      expect(['structuralRapid', 'rapidConcrete']).toContain(classOf(best.sheetId));
      expect(ranking.filter(({ verdict }) => verdict !== 'no').map(({ sheetId }) => classOf(sheetId))).toEqual(
        expect.arrayContaining(['structuralRapid', 'rapidConcrete']),
      );
      const flightCodes = codes.filter((code) => code.startsWith('step.form.'));
      expect(flightCodes).toEqual(['step.form.set', 'step.form.strip', 'step.form.set', 'step.form.strip', 'step.form.set', 'step.form.strip']);
      const set = chosen.steps.find(({ code }) => code === 'step.form.set')!;
      expect(set.figures).toMatchObject({ step: 1, steps: 3, holdDown_kg: expect.any(Number) });
      expect(chosen.steps.find(({ code }) => code === 'step.form.strip')!.after!.least_s).toBeGreaterThan(600);
      expect(inOrder(codes, 'step.form.strip', 'step.faceGround')).toBe(true);
      const structural = tried(flight, /^Structural rapid mortar, polymer/);
      expect(structural.chosen.extended).not.toBeNull();
      expect(mixed(structural.chosen)).toContain('stone');
      expect(bought(structural.plan)).toEqual(['stone', 'release']);
      expect(bought(tried(flight, /^Rapid concrete, 10/).plan)).toEqual(['cement', 'latex', 'release']);
    },
  ],
  [
    'a riser skimmed alone: wet structural or fine mortar, a small batch by weight, never nothing fits',
    () => {
      const riser: Tried = {
        element: { kind: 'step', thickness: typed(0.17) },
        finding: {
          ...found,
          kind: 'skim',
          outline: rectangle({ length_m: 1.1, width_m: 0.17 }),
          thickness: typed(0.006),
          profile: 4,
          onStep: { step: 2, face: 'riser' },
        },
        more: { crew: { ...input.crew, hands: 1 } },
      };
      const { best, chosen, codes } = tried(riser);
      expect(['structuralRapid', 'fineRapid']).toContain(classOf(best.sheetId));
      expect(chosen.ticket.task).toBe('brush');
      expect(chosen.batches).toMatchObject({ count: 1 });
      expect(chosen.batches.share).toBeLessThan(0.25);
      expect(codes).toContain('step.at');
    },
  ],
  [
    'a wall built up: structural or render mortar that hangs, in lifts, each left to stiffen; in full sun retarder, shade or an early hour before it is refused',
    () => {
      for (const material of ['block', 'brick', 'concrete', 'render'] as const) {
        const wall: Tried = {
          element: { kind: 'wall', material, thickness: typed(0.2) },
          finding: { ...found, kind: 'skim', outline: rectangle({ length_m: 1.5, width_m: 1 }), thickness: typed(0.045), profile: 4 },
        };
        const { best, chosen, codes, fits } = tried(wall);
        expect([material, ['structuralRapid', 'renderRepair'].includes(classOf(best.sheetId))]).toEqual([material, true]);
        expect(fits).toContain('renderRepair');
        expect(chosen.ticket.task).toBe('hang');
        expect(chosen.lifts).toBeGreaterThan(1);
        expect(inOrder(codes, 'step.keyCoat', 'step.spread')).toBe(true);
        expect(chosen.steps.filter(({ condition }) => condition === 'stiff')).toHaveLength(chosen.lifts - 1);
        const sunny = tried({
          ...wall,
          more: { conditions: { ...MILD, air_C: typed(30), slab_C: typed(34), powder_C: typed(31), water_C: typed(24), sun: true } },
        });
        expect([material, sunny.fits.includes('renderRepair')]).toEqual([material, true]);
      }
    },
  ],
  [
    'shallow pits in a dry floor: neat resin worked over them, or fine mortar where it may be damp',
    () => {
      const pits = (moisture: 'dry' | 'damp'): Tried => ({
        element: { moisture },
        finding: { ...finding, edge: 'feathered', deepest: typed(0.004), outline: rectangle({ length_m: 1.2, width_m: 0.8 }) },
      });
      const dry = tried(pits('dry'));
      expect(['crackResin', 'filledResin']).toContain(classOf(dry.best.sheetId));
      expect(dry.codes).toEqual(expect.arrayContaining(['step.workOver', 'step.lookLow']));
      expect(dry.codes).not.toContain('step.breakOut');
      expect(mixed(dry.chosen)).toEqual(['part', 'part', 'mix']);
      expect(classOf(tried(pits('damp')).best.sheetId)).toBe('fineRapid');
    },
  ],
  [
    'a hollow rim, a small corner: a cupful',
    () => {
      const { chosen, plan } = tried({ finding: { ...finding, deepest: typed(0.02), outline: rectangle({ length_m: 0.12, width_m: 0.08 }) } });
      expect(chosen.batches.count).toBe(1);
      expect(chosen.window.batch.powder_kg).toBeLessThan(1.5);
      expect(plan.orders[0]!.powder.p50).toBeCloseTo(chosen.window.batch.powder_kg, 6);
    },
  ],
  [
    'a countertop cast in a mould has no base: no grinding, soaking or bond; form, release, vibration, cover, demould, turn, pinholes; laid over: abrade, bond, forms, mist',
    () => {
      const top = {
        ...found,
        kind: 'counter',
        outline: rectangle({ length_m: 2.4, width_m: 0.65 }),
        cutouts_m2: [],
        thickness: typed(0.038),
        edges: [],
        stock_m: 2.44,
        kerf_m: 0.003,
      } as const;
      const at = { kind: 'counter', material: 'laminate', exposures: ['heat'] } as const;
      const cast = tried({ element: at, finding: { ...top, cast: true } });
      expect([classOf(cast.best.sheetId), cast.best.verdict]).toEqual(['counterMix', 'yes']);
      expect(inOrder(cast.codes, 'step.mould', 'step.release', 'step.lift', 'step.vibrate', 'step.cover', 'step.demould', 'step.turn', 'step.pinholes')).toBe(
        true,
      );
      expect(cast.codes.filter((code) => /prepare|ready|soak|bond|notSoaked/.test(code))).toEqual([]);
      const laid = tried({ element: at, finding: top });
      expect(classOf(laid.best.sheetId)).toBe('counterMix');
      expect(inOrder(laid.codes, 'step.ready.glossy', 'step.formsAround', 'step.bond.agent', 'step.lift', 'step.mist')).toBe(true);
    },
  ],
  [
    'a wedge beside an open joint: rod in the joint first, nothing broken out of a sound slab',
    () => {
      const { best, codes } = tried({ finding: { ...found, kind: 'wedge', run: typed(0.6), rise: typed(0.02), width: typed(1.2) } });
      expect(best.verdict).not.toBe('no');
      expect(inOrder(codes, 'step.jointOpen', 'step.lift')).toBe(true);
      expect(codes).not.toContain('step.breakOut');
    },
  ],
  [
    'sealant comes ready: nothing is measured; gun, rod, tape, tooling, dry walls',
    () => {
      const joint: GrooveInput = {
        ...found,
        kind: 'groove',
        line: crack.line,
        width: typed(0.014),
        depth: typed(0.03),
        blade_m: 0.006,
        moves: { between_m: 4, range_K: 60, movementClass: 0.25 },
      };
      const { best, chosen, codes, plan } = tried({ element: { kind: 'joint', moisture: 'dry' }, finding: joint });
      expect(classOf(best.sheetId)).toBe('jointSealant');
      expect(mixed(chosen)).toEqual(['ready']);
      expect(bought(plan)).toEqual(['rod', 'tape']);
      expect(codes.filter((code) => code.startsWith('step.measure'))).toEqual([]);
      expect(inOrder(codes, 'step.groove', 'step.vacuumDry', 'step.dry', 'step.rod', 'step.sealant')).toBe(true);
    },
  ],
  [
    'a chased crack: groove in passes, vacuum, shots, crown, scratch, grind, look for shiny low places',
    () => {
      const chased: GrooveInput = { ...found, kind: 'groove', line: crack.line, width: typed(0.006), depth: typed(0.012), blade_m: 0.003, moves: null };
      const { best, chosen, codes } = tried({ element: { moisture: 'dry' }, finding: chased });
      expect(['crackResin', 'filledResin', 'bottleResin']).toContain(classOf(best.sheetId));
      expect(codes.filter((code) => code.startsWith('step.crack.'))).toHaveLength(1);
      const shots = codes.find((code) => code.startsWith('step.crack.'))!;
      expect(inOrder(codes, 'step.groove', 'step.vacuumDry', shots, 'step.grindFlush', 'step.lookLow')).toBe(true);
      expect(chosen.steps.find(({ code }) => code === 'step.groove')!.figures).toMatchObject({ passes: 2 });
      expect(chosen.steps.find(({ code }) => code === 'step.grindFlush')!.condition).toBe('scratch');
      expect(chosen.shots!.count).toBeGreaterThan(0);
      // One-to-one resin takes sand: it is on the order and takes its room from the resin. Filled resin takes no other sand.
      const sanded = tried({ element: { moisture: 'dry' }, finding: chased }, /^One-to-one crack resin$/);
      expect(bought(sanded.plan)).toEqual(['sand', 'bottles']);
      expect(sanded.plan.extras[0]).toMatchObject({ mass_kg: expect.closeTo(sanded.chosen.sand_kg!, 9) });
      expect(tried({ element: { moisture: 'dry' }, finding: chased }, /^Filled crack resin, three/).chosen.sand_kg).toBeNull();
    },
  ],
  [
    'a broomed face is never rubbed: what stands high comes off before the texture goes on',
    () => {
      const { codes } = tried({ element: { texture: 'broom' }, finding: { ...finding, deepest: typed(0.03) } }, /^Sanded rapid mortar, 15/);
      expect(inOrder(codes, 'step.strikeOff', 'step.texture')).toBe(true);
      expect(codes).not.toContain('step.rubFlush');
    },
  ],
  [
    'thicker where cut: a shoulder cut to the least thickness is filled, ordered and carried away; it is sawn before anything is broken out',
    () => {
      const cone: Tried = { finding: { ...finding, shape: 'cone', deepest: typed(0.036), edge: 'feathered' } };
      const { chosen, plan, codes } = tried(cone, /^Rapid concrete, 10/);
      const area_m2 = 1.2 * 0.9;
      // At least 35 mm everywhere: a third of the cone's deepest would be 13.
      expect(chosen.debris!.bulk_m3 / 1.5).toBeGreaterThan(0.035 * area_m2);
      expect(plan.orders[0]!.powder.p50 * chosen.quantities.yield_m3_kg).toBeGreaterThan(0.035 * area_m2);
      expect(inOrder(codes, 'step.shoulder', 'step.breakOut')).toBe(true);
    },
  ],
  [
    'cracks that close and open between visits move, growth is movement, a crack doing a joint’s work gets a joint',
    () => {
      const DAY_S = 86400;
      const visited = (...widths: number[]): CrackInput => ({
        ...crack,
        moves: 'no',
        visits: widths.map((width, i) => ({ at_s: i * 90 * DAY_S, widths: [[0.5, width]] as const })),
      });
      const dry = { moisture: 'dry' } as const;
      expect(classOf(tried({ element: dry, finding: visited(0.002, 0.004, 0.002) }).best.sheetId)).toBe('jointSealant');
      expect(computePlan(jobOf({ element: dry, finding: visited(0.002, 0.004) })).elements[0]!.stops.map(({ code }) => code)).toEqual(['verdict.crackGrew']);
      const across: CrackInput = { ...crack, line: [[3, 0], [3, 4]] }; // prettier-ignore
      const { best, codes } = tried({ element: dry, finding: across });
      expect(classOf(best.sheetId)).toBe('jointSealant');
      expect(inOrder(codes, 'step.cutJoint', 'step.rod', 'step.sealant')).toBe(true);
    },
  ],
  [
    'a letter covers what it saw: deeper asks again',
    () => {
      const deep = (value: number): FindingInput => ({ ...finding, deepest: typed(value) });
      const first = computePlan(jobOf({ finding: deep(0.15) })).elements[0]!;
      const opinion = { role: 'engineer', on: '2026-05-11', said: 'Fill it.', covers: Object.keys(first.seen), saw: first.seen };
      const again = (value: number): number =>
        computePlan(jobOf({ element: { stops: { ...element.stops, opinion } }, finding: deep(value) })).elements[0]!.stops.length;
      expect([again(0.15), again(0.2) > 0]).toEqual([0, true]);
    },
  ],
];

test.each(ROWS)('%s', (_sentence, check) => check());
