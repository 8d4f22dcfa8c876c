import { rate } from '../../setting';
import { activationOf, type Sheet } from '../../shelf';
import type { MilestoneTime } from './milestones';

/** When a system carries what is asked, s from its first water. */
export interface Opening {
  readonly to: 'foot' | 'vehicles';
  readonly after_s: number;
  /** its class alone says so: tested before anybody is let on */
  readonly extrapolated?: true;
}

/** How long after its first water more of the same (`layer`) or another product (`recoat`) may follow, s at the slab: as its sheet says, else once it has set. */
const waitOf = (sheet: Sheet, over: 'layer' | 'recoat', slab_C: number): number =>
  (sheet.intervals?.[over].least_s ?? sheet.milestones.final ?? 0) /
  rate({ temperature_C: slab_C, Ea_J_mol: activationOf(sheet), reference_C: sheet.reference_C });

/** From the first water of the first lift to that of the last, s. */
const lastLiftAfter = ({ sheet, lifts, slab_C }: { sheet: Sheet; lifts: number; slab_C: number }): number => (lifts - 1) * waitOf(sheet, 'layer', slab_C);

/** From the first water of a fill until its overlay may go on, s. */
export const overlayAfter = ({ sheet, lifts, slab_C }: { sheet: Sheet; lifts: number; slab_C: number }): number =>
  lastLiftAfter({ sheet, lifts, slab_C }) + waitOf(sheet, 'recoat', slab_C);

/**
 * When a system carries what is asked: its last lift waits for those under it, its overlay for the fill, and the later of
 * the two opens it.
 *
 * @param overlay when its overlay opens, from the overlay's own first water; null where it never does, absent without one
 * @returns nothing where a sheet of it names no such milestone
 */
export function opensOf({
  to,
  sheet,
  lifts,
  slab_C,
  milestone,
  overlay,
}: {
  to: Opening['to'];
  sheet: Sheet;
  lifts: number;
  slab_C: number;
  /** of one lift, from its own first water */
  milestone: MilestoneTime | null;
  overlay?: Opening | null;
}): Opening | null {
  if (!milestone || overlay === null) return null;
  const fill_s = lastLiftAfter({ sheet, lifts, slab_C }) + milestone.after_s;
  const over_s = overlay ? overlayAfter({ sheet, lifts, slab_C }) + overlay.after_s : 0;
  const extrapolated = milestone.extrapolated || overlay?.extrapolated;
  return { to, after_s: Math.max(fill_s, over_s), ...(extrapolated ? { extrapolated: true } : {}) };
}
