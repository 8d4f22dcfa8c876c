import { round, type Paint, type Pattern, type Scene, type Shape } from './scene';

/** An hour of the week: good with its minutes, or why it is not. */
export interface WeekCell {
  readonly good: boolean;
  /** minutes to place; nothing where nobody knows */
  readonly minutes: number | null;
  /** what keeps it from being good, as far as it has a pattern of its own */
  readonly mark: 'wet' | 'cold' | 'hot' | 'short' | 'dark' | 'unknown' | null;
}

/** A day across its hours. */
export interface WeekRow {
  readonly text: string;
  readonly cells: readonly WeekCell[];
}

const DAY = 46;
const TOP = 4;
const AXIS = 24;

/** Patterns stand for what is on the way: stripes for rain, rings for frost, courses for heat; plain is too short. */
export const WEEK_PATTERNS: Readonly<Record<'wet' | 'cold' | 'hot', Pattern>> = { wet: 'resin', cold: 'aggregate', hot: 'courses' };

/** Where days and hours lie, and back. */
export function weekScale({ width, days, hours }: { width: number; days: number; hours: number }) {
  const room = (width - DAY) / hours;
  const tall = Math.max(30, Math.min(44, room * 2));
  return {
    room,
    tall,
    height: TOP + days * tall + AXIS,
    toX: (hour: number) => DAY + hour * room,
    toY: (day: number) => TOP + day * tall,
    /** which cell a finger is on */
    at: (x: number, y: number) => ({
      hour: Math.min(hours - 1, Math.max(0, Math.floor((x - DAY) / room))),
      day: Math.min(days - 1, Math.max(0, Math.floor((y - TOP) / tall))),
    }),
  };
}

/** Minutes are written in the first good cell of a run, and in every third after it, where there is room. */
function told(cells: readonly WeekCell[], i: number): boolean {
  let run = 0;
  while (cells[i - run - 1]?.good) run += 1;
  const last = !cells[i + 1]?.good;
  return run % 3 === 0 || (last && run % 3 === 2);
}

/** The coming week: hours across, days down. Good hours carry their minutes, the others show what stands against them. */
export function weekScene({
  width,
  rows,
  hours,
  picked,
  planned,
}: {
  width: number;
  rows: readonly WeekRow[];
  /** what is written under the columns */
  hours: readonly number[];
  /** the hour that is looked at, and the one the work is planned for */
  picked: { readonly day: number; readonly hour: number } | null;
  planned: { readonly day: number; readonly hour: number } | null;
}): Scene {
  const scale = weekScale({ width, days: rows.length, hours: hours.length });
  const box = (day: number, hour: number, inset = 1): string => {
    const [x, y] = [round(scale.toX(hour) + inset), round(scale.toY(day) + inset)];
    return `M${x} ${y}h${round(scale.room - 2 * inset)}v${round(scale.tall - 2 * inset - 2)}h${round(-(scale.room - 2 * inset))}Z`;
  };
  const cell = (row: WeekRow, day: number, hour: number): Shape[] => {
    const { good, minutes, mark } = row.cells[hour]!;
    if (mark === 'unknown') return [{ type: 'path', d: box(day, hour), stroke: 'line', width: 1, dash: '2 3' }];
    const pattern = good ? 'mortar' : mark && mark in WEEK_PATTERNS ? WEEK_PATTERNS[mark as 'wet'] : null;
    const fill: Paint = mark === 'dark' ? 'sunk' : 'sheet';
    const shapes: Shape[] = [
      { type: 'path', d: box(day, hour), fill, stroke: good ? 'ink' : mark === 'dark' ? 'none' : 'line', width: good ? 2 : 1 },
      ...(pattern ? [{ type: 'path' as const, d: box(day, hour), pattern, ...(good ? { stroke: 'ink' as const, width: 2 } : {}) }] : []),
    ];
    if (good && minutes !== null && told(row.cells, hour))
      shapes.push({
        type: 'label',
        x: round(scale.toX(hour) + scale.room / 2),
        y: round(scale.toY(day) + scale.tall / 2 + 4),
        label: { text: minutes > 99 ? '99+' : String(minutes) },
        size: 14,
        weight: 700,
        anchor: 'middle',
        plate: true,
      });
    return shapes;
  };
  const frame = (at: { readonly day: number; readonly hour: number } | null, dash?: string): Shape[] =>
    at ? [{ type: 'path', d: box(at.day, at.hour, -1), stroke: 'act', width: 4, ...(dash ? { dash } : {}) }] : [];
  return {
    width,
    height: scale.height,
    title: { code: 'draw.week' },
    shapes: [
      ...rows.flatMap((row, day) => [
        { type: 'label' as const, x: 0, y: round(scale.toY(day) + scale.tall / 2 + 4), label: { text: row.text }, size: 15, weight: 700 },
        ...hours.flatMap((_, hour) => cell(row, day, hour)),
      ]),
      ...hours.flatMap((hour, i): Shape[] =>
        i % 3 === 0
          ? [{ type: 'label', x: round(scale.toX(i) + scale.room / 2), y: scale.height - 6, label: { text: String(hour) }, size: 14, anchor: 'middle' }]
          : [],
      ),
      ...frame(planned, '4 3'),
      ...frame(picked),
    ],
  };
}
