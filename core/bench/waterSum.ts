import { waterRatioOf } from '../plan';
import { iceFor, waterFor } from '../setting';
import { bagOf, type Sheet } from '../shelf';
import { sumLine, type Worked } from './SumLine';

/** How warm the water must be for a mix to come to a temperature, or how much ice replaces some of it, for one bag. @param sheet of a powder @throws Problem `outOfRange` */
export function waterSum({ sheet, powder_C, tap_C, target_C }: { sheet: Sheet; powder_C: number; tap_C: number; target_C: number }): Worked {
  const powder_kg = bagOf(sheet).mass_kg;
  const water_kg = powder_kg * waterRatioOf(sheet, 'spread');
  const { water_C, reachable, limit } = waterFor({ powder_kg, powder_C, water_kg, target_C, binder: sheet.binder });
  const ice = iceFor({ powder_kg, powder_C, dose_kg: water_kg, water_C: tap_C, target_C });
  return {
    answer: reachable ? sumLine('water.at', { water_C }) : { ...sumLine(`water.${limit ?? 'waterMost'}`, { water_C }), warns: true },
    lines: [
      sumLine('water.bag', { powder_kg, powder_C, water_kg }),
      ...(ice.ice_kg > 0
        ? [ice.reachable ? sumLine('water.ice', { ice_kg: ice.ice_kg, tap_C }) : { ...sumLine('water.iceOver', { ice_kg: ice.ice_kg }), warns: true as const }]
        : [sumLine('water.noIce', { tap_C })]),
    ],
  };
}
