import { CHOOSE } from '../../choose';
import type { Sheet, Texture } from '../../shelf';
import type { ElementInput } from '../../survey';
import { atSlab } from './atSlab';
import type { RepairStep } from './RepairStep';
import { stepOf } from './stepOf';
import type { Stepped } from './Stepped';

/** How a face is finished: as its surroundings are, where the sheet takes that; else as the sheet is. */
const faceTexture = (element: ElementInput, sheet: Sheet): Texture | undefined =>
  sheet.textures?.find((texture) => texture === element.texture) ?? sheet.textures?.[0];

/** A texture that rubbing would spoil. */
const isTextured = (texture: Texture | undefined): boolean => texture !== undefined && !['smooth', 'float', 'polished'].includes(texture);

/** The face of what is laid while it takes it, of all of it or of a part of its area; nothing under an overlay, which is textured itself. */
export function textured({ element, sheet, covered }: Stepped, part = 1): RepairStep[] {
  const texture = faceTexture(element, sheet);
  if (covered) return [];
  return [texture ? stepOf('step.texture', { texture, part }) : stepOf('step.finish', { part })];
}

/** What is seen is textured or finished, rubbed flush where it was left high, cured and coated. */
export function facing(context: Stepped, high = false): RepairStep[] {
  const { element, sheet, aids, covered } = context;
  const coat = aids.find(({ role }) => role === 'coat');
  const recoat = atSlab(context, sheet.intervals?.recoat);
  const coatAfter = coat ? { least_s: Math.max(coat.waits_s, recoat?.least_s ?? 0), most_s: null } : recoat;
  const rub = sheet.milestones.grind ?? sheet.milestones.final;
  // A broomed or textured face is never rubbed: what stands high comes off before the texture goes on.
  const rubbed = covered || !isTextured(faceTexture(element, sheet));
  return [
    ...(high && !rubbed ? [stepOf('step.strikeOff', { crown_m: CHOOSE.crown_m })] : []),
    ...textured(context),
    ...(rub && high && rubbed
      ? [stepOf('step.rubFlush', { crown_m: CHOOSE.crown_m }, { after: atSlab(context, { least_s: rub, most_s: null }), condition: 'scratch' })]
      : []),
    ...(sheet.water && !covered ? [stepOf('step.cure', {}, { sheetId: aids.find(({ role }) => role === 'cure')?.aidId ?? null, condition: 'afterSet' })] : []),
    ...((sheet.milestones.coat || coat) && !covered ? [stepOf('step.coat', {}, { sheetId: coat?.aidId ?? null, after: coatAfter, condition: 'dryFace' })] : []),
  ];
}
