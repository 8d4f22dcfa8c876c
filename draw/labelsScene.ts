import { round, type Scene, type Shape } from './scene';

/** A label for a pail or a bottle: its number, what goes in, whom it serves, and a code that opens its ticket. */
export interface PailLabel {
  readonly number: string;
  readonly lines: readonly string[];
  /** the code's modules, row by row, dark where true */
  readonly code: readonly (readonly boolean[])[];
}

const WIDTH = 340;
const HEIGHT = 226;
const COLUMNS = 2;
const CODE = 104;
/** Lines that have room beside the code, and letters that have room on one. */
const LINES = 8;
const LETTERS = 40;

const fits = (text: string): string => (text.length > LETTERS ? `${text.slice(0, LETTERS - 1)}…` : text);

/** A code's dark modules as one path, with the quiet border that a camera wants around it. */
function codePath(code: PailLabel['code'], x: number, y: number): string {
  const cell = CODE / (code.length + 8);
  return code
    .flatMap((row, r) =>
      row.flatMap((dark, c) => (dark ? [`M${round(x + (c + 4) * cell)} ${round(y + (r + 4) * cell)}h${round(cell)}v${round(cell)}h${-round(cell)}Z`] : [])),
    )
    .join('');
}

/** Labels two abreast, to print and to cut along their lines. */
export function labelsScene(labels: readonly PailLabel[]): Scene {
  const shapes = labels.flatMap(({ number, lines, code }, i): Shape[] => {
    const [x, y] = [(i % COLUMNS) * WIDTH, Math.floor(i / COLUMNS) * HEIGHT];
    return [
      { type: 'path', d: `M${x + 4} ${y + 4}h${WIDTH - 8}v${HEIGHT - 8}h${8 - WIDTH}Z`, fill: 'sheet', stroke: 'ink', width: 2 },
      { type: 'label', x: x + 16, y: y + 78, label: { text: number }, size: 72, weight: 800, anchor: 'start' },
      { type: 'path', d: codePath(code, x + WIDTH - CODE - 10, y + 8), fill: 'ink' },
      ...lines.slice(0, LINES).map((text, k): Shape => ({
        type: 'label',
        x: x + 16,
        y: y + 128 + k * 13,
        label: { text: fits(text) },
        size: 13,
        weight: k === 0 ? 700 : 400,
        anchor: 'start',
      })),
    ];
  });
  return { width: WIDTH * COLUMNS, height: HEIGHT * Math.max(1, Math.ceil(labels.length / COLUMNS)), title: { code: 'draw.labels' }, shapes };
}
