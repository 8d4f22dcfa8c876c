import { MIX } from './constants';

/** A vessel of the firm's, as it really is. */
export interface FirmVessel {
  readonly name: string;
  /** filled to the brim, m3 */
  readonly volume_m3: number;
  /** from one of its marks to the next, m3 */
  readonly mark_m3: number;
}

/** What a batch is mixed or measured in where the firm has named none, the smallest first. */
export const VESSELS = ['cup', 'jug', 'smallPail', 'pail'] as const;
export type VesselCode = (typeof VESSELS)[number];

/** A vessel with its true volume, m3; by its name where it is the firm's own beside its pail. */
export interface Vessel {
  readonly code: VesselCode | 'named';
  readonly name?: string;
  readonly volume_m3: number;
  /** absent where it is marked as such vessels are */
  readonly mark_m3?: number;
}

/** What goes into a vessel: mixed, and as dry bulk with its water, m3. */
export interface Contents {
  readonly mixed_m3: number;
  readonly bulk_m3: number;
}

/** Whether there is room to stir in it. */
export const vesselHolds = ({ volume_m3 }: Pick<Vessel, 'volume_m3'>, { mixed_m3, bulk_m3 }: Contents): boolean =>
  mixed_m3 <= volume_m3 * MIX.pailMixedShare * (1 + 1e-9) && bulk_m3 <= volume_m3 * MIX.pailDryShare * (1 + 1e-9);

/**
 * The vessels of a firm, the smallest first, its pail among them.
 *
 * @param vessels what it has named; ordinary ones stand in for them that are smaller than its pail
 */
export function vesselsOf({ pail_m3, vessels = [] }: { readonly pail_m3: number; readonly vessels?: readonly FirmVessel[] }): Vessel[] {
  const ordinary: Vessel[] = [
    { code: 'cup', volume_m3: MIX.cup_m3 },
    { code: 'jug', volume_m3: MIX.jug_m3 },
    { code: 'smallPail', volume_m3: MIX.smallPail_m3 },
  ];
  const beside = vessels.length > 0 ? vessels.map((vessel): Vessel => ({ code: 'named', ...vessel })) : ordinary.filter(({ volume_m3 }) => volume_m3 < pail_m3);
  return [...beside, { code: 'pail' as const, volume_m3: pail_m3 }].sort((a, b) => a.volume_m3 - b.volume_m3);
}

/** The smallest vessel that a batch can be stirred in; the firm's pail where it fits none. */
export function vesselFor(contents: Contents, firm: { readonly pail_m3: number; readonly vessels?: readonly FirmVessel[] }): Vessel {
  return vesselsOf(firm).find((vessel) => vesselHolds(vessel, contents)) ?? { code: 'pail', volume_m3: firm.pail_m3 };
}
