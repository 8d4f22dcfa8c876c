import { inRange, Problem } from '../quantity';

/** Up to so many pieces the fewest stocks are found exactly. */
const EXACT = 12;

/** Pieces, stock and kerf, m. */
export interface Cut {
  /** the pieces of each stock, by their place in the list */
  readonly stocks: readonly (readonly number[])[];
}

/**
 * Strips cut from stock: the fewest stocks, kerf lost between two pieces and none after the last (n pieces fit when
 * their sum and n - 1 kerfs do). Exact to 12 pieces, first-fit decreasing beyond.
 *
 * @throws Problem `outOfRange`, `pieceTooLong` with the piece's number
 */
export function cutList({ parts_m, stock_m, kerf_m }: { parts_m: readonly number[]; stock_m: number; kerf_m: number }): Cut {
  inRange({ quantity: 'stock_m', value: stock_m, least: 0.01, most: 20 });
  inRange({ quantity: 'kerf_m', value: kerf_m, least: 0, most: 0.02 });
  parts_m.forEach((part, i) => {
    inRange({ quantity: 'part_m', value: part, least: 1e-3, most: 20 });
    if (part > stock_m * (1 + 1e-9)) throw new Problem('pieceTooLong', { piece: i, length_m: part, stock_m });
  });
  // With one kerf more in stock and piece alike the rule becomes a plain sum.
  const room = (stock_m + kerf_m) * (1 + 1e-9);
  const order = parts_m.map((_, i) => i).sort((a, b) => parts_m[b]! - parts_m[a]!);
  const size = (i: number): number => parts_m[i]! + kerf_m;
  let best = firstFit(order, size, room);
  if (parts_m.length > EXACT) return { stocks: best };
  const least = Math.ceil(order.reduce((sum, i) => sum + size(i), 0) / room - 1e-9);
  const place = (at: number, stocks: { left: number; pieces: number[] }[]): void => {
    if (best.length <= least || stocks.length >= best.length) return;
    const piece = order[at];
    if (piece === undefined) {
      best = stocks.map(({ pieces }) => [...pieces]);
      return;
    }
    const tried = new Set<number>();
    for (const stock of stocks) {
      // Two stocks with the same room left are the same choice.
      if (stock.left < size(piece) || tried.has(stock.left)) continue;
      tried.add(stock.left);
      stock.left -= size(piece);
      stock.pieces.push(piece);
      place(at + 1, stocks);
      stock.pieces.pop();
      stock.left += size(piece);
    }
    if (stocks.length + 1 < best.length) {
      stocks.push({ left: room - size(piece), pieces: [piece] });
      place(at + 1, stocks);
      stocks.pop();
    }
  };
  place(0, []);
  return { stocks: best };
}

function firstFit(order: readonly number[], size: (i: number) => number, room: number): number[][] {
  const stocks: { left: number; pieces: number[] }[] = [];
  for (const piece of order) {
    const stock = stocks.find(({ left }) => left >= size(piece));
    if (stock) {
      stock.left -= size(piece);
      stock.pieces.push(piece);
    } else stocks.push({ left: room - size(piece), pieces: [piece] });
  }
  return stocks.map(({ pieces }) => pieces);
}
