import { inverseKelvin, predicted, SETTING, type CrewRecord } from '../../setting';
import { flowOf, type Sheet } from '../../shelf';

/** How long a sheet's mix works at a temperature held throughout: as the sheet has it, and as the crew's own record does, with the 80 % of what comes next. s */
export interface LifeAt {
  readonly temperature_C: number;
  readonly sheet_s: number;
  readonly yours: { readonly p10: number; readonly p50: number; readonly p90: number } | null;
}

/**
 * Working lives over temperature, evenly from one to another; without retarder, of a whole bag.
 *
 * @param count of temperatures, 2 or more
 */
export function lifeOver({
  sheet,
  record,
  from_C,
  to_C,
  count = 13,
}: {
  sheet: Sheet;
  record: CrewRecord | undefined;
  from_C: number;
  to_C: number;
  count?: number;
}): LifeAt[] {
  const { reference_s, Ea_J_mol } = flowOf(sheet);
  const { reference_C } = sheet;
  return Array.from({ length: count }, (_, i): LifeAt => {
    const temperature_C = from_C + ((to_C - from_C) * i) / (count - 1);
    const x = (inverseKelvin(temperature_C) - inverseKelvin(reference_C)) / SETTING.gasConstant_J_molK;
    const yours = record ? predicted(record, { temperature_C, reference_C }) : null;
    return { temperature_C, sheet_s: reference_s * Math.exp(Ea_J_mol * x), yours: yours && { p10: yours.p10, p50: yours.p50, p90: yours.p90 } };
  });
}
