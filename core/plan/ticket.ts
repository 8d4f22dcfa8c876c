import { bagOf, type Sheet, type Task } from '../shelf';
import { waterRatioOf } from './mixOf';

/** One line of a batch ticket, in the order it goes into the pail. */
export type TicketLine =
  | { readonly code: 'water'; readonly volume_m3: number; readonly level_m3: number }
  | { readonly code: 'retarder'; readonly packets: number }
  | { readonly code: 'powder'; readonly share: number; readonly mass_kg: number; readonly portions: number; readonly level_m3: number }
  | { readonly code: 'mix'; readonly time_s: number };

export interface Ticket {
  readonly share: number;
  readonly lines: readonly TicketLine[];
  readonly task: Task;
  readonly waterRatio: number;
  /** what may still be added before the sheet's limit, m3 */
  readonly moreWater_m3: number;
}

/**
 * The ticket of one batch: water first, retarder into the water, powder in portions, then the mixing time. The task
 * sets the consistency and its hand test; the sheet's band sets how much more water may ever go in.
 */
export function ticketOf(input: { sheet: Sheet; task: Task; share: number; retarderDose: number; volume_m3: number }): Ticket {
  const { sheet, task, share, retarderDose, volume_m3 } = input;
  const powder_kg = share * bagOf(sheet).mass_kg;
  const waterRatio = waterRatioOf(sheet, task);
  const water_m3 = (powder_kg * waterRatio) / 1000;
  const most = sheet.water?.most ?? waterRatio;
  const lines: TicketLine[] = [{ code: 'water', volume_m3: water_m3, level_m3: water_m3 }];
  if (retarderDose > 0) lines.push({ code: 'retarder', packets: retarderDose * share });
  lines.push({ code: 'powder', share, mass_kg: powder_kg, portions: sheet.mixing.portions, level_m3: volume_m3 });
  lines.push({ code: 'mix', time_s: sheet.mixing.time_s });
  return { share, lines, task, waterRatio, moreWater_m3: (powder_kg * (most - waterRatio)) / 1000 };
}
