import { unreadable } from './looks';
import { expect, signIn, test } from './server';

/** The press-hall apron, which nobody has sounded yet. */
const APRON = '0198a000-de00-7000-8000-000000000020';

test('a slab sounded with one thumb: the share is the core’s, an undo takes one tap back, and without signal it goes on', async ({ page, server, context }) => {
  await signIn(page, 'Lead', `/jobs/${APRON}/walk`);
  await page.getByRole('button', { name: 'Sound it' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('No tap yet');
  const [solid, hollow] = [page.getByRole('button', { name: 'Solid', exact: true }), page.getByRole('button', { name: 'Hollow', exact: true })];
  for (const button of [solid, hollow]) expect((await button.boundingBox())!.height).toBeGreaterThanOrEqual(88);
  const said = ['solid', 'solid', 'hollow', 'solid', 'hollow', 'solid', 'solid', 'solid'];
  for (const [i, sentence] of said.entries()) {
    await expect(page.getByText(new RegExp(`^Tap ${i + 1} of \\d+`))).toBeVisible();
    await (sentence === 'hollow' ? hollow : solid).click();
  }
  await expect(page.getByText('with the firm')).toBeVisible();
  const planned = async () => (await (await page.request.get(`${server}/api/v1/jobs/${APRON}/plan`)).json()).plan.elements[0].hollow;
  await expect.poll(async () => (await planned())?.taps).toBe(8);
  const { share, low, high, moreToHalve } = await planned();
  const percent = (share: number): number => Math.round(share * 100);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(`${percent(share)} % hollow`);
  await expect(page.getByText(`${percent(low)}-${percent(high)} % is what 8 taps can say. ${moreToHalve} more would halve that range.`)).toBeVisible();

  // No signal is ordinary: the tap and its undo are kept on the phone and sent later.
  await context.setOffline(true);
  await hollow.click();
  await expect(page.getByText('what 9 taps can say')).toBeVisible();
  await page.getByRole('button', { name: 'Undo tap' }).click();
  await expect(page.getByText('what 8 taps can say')).toBeVisible();
  await expect(page.getByText(/^Tap 9 of \d+/)).toBeVisible();
  await context.setOffline(false);
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(page.getByText(`${percent(share)} % hollow, ${percent(low)}-${percent(high)} %`)).toBeVisible();
  await expect(page.getByText('with the firm')).toBeVisible();
  expect((await planned()).taps).toBe(8);
});

test('by keyboard alone on a wide screen, and readable at every size', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await signIn(page, 'Lead', `/jobs/${APRON}/walk`);
  const tabTo = async (name: string): Promise<void> => {
    for (let i = 0; i < 80; i += 1) {
      await page.keyboard.press('Tab');
      if ((await page.evaluate(() => document.activeElement?.getAttribute('aria-label'))) === name) return;
    }
    throw new Error(`Tab never reached ${name}`);
  };
  await tabTo('Sound it');
  await page.keyboard.press('Enter');
  await tabTo('Hollow');
  await page.keyboard.press('Enter');
  await expect(page.getByText('what 1 tap can say')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByText('what 2 taps can say')).toBeVisible();
  for (const [width, height] of [
    [1280, 800],
    [390, 844],
    [360, 640],
  ] as const) {
    await page.setViewportSize({ width, height });
    // The screen is laid out anew a moment after the window has its size.
    await expect.poll(async () => ({ width, hidden: await unreadable(page) })).toEqual({ width, hidden: [] });
  }
});

test('a yard too large for a tap every two feet says so and takes a wider spacing', async ({ page }) => {
  await signIn(page, 'Lead', `/jobs/${APRON}/walk`);
  await page.getByRole('button', { name: 'Edit Apron' }).click();
  await page.getByLabel('Length').fill("120'");
  await page.getByLabel('Width').fill("110'");
  await page.getByRole('button', { name: 'Save' }).click();
  await page.getByRole('button', { name: 'Sound it' }).click();
  await expect(page.getByText('would be more than 2000 taps')).toBeVisible();
  await page.getByRole('radio', { name: '3' }).click();
  await expect(page.getByText(/^Tap 1 of 1480/)).toBeVisible();
});
