import { CHOOSE } from '../../choose';
import { ceilingOf, type Figures } from '../../quantity';
import { isResin } from '../../shelf';
import type { ChosenPlan, Plan } from '../Plan';
import { mixedOfPlan } from '../systems/mixedOf';
import { POWERED, toolsOf } from '../steps/toolsOf';
import { stepsWith } from '../steps/RepairStep';
import type { Tool } from '../steps/STEPS';
import { sumOf } from '../input/sumOf';
import type { PlanInput } from '../input/PlanInput';
import { PLAN } from '../constants';
import { knownAid, knownSheet, sheetOf } from '../input/sheetOf';

/** In the order in which a van is loaded. */
export const KIT_GROUPS = ['material', 'tools', 'protection', 'supply', 'neighbours'] as const;
export type KitGroup = (typeof KIT_GROUPS)[number];

/** What is loaded beside the tools. */
export const KIT_CODES = [
  'product',
  'aid',
  'gloves',
  'glasses',
  'respirator',
  'ears',
  'boots',
  'eyeWash',
  'nitrile',
  'wipes',
  'water',
  'power',
  'breakerPlug',
  'washBin',
  'tape',
  'cover',
  'barrier',
] as const;
export type KitCode = Tool | (typeof KIT_CODES)[number];

/** One thing to load, with how much of it where that is known. */
export interface KitItem {
  /** what it is ticked by */
  readonly key: string;
  readonly group: KitGroup;
  readonly code: KitCode;
  readonly figures: Figures;
}

/** What is loud. */
const LOUD: ReadonlySet<Tool> = new Set(['sander', 'breaker', 'grinder', 'saw', 'blaster', 'vacuum']);

const item = (group: KitGroup, code: KitCode, figures: Figures = {}, key: string = code): KitItem => ({ key: `kit.${key}`, group, code, figures });

/** How much of a tool there must be, where the plan says it. */
function counted(tool: Tool, chosen: readonly ChosenPlan[], input: PlanInput): Figures {
  const steps = chosen.flatMap((system) => system.steps);
  switch (tool) {
    case 'pails':
      return { count: Math.min(PLAN.pailsMost, Math.max(2, ...chosen.map(({ batches }) => batches.count))), pail_m3: input.firm.pail_m3 };
    case 'squeezeBottles':
      return { count: sumOf(chosen, ({ shots }) => shots?.count ?? 0) };
    case 'drySand':
      return { sand_kg: sumOf(chosen, ({ sand_kg }) => sand_kg ?? 0) };
    case 'cupWheel':
      // A wheel goes on from one finding to the next; a blade too.
      return { count: Math.max(1, ceilingOf(sumOf(stepsWith(steps, 'step.prepare.grind'), ({ figures }) => figures.area_m2) / CHOOSE.discLife_m2)) };
    case 'blade': {
      const shoulders_m = sumOf(stepsWith(steps, 'step.shoulder'), ({ figures }) => figures.length_m);
      const grooves_m = sumOf(stepsWith(steps, 'step.groove'), ({ figures }) => figures.length_m * figures.passes);
      return { count: Math.max(1, ceilingOf((shoulders_m + grooves_m) / CHOOSE.bladeLife_m)) };
    }
    case 'anchorPins':
      return { count: sumOf(stepsWith(steps, 'step.anchors', 'step.anchorsAsk'), ({ figures }) => figures.number) };
    default:
      return {};
  }
}

/**
 * What is loaded for a job: its products, the tools its steps want, protection by its dangers, water and power, and what
 * keeps the neighbours clean. Each thing once, however many findings want it.
 */
export function kitOf(input: PlanInput, plan: Plan): KitItem[] {
  const all = mixedOfPlan(plan.findings);
  if (all.length === 0) return [];
  const tools = toolsOf(all.flatMap(({ steps }) => steps));
  const sheets = all.map(({ sheetId }) => knownSheet(input, sheetId));
  const aids = plan.aids.map(({ aidId }) => knownAid(input, aidId));
  const hazards = new Set([...sheets, ...aids].flatMap((sheet) => sheet.hazards));
  const dust = hazards.has('silica') || tools.some((tool) => ['grinder', 'saw', 'breaker', 'blaster', 'sander'].includes(tool));
  const water_m3 = all.reduce((sum, { water }) => sum + (water?.total_m3 ?? 0), 0);
  const masking = plan.elements.flatMap((element) => (element.masking ? [element.masking] : []));
  return [
    ...plan.orders.map(({ sheetId, chosen: order }) =>
      item(
        'material',
        'product',
        {
          name: sheetOf(input, sheetId)?.name ?? '',
          count: order.packages.reduce((sum, { count }) => sum + count, 0),
          mass_kg: order.bought_kg,
        },
        sheetId,
      ),
    ),
    ...plan.aids.map(({ aidId, packages }, i) =>
      item('material', 'aid', { name: aids[i]!.name, count: packages.reduce((sum, { count }) => sum + count, 0) }, aidId),
    ),
    ...tools.map((tool) => item('tools', tool, counted(tool, all, input))),
    item('protection', 'gloves'),
    item('protection', 'glasses'),
    ...(dust ? [item('protection', 'respirator')] : []),
    ...(tools.some((tool) => LOUD.has(tool)) ? [item('protection', 'ears')] : []),
    ...(hazards.has('wetCement') ? [item('protection', 'boots'), item('protection', 'eyeWash')] : []),
    ...(sheets.some(isResin) ? [item('protection', 'nitrile'), item('protection', 'wipes')] : []),
    ...(water_m3 > 0 ? [item('supply', 'water', { water_m3 })] : []),
    ...(tools.some((tool) => POWERED.has(tool)) ? [item('supply', 'power'), item('supply', 'breakerPlug')] : []),
    item('supply', 'washBin'),
    ...(masking.length > 0
      ? [
          item('neighbours', 'tape', { tape_m: masking.reduce((sum, { tape_m }) => sum + tape_m, 0) }),
          item('neighbours', 'cover', { sheet_m2: masking.reduce((sum, { sheet_m2 }) => sum + sheet_m2, 0) }),
        ]
      : []),
    item('neighbours', 'barrier'),
  ];
}
