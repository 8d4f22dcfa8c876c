import { TAKEOFF } from '../../takeoff';
import type { BodyLayer } from '../systems/SystemSection';

/** What fills a joint that moves: sealant half as deep as the joint is wide, over a rod a little wider; nulls for one that is filled whole. */
export interface Sealed {
  readonly sealant_m: number | null;
  readonly rod_m: number | null;
}

/** A joint's sealant and the rod under it, by how wide it is. */
export const sealedBy = (width_m: number, gives: boolean): Sealed =>
  gives ? { sealant_m: TAKEOFF.sealantDepthShare * width_m, rod_m: TAKEOFF.rodOverJoint * width_m } : { sealant_m: null, rod_m: null };

/** Sealant over its rod, or what else fills a line. */
export const sealedLayers = ({ sealant_m, rod_m }: Sealed, filled: readonly BodyLayer[]): readonly BodyLayer[] =>
  sealant_m === null || rod_m === null
    ? filled
    : [
        { code: 'sealant', thickness_m: sealant_m },
        { code: 'rod', thickness_m: rod_m },
      ];
