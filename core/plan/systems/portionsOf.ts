import { fibreFor, type PortionLimit } from '../../mix';
import { isReady, resinDensity, bagOf } from '../../shelf';
import type { Context } from '../input/Context';
import { kindOf } from '../kinds';
import type { BatchesPlan, Quantities } from '../Plan';
import { stoneFor } from '../orders/mixOf';
import type { Portion } from '../window/basisFor';
import { asking } from '../window/byQuestion';
import { batchesOf, limitOfPortion, readyBatches, shotBatches } from '../window/batchesOf';
import { lineWidthOf, questionFor } from '../window/questionFor';
import { shotsFor, type Shots } from '../window/shotsFor';
import { ticketOf, type Ticket } from '../window/ticket';
import type { WindowAnswer } from '../window/windowFor';
import { windowOf } from '../window/windowOf';
import type { WindowQuestion } from '../window/WindowQuestion';

/** What a ticket is written from. */
interface Mixed {
  readonly batch: Pick<Portion, 'powder_kg' | 'volume_m3' | 'water_kg' | 'ice_kg' | 'latex_m3'>;
  readonly question: Pick<WindowQuestion, 'task'>;
}

/** A finding's sheet by the portion: in which it is mixed, and what each is. */
export interface Portions {
  readonly shots: Shots | null;
  /** the question of Day and the clocks for one share of a bag; `follows` where another batch of the same is mixed meanwhile */
  readonly ask: (share: number, follows?: boolean) => WindowQuestion;
  /** in how many batches so many bags are mixed */
  readonly dealt: (bags: number) => BatchesPlan;
  readonly ticket: (share: number, answer: Mixed) => Ticket;
  readonly at: (share: number, follows: boolean) => { readonly ticket: Ticket; readonly window: WindowAnswer };
}

const known = new WeakMap<Quantities, Portions>();

/**
 * The portions of what is needed, the same for whoever asks: the list deals what is pooled as its layers were dealt.
 *
 * @param context with the take-off as it is filled
 */
export function portionsOf(context: Context, quantities: Quantities): Portions {
  const portions = known.get(quantities) ?? madePortions(context, quantities);
  known.set(quantities, portions);
  return portions;
}

function madePortions(context: Context, quantities: Quantities): Portions {
  const { input, element, finding, takeOff, sheet, site } = context;
  const ask = asking(questionFor({ input, element, finding, takeOff, sheet, share: 1, site }));
  const limits = new Map<string, PortionLimit | null>();
  const limitFor = (share: number, follows: boolean): PortionLimit | null => {
    const key = `${share} ${follows}`;
    const limit = limits.has(key) ? limits.get(key)! : limitOfPortion(context, ask(share, follows));
    limits.set(key, limit);
    return limit;
  };
  const along = sheet.parts !== null && !isReady(sheet) && lineWidthOf(takeOff) !== undefined;
  const shots = along ? shotsFor(ask(Math.min(...input.firm.grid)), quantities.powder.p50 / resinDensity(sheet)) : null;
  const stone = stoneFor(context);
  const { fibre } = input.batch;
  // A bed's sand goes into the crack, not into the bottle.
  const inResin = !kindOf(finding).bedded(context);
  const ticket = (share: number, { batch: { powder_kg, volume_m3, water_kg, ice_kg, latex_m3 }, question: { task } }: Mixed): Ticket =>
    ticketOf({
      sheet,
      batch: input.batch,
      task,
      share,
      volume_m3,
      shots,
      liquid: { water_kg, ice_kg, latex_m3 },
      ...(stone ? { stone_kg: powder_kg * stone.ratio } : {}),
      ...(fibre ? { fibre_kg: fibreFor({ ...fibre, volume_m3 }).mass_kg } : {}),
      sand_kg: inResin ? ((takeOff.more['sand_kg'] ?? 0) * powder_kg) / quantities.powder.p50 : 0,
    });
  return {
    shots,
    ask,
    dealt: (bags) => {
      if (along) return shotBatches(shots, sheet);
      return isReady(sheet) ? readyBatches(bags) : batchesOf({ input, sheet, need_bags: bags, limitFor });
    },
    ticket,
    at(share, follows) {
      const window = windowOf(ask(share, follows));
      return { ticket: ticket(share, window), window };
    },
  };
}

/** The share of the first batches, of a bag: the smallest of what is dealt where none fits. */
export const shareOf = ({ share }: BatchesPlan, { input, sheet }: Pick<Context, 'input' | 'sheet'>, need_kg: number): number =>
  share ?? Math.min(...input.firm.grid, need_kg / bagOf(sheet).mass_kg);
