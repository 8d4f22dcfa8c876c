import { sigmaOf, type Measured } from '../../quantity';

/** What a kind of finding gives before the parts that all share. */
export interface Taken {
  readonly area_m2: number;
  readonly edge_m: number;
  readonly volume_m3: number;
  /** sd of ln volume */
  readonly sigma: number;
  /** area whose roughness takes more of the material than the volume says */
  readonly rough_m2: number;
  /** broken out beforehand, m3 */
  readonly removed_m3: number;
  readonly length_m?: number;
  readonly more?: Readonly<Record<string, number>>;
  readonly strips?: readonly (readonly number[])[];
}

/** Sizes that err independently: the root of the sum of the squares of their sds of ln. */
export const sigmaOfSizes = (sizes: readonly Measured[], least: number): number =>
  Math.max(sigmaOf(least), Math.hypot(...sizes.map(({ spread }) => sigmaOf(spread ?? 0))));
