import { vesselFor, type Contents, type Vessel } from '@tufa/core/mix';
import type { Batch, PlanInput } from '@tufa/core/plan';
import { resinOf, type Sheet } from '@tufa/core/shelf';

/** What has to go into one vessel; nothing for what is measured into none. */
export function contentsOf({ lines, slurry, window, shots }: Batch, sheet: Sheet | undefined): Contents | null {
  const parts = lines.flatMap((line) => (line.code === 'part' ? [line.level_m3] : []));
  if (parts.length > 0) return shots ? null : { mixed_m3: window?.batch.volume_m3 ?? parts.at(-1)!, bulk_m3: 0 };
  const liquid_m3 =
    slurry?.liquid_m3 ?? lines.reduce((most, line) => (line.code === 'water' || line.code === 'latex' ? Math.max(most, line.level_m3) : most), 0);
  if (liquid_m3 === 0) return null;
  const mixed_m3 = slurry?.volume_m3 ?? window?.batch.volume_m3 ?? 0;
  return { mixed_m3, bulk_m3: sheet && window ? window.batch.powder_kg / sheet.bulkDensity_kg_m3 + liquid_m3 : mixed_m3 };
}

/** What a batch is made in: its bottle, else the smallest of the firm's vessels that it can be stirred in; null for what is measured into none. */
export function vesselOf(batch: Batch, sheet: Sheet | undefined, { firm }: Pick<PlanInput, 'firm'>): Vessel | null {
  if (batch.shots && sheet) return { code: 'cup', volume_m3: resinOf(sheet).bottle_m3 };
  const contents = contentsOf(batch, sheet);
  return contents ? vesselFor(contents, firm) : null;
}
