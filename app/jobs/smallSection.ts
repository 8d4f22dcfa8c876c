import type { SpallProperties } from '@tufa/contract/kinds/spall';
import type { SystemSection } from '@tufa/core/plan';
import type { Measured } from '@tufa/core/quantity';
import { isResin, type Sheet } from '@tufa/core/shelf';

/** A spall as a list draws it, from its row alone: filled with a sheet's material, or still empty. */
export function smallSection({
  finding,
  on,
  thickness,
  sheet,
}: {
  on: SystemSection['on'];
  finding: Pick<SpallProperties, 'deepest' | 'shape' | 'edge'>;
  thickness: Measured;
  sheet: Sheet | null;
}): SystemSection {
  const deepest_m = finding.deepest.value;
  return {
    kind: 'spall',
    name: sheet?.name ?? '',
    deepest_m,
    on,
    thickness_m: thickness.value,
    shape: finding.shape,
    edge: finding.edge === 'cut' ? 'shoulder' : 'feathered',
    lifts: sheet ? Math.max(1, Math.ceil(deepest_m / sheet.thickness.liftMost_m - 1e-9)) : 1,
    bond: sheet?.bond ?? 'self',
    grain_m: sheet?.grain_m ?? 0.002,
    moisture: sheet?.moisture ?? 'damp',
    base: 'concrete',
    fill: sheet && isResin(sheet) ? 'resin' : 'mortar',
    csp: sheet?.profile ?? 1,
    crown_m: 0,
    overlay: null,
    over: [],
    anchors: false,
  };
}
