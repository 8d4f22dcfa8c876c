import { rate } from '../../setting';
import type { Interval, Sheet } from '../../shelf';
import type { RepairStep } from './RepairStep';
import type { Stepped } from './Stepped';

/** When it is hard enough to be rubbed or ground, s at the reference; at once where its sheet is silent. */
export const readyToRub = ({ milestones }: Sheet): number => milestones.grind ?? milestones.final ?? 0;

/** An interval of the sheet at the slab's temperature. */
export function atSlab(
  { sheet, slab_C, Ea_J_mol }: Pick<Stepped, 'sheet' | 'slab_C' | 'Ea_J_mol'>,
  interval: Interval | { readonly least_s: number; readonly most_s: null } | undefined,
): RepairStep['after'] {
  if (!interval) return null;
  const k = rate({ temperature_C: slab_C, Ea_J_mol, reference_C: sheet.reference_C });
  return { least_s: interval.least_s / k, most_s: interval.most_s === null ? null : interval.most_s / k };
}
