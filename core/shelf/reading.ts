import { MIX } from '../mix/constants';
import { Problem } from '../quantity';
import { fitArrhenius, SETTING } from '../setting';
import { MILESTONES, type ResinSheet, type Sheet, type SheetTime } from './Sheet';

/** A sheet's time as one figure: a range enters as its geometric mean. @returns s at the sheet's reference */
export const timeOf = ({ least_s, most_s }: SheetTime): number => Math.sqrt(least_s * most_s);

/** Whether the sheet gives its working life only as a range, which widens what is not known about it. */
export const givesRange = (sheet: Sheet): boolean => sheet.flow.most_s > sheet.flow.least_s;

/**
 * Working time and activation energy as the sheet gives them: fitted where it states times at two temperatures or more,
 * else its one figure with its own energy or the class's. A fit outside 15-90 kJ/mol is refused and the class kept.
 */
export function flowOf(sheet: Sheet): { reference_s: number; Ea_J_mol: number } {
  const fitted = flows.get(sheet) ?? fittedFlow(sheet);
  flows.set(sheet, fitted);
  return fitted;
}

/** A sheet is never changed, so what it says of its flow is fitted once, however many findings ask. */
const flows = new WeakMap<Sheet, { reference_s: number; Ea_J_mol: number }>();

function fittedFlow(sheet: Sheet): { reference_s: number; Ea_J_mol: number } {
  const plain = { reference_s: timeOf(sheet.flow), Ea_J_mol: sheet.Ea_J_mol ?? SETTING.activation_J_mol[sheet.binder] };
  // Every milestone runs on the same clock: at another temperature it is as many times its own reference as the flow is.
  const later = MILESTONES.flatMap((name) => {
    const reference_s = sheet.milestones[name];
    const points = sheet.milestonePoints?.[name] ?? [];
    return reference_s ? points.map(([temperature_C, time_s]) => ({ temperature_C, time_s: (time_s * plain.reference_s) / reference_s })) : [];
  });
  const further = [...(sheet.flowPoints ?? []).map(([temperature_C, time_s]) => ({ temperature_C, time_s })), ...later];
  if (further.length === 0) return plain;
  try {
    return fitArrhenius({ points: [{ temperature_C: sheet.reference_C, time_s: plain.reference_s }, ...further], reference_C: sheet.reference_C });
  } catch (error) {
    if (error instanceof Problem) return plain;
    throw error;
  }
}

/** The activation energy: fitted, the sheet's own, else its class's, J/mol. */
export const activationOf = (sheet: Sheet): number => flowOf(sheet).Ea_J_mol;

/** Whether it is mixed of parts that cure, without water. */
export const isResin = (sheet: Sheet): boolean => sheet.binder === 'epoxy' || sheet.binder === 'polyurea';

/** Comes ready in its cartridge: nothing is mixed. */
export const isReady = (sheet: Sheet): boolean => sheet.parts?.length === 1;

/** Mixed of powder and water; resins and sealants come in parts. */
export const isPowder = (sheet: Sheet): boolean => sheet.water !== null;

/** Rapid binders and everything polymer-modified of the shelf but plain portland. */
export const isRapid = (sheet: Sheet): boolean => sheet.binder === 'rapid';

/** Exponent of the mass effect and the mass it is stated at: class defaults where the sheet is silent. */
export function massEffectOf(sheet: Sheet): { exponent: number; reference_kg: number } {
  const family = isResin(sheet) ? 'resin' : isRapid(sheet) ? 'rapid' : 'portland';
  const bag = bagOf(sheet).mass_kg * (1 + (sheet.water?.most ?? 0));
  return { exponent: sheet.massExponent ?? SETTING.massExponent[family], reference_kg: isResin(sheet) ? SETTING.massReferenceResin_kg : bag };
}

/** The bag that portions are shares of: the largest pack of the sheet. */
export const bagOf = (sheet: Sheet): { mass_kg: number; price_minor: number } =>
  sheet.packs.reduce((best, pack) => (pack.mass_kg > best.mass_kg ? pack : best));

/** A resin's figures: the sheet's own, else its class's. A 750 mL bottle squeezed at 5 mL/s. */
export const resinOf = (sheet: Sheet): ResinSheet =>
  sheet.resin ?? {
    densities_kg_m3: (sheet.parts ?? [1]).map(() => MIX.resin_kg_m3),
    byMass: null,
    bottle_m3: MIX.bottle_m3,
    squeeze_m3_s: MIX.squeeze_m3_s,
    sandLimit: null,
    filmShare: null,
  };

/** Density of a mixed resin, kg/m3: each part's by its share of the volume. */
export function resinDensity(sheet: Sheet): number {
  const parts = sheet.parts ?? [1];
  const { densities_kg_m3 } = resinOf(sheet);
  const whole = parts.reduce((sum, part) => sum + part, 0);
  return parts.reduce((sum, part, i) => sum + part * (densities_kg_m3[i] ?? MIX.resin_kg_m3), 0) / whole;
}

/** Share of a joint's width that a sheet moves with; nothing for what is rigid, or for a sheet from before this was asked. */
export const movementOf = (sheet: Sheet): number => sheet.movement ?? 0;
