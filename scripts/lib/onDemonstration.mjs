// The demonstration on a server and a database of its own, with its invented weather, for scripts that look at it.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { CHROMIUM, ensureChromium, ensurePackages } from './packages.mjs';
import { ensureCluster, freePort } from './cluster.mjs';
import { root, run } from './run.mjs';
import { standIn } from './standIn.mjs';

/**
 * Serves the demonstration on a server and a database of its own, and takes all of it away again.
 *
 * @param now the instant at which the server's clock stands, ISO; absent: it runs
 * @param work what is done with it, given its address
 */
export async function withDemonstration({ name, now }, work) {
  await ensurePackages();
  const { bundle, ensureWeb } = await import('./build.mjs');
  const web = await ensureWeb();
  const cluster = await ensureCluster({ name: 'shots-cluster' });
  const port = await freePort(0);
  const admin = cluster.adminUrl.replace(/\/[^/]*$/, '/');
  const database = `${name}_${process.pid}`;
  const psql = (at, sql) => run('psql', ['-q', `${admin}${at}`, '-c', sql]);
  psql('postgres', `create database ${database} owner tufa_owner`);
  psql(database, 'alter schema public owner to tufa_owner');
  psql(database, 'grant usage on schema public to tufa_app');
  const at = (url) => url.replace(/\/[^/]*$/, `/${database}`);
  const still = now ? { TUFA_NOW: now } : {};
  const weather = await standIn(await bundle('stand-ins'), still);
  const instruments = await standIn(await bundle('stand-ins'), { of: 'instruments', ...still });
  const server = spawn(process.execPath, [await bundle('server')], {
    env: {
      ...process.env,
      DATABASE_URL: at(cluster.url),
      MIGRATION_DATABASE_URL: at(cluster.ownerUrl),
      SESSION_SECRET: name,
      PORT: String(port),
      TUFA_WEB: web,
      TUFA_DEMO: join(root, 'demo'),
      ...still,
      TUFA_WEATHER: weather.address,
      TUFA_INSTRUMENTS: instruments.address,
      NODE_ENV: 'production',
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  try {
    await new Promise((ready) => server.stdout.once('data', ready));
    await work(`http://127.0.0.1:${port}`);
  } finally {
    const gone = new Promise((done) => server.once('exit', done));
    server.kill('SIGTERM');
    weather.child.kill('SIGTERM');
    instruments.child.kill('SIGTERM');
    await gone;
    psql('postgres', `drop database ${database} with (force)`);
    cluster.stop();
  }
}

/**
 * The same with a browser: a phone or a screen on it, its clock held at `now`.
 *
 * @param now the instant it is anchored to, ISO
 */
export async function onDemonstration({ name, now }, work) {
  ensureChromium();
  await withDemonstration({ name, now }, async (base) => {
    const { chromium } = await import('@playwright/test');
    const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'] });
    /** A phone or a screen with the lead, or somebody else of the firm, signed in, its clock held. */
    const open = async (viewport, { mode = 'light', who = 'Lead' } = {}) => {
      const context = await browser.newContext({
        viewport,
        hasTouch: viewport.width < 1000,
        timezoneId: 'America/New_York',
        serviceWorkers: 'allow',
        permissions: ['screen-wake-lock'],
      });
      const page = await context.newPage();
      await page.clock.install({ time: new Date(now) });
      await page.addInitScript((wanted) => localStorage.setItem('tufa-phone', JSON.stringify({ mode: wanted, hand: 'right' })), mode);
      await page.goto(`${base}/`);
      await page.getByRole('button', { name: who }).click();
      await page.getByText('Waiting for you').waitFor();
      return { page, context };
    };
    await work({ base, open });
    await browser.close();
  });
}

/** Every caution that stands before the first batch. */
export async function understood(page) {
  const left = page.getByRole('button', { name: /^Understood:/ });
  for (;;) {
    // The foot comes before the body: either nothing is left to be understood, or it is asked for.
    await page.locator('[data-testid="start-batch"]:not([aria-disabled="true"])').or(left).first().waitFor();
    const count = await left.count();
    if (count === 0) return;
    await left.first().click();
    await page.waitForFunction((before) => document.querySelectorAll('[data-testid^="ack-"]').length < before, count);
    // The next one stands where this one stood: at once, it would be the second press of a double tap.
    await page.clock.runFor(500);
  }
}
