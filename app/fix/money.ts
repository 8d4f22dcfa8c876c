/** To the whole coin: what work costs is known to the cent by nobody. */
export const whole = (minor: number): number => Math.round(minor / 100) * 100;

/** An amount as the screens print it: a sign or a code of money, thousands by commas or none, two places at most behind a point. */
const AMOUNT = /^[\s\p{Sc}\p{L}]*(\d{1,3}(?:,\d{3})+|\d+)(\.\d{1,2})?[\s\p{Sc}\p{L}]*$/u;

/**
 * An amount as it is typed, in minor units: nothing typed is nothing agreed. What could mean two amounts, such as
 * `12,50`, is none.
 *
 * @returns undefined for what is no amount
 */
export function amountMinor(text: string): number | null | undefined {
  if (text.trim() === '') return null;
  const read = AMOUNT.exec(text);
  if (!read) return undefined;
  const minor = Math.round(Number(`${read[1]!.replaceAll(',', '')}${read[2] ?? ''}`) * 100);
  return minor <= 2e9 ? minor : undefined;
}
