import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import type Axe from 'axe-core';

/**
 * Text of the page that a person cannot read whole: cut by its box or the screen's edge, or covered by something else.
 * Drawings keep their own labels apart and are held by the core's tests and the pictures.
 */
export const unreadable = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const out: string[] = [];
    if (document.documentElement.scrollWidth > window.innerWidth) out.push('page scrolls sideways');
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const element = node.parentElement!;
      const text = node.textContent?.trim() ?? '';
      if (text === '' || element.closest('svg, script, style, noscript, [aria-hidden="true"]') || getComputedStyle(element).visibility === 'hidden') continue;
      const range = document.createRange();
      range.selectNodeContents(node);
      const rect = range.getBoundingClientRect();
      if (rect.width === 0 || rect.height === 0) continue;
      let [left, right, top, bottom] = [0, window.innerWidth, 0, window.innerHeight];
      let scrolls = false;
      for (let up: HTMLElement | null = element; up; up = up.parentElement) {
        const { overflowX, overflowY } = getComputedStyle(up);
        const box = up.getBoundingClientRect();
        if (overflowX === 'auto' || overflowX === 'scroll') scrolls = true;
        if (overflowX !== 'visible') [left, right] = [Math.max(left, box.left), Math.min(right, box.right)];
        if (overflowY !== 'visible') [top, bottom] = [Math.max(top, box.top), Math.min(bottom, box.bottom)];
      }
      if (!scrolls && (rect.right > right + 2 || rect.left < left - 2)) out.push(`cut: ${text.slice(0, 40)}`);
      const [x, y] = [rect.left + rect.width / 2, rect.top + rect.height / 2];
      // What is scrolled away is not covered.
      if (x < left || x > right || y < top + 1 || y > bottom - 1) continue;
      const over = document.elementFromPoint(x, y);
      if (over && over !== element && !element.contains(over) && !over.contains(element) && !over.closest('canvas, [aria-hidden="true"]'))
        out.push(`covered: ${text.slice(0, 40)} by ${(over.textContent ?? '').slice(0, 30)}`);
    }
    return out;
  });

const AXE = readFileSync(require.resolve('axe-core/axe.min.js'), 'utf8');
const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

/** What axe finds wrong, a line each. Contrast is computed from the pairs of colours that are seen (`pairsOf`), in every mode at once. */
export async function faultsOf(page: Page): Promise<string[]> {
  // Put in once a page: it is half a megabyte to read.
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(AXE);
  return page.evaluate(async (values) => {
    const { axe } = window as unknown as { axe: typeof Axe };
    const { violations } = await axe.run(document, {
      runOnly: { type: 'tag', values },
      rules: { 'color-contrast': { enabled: false } },
      resultTypes: ['violations'],
    });
    return violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html.slice(0, 160)}`);
  }, TAGS);
}

/** Whatever takes a finger and is smaller than it must be, px; a label without words of its own (the notch) may be lower. */
export const smallTargets = (page: Page, least: number): Promise<string[]> =>
  page.evaluate((leastHeight) => {
    const out: string[] = [];
    for (const element of document.querySelectorAll<HTMLElement>(
      '[role="button"], button, a, [role="radio"], [role="checkbox"], [role="switch"], input, textarea',
    )) {
      const { height, width } = element.getBoundingClientRect();
      if (height === 0 || element.closest('[aria-hidden="true"]')) continue;
      // A bar is as long as its work: the list beside it has the same at full size.
      if (element.closest('[data-testid="day-bars"]') && height >= leastHeight - 0.5) continue;
      const notch = element.textContent?.startsWith('‹');
      if (height < (notch ? 40 : leastHeight) - 0.5 || width < 40)
        out.push(`${element.getAttribute('aria-label') ?? element.textContent}: ${Math.round(width)}x${Math.round(height)}`);
    }
    return out;
  }, least);

/** Colours of words with what lies behind them, as the page shows them: each pair once, with words that have it. */
export const pairsOf = (page: Page): Promise<{ text: string; behind: string; words: string; large: boolean }[]> =>
  page.evaluate(() => {
    const pairs = new Map<string, { text: string; behind: string; words: string; large: boolean }>();
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const element = node.parentElement!;
      const words = node.textContent?.trim() ?? '';
      const range = document.createRange();
      range.selectNodeContents(node);
      if (words === '' || element.closest('svg, script, style, noscript, [aria-disabled="true"], :disabled') || range.getBoundingClientRect().height === 0)
        continue;
      let behind = 'rgb(0, 0, 0)';
      for (let up: HTMLElement | null = element; up; up = up.parentElement) {
        const { backgroundColor } = getComputedStyle(up);
        if (backgroundColor !== 'rgba(0, 0, 0, 0)') {
          behind = backgroundColor;
          break;
        }
      }
      const { color, fontSize, fontWeight } = getComputedStyle(element);
      const size = parseFloat(fontSize);
      const large = size >= 24 || (size >= 18.66 && Number(fontWeight) >= 700);
      pairs.set(`${color} ${behind} ${large}`, { text: color, behind, words: words.slice(0, 40), large });
    }
    return [...pairs.values()];
  });
