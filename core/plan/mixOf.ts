import { mixedVolume } from '../mix';
import { Problem } from '../quantity';
import type { Sheet, Task } from '../shelf';

/** Water to powder for a task, inside the sheet's band; the middle of the band where the sheet names no figure. */
export function waterRatioOf(sheet: Sheet, task: Task): number {
  if (!sheet.water) throw new Problem('noWater', { sheet: sheet.name });
  return sheet.water.byTask[task] ?? (sheet.water.least + sheet.water.most) / 2;
}

/** Mixed volume of a kg of powder, m3/kg: the sheet's own figure wins over the sum of absolute volumes. */
export function yieldOf(sheet: Sheet, task: Task): number {
  return (
    sheet.yield_m3_kg ?? mixedVolume({ powder_kg: 1, powder_density: sheet.powderDensity_kg_m3, water_kg: waterRatioOf(sheet, task), air: sheet.airShare })
  );
}

/** The sheet's yield against the sum of absolute volumes, relative; 0 where the sheet states none. */
export function yieldDifference(sheet: Sheet, task: Task): number {
  if (sheet.yield_m3_kg === null) return 0;
  const sum = mixedVolume({ powder_kg: 1, powder_density: sheet.powderDensity_kg_m3, water_kg: waterRatioOf(sheet, task), air: sheet.airShare });
  return sheet.yield_m3_kg / sum - 1;
}
