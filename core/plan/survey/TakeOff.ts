import type { Ranged } from '../../quantity';

/** What a finding measures, SI. */
export interface TakeOff {
  readonly area_m2: number;
  readonly perimeter_m: number;
  readonly deepest_m: number;
  readonly mean_m: number;
  /** m3 */
  readonly volume: Ranged;
  /** sd of ln volume */
  readonly sigma: number;
  /** area whose roughness the material fills on top of the volume */
  readonly rough_m2: number;
  /** of a crack, joint, edge or step; null for areas */
  readonly length_m: number | null;
  /** broken out and carried away; null where nothing is */
  readonly debris: { readonly bulk_m3: number; readonly mass_kg: number; readonly bags: number } | null;
  /** what the finding's kind adds, SI, the unit in each name */
  readonly more: Readonly<Record<string, number>>;
  /** form strips as they are cut: the pieces of each stock, m; empty where nothing is cast */
  readonly strips: readonly (readonly number[])[];
}
