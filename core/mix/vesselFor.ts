import { MIX } from './constants';

/** What a batch is mixed or measured in, the smallest first. */
export const VESSELS = ['cup', 'jug', 'smallPail', 'pail'] as const;
export type VesselCode = (typeof VESSELS)[number];

/** A vessel with its true volume, m3. */
export interface Vessel {
  readonly code: VesselCode;
  readonly volume_m3: number;
}

/**
 * The smallest vessel that a batch fits, mixed and as dry bulk with its water; the firm's pail where none does.
 *
 * @param pail_m3 the firm's own
 */
export function vesselFor({ mixed_m3, bulk_m3, pail_m3 }: { mixed_m3: number; bulk_m3: number; pail_m3: number }): Vessel {
  const fits = ([, volume_m3]: readonly [VesselCode, number]): boolean =>
    volume_m3 < pail_m3 && mixed_m3 <= volume_m3 * MIX.pailMixedShare && bulk_m3 <= volume_m3 * MIX.pailDryShare;
  const [code, volume_m3] = (
    [
      ['cup', MIX.cup_m3],
      ['jug', MIX.jug_m3],
      ['smallPail', MIX.smallPail_m3],
    ] as const
  ).find(fits) ?? ['pail', pail_m3];
  return { code, volume_m3 };
}
