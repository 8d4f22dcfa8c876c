import { expect, type Page } from '@playwright/test';

/** A new job of one's own, on its empty Walk. @returns its id */
export async function newJob(page: Page, name: string): Promise<string> {
  await page.goto('/jobs/new');
  await page.getByLabel('Job', { exact: true }).fill(name);
  await page.getByRole('button', { name: 'Make the job' }).click();
  await page.getByRole('button', { name: 'Add an element' }).click();
  return /jobs\/([^/]+)\//.exec(page.url())![1]!;
}

/** Taps what lies over the keys. Under a figure that is being typed they come up, and it moves with them: only then is there something to tap. */
export async function tapOverKeys(page: Page, name: string): Promise<void> {
  if (await page.evaluate(() => document.activeElement?.getAttribute('inputmode') === 'none')) await page.getByTestId('keypad').waitFor();
  await page.getByRole('button', { name }).tap();
}

/** Saves the form under the thumb, and waits until it is left. */
export async function saveForm(page: Page): Promise<void> {
  await tapOverKeys(page, 'Save');
  await expect(page.getByRole('button', { name: 'Save' })).toHaveCount(0);
}
