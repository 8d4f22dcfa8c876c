import type { Page } from '@playwright/test';

/** Goes on with Tab until what it stands on is called so. */
export async function tabTo(page: Page, name: string | RegExp, most = 120): Promise<void> {
  for (let i = 0; i < most; i += 1) {
    await page.keyboard.press('Tab');
    const label = await page.evaluate(() => {
      const on = document.activeElement;
      // What only scrolls holds the words of everything in it.
      if (!on?.matches('a, button, input, textarea, [role]')) return '';
      const by = on.getAttribute('aria-labelledby');
      return on.getAttribute('aria-label') ?? (by ? document.getElementById(by)?.textContent : on.textContent) ?? '';
    });
    if (typeof name === 'string' ? label === name : name.test(label)) return;
  }
  throw new Error(`Tab never reached ${name}`);
}
