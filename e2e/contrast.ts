import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';

const tokens = JSON.parse(readFileSync(resolve(__dirname, '../app/parts/ui/tokens.json'), 'utf8')) as Record<'light' | 'dark' | 'sun', Record<string, string>>;

/** WCAG relative luminance of a colour written `#rrggbb`. */
function luminance(hex: string): number {
  const [r = 0, g = 0, b = 0] = [1, 3, 5]
    .map((at) => parseInt(hex.slice(at, at + 2), 16) / 255)
    .map((c) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4));
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

function contrast(a: string, b: string): number {
  const [high = 0, low = 0] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return (high + 0.05) / (low + 0.05);
}

/** `rgb(31, 39, 41)` as `#1f2729`; what is see-through has no one colour and is told as it stands. */
function hexOf(rgb: string): string {
  const parts = /^rgb\((\d+), (\d+), (\d+)\)$/.exec(rgb);
  return parts
    ? `#${parts
        .slice(1)
        .map((part) => Number(part).toString(16).padStart(2, '0'))
        .join('')}`
    : rgb;
}

/** The tokens of the light mode that have a colour. */
const namesOf = (hex: string): string[] => Object.keys(tokens.light).filter((name) => tokens.light[name]?.toLowerCase() === hex);

/**
 * Which pairs of a page in the light mode are too faint to read, in any mode: every colour is a token, and of tokens of
 * one colour the pair that reads worst in no mode must reach 4.5:1, large letters 3:1.
 */
export function tooFaint(pairs: readonly { text: string; behind: string; words: string; large: boolean }[]): string[] {
  return pairs.flatMap(({ text, behind, words, large }) => {
    const [front, back] = [namesOf(hexOf(text)), namesOf(hexOf(behind))];
    if (front.length === 0 || back.length === 0) return [`${words}: ${text} on ${behind} is no pair of tokens`];
    const least = large ? 3 : 4.5;
    const reads = front.some((a) =>
      back.some((b) => (['light', 'dark', 'sun'] as const).every((mode) => contrast(tokens[mode][a]!, tokens[mode][b]!) >= least)),
    );
    return reads ? [] : [`${words}: ${front.join('/')} on ${back.join('/')}`];
  });
}
