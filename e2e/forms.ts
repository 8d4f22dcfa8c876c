import { expect, type Page } from '@playwright/test';

/** A new job of one's own, on its empty Walk. @returns its id */
export async function newJob(page: Page, name: string): Promise<string> {
  await page.goto('/jobs/new');
  await page.getByLabel('Job', { exact: true }).fill(name);
  await page.getByRole('button', { name: 'Make the job' }).click();
  await page.getByRole('button', { name: 'Add an element' }).click();
  return /jobs\/([^/]+)\//.exec(page.url())![1]!;
}

/** Saves the form under the thumb. The keys come up under a field that was filled, and what lies over them moves: only then is there something to tap. */
export async function saveForm(page: Page): Promise<void> {
  await page.getByTestId('keypad').waitFor();
  await page.getByRole('button', { name: 'Save' }).tap();
  await expect(page.getByRole('button', { name: 'Save' })).toHaveCount(0);
}
