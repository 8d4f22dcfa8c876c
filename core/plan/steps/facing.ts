import { CHOOSE } from '../../choose';
import { atSlab } from './atSlab';
import type { RepairStep } from './RepairStep';
import { stepOf } from './stepOf';
import type { Stepped } from './Stepped';

/** What is seen is textured or finished, rubbed flush where it was left high, cured and coated. */
export function facing(context: Stepped, high = false): RepairStep[] {
  const { element, sheet, aids, covered } = context;
  const coat = aids.find(({ role }) => role === 'coat');
  const recoat = atSlab(context, sheet.intervals?.recoat);
  const coatAfter = coat ? { least_s: Math.max(coat.waits_s, recoat?.least_s ?? 0), most_s: null } : recoat;
  const rub = sheet.milestones.grind ?? sheet.milestones.final;
  // As its surroundings are finished, where the sheet takes that.
  const texture = sheet.textures?.find((texture) => texture === element.texture) ?? sheet.textures?.[0];
  return [
    texture ? stepOf('step.texture', { texture }) : stepOf('step.finish', {}),
    ...(rub && high
      ? [stepOf('step.rubFlush', { crown_m: CHOOSE.crown_m }, { after: atSlab(context, { least_s: rub, most_s: null }), condition: 'scratch' })]
      : []),
    ...(sheet.water && !covered ? [stepOf('step.cure', {}, { sheetId: aids.find(({ role }) => role === 'cure')?.aidId ?? null, condition: 'afterSet' })] : []),
    ...((sheet.milestones.coat || coat) && !covered ? [stepOf('step.coat', {}, { sheetId: coat?.aidId ?? null, after: coatAfter, condition: 'dryFace' })] : []),
  ];
}
