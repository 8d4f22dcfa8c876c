import type { Sheet, Use } from './Sheet';

/** The thickness a sheet allows for a use, m: its own for that use where it states one. */
export const thicknessFor = (sheet: Sheet, use: Use): { least_m: number; most_m: number } => sheet.thickness.byUse?.[use] ?? sheet.thickness;
