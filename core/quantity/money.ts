/** A format is dear to make and the same every time. */
const formats = new Map<string, Intl.NumberFormat>();

/**
 * Money is integer minor units of the firm's currency. Printed by the platform's own number formatting, without
 * pence where there are none to show.
 *
 * @example printMoney({ minor: 3513, currency: 'USD' }) // '$35.13'
 */
export function printMoney({ minor, currency, locale = 'en-US' }: { minor: number; currency: string; locale?: string }): string {
  const digits = minor % 100 === 0 ? 0 : 2;
  const key = `${locale} ${currency} ${digits}`;
  const format =
    formats.get(key) ?? new Intl.NumberFormat(locale, { style: 'currency', currency, minimumFractionDigits: digits, maximumFractionDigits: digits });
  formats.set(key, format);
  return format.format(minor / 100);
}
