import { test as base, expect, type APIRequestContext, type Locator, type Page } from '@playwright/test';
import { dropDatabase, makeDatabase } from './database';
import { serve, type Served, type ServeOptions } from './serve';

/** A server on a database of its own: a copy of the seeded one, or an empty one that it fills by itself. */
export async function startServer(options: ServeOptions = {}): Promise<Served> {
  const name = await makeDatabase(options.empty ? undefined : process.env['E2E_TEMPLATE']);
  const { stop, ...served } = await serve(name, options);
  return { ...served, stop: () => stop().then(() => dropDatabase(name)) };
}

export const DOCK = '0198a000-de00-7000-8000-000000000001';
export const APRON = '0198a000-de00-7000-8000-000000000020';

/** A phone that has signed in before: the cookie is its, and nothing was tapped. It opens an address, where one is given. */
export async function signIn(page: Page, role = 'Lead', path?: string): Promise<void> {
  const { people } = (await (await page.request.get('/api/v1/people')).json()) as { people: { id: string; name: string }[] };
  const personId = people.find(({ name }) => name === role)?.id;
  const answer = await page.request.post('/api/v1/session', { data: { personId, device: { id: '0198a000-0f02-7000-8000-000000000001', label: 'e2e' } } });
  expect(answer.status()).toBe(201);
  if (path === undefined) return;
  await page.goto(path);
  await page.getByRole('heading', { level: 1 }).waitFor();
}

/** Waits until the whole application lies on the phone: from then on every screen comes without signal. */
export async function wholeOnPhone(page: Page): Promise<void> {
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
}

/** What is asked to be understood before a start. The foot comes before the body: either nothing is left to be understood, or it is asked for. */
export async function cautionsAsked(page: Page): Promise<Locator> {
  const open = page.getByRole('button', { name: /^Understood:/ });
  await page.locator('[data-testid="start-batch"]:enabled').or(open).first().waitFor();
  return open;
}

/** Acknowledges every caution that stands before the first batch. */
export async function acknowledgeAll(page: Page): Promise<void> {
  const open = await cautionsAsked(page);
  for (let left = await open.count(); left > 0; left = await open.count()) {
    // The next one comes up where the last one was: a press that follows at once is the second of a double tap.
    await expect(async () => {
      await open.first().click();
      await expect(open).not.toHaveCount(left, { timeout: 2000 });
    }).toPass();
  }
}

export const jobOf = async (request: APIRequestContext, url: string, id: string) => (await request.get(`${url}/api/v1/jobs/${id}`)).json();

/** A server for as long as whoever asked for it runs. The library reads what a fixture needs from the pattern: an option that is set anyway costs nothing. */
const served = async ({ browserName: _any }: { browserName: string }, provide: (url: string) => Promise<void>): Promise<void> => {
  const { url, stop } = await startServer();
  await provide(url);
  await stop();
};

/** A test that writes has a server and a database of its own: no test sees what another did. */
export const test = base.extend<{ server: string }>({
  server: [served, { scope: 'test', timeout: 60_000 }],
  baseURL: async ({ server }, provide) => provide(server),
});

/** A test that only reads shares one server with the others of its worker. */
export const reading = base.extend<object, { shared: string }>({
  shared: [served, { scope: 'worker', timeout: 60_000 }],
  baseURL: async ({ shared }, provide) => provide(shared),
});

export { expect };
