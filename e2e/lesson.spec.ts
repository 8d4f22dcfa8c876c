import { acknowledgeAll, expect, signIn, test } from './server';
import { saveForm } from './forms';
import { faultsOf, unreadable } from './looks';

test('a first job is led from Walk to Record, left and gone on with; every figure says why', async ({ page }) => {
  test.setTimeout(300_000);
  await signIn(page, 'Lead', '/bench');
  await page.getByRole('link', { name: /^A first job, led by the hand/ }).tap();
  await page.getByRole('button', { name: 'Begin' }).tap();
  const led = page.getByTestId('lesson');
  await expect(led).toContainText('1 of 10');
  await led.getByRole('button', { name: 'Why?' }).tap();
  await expect(led).toContainText('Sizes and thickness decide');
  // What comes next is outlined.
  await expect(page.locator('[data-led]')).toHaveText('Add an element');
  await page.locator('[data-led]').tap();
  await page.getByLabel('Name').fill('Landing');
  await page.getByLabel('Length', { exact: true }).fill("6'");
  await page.getByLabel('Width', { exact: true }).fill("4'");
  await page.getByLabel('Thickness', { exact: true }).fill('6 in');
  await page.getByRole('radio', { name: 'On the ground' }).tap();
  await saveForm(page);
  await expect(led).toContainText('2 of 10');
  expect(await faultsOf(page)).toEqual([]);
  expect(await unreadable(page)).toEqual([]);
  await page.locator('[data-led]').tap();
  for (const question of await page.getByRole('radiogroup').all()) await question.getByRole('radio', { name: 'No', exact: true }).tap();
  await page.getByRole('button', { name: 'Save' }).tap();
  await expect(led).toContainText('3 of 10');
  // Left here, and gone on with from its page.
  await led.getByRole('button', { name: 'Leave it' }).tap();
  await page.getByRole('button', { name: 'Go on' }).tap();
  await expect(led).toContainText('3 of 10');
  await page.getByRole('button', { name: 'Add a finding' }).tap();
  await page.getByLabel('Length', { exact: true }).fill('1\' 6"');
  await page.getByLabel('Width', { exact: true }).fill("1'");
  await page.getByLabel('Deepest depth').fill('1 1/2 in');
  await saveForm(page);
  await led.getByRole('button', { name: 'Next: Fix' }).tap();
  await page.getByRole('button', { name: 'Use this' }).tap();
  await expect(led).toContainText('5 of 10');
  // Why every figure is what it is, as one page.
  await page.getByRole('button', { name: 'Why these figures' }).tap();
  const why = page.getByTestId('why');
  for (const part of ['Volume', 'To mix', 'Water', 'A batch', 'Minutes to place', 'Chance to lose it', 'What it was worked out at'])
    await expect(why).toContainText(part);
  await expect(why).toContainText('assumed: nobody read it');
  expect(await faultsOf(page)).toEqual([]);
  expect(await unreadable(page)).toEqual([]);
  await page.goBack();
  await led.getByRole('button', { name: 'Next: Mix' }).tap();
  await page.getByRole('button', { name: 'Ticket 1' }).tap();
  await expect(led).toContainText('6 of 10');
  await led.getByRole('button', { name: 'Next: Day' }).tap();
  await page.locator('[data-led]').tap();
  await expect(led).toContainText('7 of 10');
  await led.getByRole('button', { name: 'Next: Pour' }).tap();
  await acknowledgeAll(page);
  await page.getByTestId('start-batch').tap();
  await page.getByTestId('placed').tap();
  await page.getByTestId('finished').tap();
  await led.getByRole('button', { name: 'Next: Record' }).tap();
  await expect(led).toContainText('10 of 10');
  await led.getByRole('button', { name: 'Seen' }).tap();
  await expect(led).toContainText('That was a job.');
});
