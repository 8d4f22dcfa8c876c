import { bottleMarks, MIX, partsByMass } from '../../mix';
import { bagOf, isReady, resinDensity, resinOf, type Sheet, type Task } from '../../shelf';
import { waterRatioOf } from '../orders/mixOf';
import type { BatchInput } from '../input/PlanInput';
import type { Shots } from './shotsFor';

/** One line of a batch ticket, in the order it goes into the pail. */
export type TicketLine =
  | { readonly code: 'water'; readonly volume_m3: number; readonly level_m3: number }
  | { readonly code: 'retarder'; readonly packets: number }
  | { readonly code: 'ice'; readonly mass_kg: number }
  | { readonly code: 'citric'; readonly mass_kg: number; readonly volume_m3: number }
  | { readonly code: 'colour'; readonly packs: number }
  | { readonly code: 'stone'; readonly mass_kg: number }
  | { readonly code: 'fibre'; readonly mass_kg: number }
  | { readonly code: 'sand'; readonly mass_kg: number }
  /** so much of a part, up to a mark of all that is in by then */
  | { readonly code: 'part'; readonly part: number; readonly volume_m3: number; readonly level_m3: number; readonly mass_kg: number }
  | { readonly code: 'ready'; readonly volume_m3: number; readonly mass_kg: number }
  | { readonly code: 'powder'; readonly share: number; readonly mass_kg: number; readonly portions: number; readonly level_m3: number }
  | { readonly code: 'mix'; readonly time_s: number }
  | { readonly code: 'latex'; readonly volume_m3: number; readonly mass_kg: number; readonly level_m3: number }
  | { readonly code: 'cement'; readonly mass_kg: number }
  /** left alone until it gels */
  | { readonly code: 'gel'; readonly time_s: number }
  /** pressed in by hand, one after another */
  | { readonly code: 'portions'; readonly count: number }
  /** brushed or rolled on from its tin, or from the pot */
  | { readonly code: 'brushOn'; readonly area_m2: number };

/** What goes into the vessel for one batch, in its order. */
export interface Ticket {
  readonly share: number;
  readonly lines: readonly TicketLine[];
  readonly task: Task;
  readonly waterRatio: number;
  /** what may still be added before the sheet's limit, m3 */
  readonly moreWater_m3: number;
}

interface TicketInput {
  readonly sheet: Sheet;
  readonly batch: Pick<BatchInput, 'retarderDose' | 'colourPacks'>;
  readonly task: Task;
  readonly share: number;
  readonly volume_m3: number;
  /** water to add, of it as ice and as latex */
  readonly liquid: { readonly water_kg: number; readonly ice_kg: number; readonly latex_m3: number };
  /** stone of this batch, kg */
  readonly stone_kg?: number | undefined;
  /** fibre of this batch, kg */
  readonly fibre_kg?: number | undefined;
  readonly shots?: Shots | null;
  /** dry sand that goes into this batch of resin, kg */
  readonly sand_kg?: number | undefined;
}

/**
 * The ticket of one batch: water and latex first, what dissolves into the water, powder in portions, stone, fibre last into the
 * wet mix, then the mixing time. The task sets the consistency and its hand test; the sheet's band sets how much more
 * water may ever go in. A resin's ticket is its bottle: each part up to its mark.
 */
export function ticketOf({ sheet, batch, task, share, volume_m3, liquid, stone_kg = 0, fibre_kg, shots, sand_kg = 0 }: TicketInput): Ticket {
  const { retarderDose } = batch;
  const mix: TicketLine = { code: 'mix', time_s: sheet.mixing.time_s };
  if (!sheet.water) {
    const mixed_kg = share * bagOf(sheet).mass_kg;
    const parts = sheet.parts ?? [1];
    // What comes ready is measured into nothing and mixed with nothing.
    if (isReady(sheet))
      return { share, lines: [{ code: 'ready', volume_m3: mixed_kg / resinDensity(sheet), mass_kg: mixed_kg }], task, waterRatio: 0, moreWater_m3: 0 };
    const marks_m3 = shots?.marks_m3 ?? bottleMarks({ shot_m3: mixed_kg / resinDensity(sheet), parts });
    // In a pail the parts are weighed, or filled up to their marks.
    const { densities_kg_m3, byMass } = resinOf(sheet);
    const masses_kg = shots?.masses_kg ?? partsByMass({ byVolume: parts, densities_kg_m3, byMass }).shares.map((of) => of * mixed_kg);
    const lines = marks_m3.map((level_m3, part): TicketLine => ({
      code: 'part',
      part,
      volume_m3: level_m3 - (marks_m3[part - 1] ?? 0),
      level_m3,
      mass_kg: masses_kg[part] ?? 0,
    }));
    const sand: TicketLine[] = sand_kg > 0 ? [{ code: 'sand', mass_kg: sand_kg }] : [];
    return { share, lines: [...lines, mix, ...sand], task, waterRatio: 0, moreWater_m3: 0 };
  }
  const powder_kg = share * bagOf(sheet).mass_kg;
  const { most } = sheet.water;
  const waterRatio = waterRatioOf(sheet, task);
  const { ice_kg, latex_m3 } = liquid;
  const water_m3 = (liquid.water_kg - ice_kg) / MIX.water_kg_m3 - latex_m3;
  const lines: TicketLine[] = [];
  if (water_m3 > 1e-9) lines.push({ code: 'water', volume_m3: water_m3, level_m3: water_m3 });
  if (latex_m3 > 0) lines.push({ code: 'latex', volume_m3: latex_m3, mass_kg: latex_m3 * MIX.latex_kg_m3, level_m3: water_m3 + latex_m3 });
  if (ice_kg > 0) lines.push({ code: 'ice', mass_kg: ice_kg });
  if (retarderDose > 0 && sheet.retarderUnit === 'citric') {
    const mass_kg = retarderDose * powder_kg;
    lines.push({ code: 'citric', mass_kg, volume_m3: mass_kg / MIX.citricBulk_kg_m3 });
  } else if (retarderDose > 0) lines.push({ code: 'retarder', packets: retarderDose * share });
  if (batch.colourPacks) lines.push({ code: 'colour', packs: batch.colourPacks * share });
  lines.push({ code: 'powder', share, mass_kg: powder_kg, portions: sheet.mixing.portions, level_m3: volume_m3 });
  if (stone_kg > 0) lines.push({ code: 'stone', mass_kg: stone_kg });
  if (fibre_kg) lines.push({ code: 'fibre', mass_kg: fibre_kg });
  return { share, lines: [...lines, mix], task, waterRatio, moreWater_m3: (powder_kg * (most - waterRatio)) / MIX.water_kg_m3 };
}
