import { inRange } from '../quantity';

/** A part bag or a leftover of one product; `useBy` an ISO day, absent where nobody knows. */
export interface StockLot {
  readonly mass_kg: number;
  readonly useBy?: string;
}

/** Whether a lot may still be mixed on a day, an ISO day; without one nothing is past its date. */
export const isGoodOn = ({ useBy }: Pick<StockLot, 'useBy'>, on: string | undefined): boolean => !on || !useBy || useBy >= on;

/**
 * What of a need the stock covers, part bags and what expires first before the rest.
 *
 * @param on the day of the work, an ISO day: what is past its date is left alone
 * @returns what is taken of each lot in the order they are opened, and what is still to buy, kg
 * @throws Problem `outOfRange`
 * @example fromStock({ need_kg: 30, lots: [{ mass_kg: 22.7 }, { mass_kg: 6 }], on: '2026-07-03' }).buy_kg // 1.3
 */
export function fromStock({ need_kg, lots, on }: { need_kg: number; lots: readonly StockLot[]; on?: string }): {
  taken: { lot: number; mass_kg: number }[];
  used_kg: number;
  buy_kg: number;
} {
  inRange({ quantity: 'need_kg', value: need_kg, least: 0, most: 1e6 });
  const order = lots
    .map((lot, i) => ({ ...lot, lot: i }))
    .filter((lot) => isGoodOn(lot, on))
    .sort((a, b) => ((a.useBy ?? '9999') < (b.useBy ?? '9999') ? -1 : (a.useBy ?? '9999') > (b.useBy ?? '9999') ? 1 : a.mass_kg - b.mass_kg || a.lot - b.lot));
  let left_kg = need_kg;
  const taken: { lot: number; mass_kg: number }[] = [];
  for (const { lot, mass_kg } of order) {
    const take_kg = Math.min(left_kg, inRange({ quantity: 'mass_kg', value: mass_kg, least: 0, most: 1e5 }));
    if (take_kg <= 0) continue;
    taken.push({ lot, mass_kg: take_kg });
    left_kg -= take_kg;
  }
  return { taken, used_kg: taken.reduce((sum, { mass_kg }) => sum + mass_kg, 0), buy_kg: left_kg };
}
