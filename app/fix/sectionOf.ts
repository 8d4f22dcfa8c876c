import type { SpallProperties } from '@tufa/contract/entities';
import type { Measured } from '@tufa/core/quantity';
import type { Sheet } from '@tufa/core/shelf';
import type { SectionInput } from '@tufa/draw';

type Cut = Pick<SpallProperties, 'deepest' | 'shape' | 'edge'>;

/** What is cut through: a finding in its slab, filled with a sheet's material, or still empty. */
export function sectionOf({
  finding,
  thickness,
  sheet,
}: {
  finding: Cut;
  thickness: Measured;
  sheet: Sheet | null;
}): Omit<SectionInput, 'width' | 'height' | 'unit_m' | 'unit'> {
  const deepest_m = finding.deepest.value;
  return {
    name: sheet?.name ?? '',
    deepest_m,
    thickness_m: thickness.value,
    shape: finding.shape,
    edge: finding.edge,
    lifts: sheet ? Math.max(1, Math.ceil(deepest_m / sheet.thickness.liftMost_m - 1e-9)) : 1,
    bond: sheet?.bond === 'slurry',
    grain_m: sheet?.grain_m ?? 0.002,
    moisture: sheet?.moisture ?? 'damp',
  };
}
