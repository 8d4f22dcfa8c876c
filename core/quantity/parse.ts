import { Problem } from './Problem';
import { celsiusFromFahrenheit, siFactor, spelling, spellingsOf, type Kind } from './units';

const FRACTIONS: Record<string, string> = {
  '½': '1/2',
  '⅓': '1/3',
  '⅔': '2/3',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

const escape = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
const NUMBER = String.raw`(\d+\s+\d+\/\d+|\d+\/\d+|\d*\.?\d+|\d+\.)`;

/** "1 1/2", "3/16", "2.55" as a number. Division by zero is not a number. */
function numberFrom(text: string): number {
  return text.split(/\s+/).reduce((sum, part) => {
    const [over, under] = part.split('/');
    return sum + (under === undefined ? Number(over) : Number(over) / Number(under));
  }, 0);
}

/** The unit that a bare number after another unit stands for: 8' 4 is eight feet four inches. */
const SMALLER: Readonly<Record<string, string>> = { ft: 'in', lb: 'oz', gal: 'qt', qt: 'oz', h: 'min', min: 's' };

/** A typed text, what kind of quantity it is, and the unit of a bare number. */
export interface ParseRequest {
  readonly text: string;
  readonly kind: Kind;
  /** The field's own unit, for a bare number. Without it a bare number is refused, except zero. */
  readonly unit?: string;
}

/**
 * Reads what the trade writes: `8' 4"`, `100 1/2 in`, `2.55 m`, `2 qt 8 oz`, `12 lb 8 oz`, `1 h 20 min`, `88 F`.
 * A bare number after a unit takes the next smaller one: `8' 4` is `8' 4"`. A decimal comma is read as a point unless exactly three digits follow it, which can be read two ways.
 *
 * @returns the SI value (degC for temperatures; may be negative only there)
 * @throws Problem `unreadable`, `unknownUnit`, `unitMissing`, `negative`, `commaUnclear` (with both readings)
 * @example parse({ text: `4' 4 5/8"`, kind: 'length' }) // 1.336675
 */
export function parse({ text, kind, unit }: ParseRequest): number {
  let rest = text.trim().replace(/[½⅓⅔¼¾⅛⅜⅝⅞]/g, (glyph) => ` ${FRACTIONS[glyph]}`);
  rest = rest
    .replace(/[\u2018\u2019]/g, "'")
    .replace(/[\u201c\u201d]/g, '"')
    .replace(/\u2212/g, '-')
    .replace(/\u2044/g, '/')
    .trim();
  if (rest === '') throw new Problem('unreadable', { text, kind });
  const unclear = /(\d+),(\d{3})(?!\d)/.exec(rest);
  if (unclear) throw new Problem('commaUnclear', { text, point: rest.replace(',', '.'), thousands: rest.replace(',', '') });
  rest = rest.replace(/(\d),(\d)/g, '$1.$2');
  const negative = rest.startsWith('-');
  if (negative) rest = rest.slice(1).trim();

  const units = spellingsOf(kind).map(escape).join('|');
  const term = new RegExp(`^${NUMBER}\\s*(${units})?(?![a-zA-Z])\\s*`, 'i');
  let total = 0;
  let terms = 0;
  let before: string | undefined;
  while (rest !== '') {
    const match = term.exec(rest);
    if (!match) {
      const foreign = /^[\d\s./]*([^\d\s./].*)$/.exec(rest);
      if (foreign?.[1] && /^[a-z]/i.test(foreign[1])) throw new Problem('unknownUnit', { kind, unit: foreign[1].trim(), text });
      throw new Problem('unreadable', { text, kind });
    }
    const after = rest.slice(match[0].length);
    if (match[2] === undefined && /^[a-z]/i.test(after)) throw new Problem('unknownUnit', { kind, unit: after, text });
    const value = numberFrom(match[1]!);
    const given = match[2] ?? (before === undefined ? unit : SMALLER[before]);
    if (given === undefined && value !== 0) throw new Problem('unitMissing', { text, kind });
    total += given === undefined ? 0 : toSi(kind, value * (negative ? -1 : 1), given, unit);
    rest = rest.slice(match[0].length);
    terms += 1;
    before = given === undefined ? undefined : spelling(kind, given);
    if (kind === 'temperature' && terms > 1) throw new Problem('unreadable', { text, kind });
  }
  if (!Number.isFinite(total)) throw new Problem('unreadable', { text, kind });
  if (kind !== 'temperature' && negative && total !== 0) throw new Problem('negative', { text, kind });
  return total;
}

function toSi(kind: Kind, value: number, unit: string, fieldUnit?: string): number {
  if (kind !== 'temperature') return value * siFactor(kind, unit);
  // A lone degree sign takes the field's own scale.
  const scale = spelling(kind, unit) || (fieldUnit ? spelling(kind, fieldUnit) : '');
  if (scale === '') throw new Problem('unitMissing', { kind, text: String(value) });
  return scale === 'F' ? celsiusFromFahrenheit(value) : value;
}
