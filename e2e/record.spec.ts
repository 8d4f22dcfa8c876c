import { faultsOf, unreadable } from './looks';
import { expect, signIn, test } from './server';

const PLINTH = '0198a000-de00-7000-8000-0000000000e0';

test('a poured job: its figures are taken up with what that changes, and a completion sheet is made of it', async ({ page }) => {
  await signIn(page, 'Lead', `/jobs/${PLINTH}/record`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^6 batches poured, 1 lost/);
  await page.getByRole('button', { name: /^Batch 3: .*went hard/ }).tap();
  await expect(page.getByText('sun came round').first()).toBeVisible();
  const figures = page.getByTestId('own-figures');
  await expect(figures).toContainText('to place instead of');
  await page.getByTestId('take-up').tap();
  await expect(figures).toContainText(/yours \d+\smin/);
  await figures.getByRole('switch', { name: 'Plan this job as the sheets say' }).tap();
  await expect(figures).toContainText('whatever your own figures are');
  expect(await faultsOf(page)).toEqual([]);
  expect(await unreadable(page)).toEqual([]);
  // By keyboard as by thumb; the sheet goes out under its number.
  await page.getByRole('button', { name: 'Make it: Completion sheet' }).focus();
  await page.keyboard.press('Enter');
  const made = page.getByRole('list', { name: 'Made so far' }).getByRole('button', { name: /^Completion sheet \d{4}-0001/ });
  await expect(made).toBeVisible();
  const [request] = await Promise.all([page.context().waitForEvent('request', (each) => /\/documents\/.+\/file$/.test(each.url())), made.tap()]);
  const file = await page.request.get(request.url());
  expect((await file.body()).subarray(0, 5).toString()).toBe('%PDF-');
  // What came of it stands with the firm's other figures, each of which a person may set aside.
  await page.goto('/figures');
  await expect(page.getByRole('heading', { level: 2, name: 'Sanded rapid mortar, 15 minute' })).toBeVisible();
  await page.getByRole('button', { name: 'As a list' }).tap();
  await page.getByRole('button', { name: /^Set aside: Weighbridge plinth 3,/ }).tap();
  await expect(page.getByText('set aside').first()).toBeVisible();
});
