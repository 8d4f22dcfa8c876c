import { MIX } from './constants';
import { mixedVolume } from './mixedVolume';

/** What can keep a portion from being mixed at once. */
export type PortionLimit = 'pailMixed' | 'pailDry' | 'drill' | 'lift' | 'packMost' | 'flow' | 'finish' | 'skin' | 'wetEdge' | 'bottle' | 'life' | 'bag';

/** What keeps a portion small before any clock does. */
export interface VesselLimits {
  readonly pail_m3: number;
  /** mixed mass the drill is rated for, kg; null where unknown */
  readonly drill_kg: number | null;
  /** what one person lifts, pail included, kg; null where unknown */
  readonly lift_kg: number | null;
  readonly emptyPail_kg: number;
  readonly batchMost_kg: number | null;
}

/** One portion in the pail: masses and volumes. */
export interface PortionMass {
  readonly mass_kg: number;
  readonly volume_m3: number;
  /** loose and dry, with its water */
  readonly bulk_m3: number;
}

export function portionOf(input: { powder_kg: number; waterRatio: number; powder_density: number; bulk_density: number; air: number }): PortionMass {
  const water_kg = input.powder_kg * input.waterRatio;
  return {
    mass_kg: input.powder_kg + water_kg,
    volume_m3: mixedVolume({ powder_kg: input.powder_kg, powder_density: input.powder_density, water_kg, air: input.air }),
    bulk_m3: input.powder_kg / input.bulk_density + water_kg / MIX.water_kg_m3,
  };
}

/** The limit of vessel, drill, back or pack that a portion breaks first, or null. */
export function vesselLimit(portion: PortionMass, limits: VesselLimits): PortionLimit | null {
  const { mass_kg } = portion;
  const over = (value: number, most: number | null): boolean => most !== null && value > most * (1 + 1e-9);
  if (over(portion.volume_m3, MIX.pailMixedShare * limits.pail_m3)) return 'pailMixed';
  if (over(portion.bulk_m3, MIX.pailDryShare * limits.pail_m3)) return 'pailDry';
  if (over(mass_kg, limits.drill_kg)) return 'drill';
  if (over(mass_kg + limits.emptyPail_kg, limits.lift_kg)) return 'lift';
  if (over(mass_kg, limits.batchMost_kg)) return 'packMost';
  return null;
}

/** The largest portion, and what keeps it from being larger. */
export interface PortionChoice {
  readonly share: number | null;
  /** what kept the next larger share away, or null where the whole bag fits */
  readonly limit: PortionLimit | null;
}

/**
 * The largest share of a bag on the firm's grid that breaks no limit, and the limit that binds.
 *
 * @param limitOf names what a share breaks, or null
 */
export function largestPortion({ grid, limitOf }: { grid: readonly number[]; limitOf: (share: number) => PortionLimit | null }): PortionChoice {
  let binding: PortionLimit | null = null;
  for (const share of [...grid].sort((a, b) => b - a)) {
    const limit = limitOf(share);
    if (limit === null) return { share, limit: binding };
    binding = limit;
  }
  return { share: null, limit: binding };
}

/**
 * The largest portion by one given safe life: `mix + carry + A/rate + finish` must fit in it, and the pail must hold it.
 *
 * @returns share of a bag, or null where none fits
 */
export function batchPortion(input: {
  readonly bag_kg: number;
  readonly waterRatio: number;
  readonly powder_density: number;
  readonly bulk_density: number;
  readonly air: number;
  readonly pail_m3: number;
  readonly thickness_m: number;
  readonly texture_m: number;
  readonly rate_m2_s: number;
  readonly mix_s: number;
  readonly carry_s: number;
  readonly finish_s: number;
  readonly safeLife_s: number;
  readonly grid: readonly number[];
}): PortionChoice {
  const limits = { pail_m3: input.pail_m3, drill_kg: null, lift_kg: null, emptyPail_kg: 0, batchMost_kg: null };
  return largestPortion({
    grid: input.grid,
    limitOf: (share) => {
      const portion = portionOf({ ...input, powder_kg: share * input.bag_kg });
      const broken = vesselLimit(portion, limits);
      if (broken) return broken;
      const area_m2 = portion.volume_m3 / (input.thickness_m + input.texture_m);
      const needs_s = input.mix_s + input.carry_s + area_m2 / input.rate_m2_s + input.finish_s;
      return needs_s <= input.safeLife_s * (1 + 1e-9) ? null : 'finish';
    },
  });
}
