import { CHOOSE } from '../../choose';
import { ceilingOf, type Figures } from '../../quantity';
import { isResin, type Aid, type Sheet } from '../../shelf';
import type { ChosenPlan, Plan } from '../Plan';
import { mixedOfPlan } from '../systems/mixedOf';
import { perCode, startsWith } from '../steps/perCode';
import type { PlanInput } from '../input/PlanInput';
import { PLAN } from '../constants';

export const KIT_GROUPS = ['material', 'tools', 'protection', 'supply', 'neighbours'] as const;
export type KitGroup = (typeof KIT_GROUPS)[number];

/** One thing to load, with how much of it where that is known. */
export interface KitItem {
  /** what it is ticked by */
  readonly key: string;
  readonly group: KitGroup;
  readonly code: string;
  readonly figures: Figures;
}

/** Tools that a step wants, by the code it starts with. */
const TOOLS: readonly (readonly [step: string, tools: readonly string[]])[] = [
  ['step.breakOut', ['breaker', 'chisels', 'hammer', 'debrisBags']],
  ['step.prepare.wash', ['washer']],
  ['step.prepare.brush', ['wireBrush']],
  ['step.prepare.grind', ['grinder', 'cupWheel', 'shroud']],
  ['step.prepare.blast', ['blaster']],
  ['step.prepare.breakOut', ['breaker', 'chisels']],
  ['step.ready.glossy', ['sander', 'degreaser']],
  ['step.ready.board', ['sander', 'drill', 'screws']],
  ['step.loose', ['scraper']],
  ['step.scrape', ['scraper']],
  ['step.vacuum', ['vacuum']],
  ['step.vacuumDry', ['vacuum']],
  ['step.shoulder', ['saw', 'blade']],
  ['step.cutToe', ['saw', 'blade']],
  ['step.groove', ['saw', 'blade']],
  ['step.cutJoint', ['saw', 'blade', 'rod']],
  ['step.keyed', ['chisels']],
  ['step.anchors', ['anchorPins', 'drillBits']],
  ['step.anchorsAsk', ['anchorPins', 'drillBits']],
  ['step.soak', ['sprayer', 'sponge']],
  ['step.dustDamp', ['sprayer']],
  ['step.bond', ['bondBrush']],
  ['step.measure.weight', ['scale']],
  ['step.measure.volume', ['jugs']],
  ['step.measure.parts', ['measuringBottles']],
  ['step.lift', ['drill', 'paddle', 'pails', 'trowel', 'float']],
  ['step.spread', ['drill', 'paddle', 'pails', 'trowel', 'squeegee']],
  ['step.pressIn', ['drill', 'paddle', 'pails']],
  ['step.riser.formed', ['forms', 'props', 'releaseAgent']],
  ['step.riser', ['edgeTrowel']],
  ['step.texture', ['finishTool']],
  ['step.rubFlush', ['rubbingStone']],
  ['step.grindFlush', ['grinder', 'cupWheel', 'shroud', 'straightEdge']],
  ['step.rubIn', ['drill', 'paddle', 'pails', 'trowel']],
  ['step.openGroove', ['grinder', 'blade', 'trowel']],
  ['step.sealant', ['sealantGun', 'toolingSpoon']],
  ['step.sandBed', ['drySand']],
  ['step.crack.sandInResin', ['drySand']],
  ['step.crack', ['squeezeBottles']],
  ['step.cure', ['cureSheet']],
];

/** What runs on the mains. */
const POWERED = new Set(['sander', 'breaker', 'grinder', 'saw', 'drill', 'vacuum', 'blaster', 'washer']);
/** What is loud. */
const LOUD = new Set(['sander', 'breaker', 'grinder', 'saw', 'blaster', 'vacuum']);

const item = (group: KitGroup, code: string, figures: Figures = {}, key = code): KitItem => ({ key: `kit.${key}`, group, code, figures });

/** How much of a tool there must be, where the plan says it. */
function counted(code: string, chosen: readonly ChosenPlan[], input: PlanInput): Figures {
  if (code === 'pails') return { count: Math.min(PLAN.pailsMost, Math.max(2, ...chosen.map(({ batches }) => batches.count))), pail_m3: input.firm.pail_m3 };
  if (code === 'squeezeBottles') return { count: chosen.reduce((sum, { shots }) => sum + (shots?.count ?? 0), 0) };
  if (code === 'drySand') return { sand_kg: chosen.reduce((sum, { sand_kg }) => sum + (sand_kg ?? 0), 0) };
  const stepsOf = (start: string) => chosen.flatMap(({ steps }) => steps.filter((step) => startsWith(step.code, start)));
  const summed = (figure: string, start: string): number => stepsOf(start).reduce((sum, { figures }) => sum + Number(figures[figure] ?? 0), 0);
  // A wheel goes on from one finding to the next; a blade too.
  if (code === 'cupWheel') return { count: Math.max(1, ceilingOf(summed('area_m2', 'step.prepare.grind') / CHOOSE.discLife_m2)) };
  if (code === 'blade')
    return { count: Math.max(1, ceilingOf((summed('length_m', 'step.shoulder') + summed('length_m', 'step.groove')) / CHOOSE.bladeLife_m)) };
  if (code === 'anchorPins') return { count: summed('number', 'step.anchors') + summed('number', 'step.anchorsAsk') };
  return {};
}

/** The tools of a step, by every start that its code has; there are few codes, and a ranking asks for them ten thousand times. */
const toolsOfStep = perCode((code) => TOOLS.flatMap(([start, wanted]) => (startsWith(code, start) ? wanted : [])));

/** The tools that steps want, each once. */
const toolsFor = (codes: readonly string[]): string[] => [...new Set(codes.flatMap(toolsOfStep))];

const poweredOfStep = perCode((code) => toolsOfStep(code).filter((tool) => POWERED.has(tool)));

/** How many tools that run on the mains the steps want, each counted once. */
export function poweredTools(steps: readonly { readonly code: string }[]): number {
  const wanted = new Set<string>();
  for (const { code } of steps) for (const tool of poweredOfStep(code)) wanted.add(tool);
  return wanted.size;
}

/**
 * What is loaded for a job: its products, the tools its steps want, protection by its dangers, water and power, and what
 * keeps the neighbours clean. Each thing once, however many findings want it.
 */
export function kitOf(input: PlanInput, plan: Plan): KitItem[] {
  const all = mixedOfPlan(plan.findings);
  if (all.length === 0) return [];
  const codes = all.flatMap(({ steps }) => steps.map(({ code }) => code));
  const tools = toolsFor(codes);
  const sheets = all.map(({ sheetId }) => input.sheets.find(({ id }) => id === sheetId) as Sheet);
  const aids = plan.aids.map(({ aidId }) => input.aids?.find(({ id }) => id === aidId) as Aid);
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
          name: input.sheets.find(({ id }) => id === sheetId)?.name ?? '',
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
