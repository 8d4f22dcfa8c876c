import type { Page } from '@playwright/test';
import { acknowledgeAll, DOCK, expect, reading, signIn, test } from './server';

const STEPS = ['Walk', 'Fix', 'Mix', 'Day', 'Pour', 'Record'];
const SIZES = { phone: { width: 390, height: 844 }, wide: { width: 1280, height: 800 } };

/** Marks the page that was opened, and counts what pages are asked for from then on. @returns what holds that it is still the same one */
async function onOnePage(page: Page): Promise<(where: string) => Promise<void>> {
  const documents: string[] = [];
  page.on('request', (request) => request.isNavigationRequest() && request.frame() === page.mainFrame() && documents.push(request.url()));
  await page.evaluate(() => Object.assign(window, { marked: true }));
  return async (where) => {
    // A page that is loaded anew has been asked for by the time that the screen asked for stands.
    expect([where, documents, await page.evaluate(() => 'marked' in window)]).toEqual([where, [], true]);
  };
}

/** Every way there is between screens, by finger or mouse: how it is gone, and the address that it leads to. */
async function walked(page: Page, { wide }: { wide: boolean }): Promise<void> {
  const still = await onOnePage(page);
  const press = async (role: 'link' | 'button' | 'radio' | 'tab', name: string | RegExp): Promise<void> => {
    const target = page.getByRole(role, { name, exact: typeof name === 'string' }).first();
    await (wide ? target.click() : target.tap());
  };
  const at = async (where: string | RegExp): Promise<void> => {
    await expect(page).toHaveURL(typeof where === 'string' ? new RegExp(`${where}$`) : where);
    await page.getByRole('heading', { level: 1 }).waitFor();
    await still(String(where));
  };
  const go = async (role: Parameters<typeof press>[0], name: string | RegExp, where: string | RegExp): Promise<void> => {
    await press(role, name);
    await at(where);
  };
  // The main bar or rail.
  await go('link', 'Jobs', '/jobs');
  await go('link', 'Shelf', '/shelf');
  await go('link', 'Bench', '/bench');
  await go('link', 'Now', '/');
  // Back and forward of the browser.
  await page.goBack();
  await at('/bench');
  await page.goForward();
  await at('/');
  // Now's cards, and the six steps in both directions.
  await go('link', /Loading dock/, /\/jobs\/[^/]+\/\w+$/);
  for (const step of [...STEPS, ...[...STEPS].reverse()]) await go('link', new RegExp(`^${step}, `), `/${step.toLowerCase()}`);
  if (wide) await go('link', /^Cellar steps/, /\/walk$/);
  await go('link', wide ? 'Jobs' : '‹ Jobs', '/jobs');
  // The list of jobs, with what is made of one.
  await go('link', /Loading dock/, '/walk');
  await go('link', /^Fix, /, '/fix');
  await go('button', 'Why these figures', '/why');
  await page.goBack();
  await at('/fix');
  await go('button', 'Compare systems', '/systems');
  await page.goBack();
  await go('link', /^Day, /, '/day');
  await go('radio', 'The week', '/week');
  await go('radio', 'The day', '/plan');
  await go('link', /^Record, /, '/record');
  await go('link', wide ? 'Jobs' : '‹ Jobs', '/jobs');
  // Find.
  await page.getByLabel('Search').fill('dock');
  await go('button', 'Find in everything', /\/find\?q=dock$/);
  await go('link', /^Loading dock/, /\/walk/);
  await page.goBack();
  await at(/\/find/);
  await go('link', 'Shelf', '/shelf');
  // The shelf and a sheet of it.
  await go('link', /^Sanded rapid mortar, 15 minute/, /\/shelf\/[0-9a-f-]+$/);
  await go('button', 'Bench: its window', /\/bench\/window\?sheet=/);
  await go('link', 'Bench', '/bench');
  // Bench: a sum, the lesson, the rehearsals.
  await go('link', /^Crack/, '/bench/crack');
  await page.goBack();
  await go('link', /^A first job/, '/lesson');
  await page.goBack();
  await go('link', /^Rehearse/, '/rehearse');
  await go('link', /One pail less/, /\/rehearse\/\w+$/);
  await go('button', 'Other rehearsals', '/rehearse');
  // The firm and its doors.
  await go('link', 'Now', '/');
  await go('button', 'Firm', '/firm');
  await go('button', 'People and doors', '/doors');
  await page.goBack();
  await at('/firm');
  await page.goBack();
  await at('/');
}

for (const [name, viewport] of Object.entries(SIZES))
  reading(`${name}: every way between screens stays on the one page that was opened`, async ({ page }) => {
    reading.setTimeout(180_000);
    await page.setViewportSize(viewport);
    await signIn(page, 'Lead', '/');
    await walked(page, { wide: name === 'wide' });
  });

reading(
  'a way is a link like any: Enter follows it on the page; with Control, or by the middle button, it opens beside the page, which stays',
  async ({ page, context }) => {
    await page.setViewportSize(SIZES.wide);
    await signIn(page, 'Lead', '/');
    const still = await onOnePage(page);
    for (const open of [{ modifiers: ['Control' as const] }, { button: 'middle' as const }]) {
      const [beside] = await Promise.all([context.waitForEvent('page'), page.getByRole('link', { name: 'Shelf', exact: true }).click(open)]);
      await expect(beside).toHaveURL(/\/shelf$/);
      await beside.close();
      await expect(page).toHaveURL(/\/$/);
    }
    await page.getByRole('link', { name: 'Jobs', exact: true }).focus();
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(/\/jobs$/);
    await still('Jobs');
  },
);

test('a form that was just left is left, and what is tapped meanwhile comes after it, on the same page', async ({ page }) => {
  await signIn(page, 'Lead', '/jobs');
  const still = await onOnePage(page);
  await page.getByRole('button', { name: /^Edit Loading dock/ }).tap();
  await page.getByLabel('Address').fill('Upper yard');
  await page.getByRole('button', { name: 'Save' }).tap();
  await page.getByRole('link', { name: 'Shelf', exact: true }).tap();
  await expect(page).toHaveURL(/\/shelf$/);
  await still('Shelf');
});

test('a running pour stands as it was left, after its log, the job and Mix: the alarm silenced, the note begun', async ({ page, context }) => {
  await page.clock.install({ time: new Date() });
  await signIn(page, 'Lead', `/jobs/${DOCK}/walk`);
  for (const step of ['mix', 'pour']) {
    await page.getByRole('link', { name: new RegExp(`^${step}, `, 'i') }).tap();
    await expect(page).toHaveURL(new RegExp(`/${step}$`));
  }
  await acknowledgeAll(page);
  await expect(page.getByText('with the firm')).toBeVisible();
  // Without signal the offset to the firm's clock stays what it was while this page's clock is moved.
  await context.setOffline(true);
  await page.getByTestId('start-batch').tap();
  await page.getByTestId('pail').waitFor();
  const still = await onOnePage(page);
  await page.clock.runFor(20 * 60_000);
  await page.getByRole('button', { name: 'Silence' }).tap();
  await page.getByRole('button', { name: 'Log', exact: true }).tap();
  await page.getByLabel('What happened?').fill('A shower came');
  await page.getByRole('button', { name: 'Close' }).tap();
  await page.getByRole('button', { name: /Job$/ }).tap();
  await page.getByRole('link', { name: /^Mix, / }).tap();
  await expect(page).toHaveURL(/\/mix$/);
  await page.getByRole('link', { name: /^Pour, / }).tap();
  await page.getByTestId('pail').waitFor();
  await still('Pour');
  await expect(page.getByText('Time is up')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Silence' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Log', exact: true }).tap();
  await expect(page.getByLabel('What happened?')).toHaveValue('A shower came');
});
