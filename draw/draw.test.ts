import type { SystemSection } from '@tufa/core/plan';
import DxfParser from 'dxf-parser';
import { toDxf } from './toDxf';
import {
  draftScene,
  isLine,
  legendScene,
  lifeScene,
  PLAN_KINDS,
  nicePace,
  pathOf,
  planScale,
  planScene,
  ruledEdge,
  sectionScene,
  systemsHeight,
  systemsScene,
  toSvg,
  bottleScene,
  vesselScene,
  type Label,
  type Scene,
} from './index';
import { deepestOf, strataHandle, strataScale, strataScene } from './strataScene';

const textOf = (label: Label): string => ('text' in label ? label.text : '');
const codeOf = (label: Label): string => ('code' in label ? label.code : '');

const outline = [
  [0, 0],
  [6, 0],
  [6, 4],
  [0, 4],
] as const;
const colours = {
  ground: '#fff',
  sheet: '#fff',
  sunk: '#eee',
  ink: '#000',
  faint: '#333',
  line: '#999',
  edge: '#666',
  act: '#060',
  onAct: '#fff',
  caution: '#740',
  stop: '#900',
};

const numbersOf = (scene: Scene): number[] =>
  scene.shapes.flatMap((shape) => (shape.type === 'path' ? (shape.d.match(/-?\d+(\.\d+)?/g) ?? []).map(Number) : [shape.x, shape.y]));

test('the plan keeps its scale both ways: a tap comes back where it was put', () => {
  const scale = planScale({ outline, width: 340, height: 240 });
  expect([scale.fromX(scale.toX(1.25)), scale.fromY(scale.toY(3.5))].map((v) => Math.round(v * 1e6) / 1e6)).toEqual([1.25, 3.5]);
  const scene = planScene({
    outline,
    findings: [
      {
        id: 'a',
        label: 'A',
        points: [
          [1, 1],
          [2, 1],
          [2, 2],
        ],
        depth: '1 in',
      },
    ],
    width: 340,
    height: 240,
    unit_m: 0.3048,
    unit: 'ft',
  });
  expect(scene.shapes.some((shape) => shape.type === 'label' && textOf(shape.label).startsWith('A'))).toBe(true);
  expect(Math.max(...numbersOf(scene))).toBeLessThanOrEqual(340);
});

const section: SystemSection = {
  kind: 'spall',
  name: 'Mortar',
  deepest_m: 0.038,
  on: 'slab',
  thickness_m: 0.15,
  shape: 'dish',
  edge: 'shoulder',
  lifts: 1,
  bond: 'self',
  grain_m: 0.0016,
  moisture: 'damp',
  base: 'concrete',
  fill: 'mortar',
  csp: 5,
  crown_m: 0,
  overlay: null,
  over: [],
  anchors: false,
};
const boxed = { width: 350, height: 240, unit_m: 0.001, unit: 'mm' };

test('whole costs: a bar each to one scale, the range under it, the best inked heavier', () => {
  const bar = {
    number: '1',
    name: 'Cheapest',
    material_minor: 100_00,
    labour_minor: 300_00,
    rest_minor: 100_00,
    low_minor: 450_00,
    high_minor: 600_00,
    best: true,
  };
  const scene = systemsScene({ width: 350, bars: [bar, { ...bar, number: '2', labour_minor: 50_00, high_minor: 280_00, low_minor: 220_00, best: false }] });
  const boxes = scene.shapes.flatMap((s) => (s.type === 'path' && s.d.endsWith('Z') && !s.d.includes('h16') ? [s] : []));
  expect(boxes).toHaveLength(6);
  const right = (i: number): number => Math.max(...(boxes[i]!.d.match(/[\d.]+/g) ?? []).map(Number).filter((_, at) => at % 2 === 0)) - 2;
  expect(right(5) / right(2)).toBeCloseTo(0.5, 2);
  expect([boxes[0]!.width, boxes[5]!.width]).toEqual([3, 1.5]);
  expect(systemsHeight(2)).toBe(scene.height);
});

const ends = (i: number) => ({ flowEnding: i > 5 ? ('skin' as const) : ('flow' as const), finishEnding: 'finish' as const, flowLife_s: 1200 - i * 70 });
const columns = Array.from({ length: 9 }, (_, i) => ({ at: i * 5, flows_s: 900 - i * 60, finishes_s: 1300 - i * 80, sets_s: 2400 - i * 150, ...ends(i) }));
const frame = { width: 350, height: 300, least: 0, most: 40, deepest_s: 3000 };

test('strata: the bands lie in order, the handle stands at its value and its minutes never touch', () => {
  const scale = strataScale(frame);
  expect(scale.fromX(scale.toX(17))).toBeCloseTo(17, 6);
  // Under a left thumb the ruled edge stands on the left and the field keeps its width.
  const left = strataScale({ ...frame, mirror: true });
  expect(left.toX(40) - left.toX(0)).toBeCloseTo(scale.toX(40) - scale.toX(0), 6);
  expect(left.toX(0)).toBeGreaterThan(scale.toX(0));
  expect(left.fromX(left.toX(17))).toBeCloseTo(17, 6);
  expect(
    strataScene({ frame, columns, unit: 'min' })
      .shapes.filter((s) => s.type === 'path' && s.pattern)
      .map((s) => (s.type === 'path' ? s.pattern : '')),
  ).toEqual(['set', 'stiff', 'mortar', 'wet']);
  const skins = (drawn: typeof columns): number =>
    strataScene({ frame, columns: drawn, unit: 'min' }).shapes.filter((shape) => shape.type === 'label' && codeOf(shape.label) === 'strata.skin').length;
  expect([skins(columns), skins(columns.slice(0, 5))]).toEqual([1, 0]);
  const close = { at: 20, flows_s: 600, finishes_s: 640, sets_s: 700 };
  const labels = strataHandle({
    frame,
    column: close,
    value: '88 °F',
    ticks: [],
    milestones: [{ name: 'foot', after_s: 4000 }],
    chance: '1 in 10',
    ghost: { at: 5, text: 'was 5, +3 min' },
  }).shapes.flatMap((s) => (s.type === 'label' && s.weight === 800 ? [s] : []));
  expect(labels.map(({ label }) => textOf(label))).toEqual(['88 °F', '10', '11', '12']);
  for (let i = 2; i < labels.length; i += 1) expect(labels[i]!.y - labels[i - 1]!.y).toBeGreaterThanOrEqual(labels[i]!.size * 0.9);
  expect(deepestOf(columns, 20) % 300).toBe(0);
});

test('ruler, vessel and life stay inside their boxes and count', () => {
  expect([0.7, 3, 12, 0.024].map(nicePace)).toEqual([0.5, 2, 10, 0.02]);
  const marks = ruledEdge({ x: 0, from: 0, to: 100, perUnit: 10, major: 5, minor: 1, unit: 'ft' }).flatMap((s) =>
    s.type === 'label' ? [textOf(s.label)] : [],
  );
  expect(marks).toEqual(['0 ft', '5', '10']);
  for (const scene of [
    vesselScene({ width: 100, height: 300, pail_m3: 0.0189, water_m3: 0.002, mixed_m3: 0.007, unit_m3: 0.001, unit: 'L' }),
    lifeScene({ width: 300, height: 64, planPlace_s: 400, planFinish_s: 600, placed_s: 350, ended_s: 900, lost: true }),
  ])
    expect(numbersOf(scene).every((value) => Number.isFinite(value) && value <= Math.max(scene.width, scene.height) + 8)).toBe(true);
});

test('the lines of a vessel stand where their figures are on its own ruled edge', () => {
  const box = { width: 156, height: 330, unit_m3: 0.001, unit: 'L' };
  const levels = ({ shapes }: Scene): number[] =>
    shapes.flatMap((shape) =>
      shape.type === 'path' && shape.stroke === 'ink' && shape.width === 3 ? [...shape.d.matchAll(/M[\d.]+ ([\d.]+)H/g)].map(([, y]) => Number(y)) : [],
    );
  // The ruled edge counts upward from the bottom of what holds it: a litre is so high everywhere.
  const [water, mixed] = levels(vesselScene({ ...box, pail_m3: 0.02, water_m3: 0.002, mixed_m3: 0.007 }));
  expect((322 - water!) / (322 - 8)).toBeCloseTo(0.002 / 0.02, 9);
  expect((322 - mixed!) / (322 - 8)).toBeCloseTo(0.007 / 0.02, 9);
  const shoulder = 8 + 314 * 0.3;
  const marks = [0.0001, 0.00025].map((level_m3) => ({ level_m3, text: 'A' }));
  const [a, b] = levels(bottleScene({ ...box, bottle_m3: 0.00075, unit_m3: 1e-4, marks }));
  expect((322 - a!) / (322 - shoulder)).toBeCloseTo(0.1 / 0.75, 9);
  expect((322 - b!) / (322 - shoulder)).toBeCloseTo(0.25 / 0.75, 9);
  // Marks that lie close keep their words apart.
  const close = bottleScene({ ...box, bottle_m3: 0.00075, unit_m3: 1e-4, mirror: true, marks: [0.0001, 0.00011].map((level_m3) => ({ level_m3, text: 'A' })) });
  const words = close.shapes.flatMap((shape) => (shape.type === 'label' && 'text' in shape.label && shape.label.text === 'A' ? [shape.y] : []));
  expect(words[0]! - words[1]!).toBeGreaterThanOrEqual(22);
});

test('a scene turns into an SVG that escapes words and names its patterns', () => {
  const svg = toSvg({
    scene: sectionScene({ ...section, name: '<Mortar & co>' }, boxed),
    speak: (label) => ('text' in label ? label.text : JSON.stringify(label)),
    colours,
  });
  expect(svg).toContain('&lt;Mortar &amp; co&gt;');
  expect(svg).toContain(`id="${/url\(#(mortar[\d.]*)\)/.exec(svg)?.[1]}"`);
  expect(svg).not.toMatch(/NaN|undefined/);
  expect(
    pathOf(
      [
        [0, 0],
        [1.005, 2],
      ],
      false,
    ),
  ).toBe('M0 0L1 2');
});

const room = {
  outline: [
    [0, 0],
    [6, 0],
    [6, 4],
    [0, 4],
  ] as const,
  width: 320,
  height: 260,
  unit_m: 1,
  unit: 'm',
};
const lies = PLAN_KINDS.map((kind, i) => ({
  id: kind,
  label: kind,
  kind,
  points: (isLine(kind)
    ? [
        [0.5 * i + 0.2, 1],
        [0.5 * i + 0.4, 3],
      ]
    : [
        [0.5 * i + 0.2, 1],
        [0.5 * i + 0.6, 1],
        [0.5 * i + 0.4, 3],
      ]) as [number, number][],
}));

test('a plan tells its kinds apart without colour, looks closer about a place, and draws any number of taps as two paths', () => {
  const scene = planScene({
    ...room,
    findings: lies,
    north_deg: 30,
    openings: [
      [
        [4, 1],
        [5, 1],
        [5, 3],
        [4, 3],
      ],
    ],
  });
  const looks = lies.map(({ kind }) =>
    JSON.stringify(
      legendScene({ kinds: [kind], width: 200 })
        .shapes.filter(({ type }) => type === 'path')
        .map((shape) => ({ ...shape, stroke: '' })),
    ),
  );
  expect(new Set(looks).size).toBe(PLAN_KINDS.length);
  expect(JSON.stringify(scene)).toContain('draw.north');
  const taps = Array.from({ length: 2000 }, (_, i) => ({ at: [(i % 50) / 10, i / 600] as const, hollow: i % 3 === 0 }));
  expect(planScene({ ...room, findings: [], taps }).shapes.length - planScene({ ...room, findings: [] }).shapes.length).toBe(2);
  const look = { zoom: 3, x: -100, y: -50 };
  const [whole, close] = [planScale(room), planScale({ ...room, look })];
  expect(close.perMetre).toBeCloseTo(3 * whole.perMetre, 9);
  expect(close.toX(2)).toBeCloseTo(3 * whole.toX(2) - 100, 9);
  expect(close.fromY(close.toY(1.7))).toBeCloseTo(1.7, 12);
  const many = Array.from({ length: 100 }, (_, i) => ({ at: [0.2, i / 40] as const, text: `${i}` }));
  const words = (input: object): { x: number; y: number }[] =>
    planScene({ ...room, findings: [], readings: many, ...input }).shapes.flatMap((shape) =>
      shape.type === 'label' && /^[0-9]+$/.test(textOf(shape.label)) ? [shape] : [],
    );
  expect(words({})).toEqual([]);
  for (const zoom of [3, 12]) {
    const said = words({ look: { zoom, x: 0, y: 0 } });
    expect(said.length).toBeGreaterThan(3);
    // No word over another, however close one looks.
    const apart = said.flatMap((a, i) => said.slice(i + 1).map((b) => Math.max(Math.abs(a.y - b.y) / 13, Math.abs(a.x - b.x) / 16)));
    expect(Math.min(...apart)).toBeGreaterThan(1);
  }
});

test('what is drawn carries a handle at every corner, and crossing sides are broken lines', () => {
  const scale = planScale(room);
  const points = [
    [0, 0],
    [1, 1],
    [1, 0],
  ] as const;
  const scene = draftScene({ points, kind: 'spall', chosen: 1, crossing: false, width: 320, height: 260, scale });
  expect(scene.shapes).toHaveLength(4);
  expect(draftScene({ points, kind: 'spall', chosen: null, crossing: true, width: 320, height: 260, scale }).shapes[0]).toMatchObject({
    dash: '6 5',
    stroke: 'stop',
  });
});

test('a reader of DXF finds the plan: layers, lengths, y upwards', () => {
  const parsed = new DxfParser().parseSync(
    toDxf({ outline: room.outline, findings: lies, taps: [{ at: [1, 2], hollow: true }], readings: [{ at: [2, 1], text: '38 mm' }] }),
  )!;
  const on = (layer: string) =>
    parsed.entities.filter((entity) => entity.layer === layer) as unknown as {
      vertices: { x: number; y: number }[];
      shape?: boolean;
      center?: object;
      text?: string;
      type: string;
    }[];
  expect(on('element')[0]).toMatchObject({
    shape: true,
    vertices: [
      { x: 0, y: 0 },
      { x: 6, y: 0 },
      { x: 6, y: -4 },
      { x: 0, y: -4 },
    ],
  });
  for (const { kind, points } of lies) expect(on(kind)[0]!.vertices.map(({ x, y }) => [x, -y])).toEqual(points);
  expect(on('crack')[0]!.shape).toBe(false);
  expect(on('hollow').at(-1)).toMatchObject({ type: 'CIRCLE', center: { x: 1, y: -2 } });
  expect(on('readings')[0]).toMatchObject({ text: '38 mm' });
});
