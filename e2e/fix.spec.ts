import { faultsOf, unreadable } from './looks';
import { DOCK, expect, signIn, test } from './server';

test('a firm’s school is followed by every plan, and a job may have its own', async ({ page, server }) => {
  await signIn(page);
  const steps = async (): Promise<string[]> =>
    (await (await page.request.get(`${server}/api/v1/jobs/${DOCK}/plan`)).json()).plan.findings[0].chosen.steps.map(({ code }: { code: string }) => code);
  expect(await steps()).toContain('step.shoulder');
  await page.goto('/firm');
  const method = page.getByTestId('house-method');
  await method.getByRole('button', { name: 'Change it: House method' }).tap();
  await method.getByRole('radiogroup', { name: 'Edge of a patch' }).getByRole('radio', { name: 'Irregular, keyed' }).tap();
  await expect.poll(steps).toContain('step.keyed');
  await page.goto(`/jobs/${DOCK}/fix`);
  await expect(page.getByRole('list', { name: 'Step by step' })).toContainText('Leave the rim irregular');
  await method.getByRole('button', { name: 'Change it: House method' }).tap();
  await method.getByRole('radiogroup', { name: 'Edge of a patch' }).getByRole('radio', { name: 'Always a shoulder' }).tap();
  await expect(page.getByRole('list', { name: 'Step by step' })).toContainText('Saw a shoulder');
  await expect.poll(steps).toContain('step.shoulder');
  expect(await faultsOf(page)).toEqual([]);
});

test('the kit list is ticked as it is loaded, kept with the firm, and a tick is taken back', async ({ page }) => {
  await signIn(page);
  await page.goto(`/jobs/${DOCK}/fix`);
  const kit = page.getByTestId('kit');
  await kit.getByRole('button', { name: /^Kit list: 0 of \d+ loaded/ }).tap();
  await expect(kit.getByRole('checkbox', { name: /^Sanded rapid mortar, 15 minute: \d packs/ })).toBeVisible();
  const vacuum = kit.getByRole('checkbox', { name: 'HEPA vacuum' });
  await vacuum.tap();
  await expect(vacuum).toBeChecked();
  expect(await faultsOf(page)).toEqual([]);
  expect(await unreadable(page)).toEqual([]);
  await page.reload();
  await kit.getByRole('button', { name: /^Kit list: 1 of/ }).tap();
  await vacuum.tap();
  await expect(vacuum).not.toBeChecked();
  await expect(kit.getByRole('button', { name: 'Close the kit list' })).toBeVisible();
});
