import { roomFor, round, type Scene, type Shape } from './scene';

/** Strips as they are cut from their stock. */
export interface CutSceneInput {
  /** the pieces of each stock, m, with how each is printed */
  readonly stocks: readonly (readonly { readonly length_m: number; readonly text: string }[])[];
  readonly stock_m: number;
  readonly kerf_m: number;
  readonly width: number;
}

const ROW = 64;
const BAR = 26;
const LEFT = 30;

/** How high a cut list is drawn, px. */
export const cutHeight = (stocks: number): number => stocks * ROW + 8;

/** The letter of a piece of a stock, in the drawing and in its table. */
export const pieceLetter = (i: number): string => String.fromCharCode(97 + (i % 26));

/** The cut list drawn: each stock a bar to scale, a line where the saw goes, what is left over blank with a dashed rim. */
export function cutScene({ stocks, stock_m, kerf_m, width }: CutSceneInput): Scene {
  const perMetre = (width - LEFT - 8) / stock_m;
  const shapes = stocks.flatMap((pieces, row): Shape[] => {
    const top = row * ROW + 26;
    const box = (from: number, to: number): string => `M${round(from)} ${top}H${round(to)}V${top + BAR}H${round(from)}Z`;
    let at = LEFT;
    const drawn = pieces.flatMap(({ length_m, text }, i): Shape[] => {
      const [from, to] = [at, at + length_m * perMetre];
      at = to + kerf_m * perMetre;
      const fits = roomFor(text, 14) <= to - from;
      // A piece too short for its length has its letter over it, and the table says how long that is.
      const y = fits ? top + BAR / 2 + 5 : top - 5;
      return [
        { type: 'path', d: box(from, to), fill: 'sheet', stroke: 'ink', width: 2 },
        { type: 'label', x: round((from + to) / 2), y, label: { text: fits ? text : pieceLetter(i) }, size: 14, weight: 700, anchor: 'middle' },
      ];
    });
    const end = LEFT + stock_m * perMetre;
    return [
      { type: 'label', x: 4, y: top + BAR / 2 + 5, label: { text: String(row + 1) }, size: 16, weight: 700 },
      ...drawn,
      ...(end - at > 2 ? [{ type: 'path', d: box(at, end), stroke: 'edge', width: 1.5, dash: '4 4' } as Shape] : []),
    ];
  });
  return { width, height: cutHeight(stocks.length), title: { code: 'draw.cutList', figures: { count: stocks.length } }, shapes };
}
