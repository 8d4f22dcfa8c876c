import { siFactor, spelling, spellingsOf, type Kind } from './units';

/** Which library units belong to which system; what is told the same everywhere belongs to neither. */
const US = new Set(['ft', 'in', 'yd', 'ft2', 'in2', 'ft3', 'gal', 'qt', 'pt', 'cup', 'fl oz', 'tbsp', 'tsp', 'lb', 'oz', 'psi', 'F']);
const NEITHER = new Set(['s', 'min', 'h', 'd', '']);

/**
 * The units written in a text, in order, by the unit library's names.
 *
 * @example unitsWritten({ text: `8' 4"`, kind: 'length' }) // ['ft', 'in']
 */
export function unitsWritten({ text, kind }: { text: string; kind: Kind }): string[] {
  const spellings = spellingsOf(kind)
    .map((written) => written.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'))
    .join('|');
  return [...text.matchAll(new RegExp(`[\\d½⅓⅔¼¾⅛⅜⅝⅞]\\s*(${spellings})(?![a-zA-Z])`, 'gi'))].map(([, unit]) => spelling(kind, unit!));
}

/**
 * Two units in one entry that nobody writes together: of two systems, or a larger after a smaller one.
 *
 * @returns the first such pair as written, or null
 * @example contradiction({ text: '8 ft 4 m', kind: 'length' }) // ['ft', 'm']
 */
export function contradiction({ text, kind }: { text: string; kind: Kind }): readonly [string, string] | null {
  const units = unitsWritten({ text, kind });
  for (let i = 1; i < units.length; i += 1) {
    const [before, after] = [units[i - 1]!, units[i]!];
    const mixed = !NEITHER.has(before) && US.has(before) !== US.has(after);
    if (mixed || kind === 'temperature' || siFactor(kind, before) <= siFactor(kind, after)) return [before, after];
  }
  return null;
}
