import { TAKEOFF } from '../../takeoff';
import { atSlab, readyToRub } from './atSlab';
import type { RepairStep } from './RepairStep';
import { stepOf } from './stepOf';
import type { Stepped } from './Stepped';

/** A line filled with rigid resin: shots up to a crown, a hard scratch, ground flush, and a look for what stayed low. */
export const resinShots = (context: Stepped, way: 'neat' | 'sandInResin' | 'bedAndCap' | 'filler', width_m: number): RepairStep[] => [
  ...(context.element.marks?.some(({ what }) => what === 'fall') ? [stepOf('step.dam', {})] : []),
  stepOf(`step.crack.${way}`, { width_m, crown_m: TAKEOFF.crown_m }, { sheetId: context.sheet.id }),
  stepOf('step.grindFlush', {}, { after: atSlab(context, { least_s: readyToRub(context.sheet), most_s: null }), condition: 'scratch' }),
  stepOf('step.lookLow', {}),
];
