import { aids } from '../../shelf/catalogue';
import type { FindingInput } from '../../survey';
import { rectangle } from '../../takeoff';
import { crack, element, finding, input, sheetOf, typed } from '../../testing/job';
import { sectionLayers, sectionOf, takeOffOf, type PlanInput, type SystemSection, type TreatmentInput, prepared } from '../index';

const base = { id: 'f', elementId: 'e', label: 'A' };
const area = rectangle({ length_m: 1, width_m: 1 });
const section = (finding: FindingInput, sheet: string, more: Partial<PlanInput> = {}, treatment?: TreatmentInput): SystemSection =>
  sectionOf({
    input: prepared({ ...input, ...more }),
    element: more.elements?.[0] ?? element,
    finding,
    takeOff: takeOffOf(finding),
    sheet: sheetOf(sheet),
    treatment,
  });
const codes = (...asked: Parameters<typeof section>): string[] => sectionLayers(section(...asked)).map(({ code }) => code.replace('draw.layer.', ''));
const groove: FindingInput = { ...base, kind: 'groove', line: crack.line, width: typed(0.012), depth: typed(0.03), blade_m: 0.006, moves: null };
const moving: FindingInput = { ...groove, moves: { between_m: 4, range_K: 60, movementClass: 0.25 } };
const wide = { ...crack, widths: [[0, 0.008] as const] };

test.each<[string, FindingInput, string, Partial<PlanInput>, string[]]>([
  [
    'a deep patch in two lifts over a scrub coat, pinned',
    { ...finding, deepest: typed(0.06) },
    'sandedRapid',
    { house: { bond: 'scrub', level: 'flush' } },
    ['lift', 'scrub', 'anchors', 'base'],
  ],
  ['a shallow one stands high', finding, 'sandedRapid', { house: { bond: 'slurry', level: 'high' } }, ['crown', 'lift', 'slurry', 'base']],
  ['one with an agent', finding, 'sandedRapid', { house: { bond: 'agent', level: 'flush', reinforcement: 'none' } }, ['lift', 'agent', 'base']],
  ['a void', { ...base, kind: 'void', outline: area, deepest: typed(0.04), shape: 'pan' }, 'antiWashout', { house: { level: 'flush' } }, ['lift', 'base']],
  ['a skim', { ...base, kind: 'skim', outline: area, thickness: typed(0.003), profile: 4 }, 'broomOverlay', {}, ['fill', 'base']],
  [
    'a countertop',
    {
      ...base,
      kind: 'counter',
      outline: area,
      cutouts_m2: [],
      thickness: typed(0.04),
      edges: [{ length_m: 1, across_m: 0.03, down_m: 0.05 }],
      stock_m: 2,
      kerf_m: 0,
    },
    'counterMix',
    {},
    ['fill', 'drop', 'base'],
  ],
  [
    'a ramp',
    { ...base, kind: 'wedge', run: typed(0.6), rise: typed(0.02), width: typed(1) },
    'sandedRapid',
    { house: { level: 'flush' } },
    ['fill', 'toe', 'base'],
  ],
  [
    'an edge',
    { ...base, kind: 'edge', section: 'triangle', length: typed(1), across: typed(0.06), down: typed(0.04) },
    'edgeMortar',
    { house: { bond: 'scrub' } },
    ['fill', 'face.trowelHeld', 'scrub', 'base'],
  ],
  [
    'a step',
    { ...base, kind: 'step', width: typed(1), going: typed(0.3), rise: typed(0.17), steps: 1, stays_m3: 0, pitch: 0.02, propAngle_rad: 0.5 },
    'rapidConcrete',
    { house: { level: 'flush', reinforcement: 'none' } },
    ['fill', 'face.formed', 'base'],
  ],
  ['a crack with bed and cap', wide, 'crackResin', {}, ['crown', 'cap', 'bed', 'base']],
  ['a narrower one with sand', crack, 'crackResin', {}, ['crown', 'sanded', 'base']],
  ['a hairline', { ...crack, widths: [[0, 0.0005]] }, 'crackResin', {}, ['crown', 'fill', 'base']],
  ['a crack rubbed in', crack, 'renderRepair', { house: { renderCracks: 'rub', bond: 'bySheet' } }, ['fill', 'base']],
  ['a joint that moves', moving, 'jointSealant', {}, ['sealant', 'rod', 'base']],
  ['a joint that is still', groove, 'crackResin', {}, ['fill', 'base']],
])('%s, from the top down', (_, finding, sheet, more, layers) => {
  expect(codes(finding, sheet, more)).toEqual(expect.arrayContaining(layers));
  expect(codes(finding, sheet, more).filter((code) => !layers.includes(code) && !['scrub', 'slurry', 'agent', 'crown'].includes(code))).toEqual([]);
});

test('thicknesses add up to the depth; a sealant is half as deep as its joint is wide, its rod a quarter wider', () => {
  const lifts = sectionLayers(section({ ...finding, deepest: typed(0.12) }, 'sandedRapid')).filter(({ code }) => code === 'draw.layer.lift');
  expect(lifts.length).toBeGreaterThan(1);
  expect(lifts.reduce((sum, { thickness_m }) => sum + thickness_m!, 0)).toBeCloseTo(0.12, 12);
  expect(lifts.map(({ figures }) => figures['lift'])).toEqual(lifts.map((_, i) => lifts.length - i));
  const joint = section(moving, 'jointSealant');
  expect(joint).toMatchObject({ sealant_m: 0.006, rod_m: 0.015 });
  const [cap, bed] = sectionLayers(section(wide, 'crackResin')).slice(1);
  expect(cap!.thickness_m! + bed!.thickness_m!).toBeCloseTo(0.05, 12);
});

test('a countertop without dropped edges has none, and a ramp that may run out has no toe', () => {
  const top = section({ ...base, kind: 'counter', outline: area, cutouts_m2: [], thickness: typed(0.04), edges: [], stock_m: 2, kerf_m: 0 }, 'counterMix');
  expect(top).toMatchObject({ drop_m: 0, across_m: 0 });
  const ramp: FindingInput = { ...base, kind: 'wedge', run: typed(0.6), rise: typed(0.02), width: typed(1) };
  expect([section(ramp, 'fineRapid'), section(ramp, 'sandedRapid')].map((drawn) => drawn.kind === 'wedge' && drawn.toe_m)).toEqual([0, 0.005]);
});

test('a moving crack is drawn as the joint it is cut to, a narrow one as the groove its grain needs', () => {
  const cut = section({ ...crack, moves: 'yes' }, 'jointSealant');
  expect(cut).toMatchObject({ method: 'joint', profile: 'slot', width_m: 2 * sheetOf('jointSealant').thickness.least_m, crown_m: 0 });
  // Its sealant and its rod are the core's figures, and the table's.
  const least_m = sheetOf('jointSealant').thickness.least_m;
  expect(cut).toMatchObject({ sealant_m: least_m, rod_m: 2.5 * least_m });
  expect(sectionLayers(cut).map(({ code }) => code)).toEqual(['draw.layer.sealant', 'draw.layer.rod', 'draw.layer.base']);
  const opened = section({ ...crack, widths: [[0, 0.0005]], profile: 'vee' }, 'renderRepair', { house: { renderCracks: 'open' } });
  expect(opened).toMatchObject({ method: 'openGroove', profile: 'slot', width_m: 3 * sheetOf('renderRepair').grain_m });
});

test('edge, base and what goes over it follow the element, the school and the treatment', () => {
  const wall = { ...element, kind: 'wall' as const, material: 'brick' as const };
  expect(section(finding, 'sandedRapid', { elements: [wall] })).toMatchObject({ base: 'courses', edge: 'shoulder' });
  expect(section(finding, 'sandedRapid', { house: { edge: 'keyed' } })).toMatchObject({ base: 'concrete', edge: 'keyed' });
  const silane = aids.find((aid) => aid.class === 'silane')!;
  const overlay = { sheetId: sheetOf('broomOverlay').id, thickness_m: 0.003, over: 'patch' as const };
  const treatment = { findingId: 'f', sheetId: sheetOf('sandedRapid').id, overlay, aids: { coat: silane.id } };
  const layered = sectionLayers(section(finding, 'sandedRapid', { aids }, treatment));
  expect(layered.slice(0, 2)).toEqual([
    { code: 'draw.layer.over', figures: { name: silane.name }, thickness_m: null },
    { code: 'draw.layer.overlay', figures: { name: sheetOf('broomOverlay').name }, thickness_m: 0.003 },
  ]);
});
