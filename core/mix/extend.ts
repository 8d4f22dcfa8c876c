import { inRange } from '../quantity';
import { SETTING } from '../setting/constants';
import { mixedVolume } from './mixedVolume';

/** A mix with stone in it. */
export interface Extended {
  /** water still to add, the stone's own moisture taken off or what it drinks put on, kg */
  readonly water_kg: number;
  readonly volume_m3: number;
  /** over the same powder without stone */
  readonly gain: number;
  /** the shallowest place it may go, three of its largest grains, m */
  readonly least_m: number;
  /** heat it brings, kJ/K, for the heat balance */
  readonly heat_kJ_K: number;
}

/**
 * Powder stretched with clean stone. Saturated surface-dry stone adds its own volume and no water; moisture over that
 * is taken off the water, and dry stone gets what it will absorb.
 *
 * @param moisture total water of the stone as it lies, by mass of dry stone; `absorption` what it holds when saturated
 * @throws Problem `outOfRange`: also when the stone brings more water than the mix takes
 * @example extend({ powder_kg: 25, waterRatio: 0.125, powder_kg_m3: 2750, air: 0.03, aggregate_kg: 12, moisture: 0.03, absorption: 0.01, grain_m: 0.01 })
 */
export function extend(input: {
  powder_kg: number;
  waterRatio: number;
  powder_kg_m3: number;
  air: number;
  aggregate_kg: number;
  moisture: number;
  absorption: number;
  grain_m: number;
}): Extended {
  const { powder_kg, waterRatio, aggregate_kg, moisture, absorption, grain_m } = input;
  inRange({ quantity: 'aggregate_kg', value: aggregate_kg, least: 0, most: 5000 });
  inRange({ quantity: 'moisture', value: moisture, least: 0, most: 0.3 });
  inRange({ quantity: 'absorption', value: absorption, least: 0, most: 0.2 });
  inRange({ quantity: 'grain_m', value: grain_m, least: 1e-4, most: 0.05 });
  const mix_kg = powder_kg * waterRatio;
  const dry_kg = aggregate_kg / (1 + absorption);
  const water_kg = inRange({ quantity: 'water_kg', value: mix_kg - dry_kg * (moisture - absorption), least: 0, most: 1e4 });
  const of = (stone_kg: number): number =>
    mixedVolume({ powder_kg, powder_density: input.powder_kg_m3, water_kg: mix_kg, aggregate_kg: stone_kg, air: input.air });
  const volume_m3 = of(aggregate_kg);
  return { water_kg, volume_m3, gain: volume_m3 / of(0) - 1, least_m: 3 * grain_m, heat_kJ_K: aggregate_kg * SETTING.heatPowder_kJ_kgK };
}
