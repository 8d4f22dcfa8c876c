import { expect, type Page } from '@playwright/test';

const PASSPHRASE = 'trowel pumice lantern gravel';

/** Makes a firm by the code that the server printed, as whoever started it would. @returns the recovery codes that are shown once */
export async function makeFirm(page: Page, code: string, firm = 'Ridge repair'): Promise<string[]> {
  await page.goto('/start');
  await page.getByLabel('Code from the terminal').fill(code);
  await page.getByLabel('Name of the firm').fill(firm);
  await page.getByLabel('Your name').fill('Owner');
  await page.getByLabel('The name you will sign in by').fill('owner@ridge.example');
  await page.getByLabel(/^Passphrase/).fill(PASSPHRASE);
  await page.getByRole('button', { name: 'Make the firm' }).click();
  const codes = page.getByTestId('codes');
  await codes.waitFor();
  const shown = (await codes.innerText()).match(/[a-z2-9]{5}(-[a-z2-9]{5}){3}/g) ?? [];
  expect(shown).toHaveLength(8);
  await page.getByRole('button', { name: 'I have them on paper' }).click();
  await page.getByText('Waiting for you').waitFor();
  return shown;
}

/** Somebody opens the link of their invitation on a phone of their own. */
export async function join(page: Page, link: string, signIn: string): Promise<void> {
  await page.goto(link);
  await page.getByLabel('The name you will sign in by').fill(signIn);
  await page.getByLabel(/^Passphrase/).fill(PASSPHRASE);
  await page.getByRole('button', { name: 'Join' }).click();
  await page.getByText('Waiting for you').waitFor();
}

/** Signs in by name and passphrase, as on any morning. */
export async function signInByName(page: Page, signIn: string): Promise<void> {
  await page.goto('/');
  await page.getByLabel('The name you sign in by').fill(signIn);
  await page.getByLabel('Passphrase').fill(PASSPHRASE);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByText('Waiting for you').waitFor();
}
