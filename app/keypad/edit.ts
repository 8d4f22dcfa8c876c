import { contradiction, parse, printIn, Problem, typeset, unitsWritten, type Kind } from '@tufa/core/quantity';
import type { Speaker } from '@tufa/words/speak';

/** What a numeric field takes: its kind, the unit of a bare number, the rail of units beside the digits. */
export interface Entry {
  readonly kind: Kind;
  readonly unit: string;
  readonly rail: readonly string[];
}

const METRIC = new Set(['mm', 'cm', 'm', 'km']);
const GLYPH: Readonly<Record<string, string>> = { ft: '\u2032', in: '\u2033' };
const BARE = /(^|[^\d.,/\u2044½¼¾])([\d.,½¼¾][\d\s.,/\u2044½¼¾]*)$/;

const endsBare = (text: string): boolean => BARE.test(text.trimEnd());

/** A digit or a point after what stands. A number after a unit begins a new one. */
export const withDigit = (text: string, digit: string): string => (/[^\d.,/\u2044\s\u2212-]$/.test(text) ? `${text} ${digit}` : `${text}${digit}`);

/** One step back: a digit, or a whole unit. */
export const withoutLast = (text: string): string =>
  text
    .trimEnd()
    .replace(/([a-z°²³]+|\d\u2044\d+|.)$/iu, '')
    .trimEnd();

/** What a text means so far in SI, or null while it means nothing. */
function meaning(text: string, { kind, unit }: Entry): number | null {
  try {
    return text.trim() === '' ? null : parse({ text, kind, unit });
  } catch (error) {
    if (error instanceof Problem) return null;
    throw error;
  }
}

/** A text told in another unit. */
export const toldIn = (text: string, unit: string, entry: Entry): string | null => {
  const value = meaning(text, entry);
  return value === null ? null : typeset(printIn({ kind: entry.kind, value, unit }));
};

/**
 * A unit of the rail: it ends a number that stands bare, and tells a whole entry anew in that unit.
 *
 * @returns the new text, or the two units that contradict each other, the text then as it was
 */
export function withUnit(text: string, unit: string, entry: Entry): { text: string; clash: readonly [string, string] | null } {
  if (!endsBare(text)) return { text: toldIn(text, unit, entry) ?? text, clash: null };
  const ended = `${text.trimEnd()}${GLYPH[unit] ?? ` ${entry.kind === 'temperature' ? `°${unit}` : unit}`}`;
  const clash = contradiction({ text: ended, kind: entry.kind });
  return clash ? { text, clash } : { text: ended, clash: null };
}

/** Which strip of ruler serves a text: sixteenths of an inch or millimetres; none for what has no length. */
export function rulerOf(speaker: Speaker, text: string, { kind, unit }: Entry): 'in' | 'mm' | null {
  if (kind !== 'length') return null;
  const last = unitsWritten({ text, kind }).at(-1) ?? (speaker.system === 'us' ? 'in' : unit);
  return METRIC.has(last) ? 'mm' : 'in';
}

/** Marks of one strip: sixteenths of an inch, millimetres of a centimetre. */
export const MARKS = { in: 16, mm: 10 } as const;
const SIZE_M = { in: 0.0254, mm: 0.01 } as const;

/** Where on the strip a text stands, in marks. */
export function markOf(text: string, strip: 'in' | 'mm', entry: Entry): number {
  const value = meaning(text, entry) ?? 0;
  const over = value / SIZE_M[strip] - Math.floor(value / SIZE_M[strip] + 1e-9);
  return Math.max(0, Math.round(over * MARKS[strip]) % MARKS[strip]);
}

/** A mark tapped on the strip: the whole inches or centimetres stay, the rest is what was tapped. */
export function withMark(text: string, mark: number, strip: 'in' | 'mm', entry: Entry): string {
  const value = meaning(text, entry) ?? 0;
  const size = SIZE_M[strip];
  const next = Math.floor(value / size + 1e-9) * size + (mark * size) / MARKS[strip];
  const units = unitsWritten({ text, kind: 'length' });
  const inFeet = units.includes('ft') || (units.length === 0 && entry.unit === 'ft' && value > 0);
  const unit = strip === 'mm' ? (units.at(-1) ?? entry.unit) : inFeet ? 'ft' : 'in';
  return typeset(printIn({ kind: 'length', value: next, unit: strip === 'mm' && !METRIC.has(unit) ? 'mm' : unit }));
}
