import AxeBuilder from '@axe-core/playwright';
import { faultsOf, unreadable } from './looks';
import { acknowledgeAll, APRON, DOCK, expect, signIn, test } from './server';
import { tabTo } from './tabTo';

const SCREENS = [
  '/',
  '/jobs',
  '/jobs/new',
  `/jobs/${DOCK}/edit`,
  '/shelf',
  '/shelf/0198a000-0003-7000-8000-000000000003',
  '/bench',
  '/bench/window',
  '/firm',
  ...['walk', 'fix', 'mix', 'day', 'pour', 'record'].map((step) => `/jobs/${DOCK}/${step}`),
  `/jobs/${DOCK}/systems`,
  `/jobs/${APRON}/mix`,
];

for (const { name, size } of [
  { name: 'phone', size: { width: 390, height: 844 } },
  { name: 'wide', size: { width: 1280, height: 800 } },
])
  test(`axe finds nothing on any screen, ${name}`, async ({ page }) => {
    test.setTimeout(360_000);
    await page.setViewportSize(size);
    await page.goto('/');
    await page.getByRole('button', { name: 'Lead' }).waitFor();
    expect(await faultsOf(page)).toEqual([]);
    await signIn(page);
    for (const path of SCREENS) {
      await page.goto(path);
      await page.getByRole('heading', { level: 1 }).waitFor();
      expect({ path, faults: await faultsOf(page) }).toEqual({ path, faults: [] });
      // Only colours differ between the modes, and they are the same on every size.
      for (const mode of name === 'phone' ? ['dark', 'sun'] : []) {
        await page.evaluate(
          (wanted) =>
            document.documentElement.classList.replace(
              ['light', 'dark', 'sun'].find((one) => document.documentElement.classList.contains(one)) as string,
              wanted,
            ),
          mode,
        );
        const { violations } = await new AxeBuilder({ page }).withRules(['color-contrast']).analyze();
        expect({ path, mode, faults: violations.flatMap(({ nodes }) => nodes.map(({ html }) => html.slice(0, 200))) }).toEqual({ path, mode, faults: [] });
      }
    }
  });

test('axe finds nothing on the pail, the forms and the five questions', async ({ page }) => {
  await signIn(page);
  await page.goto(`/jobs/${DOCK}/walk`);
  for (const name of ['Add a finding', 'Edit Dock slab', 'Sound it', 'Measure', 'Pictures', 'Sheet and files', 'Five questions answered']) {
    await page.getByRole('button', { name }).click();
    expect({ name, faults: await faultsOf(page) }).toEqual({ name, faults: [] });
    if (name === 'Add a finding') {
      await page.getByLabel('Length').click();
      await page.getByTestId('keypad').waitFor();
      expect(await faultsOf(page)).toEqual([]);
    }
    await page
      .getByRole('button', {
        name: name === 'Five questions answered' ? 'Save' : name === 'Add a finding' || name === 'Edit Dock slab' ? 'Cancel' : 'Done',
        exact: true,
      })
      .click();
  }
  await page.goto(`/jobs/${DOCK}/pour`);
  await acknowledgeAll(page);
  await page.getByTestId('start-batch').click();
  await page.getByTestId('pail').waitFor();
  expect(await faultsOf(page)).toEqual([]);
  expect(await unreadable(page)).toEqual([]);
});

for (const [width, height, text, language] of [
  [390, 844, 100, 'English'],
  [390, 664, 100, 'English'],
  [360, 640, 100, 'English'],
  [768, 1024, 100, 'English'],
  [1280, 800, 100, 'English'],
  [390, 844, 200, 'English'],
  [390, 844, 100, 'pseudo'],
  [1280, 800, 100, 'pseudo'],
] as const)
  test(`at ${width}x${height} with text at ${text} % in ${language} nothing is cut or covered and the thumb's targets are large enough`, async ({ page }) => {
    test.setTimeout(180_000);
    await page.setViewportSize({ width, height });
    await signIn(page);
    await page.addInitScript((size) => document.addEventListener('DOMContentLoaded', () => (document.documentElement.style.fontSize = `${size}%`)), text);
    await page.addInitScript((spoken) => localStorage.setItem('tufa-language', spoken), language);
    for (const path of SCREENS) {
      await page.goto(path);
      await page.getByRole('heading', { level: 1 }).waitFor();
      if (language === 'pseudo') await page.getByText(/lorem/).first().waitFor();
      const small = await page.evaluate(
        (least) => {
          const out: string[] = [];
          for (const element of document.querySelectorAll<HTMLElement>(
            '[role="button"], button, a, [role="radio"], [role="checkbox"], [role="switch"], input, textarea',
          )) {
            const { height: tall, width: wideness } = element.getBoundingClientRect();
            if (tall === 0 || element.closest('[aria-hidden="true"]')) continue;
            const notch = element.textContent?.startsWith('‹');
            if (tall < (notch ? 40 : least) - 0.5 || wideness < 40)
              out.push(`${element.getAttribute('aria-label') ?? element.textContent}: ${Math.round(wideness)}x${Math.round(tall)}`);
          }
          return out;
        },
        width >= 1024 ? 48 : 56,
      );
      expect({ path, small, hidden: await unreadable(page) }).toEqual({ path, small: [], hidden: [] });
    }
  });

test('by keyboard alone on a wide screen: from Now to a poured batch', async ({ page, server }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto('/');
  await page.getByRole('button', { name: 'Finisher' }).waitFor();
  await tabTo(page, 'Finisher');
  await page.keyboard.press('Enter');
  await page.getByText('Waiting for you').waitFor();
  await tabTo(page, "Open today's pour");
  await page.keyboard.press('Enter');
  await page.getByTestId('start-batch').waitFor();
  // Focus stands on the new screen's answer, not on the body.
  await expect.poll(() => page.evaluate(() => document.activeElement?.tagName)).toBe('H1');
  await tabTo(page, /^Day,/);
  await page.keyboard.press('Enter');
  const slider = page.getByRole('slider', { name: 'Slab handle' });
  await slider.waitFor();
  await tabTo(page, 'Slab handle');
  const before = Number(await slider.getAttribute('aria-valuenow'));
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('PageDown');
  await expect.poll(async () => Number(await slider.getAttribute('aria-valuenow'))).toBeLessThan(before - 5);
  await tabTo(page, 'Keep these for the pour');
  await page.keyboard.press('Enter');
  await tabTo(page, /^Pour,/);
  await page.keyboard.press('Enter');
  await page.getByTestId('start-batch').waitFor();
  for (let left = await page.getByRole('button', { name: /^Understood:/ }).count(); left > 0; left -= 1) {
    await tabTo(page, /^Understood:/);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: /^Understood:/ })).toHaveCount(left - 1);
  }
  await tabTo(page, 'Water meets powder: start');
  await page.keyboard.press('Enter');
  await page.getByTestId('pail').waitFor();
  await tabTo(page, 'Placed');
  await page.keyboard.press('Enter');
  await tabTo(page, 'Finished');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Ready for batch 2');
  await expect.poll(async () => Object.keys((await (await page.request.get(`${server}/api/v1/jobs/${DOCK}`)).json()).pourEvent).length).toBe(3);
});
