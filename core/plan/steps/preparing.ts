import { baseKindOf, CHOOSE, preparationTool, profileReached } from '../../choose';
import { ceilingOf } from '../../quantity';
import { baseMoisture } from './baseMoisture';
import type { RepairStep } from './RepairStep';
import { stepOf } from './stepOf';
import type { Stepped } from './Stepped';

/** Water has no business where the base must be dry. */
export const vacuuming = (context: Stepped): RepairStep => stepOf(baseMoisture(context) === 'dry' ? 'step.vacuumDry' : 'step.vacuum', {});

/** What is cut is brought to its profile; what is not is only made ready. Then the dust goes. */
export function preparing(context: Stepped): RepairStep[] {
  const { element, takeOff, sheet, house } = context;
  const base = baseKindOf(element);
  const area_m2 = takeOff.rough_m2 || takeOff.area_m2;
  if (base !== 'mineral') return [stepOf(`step.ready.${base}`, { area_m2 }), vacuuming(context)];
  const tool = preparationTool(house, sheet);
  const figures = {
    csp: profileReached(house, sheet),
    asked: sheet.profile,
    area_m2,
    passes: CHOOSE.passes[tool],
    discs: tool === 'grind' ? ceilingOf(area_m2 / CHOOSE.discLife_m2) : 0,
  };
  return [stepOf(`step.prepare.${tool}`, figures), vacuuming(context)];
}

/** What is loose comes out before the base is prepared. */
export const breakingOut = (context: Stepped): RepairStep[] => [
  stepOf('step.breakOut', { depth_m: context.takeOff.deepest_m, area_m2: context.takeOff.area_m2, mass_kg: context.takeOff.debris?.mass_kg ?? 0 }),
  ...preparing(context),
];
