import { dewPoint, evaporation, redampInterval, WEATHER } from '../weather';
import { sumLine, type Worked } from './SumLine';

/** How often a damp face wants water, and whether a slab is far enough over the dew point for a resin. @param humidity 0 to 1 @throws Problem `outOfRange` */
export function dampSum({ air_C, humidity, slab_C, wind_ms }: { air_C: number; humidity: number; slab_C: number; wind_ms: number }): Worked {
  const evaporation_kg_m2h = evaporation({ concrete_C: slab_C, air_C, humidity, wind_kmh: wind_ms * 3.6 });
  const dew_C = dewPoint({ air_C, humidity });
  const over_K = slab_C - dew_C;
  return {
    answer: sumLine('damp.every', { every_s: redampInterval({ evaporation_kg_m2h }) }),
    lines: [
      sumLine('damp.dries', { dries_kg_m2h: evaporation_kg_m2h }),
      sumLine('damp.dew', { dew_C }),
      over_K >= WEATHER.dewMargin_K
        ? sumLine('damp.over', { over_K })
        : { ...sumLine('damp.under', { over_K: Math.max(0, over_K), margin_K: WEATHER.dewMargin_K }), warns: true },
    ],
  };
}
