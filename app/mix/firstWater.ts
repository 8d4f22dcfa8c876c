import { MIX, waterRatioUsed, type Planned } from '@tufa/core/mix';
import type { Batch, PlanInput } from '@tufa/core/plan';
import { listedNumber, usedOf, type PourEvent } from '@tufa/core/pour';

/** What a batch's ticket asks for, to hold against what went in. */
export function plannedMix({ window, amount, ticket, lines }: Batch, { batch: { retarderDose } }: Pick<PlanInput, 'batch'>): Planned {
  const powder_kg = window?.batch.powder_kg ?? amount;
  const waterRatio = ticket?.waterRatio ?? 0;
  const poured_m3 = lines.reduce((sum, line) => sum + (line.code === 'water' || line.code === 'latex' ? line.volume_m3 : 0), 0);
  return { powder_kg, waterRatio, retarderDose, otherWater_kg: Math.max(0, powder_kg * waterRatio - poured_m3 * MIX.water_kg_m3) };
}

/** The first batch of the same product whose water was measured: what is seen beside it is mixed the same. */
export function firstWater(
  events: readonly PourEvent[],
  { input, list, batch }: { readonly input: Pick<PlanInput, 'batch'>; readonly list: readonly Batch[]; readonly batch: Batch },
): { readonly number: string; readonly ratio: number } | null {
  for (const [written, used] of usedOf(events)) {
    const of = list.find(({ number }) => number === listedNumber(written));
    const ratio = of && of.productId === batch.productId && of.task === batch.task ? waterRatioUsed(used, plannedMix(of, input)) : null;
    if (ratio !== null) return { number: written, ratio };
  }
  return null;
}
