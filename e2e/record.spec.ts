import { faultsOf, unreadable } from './looks';
import { DOCK, expect, signIn, test } from './server';

const PLINTH = '0198a000-de00-7000-8000-0000000000e0';

test('a poured job: its figures are taken up with what that changes, and a completion sheet is made of it', async ({ page }) => {
  await signIn(page, 'Lead', `/jobs/${PLINTH}/record`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^6 batches poured, 1 lost/);
  await page.getByRole('button', { name: /^Batch 3: .*went hard/ }).tap();
  await expect(page.getByText('sun came round').first()).toBeVisible();
  const figures = page.getByTestId('crew-figures');
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

test('work like this is found from its record, narrowed by what it is, opened, and found again by its link; its cost stands beside', async ({
  page,
  context,
}) => {
  await signIn(page, 'Lead', `/jobs/${PLINTH}/record`);
  await page.getByRole('button', { name: 'Work like this' }).tap();
  await expect(page).toHaveURL(/\/find\?q=/);
  const list = page.getByRole('list', { name: 'Find' });
  await expect(list.getByRole('listitem').filter({ hasText: 'Weighbridge plinth' }).first()).toBeVisible();
  await page.getByLabel('Words').fill('plinth wetter');
  await expect(list.getByRole('listitem')).toHaveCount(1);
  await page.getByLabel('Words').fill('plnth');
  await expect(page.getByText('“plnth” is nowhere; looked for')).toBeVisible();
  await page.getByRole('radio', { name: /^Batch \(6\)/ }).tap();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('6 found');
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('6 found');
  await list.getByRole('link').first().tap();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^6 batches poured/);
  await page.goto('/find');
  await expect(page.getByTestId('trends')).toContainText('Sanded rapid mortar, 15 minute, hot');
  await page.getByLabel('Words').fill('qqqzzz');
  await expect(page.getByText('Nothing of the firm has these words')).toBeVisible();
  await context.setOffline(true);
  await expect(page.getByText('Without signal only the jobs on this phone are found')).toBeVisible();
});

test('a job closed for long leaves the phone and its lists, is found again, and comes back with all that was in it', async ({ page, context, server }) => {
  await signIn(page, 'Lead', `/jobs/${PLINTH}/record`);
  // Closed today it only waits no longer.
  await page.getByRole('button', { name: 'Close this job' }).tap();
  await expect(page.getByText(/^Closed on /)).toBeVisible();
  await page.goto('/jobs');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('7 jobs');
  await page.getByLabel('Search jobs').fill('weigh');
  await expect(page.getByText('closed, Hillside cider works')).toBeVisible();
  const { job } = await (await page.request.get(`/api/v1/jobs/${PLINTH}`)).json();
  const id = '0198a000-c105-7000-8000-000000000001';
  const { device } = await (await page.request.get('/api/v1/session')).json();
  const change = {
    ...{ id, v: 1, device, seq: 90_000, person: '0198a000-9e09-7000-8000-000000000001', madeAt: '2026-05-12T12:00:00Z', kind: 'job.change', target: PLINTH },
    ...{ base: { closedOn: job.closedOn }, change: { closedOn: '2020-01-31' } },
  };
  const { results } = await (await page.request.post(`${server}/api/v1/commands`, { data: [change] })).json();
  expect(results[0].result).toBe('done');
  await page.goto('/jobs');
  const kept = () =>
    page.evaluate(
      (jobId) =>
        new Promise<number>((done) => {
          const asked = indexedDB.open('tufa-firm');
          asked.onsuccess = () => {
            const count = asked.result
              .transaction('ofJob')
              .objectStore('ofJob')
              .count(IDBKeyRange.bound([jobId], [jobId, []]));
            count.onsuccess = () => done(count.result);
          };
        }),
      PLINTH,
    );
  await expect.poll(kept).toBe(0);
  // Without signal it says where it is, and with it it comes.
  await page.goto(`/jobs/${DOCK}/walk`);
  await page.getByTestId('plan').waitFor();
  await page.getByRole('link', { name: '‹ Jobs' }).tap();
  await page.getByLabel('Search jobs').fill('weigh');
  await context.setOffline(true);
  await page.getByRole('link', { name: /^Weighbridge plinth/ }).tap();
  await expect(page.getByText('closed for long and no longer on this phone')).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByTestId('plan')).toBeVisible();
  await page.goto('/find?q=plinth');
  await page.getByRole('list', { name: 'Find' }).getByRole('link').first().tap();
  await page.goto(`/jobs/${PLINTH}/record`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^6 batches poured, 1 lost/);
  await expect.poll(kept).toBeGreaterThan(0);
  await page.getByRole('button', { name: 'Open it again' }).tap();
  await page.goto('/jobs');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('8 jobs');
});

test('an owner erases a customer on their request: who it was is gone, what the batches took stays', async ({ page }) => {
  await signIn(page, 'Owner', `/jobs/${PLINTH}/record`);
  await page.getByRole('button', { name: 'Erase the customer of Weighbridge plinth' }).tap();
  await expect(page.getByText(/backups forget with their age/)).toBeVisible();
  const slide = page.getByRole('button', { name: /Erase the customer of/ });
  await slide.focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  // The demonstration's other jobs are the same customer's.
  await expect(page.getByText(/^Erased: \d+ jobs, /)).toBeVisible();
  await expect(page.getByText(/^— [0-9a-f]{6}$/).first()).toBeVisible();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('6 batches poured');
});
