/**
 * Money is integer minor units of the firm's currency. Printed by the platform's own number formatting, without
 * pence where there are none to show.
 *
 * @example printMoney({ minor: 3513, currency: 'USD' }) // '$35.13'
 */
export function printMoney({ minor, currency, locale = 'en-US' }: { minor: number; currency: string; locale?: string }): string {
  const digits = minor % 100 === 0 ? 0 : 2;
  return new Intl.NumberFormat(locale, { style: 'currency', currency, minimumFractionDigits: digits, maximumFractionDigits: digits }).format(minor / 100);
}
