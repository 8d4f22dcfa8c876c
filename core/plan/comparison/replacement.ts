import { DAY, type WorkTask } from '../../day';
import { rate, SETTING } from '../../setting';
import { netArea, supportOf, type ElementInput } from '../../survey';
import { debrisOf, perimeter } from '../../takeoff';
import type { PlanInput } from '../input/PlanInput';
import { PLAN } from '../constants';

/** Breaking an element out whole and casting it anew. */
export interface Replacement {
  readonly elementId: string;
  readonly area_m2: number;
  readonly volume_m3: number;
  readonly debris_kg: number;
  readonly tasks: readonly WorkTask[];
  /** after the placing, s: foot and vehicles */
  readonly opens: { readonly foot_s: number; readonly vehicles_s: number };
  /** what is carried on supports is not replaced without a licensed engineer */
  readonly licensed: boolean;
}

/** One element replaced, at the slab's temperature: demolition, forms, placing, finishing, and the forms off the next day. */
export function replacementOf(element: ElementInput, { conditions, firm }: Pick<PlanInput, 'conditions' | 'firm'>): Replacement {
  const area_m2 = netArea(element);
  const volume_m3 = area_m2 * element.thickness.value;
  const edge_m = perimeter(element.outline);
  const debris = debrisOf(volume_m3);
  // What stands is formed on both faces; what lies is formed at its edge.
  const stands = element.kind === 'wall' || element.kind === 'soffit';
  const forms_s = edge_m / DAY.formLine_m_s + (stands ? (2 * area_m2) / DAY.finish_m2_s : 0);
  const k = rate({ temperature_C: conditions.slab_C.value, Ea_J_mol: SETTING.activation_J_mol.portland, reference_C: SETTING.reference_C });
  return {
    elementId: element.id,
    area_m2,
    volume_m3: volume_m3 * (1 + firm.medianWaste),
    debris_kg: debris.mass_kg,
    tasks: [
      { person_s: volume_m3 / DAY.demolish_m3_s + debris.bags * DAY.carryBag_s, wait_s: 0, places: false },
      { person_s: forms_s, wait_s: 0, places: false },
      { person_s: volume_m3 / DAY.place_m3_s + area_m2 / DAY.finish_m2_s, wait_s: 0, places: true },
      { person_s: area_m2 / DAY.brush_m2_s, wait_s: 0, places: false },
      { person_s: forms_s * DAY.stripShare, wait_s: PLAN.stripReplaced_s / k, places: false },
    ],
    opens: { foot_s: PLAN.footReplaced_s / k, vehicles_s: PLAN.vehiclesReplaced_s / k },
    licensed: supportOf(element) !== 'ground' || stands,
  };
}

/** The concrete of it, brought mixed, minor units; a lorry is paid for from a least volume. */
export const replacementMaterial = ({ volume_m3 }: Replacement, concrete_minor_m3: number): number =>
  Math.round(Math.max(PLAN.lorryLeast_m3, volume_m3) * concrete_minor_m3);
