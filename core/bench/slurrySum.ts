import { MIX, slurry } from '../mix';
import { sumLine, type Worked } from './SumLine';

/** A bonding slurry from the liquid wanted: water, latex, cement, what it makes and how far it is brushed. @throws Problem `outOfRange` */
export function slurrySum({ liquid_m3 }: { liquid_m3: number }): Worked {
  const { cement_kg, latex_kg, water_kg, volume_m3 } = slurry({ liquid_m3 });
  const water_m3 = water_kg / MIX.water_kg_m3;
  return {
    answer: sumLine('slurry.makes', { volume_m3 }),
    lines: [
      sumLine('slurry.water', { water_m3 }),
      sumLine('slurry.latex', { latex_m3: liquid_m3 - water_m3, latex_kg }),
      sumLine('slurry.cement', { cement_kg }),
      sumLine('slurry.covers', { area_m2: volume_m3 / MIX.slurryLayer_m, thickness_m: MIX.slurryLayer_m }),
    ],
  };
}
