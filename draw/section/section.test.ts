import type { SystemSection } from '@tufa/core/plan';
import { sectionScene, type Scene, type SectionView } from '../index';

const view: SectionView = { width: 350, height: 248, unit_m: 0.001, unit: 'mm' };
const common = {
  name: 'Mortar',
  on: 'slab' as const,
  thickness_m: 0.15,
  base: 'concrete',
  fill: 'mortar',
  grain_m: 0.0016,
  bond: 'self',
  moisture: 'damp',
  csp: 5,
  crown_m: 0,
  overlay: null,
  over: [],
  anchors: false,
} as const;
const patch: Extract<SystemSection, { kind: 'spall' | 'void' }> = { ...common, kind: 'spall', deepest_m: 0.038, shape: 'dish', edge: 'shoulder', lifts: 1 };
const resin = { ...common, fill: 'resin', moisture: 'dry', crown_m: 0.0015 } as const;
const cleft: Extract<SystemSection, { kind: 'crack' }> = {
  ...resin,
  kind: 'crack',
  width_m: 0.008,
  depth_m: 0.05,
  profile: 'slot',
  cap_m: 0.006,
  method: 'bedAndCap',
  sealant_m: null,
  rod_m: null,
};

/** A section of every kind of damage, and of every way of filling a crack. */
const SECTIONS: readonly SystemSection[] = [
  patch,
  { ...patch, edge: 'keyed', base: 'courses', bond: 'slurry', anchors: true, crown_m: 0.001, over: ['Silane', 'Cure'] },
  { ...patch, edge: 'feathered', shape: 'cone', overlay: { name: 'Broom overlay', thickness_m: 0.003 } },
  { ...patch, kind: 'void', shape: 'pan', moisture: 'wet' },
  { ...common, kind: 'skim', layer_m: 0.003, texture_m: 0.0006 },
  { ...common, kind: 'counter', layer_m: 0.038, drop_m: 0.04, across_m: 0.03 },
  { ...common, kind: 'counter', layer_m: 0.02, drop_m: 0, across_m: 0 },
  { ...common, kind: 'counter', layer_m: 0.02, drop_m: 0, across_m: 0, base: 'other', csp: null, moisture: 'dry', bond: 'agent' },
  { ...common, kind: 'wedge', run_m: 0.6, rise_m: 0.02, toe_m: 0, thin_m: 0, joint_m: 0 },
  { ...common, kind: 'wedge', run_m: 0.6, rise_m: 0.02, toe_m: 0.006, thin_m: 0.006, joint_m: 0.006 },
  { ...common, kind: 'edge', across_m: 0.06, down_m: 0.04, section: 'triangle', face: 'trowelHeld' },
  { ...common, kind: 'edge', across_m: 0.06, down_m: 0.09, section: 'rectangle', face: 'formed', over: ['Sealer'] },
  { ...common, kind: 'step', going_m: 0.3, rise_m: 0.17, face: 'formed' },
  { ...common, kind: 'step', going_m: 0.3, rise_m: 0.01, face: 'skimmed' },
  cleft,
  { ...cleft, method: 'neat', width_m: 0.0004, profile: 'vee' },
  { ...cleft, method: 'sandInResin', width_m: 0.004 },
  { ...cleft, method: 'joint', width_m: 0.012, sealant_m: 0.006, rod_m: 0.015, crown_m: 0 },
  { ...cleft, ...common, method: 'openGroove' },
  { ...resin, kind: 'groove', width_m: 0.012, depth_m: 0.03, sealant_m: 0.006, rod_m: 0.015, crown_m: 0 },
  { ...resin, kind: 'groove', width_m: 0.012, depth_m: 0.03, sealant_m: null, rod_m: null, crown_m: 0 },
];

const labels = (scene: Scene) => scene.shapes.flatMap((s) => (s.type === 'label' && 'code' in s.label ? [{ ...s, label: s.label }] : []));
const paths = (scene: Scene) => scene.shapes.flatMap((s) => (s.type === 'path' ? [s] : []));
const codes = (scene: Scene): string[] => labels(scene).map(({ label }) => label.code);
const numbersOf = (d: string): number[] => (d.match(/-?[\d.]+(?:e-?\d+)?/g) ?? []).map(Number);

test.each(SECTIONS.map((section) => [`${section.kind} ${JSON.stringify(section).length}`, section] as const))(
  '%s stays in its box on a phone and on a wide screen, names itself and its base beside the drawing or under it',
  (_, section) => {
    for (const [width, height] of [
      [350, 248],
      [900, 320],
    ] as const) {
      const scene = sectionScene(section, { ...view, width, height });
      expect(codes(scene)).toEqual(expect.arrayContaining(['draw.name']));
      expect(codes(scene).some((code) => code?.startsWith(section.csp === null ? 'draw.abraded' : 'draw.base'))).toBe(true);
      for (const { d } of paths(scene)) expect(numbersOf(d).every((value) => Number.isFinite(value) && Math.abs(value) <= width + 1)).toBe(true);
      const ys = labels(scene).sort((a, b) => a.y - b.y);
      for (let i = 1; i < ys.length; i += 1) expect(ys[i]!.y - ys[i - 1]!.y).toBeGreaterThanOrEqual(ys[i]!.size * 1.2);
      expect(ys.at(-1)!.y).toBeLessThanOrEqual(scene.height);
      // No word lies on a layer: a number does, and stands before its words again.
      expect(ys.every(({ x, y }) => (width > 600 ? x > width - 360 : y > height))).toBe(true);
      const numbers = scene.shapes.flatMap((shape) =>
        shape.type === 'label' && shape.anchor === 'middle' && 'text' in shape.label ? [Number(shape.label.text)] : [],
      );
      expect(numbers).toEqual(numbers.map((__, i) => i + 1));
      expect(numbers.length).toBeGreaterThan(0);
    }
  },
);

test('a patch is to scale, breaks a slab that does not fit, and shows every lift', () => {
  const bottoms = (deepest_m: number): number =>
    Math.max(
      ...paths(sectionScene({ ...patch, deepest_m }, view)).flatMap(({ pattern, d }) =>
        pattern === 'mortar' ? numbersOf(d).filter((_, i) => i % 2 === 1) : [],
      ),
    );
  expect(bottoms(0.038)).toBeCloseTo(bottoms(0.02), 0);
  const zigzags = (section: SystemSection): number =>
    paths(sectionScene(section, view)).filter(({ pattern, d, width }) => !pattern && d.split('L').length > 12 && width === 2).length;
  expect(zigzags(patch)).toBe(2);
  expect(zigzags({ ...patch, thickness_m: 0.05 })).toBe(0);
  const dashed = (section: SystemSection): number => paths(sectionScene(section, view)).filter(({ dash }) => dash === '8 6').length;
  expect([dashed(patch), dashed({ ...patch, lifts: 3 })]).toEqual([0, 2]);
});

test.each([60, 120, 248, 500])('section %d high: no label touches another, and an overlay too thin to see stands out of scale behind a break', (height) => {
  const scene = sectionScene({ ...patch, lifts: 2, overlay: { name: 'Overlay', thickness_m: 0.002 } }, { ...view, height });
  const ys = labels(scene).map(({ y, size }) => [y, size] as const);
  expect(ys).toHaveLength(5);
  for (let i = 1; i < ys.length; i += 1) expect(ys[i]![0] - ys[i - 1]![0]).toBeGreaterThanOrEqual(ys[i]![1] * 1.2);
  expect(paths(scene).some(({ pattern }) => pattern === 'sand')).toBe(true);
  expect(paths(scene).some(({ width }) => width === 1.5)).toBe(true);
});

test('a crack twice as wide is drawn twice as wide until it is too narrow to see; its ruling stands under either thumb', () => {
  const across = (section: SystemSection): number => {
    const { d } = paths(sectionScene(section, view)).find(({ fill }) => fill === 'ground')!;
    const xs = numbersOf(d).filter((_, i) => i % 2 === 0);
    return Math.max(...xs) - Math.min(...xs);
  };
  expect(across({ ...cleft, width_m: 0.016 }) / across({ ...cleft, width_m: 0.008 })).toBeCloseTo(2, 3);
  expect(across({ ...cleft, width_m: 0.0002 })).toBe(across({ ...cleft, width_m: 0.0004 }));
  expect(codes(sectionScene({ ...cleft, width_m: 0.0002 }, view))).toContain('draw.widened');
  const rulings = (mirror: boolean): number => {
    const ruling = paths(sectionScene(patch, { ...view, mirror })).find(({ d }) => /^M[\d.]+ [\d.]+V[\d.]+M.*h-?18/.test(d))!;
    return numbersOf(ruling.d)[0]!;
  };
  expect(rulings(true)).toBeLessThan(100);
  expect(rulings(false)).toBeGreaterThan(250);
});

test('what is brushed between and laid over is drawn and named; a small section has no words', () => {
  const scene = sectionScene(SECTIONS[1]!, view);
  expect(codes(scene)).toEqual(expect.arrayContaining(['draw.baseBonded', 'draw.anchors', 'draw.overIt']));
  expect(paths(scene).some(({ pattern }) => pattern === 'courses')).toBe(true);
  expect(labels(sectionScene(patch, { ...view, width: 64, height: 48, small: true }))).toHaveLength(0);
});
