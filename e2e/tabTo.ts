import type { Page } from '@playwright/test';

/** What the keyboard stands on is called so. */
const label = (page: Page): Promise<string> =>
  page.evaluate(() => {
    const on = document.activeElement;
    // What only scrolls holds the words of everything in it.
    if (!on?.matches('a, button, input, textarea, [role]')) return '';
    const by = on.getAttribute('aria-labelledby');
    return on.getAttribute('aria-label') ?? (by ? document.getElementById(by)?.textContent : on.textContent) ?? '';
  });

/** Goes on with Tab until what it stands on is called so. */
export async function tabTo(page: Page, name: string | RegExp, most = 120): Promise<void> {
  for (let i = 0; i < most; i += 1) {
    await page.keyboard.press('Tab');
    const now = await label(page);
    if (typeof name === 'string' ? now === name : name.test(now)) return;
  }
  throw new Error(`Tab never reached ${name}`);
}
