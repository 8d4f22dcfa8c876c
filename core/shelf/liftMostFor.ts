import type { Orientation, Sheet } from './Sheet';

/** Whether only stone takes a sheet to this depth: deeper than it goes neat, no deeper than it goes extended. */
export const wantsStone = ({ thickness, extension, water }: Sheet, depth_m: number): boolean =>
  water !== null && extension?.most_m !== undefined && depth_m > thickness.most_m * (1 + 1e-9) && depth_m <= extension.most_m * (1 + 1e-9);

/** How thick one lift may be, m: as it lies, stands or hangs, and with stone where that is what takes it there. */
export function liftMostFor(sheet: Sheet, { orientation, depth_m }: { readonly orientation: Orientation; readonly depth_m: number }): number {
  const { thickness, extension } = sheet;
  if (orientation !== 'horizontal') return thickness.liftBy?.[orientation] ?? thickness.liftMost_m;
  return wantsStone(sheet, depth_m) ? (extension?.liftMost_m ?? thickness.liftMost_m) : thickness.liftMost_m;
}
