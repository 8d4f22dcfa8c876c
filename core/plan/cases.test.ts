import { catalogue } from '../shelf/catalogue';
import type { ElementInput, FindingInput } from '../survey';
import { rectangle } from '../takeoff';
import { crack, element, finding, input, typed } from '../testing/job';
import { computePlan, type PlanInput } from './index';

const found = { id: 'f', elementId: 'e', label: 'A' };
const line = crack.line;
const area = rectangle({ length_m: 3, width_m: 2 });

interface Case {
  readonly name: string;
  readonly element?: Partial<ElementInput>;
  readonly finding: FindingInput;
  readonly more?: Partial<PlanInput>;
  readonly wins: RegExp;
  /** a product that must be refused, and why */
  readonly refused: readonly [product: RegExp, code: string];
}

const MILD = { air_C: typed(20), slab_C: typed(19), powder_C: typed(20), water_C: typed(15), humidity: typed(0.5), wind_ms: typed(1.5), sun: false };

/** A job of every kind of the trade, its winner, and what must not be sold for it. */
const CASES: readonly Case[] = [
  {
    name: 'A: a worn sound slab, broomed, three millimetres, frost and salt',
    element: { exposures: ['frost', 'deicer'] },
    finding: { ...found, kind: 'skim', outline: area, thickness: typed(0.003), profile: 3 },
    wins: /^Broom overlay/,
    refused: [/^Sanded rapid mortar, coarse/, 'thickness.under'],
  },
  {
    name: 'B: a spalled slab found feathered gets the house’s shoulder, and a mortar that must not run out',
    element: { exposures: ['frost', 'deicer', 'wheels'] },
    finding: { ...finding, deepest: typed(0.025), edge: 'feathered' },
    wins: /^(Sanded|Fine) rapid mortar/,
    refused: [/^Rapid concrete, 10/, 'grain.coarse'],
  },
  {
    name: 'B: scaled six millimetres deep, its rim as it was found',
    element: { exposures: ['frost', 'deicer', 'wheels'] },
    finding: { ...finding, deepest: typed(0.006), edge: 'feathered' },
    wins: /^Fine rapid mortar/,
    refused: [/^Sanded rapid mortar, 15/, 'edge.noFeather'],
  },
  {
    name: 'B: an abraded dock, cut shoulder, an inch and a half',
    element: { exposures: ['frost', 'deicer', 'wheels', 'abrasion'] },
    finding,
    wins: /^Sanded rapid mortar/,
    refused: [/^Fine rapid mortar, 10/, 'exposure.notAllowed'],
  },
  {
    name: 'C: a partial-depth replacement, five inches',
    element: { thickness: typed(0.3), exposures: ['frost', 'wheels'] },
    finding: { ...finding, deepest: typed(0.125) },
    wins: /^(Rapid concrete|Structural rapid mortar)/,
    refused: [/^Sanded rapid mortar, 15/, 'thickness.over'],
  },
  {
    name: 'D: a dormant crack, dry',
    element: { moisture: 'dry', exposures: ['frost', 'wheels'], opens: { to: 'vehicles', after_s: 21600 } },
    finding: crack,
    wins: /resin/,
    refused: [/^Rapid concrete, 10/, 'use.other'],
  },
  {
    name: 'D: a crack that moves on a damp floor takes nothing rigid and no resin',
    element: { moisture: 'dry', exposures: ['frost'], opens: null },
    finding: { ...crack, moves: 'yes' },
    wins: /^Flexible joint sealant/,
    refused: [/^One-to-one crack resin$/, 'movement.rigid'],
  },
  {
    name: 'E: a broken nosing, salted',
    element: { kind: 'step', exposures: ['frost', 'deicer'], opens: { to: 'foot', after_s: 21600 } },
    finding: { ...found, kind: 'edge', section: 'triangle', length: typed(1.2), across: typed(0.06), down: typed(0.04) },
    wins: /^(Edge|Sanded rapid|Fine rapid|Structural)/,
    refused: [/^Broom overlay, poly/, 'use.other'],
  },
  {
    name: 'F: render on a brick wall, a quarter inch',
    element: { kind: 'wall', material: 'render', exposures: ['frost', 'sunlight'], opens: null },
    finding: { ...finding, deepest: typed(0.008), edge: 'feathered' },
    wins: /^Render repair mortar/,
    refused: [/^Fine rapid mortar, 10/, 'substrate.notAllowed'],
  },
  {
    name: 'F: a soffit, an inch',
    element: { kind: 'soffit', exposures: ['frost'], opens: null },
    finding: { ...finding, deepest: typed(0.025) },
    wins: /overhead|Render repair|Structural/,
    refused: [/^Sanded rapid mortar, 15/, 'orientation.wrong'],
  },
  {
    name: 'G: a countertop over laminate, an inch and a half',
    element: { kind: 'counter', material: 'laminate', exposures: ['heat'], opens: null, moisture: 'damp' },
    finding: { ...found, kind: 'counter', outline: area, cutouts_m2: [0.2], thickness: typed(0.038), edges: [], stock_m: 2.44, kerf_m: 0.003 },
    wins: /^Countertop mix/,
    refused: [/^Broom overlay, fine/, 'use.other'],
  },
  {
    name: 'H: a void under water',
    element: { kind: 'wall', moisture: 'wet', exposures: ['immersion'], opens: null },
    finding: { ...found, kind: 'void', outline: rectangle({ length_m: 0.5, width_m: 0.4 }), deepest: typed(0.06), shape: 'pan' },
    wins: /^Anti-washout mortar/,
    refused: [/^Structural rapid mortar, poly/, 'use.other'],
  },
  {
    name: 'K: a wedge to a threshold',
    element: { exposures: ['frost', 'wheels'] },
    finding: { ...found, kind: 'wedge', run: typed(0.6), rise: typed(0.02), width: typed(1.5) },
    wins: /^Fine rapid mortar/,
    refused: [/^Rapid concrete, 10/, 'use.other'],
  },
  {
    name: 'K: a joint that moves',
    element: { moisture: 'dry', exposures: ['frost', 'deicer', 'wheels'], opens: null },
    finding: {
      ...found,
      kind: 'groove',
      line,
      width: typed(0.014),
      depth: typed(0.03),
      blade_m: 0.006,
      moves: { between_m: 4, range_K: 60, movementClass: 0.25 },
    },
    wins: /^Flexible joint sealant/,
    refused: [/^Filled crack resin, three/, 'movement.rigid'],
  },
  {
    name: 'B: a slab in the sun takes no mortar that is gone before it is finished',
    element: { exposures: ['frost'] },
    finding,
    more: {
      conditions: { ...MILD, air_C: typed(31), slab_C: typed(34), powder_C: typed(33), water_C: typed(28), sun: true },
      crew: { ...input.crew, hands: 1, finish_s: 600 },
    },
    wins: /^(Sanded|Fine) rapid mortar, (15|coarse|10)/,
    refused: [/^Fine rapid mortar, 5/, 'lives.short'],
  },
  {
    name: 'F: a wall dashed and pale beside it',
    element: { kind: 'wall', material: 'render', exposures: ['frost'], opens: null, texture: 'dash', colour: 'pale beige' },
    finding: { ...finding, deepest: typed(0.012), edge: 'feathered' },
    wins: /^Render repair mortar, poly/,
    refused: [/^Sanded rapid mortar, 15/, 'substrate.notAllowed'],
  },
  {
    name: 'I, J: a firm that scrubs and fibres deep patches still gets the mortar for the depth',
    element: { exposures: ['frost', 'wheels'], thickness: typed(0.2) },
    finding: { ...finding, deepest: typed(0.07) },
    more: { house: { bond: 'scrub', reinforcement: 'fibre' } },
    wins: /^Rapid concrete/,
    refused: [/^Portland topping mortar, fine/, 'thickness.over'],
  },
];

test.each(CASES)('$name', ({ element: change = {}, finding, more = {}, wins, refused: [product, code] }) => {
  const plan = computePlan({ ...input, conditions: MILD, elements: [{ ...element, opens: null, ...change }], findings: [finding], treatments: [], ...more });
  const { ranking } = plan.findings[0]!;
  const named = (sheetId: string): string => catalogue.find(({ id }) => id === sheetId)!.name;
  const [best] = ranking;
  expect([best!.verdict === 'no', best!.reasons.filter(({ verdict }) => verdict === 'no')]).toEqual([false, []]);
  expect(named(best!.sheetId)).toMatch(wins);
  const out = ranking.find(({ sheetId }) => product.test(named(sheetId)))!;
  expect(out.verdict).toBe('no');
  expect(out.reasons.map((reason) => reason.code)).toContain(code);
});
