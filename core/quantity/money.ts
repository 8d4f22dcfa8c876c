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

/**
 * A price with what is added to it by a share, rounded to whole minor units.
 *
 * @param share 0 to 0.5
 * @example taxed({ price_minor: 100000, share: 0.053 }) // { tax_minor: 5300, total_minor: 105300 }
 */
export function taxed({ price_minor, share }: { readonly price_minor: number; readonly share: number }): {
  readonly tax_minor: number;
  readonly total_minor: number;
} {
  const tax_minor = Math.round(price_minor * share);
  return { tax_minor, total_minor: price_minor + tax_minor };
}
