import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { tapOverKeys } from './forms';
import { faultsOf } from './looks';
import { DOCK, expect, reading, signIn, test } from './server';

const SANDED = '0198a000-0005-7000-8000-000000000005';
const rows = (page: Page) => page.getByTestId('shelf-list').getByRole('listitem');
const download = async (page: Page, button: string): Promise<string> => {
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: button }).click()]);
  return readFileSync((await file.path())!, 'utf8');
};

reading('the shelf is searched, narrowed by use and thickness, and four of it lie side by side with what differs', async ({ page }) => {
  await signIn(page, 'Lead', '/shelf');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^([4-9]\d|\d{3,}) /);
  await page.getByLabel('Search').fill('overhead render');
  await expect(rows(page).first()).toContainText('Render repair mortar, light, overhead');
  await page.getByRole('button', { name: 'Whole shelf' }).tap();
  await page.getByRole('button', { name: 'Narrow it down' }).tap();
  const narrow = page.getByTestId('shelf-narrow');
  await narrow.getByRole('radio', { name: 'joints', exact: true }).tap();
  await expect(rows(page).filter({ hasText: 'joint sealant' }).first()).toBeVisible();
  await expect(rows(page).filter({ hasText: 'render' })).toHaveCount(0);
  await narrow.getByRole('radio', { name: 'overlays' }).tap();
  await narrow.getByLabel('This thick').fill('3 in');
  await page.getByTestId('keypad').waitFor();
  await page.getByRole('button', { name: 'Done', exact: true }).first().tap();
  // Three inches is no overlay but for what is made as deep.
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^\d of/);
  await expect(rows(page).filter({ hasText: 'Broom overlay' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Whole shelf' }).tap();
  // The list follows its title: what is tapped must be the whole of it.
  await expect(rows(page).first()).toHaveAttribute('aria-setsize', /^\d\d$/);
  for (let i = 0; i < 4; i += 1) await page.getByRole('checkbox').nth(i).tap();
  await expect(page.getByRole('checkbox').nth(4)).toBeDisabled();
  await page.getByRole('button', { name: 'Compare 4' }).tap();
  const table = page.getByRole('table', { name: 'Side by side' });
  await expect(table.getByRole('columnheader')).toHaveCount(5);
  const differ = await table.getByRole('row').count();
  await page.getByRole('button', { name: 'Everything' }).tap();
  expect(await table.getByRole('row').count()).toBeGreaterThan(differ);
  expect(await table.getByText('differs', { exact: true }).count()).toBe(differ - 1);
  expect(await faultsOf(page)).toEqual([]);
});

test('a bag in hand: only what it says is typed, the rest is assumed; it shows at once what that comes to, and a contradiction is named', async ({ page }) => {
  await signIn(page, 'Lead', '/shelf/new');
  await page.getByRole('radio', { name: 'sanded rapid mortar' }).tap();
  await page.getByLabel('Name').fill('Bag from the yard');
  await page.getByLabel('Pack', { exact: true }).fill('50 lb');
  await page.getByLabel('Price', { exact: true }).fill('21.90');
  await page.getByLabel('Working time').fill('8-10 min');
  await page.getByLabel('Coverage the label').fill('1000 sq ft');
  await page.getByRole('button', { name: 'Put on the shelf' }).tap();
  // A working time is no figure without its temperature.
  await expect(page.getByText('a working time needs the temperature it holds at')).toBeVisible();
  await page.getByLabel('At what temperature').fill('68 F');
  await expect(page.getByTestId('implied')).toContainText('leaves no layer at all');
  await page.getByLabel('Coverage the label').fill('12 sq ft');
  await expect(page.getByTestId('implied')).toContainText(/leaves \S+\sin/);
  await page.getByRole('button', { name: 'More of the label' }).tap();
  await page.getByLabel('Initial set').fill('5 min');
  await tapOverKeys(page, 'Put on the shelf');
  await expect(page.getByText('One of the two is wrong').first()).toBeVisible();
  // What was typed is still there after the page was lost.
  await page.reload();
  await expect(page.getByLabel('Name')).toHaveValue('Bag from the yard');
  await page.getByRole('button', { name: 'More of the label' }).tap();
  await page.getByLabel('Initial set').fill('');
  await tapOverKeys(page, 'Put on the shelf');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Bag from the yard');
  await expect(page.getByText(/figures nobody read from the bag/)).toBeVisible();
  const lines = page.getByRole('list', { name: 'What the sheet says' }).getByRole('listitem');
  await expect(lines.filter({ hasText: 'Largest grain' })).toContainText('assumed');
  await expect(lines.filter({ hasText: 'Flows' })).not.toContainText('assumed');
  // It is judged like any other.
  await page.goto(`/jobs/${DOCK}/fix`);
  await page.getByRole('button', { name: 'Why not…' }).tap();
  await page.getByLabel('Find a product').fill('bag from the yard');
  await expect(page.getByRole('button', { name: /^Bag from the yard/ })).toBeVisible();
});

test('the next sheet of a product takes its place on the shelf; a job keeps the one it was planned with', async ({ page, server }) => {
  await signIn(page);
  const planned = async () => (await (await page.request.get(`${server}/api/v1/jobs/${DOCK}/plan`)).json()).plan.findings[0].chosen.window.basis.flow_life_s;
  const before = await planned();
  await page.goto(`/shelf/${SANDED}`);
  await page.getByRole('button', { name: 'Change the sheet' }).tap();
  await page.getByLabel('Working time').fill('20 min');
  await page.getByRole('button', { name: 'Put on the shelf' }).tap();
  await expect(page.getByText(/, sheet 2/)).toBeVisible();
  await page.goto(`/shelf/${SANDED}`);
  await expect(page.getByText('A newer sheet of this product')).toBeVisible();
  await expect
    .poll(
      async () =>
        (await (await page.request.get(`${server}/api/v1/jobs/${DOCK}/plan`)).json()).input.sheets.filter(({ productId }: { productId: string }) =>
          productId.endsWith('0004'),
        ).length,
    )
    .toBe(2);
  expect(await planned()).toBe(before);
  await page.goto(`/jobs/${DOCK}/fix`);
  const newer = page.getByTestId('newer-sheet');
  await expect(newer).toContainText('a newer sheet is on the shelf');
  await newer.getByRole('button', { name: 'Plan with the newer sheet' }).tap();
  await expect(newer).toHaveCount(0);
  await expect.poll(planned).not.toBe(before);
});

test('the yard: a lot is added, opened and used up; the plan takes it first', async ({ page, server }) => {
  await signIn(page, 'Lead', `/shelf/${SANDED}`);
  await page.getByRole('button', { name: 'Add to the yard' }).tap();
  await page.getByLabel('How much').fill('25 lb');
  await page.getByLabel('Lot number').fill('A 17');
  await page.getByLabel('Use by').fill('2030-01-01');
  await page.getByRole('button', { name: 'Add to the yard' }).last().tap();
  await expect(page.getByText('25 lb in the yard')).toBeVisible();
  await page.getByRole('button', { name: 'Opened today' }).tap();
  await expect(page.getByText(/opened \d{4}-/)).toBeVisible();
  const order = async () => (await (await page.request.get(`${server}/api/v1/jobs/${DOCK}/plan`)).json()).plan.orders[0].chosen.fromStock_kg;
  await expect.poll(order).toBeGreaterThan(11);
  await page.goto('/shelf');
  await page.getByRole('button', { name: 'Narrow it down' }).tap();
  await page.getByTestId('shelf-narrow').getByRole('button', { name: 'In the yard' }).tap();
  await expect(rows(page)).toHaveCount(1);
  await page.goto(`/shelf/${SANDED}`);
  await page.getByRole('button', { name: 'Used up' }).tap();
  await expect(page.getByText('None in the yard.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).tap();
  await expect(page.getByText('Lot A 17')).toBeVisible();
});

test('the shelf goes out as a table and as a file; what comes in is shown with each row’s fault, and nothing is half written', async ({ page }) => {
  await signIn(page, 'Lead', '/shelf/files');
  const csv = await download(page, 'Table (CSV)');
  expect(csv.split('\n')[0]).toContain('name,class,pack,price');
  const { sheets } = JSON.parse(await download(page, 'File (JSON)'));
  expect(sheets.length).toBeGreaterThanOrEqual(40);
  const head = 'name,class,pack,price,works,reference,initial,parts,partsByWeight';
  const bring = (text: string) => page.getByTestId('shelf-file').setInputFiles({ name: 'bags.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await bring(
    [
      head,
      'Good bag,fineRapid,20 kg,19,10 min,21 C,,,',
      'No unit,fineRapid,20 kg,19,12,21 C,,,',
      'Cold,fineRapid,20 kg,19,12 min,,,,',
      'Slow,fineRapid,20 kg,19,20 min,21 C,3 min,,',
      'Odd,crackResin,1 kg,40,,,,1:1,100:150',
    ].join('\n'),
  );
  await expect(page.getByText('1 sheet would go on the shelf')).toBeVisible();
  await expect(page.getByText(/Row 2.*12 has no unit/)).toBeVisible();
  await expect(page.getByText(/Row 3.*needs the temperature/)).toBeVisible();
  await expect(page.getByText(/Row 4.*is wrong/)).toBeVisible();
  await expect(page.getByText(/Row 5.*by weight and by volume/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Put them on the shelf' })).toHaveCount(0);
  await bring([head, 'Good bag,fineRapid,20 kg,19,10 min,21 C,,,', 'Other bag,crackResin,1 kg,40,,,,,'].join('\n'));
  await page.getByRole('button', { name: 'Put them on the shelf' }).tap();
  await page.getByLabel('Search').fill('good bag');
  await expect(rows(page).first()).toContainText('Good bag');
});

test('what goes with a material is entered from its label, and a lot is corrected', async ({ page }) => {
  await signIn(page, 'Lead', '/shelf/new');
  await page.getByRole('button', { name: /It goes with a material/ }).tap();
  await page.getByRole('radio', { name: 'epoxy bond coat' }).tap();
  await page.getByLabel('Name').fill('Bond coat from the yard');
  await page.getByLabel('Pack', { exact: true }).fill('1 gal');
  await page.getByLabel('Price', { exact: true }).fill('79.50');
  await page.getByLabel('A pack covers, rough base').fill('100 sq ft');
  await tapOverKeys(page, 'Put on the shelf');
  await expect(page.getByText('Fill this in.').first()).toBeVisible();
  await page.getByLabel('A pack covers, tight base').fill('160 sq ft');
  await tapOverKeys(page, 'Put on the shelf');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Bond coat from the yard');
  const lines = page.getByRole('list', { name: 'What the sheet says' }).getByRole('listitem');
  await expect(lines.filter({ hasText: /cover/i }).first()).not.toContainText('assumed');
  await expect(page.getByText(/figures nobody read from the bag/)).toBeVisible();
  await tapOverKeys(page, 'Add to the yard');
  await page.getByLabel('How much').fill('2 gal');
  await tapOverKeys(page, 'Add to the yard');
  await page.getByRole('button', { name: 'Correct' }).tap();
  await expect(page.getByLabel('How much')).toHaveValue('2 gal');
  await page.getByLabel('How much').fill('1/2 gal');
  await tapOverKeys(page, 'Keep it so');
  await expect(page.getByText('2 qt').or(page.getByText('0.5 gal')).first()).toBeVisible();
  expect(await faultsOf(page)).toEqual([]);
});
