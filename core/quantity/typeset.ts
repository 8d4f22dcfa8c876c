/**
 * Trade notation in real glyphs: primes for feet and inches, the fraction slash, the minus sign. The parser reads them
 * back.
 *
 * @example typeset(`8' 4 3/16"`) // '8′ 4 3⁄16″'
 */
export const typeset = (text: string): string =>
  text
    .replace(/(\d)\/(\d)/g, '$1\u2044$2')
    .replace(/(\d)\s*'/g, '$1\u2032')
    .replace(/(\d)\s*"/g, '$1\u2033')
    .replace(/^-(?=[\d.])/, '\u2212');
