import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';

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
      const element = node.parentElement as HTMLElement;
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

/** What axe finds wrong, a line each. */
export async function faultsOf(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice']).analyze();
  return violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html.slice(0, 160)}`);
}
