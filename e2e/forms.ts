import { expect, type Page } from '@playwright/test';

/** A new job of one's own, on its empty Walk. @returns its id */
export async function newJob(page: Page, name: string): Promise<string> {
  await page.goto('/jobs/new');
  await page.getByLabel('Job', { exact: true }).fill(name);
  await page.getByRole('button', { name: 'Make the job' }).click();
  await page.getByRole('button', { name: 'Add an element' }).click();
  return /jobs\/([^/]+)\//.exec(page.url())![1]!;
}

/** Saves the form under the thumb. Under a field that is being typed in the keys come up, and what lies over them moves: only then is there something to tap. */
export async function saveForm(page: Page): Promise<void> {
  const save = page.getByRole('button', { name: 'Save' });
  if (await page.evaluate(() => document.activeElement instanceof HTMLInputElement)) await page.getByTestId('keypad').waitFor();
  await save.tap();
  await expect(save).toHaveCount(0);
}
