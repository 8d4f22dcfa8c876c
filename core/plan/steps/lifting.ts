import { orientationOf } from '../../survey';
import { atSlab } from './atSlab';
import type { RepairStep } from './RepairStep';
import { riserMethod } from './riserMethod';
import { stepOf } from './stepOf';
import type { Stepped } from './Stepped';

/** Lift on lift to the top, each inside the wait of the sheet; of all of it, or of a part of its area. */
export function lifting(context: Stepped, placed: 'step.lift' | 'step.spread' | 'step.pressIn' = 'step.lift', part = 1): RepairStep[] {
  const { element, takeOff, sheet, lifts, aids } = context;
  const upright = orientationOf(element.kind) !== 'horizontal';
  // What hangs begins with a tight key coat, and each lift is left to stiffen.
  const key = upright && sheet.water && placed !== 'step.pressIn' ? [stepOf('step.keyCoat', {}, { sheetId: sheet.id })] : [];
  return [
    ...key,
    ...Array.from({ length: lifts }, (_, i) =>
      stepOf(
        placed,
        { lift: i + 1, lifts, count: lifts, part },
        {
          sheetId: sheet.id,
          thickness_m: takeOff.deepest_m / lifts,
          after: i > 0 ? atSlab(context, sheet.intervals?.layer) : (aids.find(({ role }) => role === 'bond')?.open ?? null),
          condition: i === 0 ? null : upright ? 'stiff' : 'wetEdge',
        },
      ),
    ),
  ];
}

/** Lifts against a face that stands: formed, held by the trowel or skimmed. */
export function liftingToFace(context: Stepped, forms = 1): RepairStep[] {
  const method = riserMethod(context.house, context.takeOff.deepest_m);
  const face = method === 'formed' ? stepOf('step.riser.formed', { forms }) : stepOf(`step.riser.${method}`, {});
  return [face, ...lifting(context)];
}
