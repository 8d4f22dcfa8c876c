import fc from 'fast-check';
import { crack, element, finding, input, sheetOf, typed } from '../testing/job';
import type { Sheet } from '../shelf';
import type { ElementInput, FindingInput, GrooveInput } from '../survey';
import { orientationOf } from '../survey';
import { asksOf, verdictOf } from '../plan';
import {
  DEFAULT_HOUSE,
  judge,
  LAST_RULES,
  leastForGrain,
  preparationTool,
  profileReached,
  ranking,
  rankingBest,
  RULES,
  stockRule,
  worstOf,
  type Candidate,
  type HouseMethod,
  type Ranked,
  type LifeSpent,
  type RuleContext,
} from './index';

type Changed = Partial<RuleContext> & { readonly finding?: FindingInput };

/** A batch that spends so much: at an sd of ln life of 0.2 and an accepted tenth, three quarters and a bit are safe. */
const spentOf = (flow: number, finish: number, shaded?: number): LifeSpent => ({
  spent: { flow, finish, wetEdge: 0 },
  needs_s: { flow: 300, finish: 420, wetEdge: 0 },
  skin: 0,
  sdLn: 0.2,
  accepted: 0.1,
  safe: 0.77,
  retarder: 2,
  shaded: () => spentOf(shaded ?? flow, finish),
});

const contextOf = ({ finding: found = finding, ...change }: Changed = {}): RuleContext => ({
  sheet: sheetOf('sandedRapid'),
  element,
  asks: asksOf(found),
  air_C: 20,
  slab_C: 20,
  opensAfter: () => ({ after_s: 7200 }),
  humidity: 0.5,
  powder_C: 20,
  life: () => spentOf(0.5, 0.4),
  house: DEFAULT_HOUSE,
  ...change,
});
const codes = (change: Changed): string[] => [...RULES, ...LAST_RULES].flatMap((rule) => rule(contextOf(change))).map(({ code }) => code);
const sheet = (change: Partial<Sheet>): Changed => ({ sheet: { ...sheetOf('sandedRapid'), ...change } });
const at = (change: Partial<ElementInput>): Changed => ({ element: { ...element, ...change } });
const wedge: FindingInput = { id: 'w', elementId: 'e', label: 'W', kind: 'wedge', run: typed(0.6), rise: typed(0.02), width: typed(1) };
const edge: FindingInput = { id: 'k', elementId: 'e', label: 'K', kind: 'edge', section: 'triangle', length: typed(1), across: typed(0.06), down: typed(0.04) };

const hole: FindingInput = { id: 'v', elementId: 'e', label: 'V', kind: 'void', outline: finding.outline, deepest: typed(0.05), shape: 'pan' };
const skim: FindingInput = { id: 's', elementId: 'e', label: 'S', kind: 'skim', outline: finding.outline, thickness: typed(0.003), profile: 4 };
const joint = (width: number): GrooveInput => ({
  id: 'j',
  elementId: 'e',
  label: 'J',
  kind: 'groove',
  line: finding.outline,
  width: typed(width),
  depth: typed(0.03),
  blade_m: 0.006,
  moves: { between_m: 4, range_K: 60, movementClass: 0.25 },
});
/** Strengths on the first and the twenty-eighth day. */
const days = (mature_MPa: number): Sheet['strengths'] => [
  [86400, mature_MPa / 2],
  [28 * 86400, mature_MPa],
];
const lives = (placed: number, finished: number): Changed => ({
  life: () => spentOf(placed, finished),
});
const sealant = (least_m: number): Sheet => ({ ...sheetOf('jointSealant'), thickness: { ...sheetOf('jointSealant').thickness, least_m } });

test.each<[string, Changed, string, string | null]>([
  ['its own use', {}, 'thickness.fits', 'use.other'],
  ['another use', sheet({ uses: ['crack'] }), 'use.other', null],
  ['three grains in its depth', sheet({ grain_m: 0.0126 }), 'grain.fits', 'grain.coarse'],
  ['not quite three', sheet({ grain_m: 0.0127 }), 'grain.coarse', 'grain.fits'],
  [
    'its least thickness to the hair',
    sheet({ thickness: { least_m: 0.038, most_m: 0.1, liftMost_m: 0.05, feathers: false } }),
    'thickness.fits',
    'thickness.under',
  ],
  ['under its least', sheet({ thickness: { least_m: 0.04, most_m: 0.1, liftMost_m: 0.05, feathers: false } }), 'thickness.under', null],
  ['its most to the hair', sheet({ thickness: { least_m: 0.01, most_m: 0.038, liftMost_m: 0.038, feathers: false } }), 'thickness.fits', 'thickness.over'],
  ['two lifts', sheet({ thickness: { least_m: 0.01, most_m: 0.1, liftMost_m: 0.02, feathers: false } }), 'thickness.lifts', 'thickness.fits'],
  ['a wedge that runs thin', { finding: wedge }, 'edge.noFeather', 'edge.cut'],
  ['a wedge that feathers', { finding: wedge, ...sheet({ thickness: { least_m: 0, most_m: 0.1, liftMost_m: 0.05, feathers: true } }) }, 'edge.feathers', null],
  ['a broken edge has no rim', { finding: edge }, 'grain.fits', 'edge.cut'],
  ['a soffit', at({ kind: 'soffit' }), 'orientation.wrong', 'orientation.fits'],
  ['wet where damp is asked', at({ moisture: 'wet' }), 'moisture.clear', 'moisture.fits'],
  ['dry where damp is asked', at({ moisture: 'dry' }), 'moisture.soak', 'moisture.fits'],
  ['dry laminate under a mortar', at({ moisture: 'dry', material: 'laminate' }), 'moisture.notSoaked', 'moisture.soak'],
  ['laminate has no profile', at({ material: 'laminate' }), 'moisture.notSoaked', 'profile.reached'],
  ['a wet tile is cleared first', at({ moisture: 'wet', material: 'tile' }), 'moisture.clear', 'moisture.notSoaked'],
  ['damp where dry is asked', sheet({ moisture: 'dry' }), 'moisture.mustBeDry', null],
  ['sunlight only fades', { ...at({ exposures: ['sunlight'] }), ...sheet({ exposures: [] }) }, 'exposure.notAllowed', 'exposure.allowed'],
  ['nobody asks when it opens', at({ opens: null }), 'bond.self', 'open.inTime'],
  ['no such milestone', { opensAfter: () => null }, 'open.unknown', null],
  ['opens late', { opensAfter: () => ({ after_s: 21601 }) }, 'open.late', null],
  ['opens just in time', { opensAfter: () => ({ after_s: 21600 }) }, 'open.close', 'open.late'],
  ['opens by its class’s strength alone', { opensAfter: () => ({ after_s: 3600, extrapolated: true }) }, 'open.assumed', 'open.inTime'],
  ['opens well in time', { opensAfter: () => ({ after_s: 19440 }) }, 'open.inTime', 'open.close'],
  ['slab too cold', { slab_C: -5 }, 'temperature.cold', null],
  ['air too cold', { air_C: -5 }, 'temperature.cold', null],
  ['slab too hot', { slab_C: 70 }, 'temperature.hot', null],
  ['air too hot', { air_C: 60 }, 'temperature.hot', null],
  ['near a limit', { air_C: sheetOf('sandedRapid').limits.airMost_C - 1 }, 'temperature.close', 'temperature.fits'],
  ['a resin well above the dew', { sheet: sheetOf('crackResin'), slab_C: 12.28 }, 'dew.clear', 'dew.close'],
  ['a resin near the dew', { sheet: sheetOf('crackResin'), slab_C: 12.25 }, 'dew.close', 'dew.clear'],
  ['a slurry between', sheet({ bond: 'slurry' }), 'bond.slurry', 'bond.self'],
  ['a scrub coat of its own', sheet({ bond: 'scrub' }), 'bond.scrub', 'bond.agent'],
  ['an agent under it', sheet({ bond: 'agent' }), 'bond.agent', 'bond.self'],
  ['a thickness of its own for a skim', { finding: skim, ...sheet({ uses: ['overlay'], grain_m: 0.0002 }) }, 'thickness.under', 'thickness.fits'],
  ['a coarse grain in a narrow crack', { finding: crack, ...sheet({ uses: ['crack'] }) }, 'grain.fits', 'grain.coarse'],
  ['a coarse filler in a joint', { finding: { ...joint(0.012), moves: null }, sheet: { ...sheetOf('crackResin'), grain_m: 0.005 } }, 'grain.coarse', null],
  ['a shoulder on a slab, however it was found', { finding: { ...finding, edge: 'feathered' } }, 'edge.cut', 'edge.noFeather'],
  [
    'a shoulder by a school',
    { finding: { ...finding, edge: 'feathered', deepest: typed(0.006) }, house: { ...DEFAULT_HOUSE, edge: 'shoulder' } },
    'edge.cut',
    'edge.noFeather',
  ],
  ['keyed by a school', { house: { ...DEFAULT_HOUSE, edge: 'keyed' } }, 'edge.keyed', 'edge.cut'],
  ['keyed by a school, and it may feather', { sheet: sheetOf('fineRapid'), house: { ...DEFAULT_HOUSE, edge: 'keyed' } }, 'edge.feathers', 'edge.keyed'],
  ['a bond school leaves a resin be', { sheet: sheetOf('crackResin'), finding: crack, house: { ...DEFAULT_HOUSE, bond: 'slurry' } }, 'use.made', 'bond.slurry'],
  ['a bond school', { house: { ...DEFAULT_HOUSE, bond: 'slurry' } }, 'bond.slurry', 'bond.self'],
  ['a void wants a head', { finding: hole, sheet: sheetOf('antiWashout') }, 'head.stands', 'head.none'],
  [
    'a sheet from before heads were asked',
    { ...at({ exposures: ['immersion'] }), ...sheet({ head_m: undefined as never, substrates: undefined as never }) },
    'head.none',
    null,
  ],
  ['a filler that bridges it', { finding: crack, sheet: { ...sheetOf('crackResin'), grain_m: 0.002 } }, 'grain.coarse', null],
  ['a mortar rubbed into it', { finding: crack, ...sheet({ uses: ['crack'], grain_m: 0.002 }) }, 'grain.rubIn', 'grain.coarse'],
  [
    'a crack opened for a mortar',
    { finding: crack, ...sheet({ uses: ['crack'], grain_m: 0.002 }), house: { ...DEFAULT_HOUSE, renderCracks: 'open' } },
    'grain.open',
    'grain.rubIn',
  ],
  ['rigid in a moving crack', { finding: { ...crack, moves: 'yes' }, sheet: sheetOf('crackResin') }, 'movement.rigid', null],
  ['rigid in a crack that sleeps', { finding: crack, sheet: sheetOf('crackResin') }, 'thickness.fits', 'movement.rigid'],
  ['a sealant in a moving crack', { finding: { ...crack, moves: 'yes' }, sheet: sheetOf('jointSealant') }, 'movement.cutJoint', 'thickness.under'],
  ['a sealant in a crack that sleeps', { finding: crack, sheet: sheetOf('jointSealant') }, 'movement.notNeeded', null],
  ['rigid in a moving joint', { finding: joint(0.012), sheet: sheetOf('crackResin') }, 'movement.rigid', null],
  // 4 m of slab through 60 K move 2.4 mm: a quarter of the joint needs 9.6 mm.
  ['a joint just wide enough', { finding: joint(0.0096), sheet: sealant(0.004) }, 'movement.taken', 'movement.narrow'],
  ['a joint too narrow', { finding: joint(0.0095), sheet: sealant(0.004) }, 'movement.narrow', 'movement.taken'],
  ['a sealant is half as deep as its joint is wide', { finding: joint(0.0119), sheet: sheetOf('jointSealant') }, 'thickness.under', null],
  ['a still joint', { finding: { ...joint(0.012), moves: null }, sheet: sheetOf('jointSealant') }, 'movement.notNeeded', null],
  ['a surface strong enough', at({ surface: { pull_Pa: 1e6 } }), 'thickness.fits', 'surface.weak'],
  ['a surface too weak', at({ surface: { pull_Pa: 0.995e6 } }), 'surface.weak', null],
  ['a surface that powders', at({ surface: { scratch: 0 } }), 'surface.powders', null],
  ['a hard surface', at({ surface: { scratch: 2 } }), 'thickness.fits', 'surface.powders'],
  ['a drop that is drunk', at({ surface: { drop_s: 120 } }), 'thickness.fits', 'surface.sealed'],
  ['a drop that stands', at({ surface: { drop_s: 121 } }), 'surface.sealed', null],
  ['damp under a resin', { ...at({ surface: { moisture: 0.0405 } }), sheet: sheetOf('crackResin') }, 'surface.damp', null],
  ['dry enough for a resin', { ...at({ surface: { moisture: 0.04 } }), sheet: sheetOf('crackResin') }, 'profile.reached', 'surface.damp'],
  ['damp under a mortar', at({ surface: { moisture: 0.2 } }), 'thickness.fits', 'surface.damp'],
  ['on what its sheet knows', at({ material: 'concrete' }), 'substrate.allowed', 'substrate.notAllowed'],
  ['on what it does not', at({ material: 'timber' }), 'substrate.notAllowed', null],
  ['a head of water nobody named', at({ exposures: ['immersion'] }), 'head.none', 'head.stands'],
  ['a head it stands', { ...at({ exposures: ['immersion'] }), sheet: sheetOf('antiWashout') }, 'head.stands', null],
  ['a blasted slab', { house: { ...DEFAULT_HOUSE, preparation: 'blast' } }, 'profile.reached', 'profile.short'],
  ['a ground slab', { house: { ...DEFAULT_HOUSE, preparation: 'grind' } }, 'profile.short', 'profile.reached'],
  ['rendered walls are keyed', at({ kind: 'wall', material: 'render' }), 'edge.keyed', 'edge.cut'],
  [
    'feathered by a school',
    { finding: { ...finding, edge: 'feathered', deepest: typed(0.006) }, house: { ...DEFAULT_HOUSE, feathering: 'toZero' } },
    'edge.noFeather',
    'edge.cut',
  ],
  [
    'sanded from twelve millimetres',
    { finding: { ...skim, thickness: typed(0.0119) }, house: { ...DEFAULT_HOUSE, sandedOverlay: 'from12' } },
    'grain.coarse',
    null,
  ],
  ['sanded at twelve', { finding: { ...skim, thickness: typed(0.012) }, house: { ...DEFAULT_HOUSE, sandedOverlay: 'from12' } }, 'grain.fits', null],
  ['fine mortar by the same school', { sheet: sheetOf('fineRapid'), finding: skim, house: { ...DEFAULT_HOUSE, sandedOverlay: 'from12' } }, 'grain.fits', null],
  ['a wall, and water for a mix that hangs', { ...at({ kind: 'wall' }), sheet: sheetOf('renderRepair') }, 'orientation.fits', 'task.noHang'],
  ['a wall, and no such water', { ...at({ kind: 'wall' }), ...sheet({ orientations: ['vertical'] }) }, 'task.noHang', null],
  ['bags at the cold end of their storage', { powder_C: 5 }, 'thickness.fits', 'storage.cold'],
  ['bags too cold', { powder_C: 4.9 }, 'storage.cold', 'storage.hot'],
  ['bags at the warm end', { powder_C: 35 }, 'thickness.fits', 'storage.hot'],
  ['bags too warm', { powder_C: 35.1 }, 'storage.hot', 'storage.cold'],
  ['a sheet from before storage was asked', { ...sheet({ storage: undefined as never }), powder_C: 50 }, 'thickness.fits', 'storage.hot'],
  ['strong enough for wheels', { ...at({ exposures: ['wheels'] }), ...sheet({ strengths: days(30.1) }) }, 'strength.enough', 'strength.wheels'],
  ['too weak for wheels', { ...at({ exposures: ['wheels'] }), ...sheet({ strengths: days(29.9) }) }, 'strength.wheels', 'strength.enough'],
  ['weak where no wheel comes', { ...at({ exposures: ['frost'] }), ...sheet({ strengths: days(12) }) }, 'thickness.fits', 'strength.wheels'],
  [
    'strengths that fall say nothing',
    { ...at({ exposures: ['wheels'] }), ...sheet({ strengths: [...days(30.1)].reverse() }) },
    'thickness.fits',
    'strength.enough',
  ],
  ['a sealant is never strong', { ...at({ exposures: ['wheels'] }), sheet: { ...sealant(0.004), strengths: days(2) } }, 'thickness.over', 'strength.wheels'],
  ['finished like its surroundings', { ...at({ texture: 'float' }), ...sheet({ textures: ['broom', 'float'] }) }, 'texture.takes', 'texture.cannot'],
  ['a finish it does not take', { ...at({ texture: 'dash' }), ...sheet({ textures: ['broom'] }) }, 'texture.cannot', 'texture.takes'],
  [
    'a crack takes no finish',
    { ...at({ texture: 'dash' }), finding: crack, sheet: { ...sheetOf('crackResin'), textures: ['smooth'] } },
    'use.made',
    'texture.cannot',
  ],
  ['the colour around it', { ...at({ colour: 'Mid grey' }), ...sheet({ colour: { wet: 'dark grey', dry: 'mid grey' } }) }, 'colour.near', 'colour.shows'],
  ['another colour', { ...at({ colour: 'buff' }), ...sheet({ colour: { wet: 'dark grey', dry: 'mid grey' } }) }, 'colour.shows', 'colour.near'],
  ['a batch inside the safe share', lives(0.77, 0.4), 'lives.fits', 'lives.retard'],
  ['a batch that a retarder lets in', lives(0.78, 0.4), 'lives.retard', 'lives.fits'],
  ['placed in time, finished late', lives(0.4, 1.56), 'lives.close', 'lives.retard'],
  ['by a firm that uses no retarder', { ...lives(0.78, 0.4), house: { ...DEFAULT_HOUSE, retarder: 'never' } }, 'lives.close', 'lives.retard'],
  ['one that shade and an early hour let in', { life: () => spentOf(1.9, 0.4, 1.5) }, 'lives.shade', 'lives.close'],
  ['gone before it is placed, retarder and all', lives(2.01, 0.4), 'lives.short', 'lives.close'],
  ['shots cut to the life', { life: () => null }, 'open.inTime', 'lives.fits'],
  [
    'some of it at the yard',
    {
      stock: [
        { mass_kg: 12, useBy: '2026-05-12' },
        { mass_kg: 8, useBy: '2026-05-11' },
      ],
      on: '2026-05-12',
    },
    'stock.here',
    'stock.past',
  ],
  [
    'all of it past its date',
    {
      stock: [
        { mass_kg: 12, useBy: '2026-05-11' },
        { mass_kg: 8, useBy: '2026-05-01' },
      ],
      on: '2026-05-12',
    },
    'stock.past',
    'stock.here',
  ],
  ['a date and no day to hold it against', { stock: [{ mass_kg: 12, useBy: '2026-05-11' }] }, 'stock.here', 'stock.past'],
  ['no bond asked', sheet({ bond: 'none' }), 'thickness.fits', 'bond.self'],
])('%s', (_name, change, has, lacks) => {
  expect(codes(change)).toContain(has);
  if (lacks) expect(codes(change)).not.toContain(lacks);
});

test('a profile two short is a caution, three short a refusal', () => {
  const by = (preparation: 'wash' | 'brush') =>
    RULES.flatMap((rule) => rule(contextOf({ house: { ...DEFAULT_HOUSE, preparation } }))).find(({ code }) => code === 'profile.short')!.verdict;
  expect([by('brush'), by('wash')]).toEqual(['caution', 'no']);
});

test('what lies at the yard is told by what of it is still good', () => {
  const told = (on: string) => stockRule(contextOf({ stock: [{ mass_kg: 12, useBy: '2026-05-11' }, { mass_kg: 8 }, { mass_kg: 5, useBy: '2026-05-12' }], on }));
  expect(told('2026-05-11')).toMatchObject([{ figures: { mass_kg: 25 } }]);
  expect(told('2026-05-12')).toMatchObject([{ figures: { mass_kg: 13 } }]);
  const gone = stockRule(
    contextOf({
      stock: [
        { mass_kg: 12, useBy: '2026-05-11' },
        { mass_kg: 5, useBy: '2026-05-12' },
      ],
      on: '2026-06-01',
    }),
  );
  expect(gone).toMatchObject([{ verdict: 'caution', figures: { day: '2026-05-12' } }]);
});

test('a verdict is as bad as its worst reason', () => {
  const clean = sheet({ bond: 'self', exposures: ['frost', 'deicer', 'wheels', 'abrasion'] });
  expect(judge(contextOf(clean)).verdict).toBe('yes');
  expect(judge(contextOf({ ...clean, opensAfter: () => ({ after_s: 21000 }) })).verdict).toBe('caution');
  expect(judge(contextOf({ ...clean, opensAfter: () => null })).verdict).toBe('no');
});

test('equals are ranked by noes, cautions, cost, time to open and then by id; what is not known comes last', () => {
  const ranked = (sheetId: string, change: Partial<Ranked> = {}): Ranked => ({
    sheetId,
    verdict: 'yes',
    reasons: [],
    cost_minor: 100,
    material_minor: 60,
    hand_s: 3600,
    opensAfter_s: 100,
    ...change,
  });
  const no = { code: 'movement.rigid', verdict: 'no', figures: {} } as const;
  const caution = { code: 'head.none', verdict: 'caution', figures: {} } as const;
  const order = (all: Ranked[]): string =>
    ranking(all)
      .map(({ sheetId }) => sheetId)
      .join('');
  expect(order([ranked('b'), ranked('a')])).toBe('ab');
  expect(order([ranked('a', { cost_minor: null }), ranked('b')])).toBe('ba');
  expect(order([ranked('a', { opensAfter_s: null }), ranked('b', { opensAfter_s: 500 })])).toBe('ba');
  expect(order([ranked('a', { verdict: 'no', reasons: [no, no] }), ranked('b', { verdict: 'no', reasons: [no] })])).toBe('ba');
  expect(order([ranked('a', { verdict: 'caution', reasons: [caution, caution] }), ranked('b', { verdict: 'caution', reasons: [caution] })])).toBe('ba');
  expect(order([ranked('a', { verdict: 'no' }), ranked('b', { verdict: 'caution' }), ranked('c')])).toBe('cba');
});

test('the best of a shelf is the first of all of it and the cheapest of its verdict is there, whatever the dear questions answer', () => {
  const no = { code: 'movement.rigid', verdict: 'no', figures: {} } as const;
  const caution = { code: 'head.none', verdict: 'caution', figures: {} } as const;
  const also = { code: 'use.also', verdict: 'yes', figures: { use: 'spall', first: 'skim' } } as const;
  const made = fc.record({ first: fc.nat(2), later: fc.constantFrom(0, 0, 1, 2, 'no' as const), made: fc.boolean(), cost: fc.nat(6), opens: fc.nat(6) });
  fc.assert(
    fc.property(fc.array(made, { maxLength: 25 }), (sheets) => {
      const candidates = sheets.map((sheet, i): Candidate => {
        const first = [...(sheet.made ? [] : [also]), ...Array.from({ length: sheet.first }, () => caution)];
        const reasons = [...first, ...(sheet.later === 'no' ? [no] : Array.from({ length: sheet.later }, () => caution))];
        const cost = { cost_minor: sheet.cost, material_minor: 1, hand_s: 1 };
        const base = { sheetId: String.fromCharCode(97 + i), ...cost };
        return {
          first: { ...base, cost_minor: null, verdict: worstOf(first), reasons: first, opensAfter_s: null },
          cost: () => cost,
          judged: () => ({ ...base, verdict: worstOf(reasons), reasons, opensAfter_s: sheet.opens }),
          stated_s: sheet.opens,
        };
      });
      const [first, ...others] = rankingBest(candidates);
      const whole = ranking(candidates.map(({ judged }) => judged()));
      const best = whole.find(({ verdict }) => verdict !== 'no');
      expect(first).toEqual(best);
      if (!best) return;
      const alike = whole.filter(({ verdict }) => verdict === best.verdict);
      const least = (all: readonly Ranked[]): number => Math.min(...all.map(({ cost_minor }) => cost_minor!));
      expect(least([best, ...others.filter(({ verdict }) => verdict === best.verdict)])).toBe(least(alike));
    }),
  );
});

test('what a kind of finding asks of a sheet, and how deep it is', () => {
  const base = { id: 'x', elementId: 'e', label: 'X' };
  const kinds: [FindingInput, string, number][] = [
    [finding, 'spall', 0.038],
    [{ ...finding, readings: [[0.1, 0.1, 0.05]] }, 'spall', 0.05],
    [edge, 'edge', 0.04],
    [wedge, 'ramp', 0.02],
    [{ ...base, kind: 'void', outline: finding.outline, deepest: typed(0.06), shape: 'pan' }, 'void', 0.06],
    [{ ...base, kind: 'step', width: typed(1), going: typed(0.3), rise: typed(0.17), steps: 1, stays_m3: 0, pitch: 0, propAngle_rad: 0 }, 'rebuild', 0.17],
    [{ ...base, kind: 'crack', line: finding.outline, profile: 'vee', widths: [[0, 0.003]], depth: typed(0.05), cap_m: 0.006, runaway: 0 }, 'crack', 0.05],
    [{ ...base, kind: 'groove', line: finding.outline, width: typed(0.01), depth: typed(0.02), blade_m: 0.006, moves: null }, 'joint', 0.02],
    [{ ...base, kind: 'skim', outline: finding.outline, thickness: typed(0.003), profile: 4 }, 'overlay', 0.003],
    [{ ...base, kind: 'counter', outline: finding.outline, cutouts_m2: [], thickness: typed(0.04), edges: [], stock_m: 2, kerf_m: 0 }, 'counter', 0.04],
  ];
  for (const [finding, use, depth_m] of kinds) expect([finding.kind, asksOf(finding).use, asksOf(finding).deepest_m]).toEqual([finding.kind, use, depth_m]);
  expect(['slab', 'wall', 'soffit', 'step'].map((kind) => orientationOf(kind as ElementInput['kind']))).toEqual([
    'horizontal',
    'vertical',
    'overhead',
    'horizontal',
  ]);
});

test('a depth through the member stops it, half of it is borderline, a third of a carried one stops it; what lies on top does not count', () => {
  const verdict = (deepest: number, change: Partial<ElementInput> = {}): string =>
    verdictOf({ element: { ...element, ...change }, findings: [{ ...finding, deepest: typed(deepest) }] }).code;
  expect([0.075, 0.0751, 0.15].map((deepest) => verdict(deepest))).toEqual(['repairable', 'borderline', 'stop']);
  expect([0.0499, 0.0501].map((deepest) => verdict(deepest, { suspended: true }))).toEqual(['repairable', 'stop']);
  expect(verdictOf({ element: { ...element, thickness: typed(0.02) }, findings: [wedge] }).code).toBe('repairable');
  expect(input.findings).toHaveLength(1);
});

test.each<[HouseMethod['preparation'], number]>([
  ['wash', 1],
  ['brush', 2],
  ['grind', 3],
  ['blast', 5],
  ['breakOut', 8],
])('a base prepared by %s is left at CSP %d, and it is the gentlest tool that leaves so much', (preparation, csp) => {
  expect(profileReached({ ...DEFAULT_HOUSE, preparation }, sheetOf('sandedRapid'))).toBe(csp);
  expect(preparationTool(DEFAULT_HOUSE, { ...sheetOf('sandedRapid'), profile: csp })).toBe(preparation);
});

test.each([
  [0.001, 0.012],
  [0.000999, 0.002997],
])('an overlay with a grain of %d m by the school of sanded mortar needs %d m', (grain_m, least_m) => {
  expect(leastForGrain({ ...DEFAULT_HOUSE, sandedOverlay: 'from12' }, { ...sheetOf('broomOverlay'), grain_m }, true)).toBeCloseTo(least_m, 9);
});
