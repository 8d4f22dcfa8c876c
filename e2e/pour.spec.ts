import { acknowledgeAll, DOCK, expect, jobOf, signIn, test, wholeOnPhone } from './server';

// The whole application lies on the phone: these go on without signal.
test.use({ serviceWorkers: 'allow' });

test('a pour goes on without signal, through a reload and a closed tab; the firm has every event once it is back', async ({ page, context, server }) => {
  await signIn(page, 'Lead', `/jobs/${DOCK}/pour`);
  await acknowledgeAll(page);
  await wholeOnPhone(page);
  await expect(page.getByText('with the firm')).toBeVisible();

  await context.setOffline(true);
  await page.getByTestId('start-batch').click();
  await expect(page.getByTestId('pail')).toBeVisible();
  await expect(page.getByText(/on this phone, \d unsent/)).toBeVisible();

  await page.reload();
  await expect(page.getByTestId('pail')).toBeVisible();
  await page.close();
  const again = await context.newPage();
  await again.goto(`/jobs/${DOCK}/pour`);
  await expect(again.getByTestId('pail')).toBeVisible();
  await again.getByTestId('placed').click();
  await again.getByTestId('finished').click();
  await expect(again.getByRole('heading', { level: 1 })).toHaveText('Ready for batch 2');

  await context.setOffline(false);
  await expect(again.getByText('with the firm')).toBeVisible({ timeout: 20_000 });
  const { pourEvent, plan } = await jobOf(context.request, server, DOCK);
  expect(
    Object.values(pourEvent as Record<string, { kind: string; seq: number }>)
      .sort((a, b) => a.seq - b.seq)
      .map(({ kind }) => kind),
  ).toEqual(['start', 'placed', 'finished']);
  expect(Object.keys(plan)).toHaveLength(1);
});

test('the clock spends the budget: warned before the line, past it afterwards, and a killed page loses no tap', async ({ page, context, server }) => {
  await page.clock.install({ time: new Date() });
  await signIn(page, 'Lead', `/jobs/${DOCK}/pour`);
  await acknowledgeAll(page);
  await expect(page.getByText('with the firm')).toBeVisible();
  // Without signal the offset to the firm's clock stays what it was while this page's clock is moved.
  await context.setOffline(true);
  await page.getByTestId('start-batch').click();
  const pail = page.getByTestId('pail');
  await expect(pail).toHaveAttribute('aria-label', /min to place/);
  const before = Number((await pail.getAttribute('aria-label'))!.split(' ')[0]);
  await page.clock.runFor(61_000);
  await expect.poll(async () => Number((await pail.getAttribute('aria-label'))!.split(' ')[0])).toBe(before - 1);
  await page.clock.runFor((before - 3) * 60_000 + 60_000);
  await expect(page.getByRole('alert')).toContainText('min left');
  await page.clock.runFor(5 * 60_000);
  await expect(page.getByRole('alert')).toContainText('Time is up');
  await context.setOffline(false);

  // Tapped and killed in the same second.
  await page.getByTestId('went-hard').click();
  await page.close();
  const next = await context.newPage();
  await next.goto(`/jobs/${DOCK}/pour`);
  await expect(next.getByTestId('start-batch')).toBeVisible();
  await expect(next.getByText('went hard').first()).toBeVisible();
  await expect(next.getByText('with the firm')).toBeVisible({ timeout: 20_000 });
  const events = (await jobOf(context.request, server, DOCK)).pourEvent as Record<string, { kind: string }>;
  // Nothing but the two taps, each once.
  expect(Object.values(events).map(({ kind }) => kind)).toEqual(expect.arrayContaining(['start', 'wentHard']));
  expect(Object.keys(events)).toHaveLength(2);
});

test('somebody else’s change to the same field comes back with both values', async ({ page, browser, server }) => {
  await signIn(page, 'Lead', `/jobs/${DOCK}/edit`);
  await page.getByLabel('Access note').fill('Ring the yard');
  await wholeOnPhone(page);
  await page.context().setOffline(true);
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('button', { name: 'Edit Loading dock' })).toBeVisible();

  const other = await (await browser.newContext({ baseURL: server, viewport: { width: 1280, height: 800 } })).newPage();
  await signIn(other, 'Owner', `/jobs/${DOCK}/edit`);
  await other.getByLabel('Access note').fill('Use the back gate');
  await other.getByRole('button', { name: 'Save' }).click();
  await expect(other.getByRole('button', { name: 'Edit Loading dock' })).toBeVisible();
  await expect.poll(async () => (await jobOf(other.request, server, DOCK)).job.accessNote).toBe('Use the back gate');
  await other.close();

  await page.context().setOffline(false);
  await page.getByRole('button', { name: 'Look at both' }).click({ timeout: 20_000 });
  const sheet = page.getByRole('dialog');
  await expect(sheet.getByRole('row').filter({ hasText: 'Access note' })).toContainText('Ring the yard');
  await expect(sheet.getByRole('row').filter({ hasText: 'Access note' })).toContainText('Use the back gate');
  await page.getByRole('button', { name: 'Keep mine' }).click();
  await expect.poll(async () => (await jobOf(page.request, server, DOCK)).job.accessNote).toBe('Ring the yard');
});
