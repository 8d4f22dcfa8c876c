import { rate } from '../../setting';
import { bagOf, flowOf, type MilestoneName, type Sheet, thicknessFor, timeOf } from '../../shelf';
import { textureOf } from '../../mix';
import { yieldOf } from '../orders/mixOf';
import { inRange } from '../../quantity';

/** A cool, a mild and a hot day, degC. */
const IMPLIED_AT_C = [10, 21, 32] as const;

/** A coverage that a label claims: so many square metres a bag. */
export interface Claim {
  readonly area_m2: number;
}

/** What a sheet's entries say when they are worked out. */
export interface Implied {
  /** at each temperature of powder, air and slab alike: lives and sets, s */
  readonly lives: readonly {
    readonly temperature_C: number;
    readonly flow_s: number;
    readonly finish_s: number;
    readonly milestones: Readonly<Partial<Record<MilestoneName, number>>>;
  }[];
  /** mixed volume of the largest pack, m3 */
  readonly bag_kg: number;
  readonly bag_m3: number;
  /** what a bag covers at the least and the most thickness, roughness of the asked profile filled, m2 */
  readonly covers: readonly { readonly thickness_m: number; readonly area_m2: number }[];
  /** thickness over the peaks that a claimed coverage leaves; below the sheet's least it cannot be kept */
  readonly claimed: { readonly thickness_m: number; readonly least_m: number; readonly holds: boolean } | null;
  readonly Ea_J_mol: number;
}

/** No layer is thinner than a coat of paint. */
const THINNEST_M = 1e-3;

/**
 * What a sheet's entries say when they are worked out: its lives on a cool, a mild and a hot day, what a bag yields and
 * covers, and what thickness a claimed coverage would leave. Water for spreading, or the middle of the band.
 *
 * @throws Problem `outOfRange` for a claim of no area
 */
export function impliedOf(sheet: Sheet, claim?: Claim): Implied {
  const { reference_s, Ea_J_mol } = flowOf(sheet);
  const bag_kg = bagOf(sheet).mass_kg;
  const bag_m3 = bag_kg * yieldOf(sheet, 'spread');
  const texture_m = textureOf(sheet.profile);
  const use = sheet.uses[0] ?? 'spall';
  const { least_m, most_m } = thicknessFor(sheet, use);
  const thicknesses = [...new Set([Math.max(least_m, THINNEST_M), most_m])];
  const thickness_m = claim ? bag_m3 / inRange({ quantity: 'area_m2', value: claim.area_m2, least: 1e-3, most: 1e5 }) - texture_m : 0;
  return {
    lives: IMPLIED_AT_C.map((temperature_C) => {
      const k = rate({ temperature_C, Ea_J_mol, reference_C: sheet.reference_C });
      const finish_s = timeOf(sheet.finish) * (reference_s / timeOf(sheet.flow));
      const milestones = Object.fromEntries(Object.entries(sheet.milestones).map(([name, at_s]) => [name, at_s / k]));
      return { temperature_C, flow_s: reference_s / k, finish_s: finish_s / k, milestones };
    }),
    bag_kg,
    bag_m3,
    covers: thicknesses.map((thicknesse) => ({ thickness_m: thicknesse, area_m2: bag_m3 / (thicknesse + texture_m) })),
    claimed: claim ? { thickness_m, least_m, holds: thickness_m >= least_m * (1 - 1e-9) && thickness_m > 0 } : null,
    Ea_J_mol,
  };
}
