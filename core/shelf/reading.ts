import { SETTING } from '../setting';
import type { Sheet, SheetTime } from './Sheet';

/** A sheet's time as one figure: a range enters as its geometric mean. @returns s at the sheet's reference */
export const timeOf = ({ least_s, most_s }: SheetTime): number => Math.sqrt(least_s * most_s);

/** Whether the sheet gives its working life only as a range, which widens what is not known about it. */
export const givesRange = (sheet: Sheet): boolean => sheet.flow.most_s > sheet.flow.least_s;

/** The activation energy: the sheet's own, else its class's, J/mol. */
export const activationOf = (sheet: Sheet): number => sheet.Ea_J_mol ?? SETTING.activation_J_mol[sheet.binder];

export const isResin = (sheet: Sheet): boolean => sheet.binder === 'epoxy' || sheet.binder === 'polyurea';

/** Rapid binders and everything polymer-modified of the shelf but plain portland. */
export const isRapid = (sheet: Sheet): boolean => sheet.binder === 'rapid';

/** Exponent of the mass effect and the mass it is stated at: class defaults where the sheet is silent. */
export function massEffectOf(sheet: Sheet): { exponent: number; reference_kg: number } {
  const family = isResin(sheet) ? 'resin' : isRapid(sheet) ? 'rapid' : 'portland';
  const bag = bagOf(sheet).mass_kg * (1 + (sheet.water?.most ?? 0));
  return { exponent: sheet.massExponent ?? SETTING.massExponent[family], reference_kg: isResin(sheet) ? 0.3 : bag };
}

/** The bag that portions are shares of: the largest pack of the sheet. */
export const bagOf = (sheet: Sheet): { mass_kg: number; price_minor: number } =>
  sheet.packs.reduce((best, pack) => (pack.mass_kg > best.mass_kg ? pack : best));
