import { spawn, type ChildProcess } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { createServer, type AddressInfo } from 'node:net';
import { resolve } from 'node:path';
import { test as base, expect, type APIRequestContext, type Page } from '@playwright/test';
import pg from 'pg';

const ROOT = resolve(__dirname, '..');

const env = (name: string): string => {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set: run npm test.`);
  return value;
};

const freePort = (): Promise<number> =>
  new Promise((done) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => done(port));
    });
  });

async function sql(url: string, ...statements: string[]): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  for (const statement of statements) await client.query(statement);
  await client.end();
}

/** The bundled server on a database of its own, serving the exported application. */
export async function startServer(more: Readonly<Record<string, string>> = {}): Promise<{ url: string; stop: () => Promise<void> }> {
  const name = `e_${randomBytes(6).toString('hex')}`;
  const at = (url: string): string => url.replace(/\/[^/]*$/, `/${name}`);
  const admin = env('TEST_ADMIN_URL');
  await sql(admin, `create database ${name} owner tufa_owner`);
  await sql(at(admin), 'alter schema public owner to tufa_owner', 'grant usage on schema public to tufa_app');
  const port = await freePort();
  const child: ChildProcess = spawn(process.execPath, [env('TUFA_SERVER')], {
    env: {
      ...process.env,
      DATABASE_URL: at(env('TEST_APP_URL')),
      MIGRATION_DATABASE_URL: at(env('TEST_OWNER_URL')),
      SESSION_SECRET: 'e2e',
      PORT: String(port),
      TUFA_WEB: env('TUFA_WEB'),
      TUFA_DEMO: resolve(ROOT, 'demo'),
      NODE_ENV: 'production',
      ...more,
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise<void>((done, failed) => {
    child.stdout?.once('data', () => done());
    child.once('exit', (code) => failed(new Error(`server ended with ${code}`)));
  });
  return {
    url: `http://127.0.0.1:${port}`,
    stop: async () => {
      const gone = new Promise((done) => child.once('exit', done));
      child.kill('SIGTERM');
      await gone;
      await sql(admin, `drop database ${name} with (force)`);
    },
  };
}

export const DOCK = '0198a000-de00-7000-8000-000000000001';
export const APRON = '0198a000-de00-7000-8000-000000000020';

/** Signs in by the role's one tap and waits for the first answer. */
export async function signIn(page: Page, role = 'Lead'): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: role }).click();
  await page.getByRole('link', { name: 'Now' }).waitFor();
  await page.getByText('Waiting for you').waitFor();
}

/** Waits until the whole application lies on the phone: from then on every screen comes without signal. */
export async function wholeOnPhone(page: Page): Promise<void> {
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
}

/** Acknowledges every caution that stands before the first batch. */
export async function acknowledgeAll(page: Page): Promise<void> {
  const open = page.getByRole('button', { name: /^Understood:/ });
  await page.getByTestId('start-batch').waitFor();
  for (let left = await open.count(); left > 0; left = await open.count()) {
    await open.first().click();
    await page.waitForFunction((before) => document.querySelectorAll('[data-testid^="ack-"]').length < before, left);
  }
}

export const jobOf = async (request: APIRequestContext, url: string, id: string) => (await request.get(`${url}/api/v1/jobs/${id}`)).json();

/** Every test has a server and a database of its own: no test sees what another did. */
export const test = base.extend<{ server: string }>({
  server: [
    // The library reads what a fixture needs from this pattern: an option that is set anyway costs nothing.
    async ({ browserName: _any }, provide) => {
      const { url, stop } = await startServer();
      await provide(url);
      await stop();
    },
    { scope: 'test', timeout: 60_000 },
  ],
  baseURL: async ({ server }, provide) => provide(server),
});

export { expect };
