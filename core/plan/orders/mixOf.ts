import { extend, MIX, mixedVolume, type Extended } from '../../mix';
import { Problem } from '../../quantity';
import { resinDensity, wantsStone, type Sheet, type Task } from '../../shelf';
import type { Context } from '../input/Context';
import type { StoneInput } from '../input/PlanInput';

/** Water to powder as the sheet asks for a task, inside its band or not. */
export const waterAsked = ({ least, most, byTask }: NonNullable<Sheet['water']>, task: Task): number => byTask[task] ?? (least + most) / 2;

/** Water to powder for a task, never outside the sheet's band; the middle of it where the sheet names no figure. */
export function waterRatioOf(sheet: Sheet, task: Task): number {
  if (!sheet.water) throw new Problem('noWater', { sheet: sheet.name });
  const { least, most } = sheet.water;
  return Math.min(most, Math.max(least, waterAsked(sheet.water, task)));
}

/** The stone that goes in: what is asked for, where the sheet takes so much; else none, which the plan says. */
function stoneTaken(sheet: Sheet, stone: StoneInput | undefined): StoneInput | undefined {
  return stone && sheet.extension && sheet.water && stone.ratio <= sheet.extension.most * (1 + 1e-9) ? stone : undefined;
}

/** The stone that goes in here: what the crew asks for, else what alone takes the sheet to this depth. */
export function stoneFor({ input: { batch }, sheet, takeOff }: Pick<Context, 'input' | 'sheet' | 'takeOff'>): StoneInput | undefined {
  if (batch.stone) return stoneTaken(sheet, batch.stone);
  return sheet.extension && wantsStone(sheet, takeOff.deepest_m) ? { ratio: sheet.extension.most, ...MIX.stone } : undefined;
}

/** So much powder stretched with its stone. */
export const extendedOf = ({ sheet, task, powder_kg, stone }: { sheet: Sheet; task: Task; powder_kg: number; stone: StoneInput }): Extended =>
  extend({
    powder_kg,
    waterRatio: waterRatioOf(sheet, task),
    powder_kg_m3: sheet.powderDensity_kg_m3,
    air: sheet.airShare,
    aggregate_kg: powder_kg * stone.ratio,
    moisture: stone.moisture,
    absorption: stone.absorption,
    grain_m: sheet.extension?.grain_m ?? sheet.grain_m,
  });

const sumOf = (sheet: Sheet, task: Task): number =>
  mixedVolume({ powder_kg: 1, powder_density: sheet.powderDensity_kg_m3, water_kg: waterRatioOf(sheet, task), air: sheet.airShare });

/** Mixed volume of a kg of powder with its stone, m3/kg: the sheet's own figure wins over the sum of absolute volumes. */
export function yieldOf(sheet: Sheet, task: Task, stone?: StoneInput): number {
  if (!sheet.water) return sheet.yield_m3_kg ?? 1 / resinDensity(sheet) / (1 - sheet.airShare);
  const plain = sheet.yield_m3_kg ?? sumOf(sheet, task);
  return stone ? plain * (1 + extendedOf({ sheet, task, powder_kg: 1, stone }).gain) : plain;
}

/** The sheet's yield against the sum of absolute volumes, relative; 0 where the sheet states none. */
export const yieldDifference = (sheet: Sheet, task: Task): number =>
  sheet.yield_m3_kg === null || !sheet.water ? 0 : sheet.yield_m3_kg / sumOf(sheet, task) - 1;
