import { DOCK, expect, jobOf, reading, signIn, test } from './server';

test('a reload right after signing in keeps whoever signed in', async ({ page }) => {
  const [asked] = await Promise.all([page.waitForResponse((response) => response.url().endsWith('/session')), page.goto('/')]);
  expect(asked.status()).toBe(401);
  const lead = page.getByRole('button', { name: 'Lead' });
  await lead.waitFor();
  // What the phone keeps is written while nobody is known to be signed in.
  const writtenAt = () =>
    page.evaluate(
      () =>
        new Promise<number>((done) => {
          const opened = indexedDB.open('keyval-store');
          opened.onsuccess = () => {
            const { result } = opened;
            if (!result.objectStoreNames.contains('keyval')) return (result.close(), done(0));
            const all = result.transaction('keyval').objectStore('keyval').getAll();
            all.onsuccess = () => (result.close(), done(Math.max(0, ...all.result.map((kept) => Number(/"timestamp":(\d+)/.exec(String(kept))?.[1] ?? 0)))));
          };
        }),
    );
  await expect.poll(writtenAt).toBeGreaterThan(0);
  await Promise.all([page.waitForResponse((response) => response.url().endsWith('/session') && response.request().method() === 'POST'), lead.tap()]);
  await page.reload();
  await expect(page.getByText('Waiting for you')).toBeVisible();
  await expect(lead).toHaveCount(0);
});

test('before the whole application is on the phone: a screen that cannot be fetched without signal says so, and comes with the signal; what was saved goes to the firm', async ({
  page,
  server,
}) => {
  await signIn(page, 'Lead', `/jobs/${DOCK}/edit`);
  await page.getByLabel('Address').fill('Upper yard');
  await page.context().setOffline(true);
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('No signal. What you do is kept on this phone.')).toBeVisible();
  await page.context().setOffline(false);
  await expect(page.getByRole('link', { name: /Loading dock/ })).toBeVisible();
  await expect.poll(async () => (await jobOf(page.request, server, DOCK)).job.address).toBe('Upper yard');
});

reading(
  'a step opened by its link asks for what steps share once the application has come, even where all else of the page came long before',
  async ({ page }) => {
    await signIn(page);
    const asked: string[] = [];
    page.on('request', (request) => asked.push(request.url()));
    await page.route('**/entry-*.js', async (route) => {
      // The page's own load event waits for nothing that is preloaded.
      await page.waitForLoadState('load');
      asked.push('the application is sent');
      await route.continue();
    });
    await page.goto(`/jobs/${DOCK}/mix`, { waitUntil: 'commit' });
    await page.getByRole('heading', { level: 1 }).waitFor();
    const shared = asked.filter((url) => url.includes('/shared-'));
    expect(asked.indexOf(shared[0]!)).toBeGreaterThan(asked.indexOf('the application is sent'));
    expect(shared).toEqual([...new Set(shared)]);
  },
);

test('a network that answers for the firm: the line says so and is whole, nothing is parked, and what waits goes once the firm answers', async ({
  page,
  server,
}) => {
  await signIn(page, 'Lead', `/jobs/${DOCK}/edit`);
  await page.route('**/api/v1/commands', (route) => route.fulfill({ status: 200, contentType: 'text/html', body: '<html>Welcome to this network</html>' }));
  await page.getByLabel('Address').fill('Upper yard');
  await page.getByRole('button', { name: 'Save' }).click();
  const line = page.getByText(/1 unsent: this network answers for the firm/);
  for (const path of ['mix', 'day', '../../']) {
    await line.waitFor();
    const { x, width } = (await line.boundingBox()) ?? { x: -1, width: 0 };
    expect([path, x >= 0, x + width <= 390]).toEqual([path, true, true]);
    await page.goto(new URL(path, `${server}/jobs/${DOCK}/`).href);
  }
  await expect(page.getByText('The firm refused something.')).toHaveCount(0);
  await page.unroute('**/api/v1/commands');
  await expect(page.getByText('with the firm')).toBeVisible({ timeout: 30_000 });
  expect((await jobOf(page.request, server, DOCK)).job.address).toBe('Upper yard');
});

test('an address that leads nowhere says so and leads on', async ({ page }) => {
  await signIn(page, 'Lead', '/no/such/page');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Nothing is at this address');
  await page.getByRole('button', { name: 'Now' }).tap();
  await expect(page.getByText('Waiting for you')).toBeVisible();
});

test('a crew of two languages on one phone: each is spoken to in theirs, before the doors too; cautions that nobody has signed say so and show the English', async ({
  page,
}) => {
  await signIn(page, 'Mixer', '/firm');
  await page.getByRole('radio', { name: 'Español' }).tap();
  await expect(page.getByText('Entró como Mixer')).toBeVisible();
  await expect(page.getByText('en la empresa')).toBeVisible();
  await page.reload();
  await expect(page.getByText('Entró como Mixer')).toBeVisible();
  await page.goto(`/jobs/${DOCK}/mix`);
  await expect(page.getByText(/Traducción sin revisar/)).toBeVisible();
  await page.getByRole('button', { name: 'En inglés' }).first().tap();
  await expect(page.getByText(/Wet cement burns skin and eyes/)).toBeVisible();
  // What the firm's server says is said in the same language.
  const answer = page.waitForResponse(/documents$/);
  await page.goto(`/jobs/${DOCK}/record`);
  expect(await (await answer).request().headerValue('accept-language')).toBe('es');
  await page.goto('/firm');
  await page.getByRole('button', { name: 'Cambiar quién' }).tap();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('¿Quién está en la obra?');
  await page.getByRole('radio', { name: 'English' }).tap();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Who is on the job?');
  await page.getByRole('button', { name: 'Mixer' }).tap();
  await expect(page.getByText('Lo espera a usted')).toBeVisible();
});
