// npm run shots: remakes docs/screenshots/ from the demonstration data, one picture of each main view.
import { spawn } from 'node:child_process';
import { mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ensureChromium, ensurePackages } from './lib/packages.mjs';
import { ensureCluster, freePort } from './lib/cluster.mjs';
import { main, root, run } from './lib/run.mjs';
import { standIn } from './lib/standIn.mjs';

const WALL = '/jobs/0198a000-de00-7000-8000-000000000040';
const HALL = '/jobs/0198a000-de00-7000-8000-000000000060';
const DOCK = '/jobs/0198a000-de00-7000-8000-000000000001';
const PLINTH = '/jobs/0198a000-de00-7000-8000-0000000000e0';
/** Every caution that stands before the first batch. */
async function understood(page) {
  for (let left = await page.getByRole('button', { name: /^Understood:/ }).count(); ;) {
    // The foot comes before the body: either nothing is left to be understood, or it is asked for.
    await page
      .locator('[data-testid="start-batch"]:not([aria-disabled="true"])')
      .or(page.getByRole('button', { name: /^Understood:/ }))
      .first()
      .waitFor();
    left = await page.getByRole('button', { name: /^Understood:/ }).count();
    if (left === 0) break;
    await page
      .getByRole('button', { name: /^Understood:/ })
      .first()
      .click();
    await page.waitForFunction((before) => document.querySelectorAll('[data-testid^="ack-"]').length < before, left);
  }
}
/** The demonstration's morning; the phone's clock is held at it and the data anchored to it. */
const MORNING = '2026-05-12T12:20:00Z';

main(async () => {
  await ensurePackages();
  ensureChromium();
  const { bundle, ensureWeb } = await import('./lib/build.mjs');
  const web = await ensureWeb();
  const cluster = await ensureCluster({ name: 'shots-cluster' });
  const port = await freePort(0);
  const admin = cluster.adminUrl.replace(/\/[^/]*$/, '/');
  const name = `shots_${process.pid}`;
  const psql = (database, sql) => run('psql', ['-q', `${admin}${database}`, '-c', sql]);
  psql('postgres', `create database ${name} owner tufa_owner`);
  psql(name, 'alter schema public owner to tufa_owner');
  psql(name, 'grant usage on schema public to tufa_app');
  const at = (url) => url.replace(/\/[^/]*$/, `/${name}`);
  const weather = await standIn(await bundle('stand-ins'), { TUFA_NOW: MORNING });
  const server = spawn(process.execPath, [await bundle('server')], {
    env: {
      ...process.env,
      DATABASE_URL: at(cluster.url),
      MIGRATION_DATABASE_URL: at(cluster.ownerUrl),
      SESSION_SECRET: 'shots',
      PORT: String(port),
      TUFA_WEB: web,
      TUFA_DEMO: join(root, 'demo'),
      TUFA_NOW: MORNING,
      TUFA_WEATHER: weather.address,
      NODE_ENV: 'production',
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const folder = join(root, 'docs/screenshots');
  try {
    await new Promise((ready) => server.stdout.once('data', ready));
    const { chromium } = await import('@playwright/test');
    const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'] });
    rmSync(folder, { recursive: true, force: true });
    mkdirSync(folder, { recursive: true });
    const open = async (viewport, mode = 'light') => {
      const context = await browser.newContext({ viewport, hasTouch: viewport.width < 1000, timezoneId: 'America/New_York', serviceWorkers: 'allow' });
      const page = await context.newPage();
      await page.clock.install({ time: new Date(MORNING) });
      await page.addInitScript((wanted) => localStorage.setItem('tufa-phone', JSON.stringify({ mode: wanted, hand: 'right' })), mode);
      await page.goto(`http://127.0.0.1:${port}/`);
      await page.getByRole('button', { name: 'Lead' }).click();
      await page.getByText('Waiting for you').waitFor();
      const shot = async (path, file, ready) => {
        if (path) await page.goto(`http://127.0.0.1:${port}${path}`);
        await page.getByRole('heading', { level: 1 }).waitFor();
        await (ready ?? (() => page.waitForLoadState('networkidle')))();
        await page.clock.runFor(600);
        await page.screenshot({ path: join(folder, `${file}.png`) });
      };
      return { page, context, shot };
    };
    const phone = await open({ width: 390, height: 844 });
    await phone.shot('/', 'now');
    await phone.shot('/jobs', 'jobs');
    await phone.shot('/shelf', 'shelf');
    await phone.shot('/bench/window', 'bench-window');
    for (const step of ['walk', 'fix', 'mix', 'day']) await phone.shot(`${DOCK}/${step}`, step);
    await phone.shot(`${DOCK}/week`, 'day-week', () => phone.page.getByTestId('hour').waitFor());
    await phone.shot(`${HALL}/mix?batch=2`, 'ticket');
    await phone.page.goto(`http://127.0.0.1:${port}${DOCK}/walk`);
    await phone.page.getByRole('button', { name: 'Add a finding' }).click();
    await phone.page.getByLabel('Length').click();
    const keys = phone.page.getByTestId('keypad');
    for (const name of ['4', 'feet', '2']) await keys.getByRole('button', { name, exact: true }).click();
    const strip = await phone.page.getByTestId('ruler-strip').boundingBox();
    await phone.page.mouse.click(strip.x + (strip.width * 5) / 16, strip.y + 30);
    await phone.page.screenshot({ path: join(folder, 'keypad.png') });
    await phone.page.evaluate(() => localStorage.removeItem(Object.keys(localStorage).find((key) => key.startsWith('tufa-draft finding')) ?? ''));
    await phone.page.goto(`http://127.0.0.1:${port}${DOCK}/walk`);
    await phone.page.getByRole('button', { name: 'Add a finding' }).click();
    await phone.page.getByRole('radio', { name: 'Crack' }).click();
    const plan = phone.page.getByTestId('plan');
    const at = await plan.boundingBox();
    for (const [x, y] of [
      [0.62, 0.5],
      [0.72, 0.58],
      [0.84, 0.55],
    ])
      await plan.click({ position: { x: at.width * x, y: at.height * y } });
    await phone.page.getByTestId('plan').evaluate((one) => one.scrollIntoView({ block: 'center' }));
    await phone.page.screenshot({ path: join(folder, 'walk-draw.png') });
    await phone.page.evaluate(() => localStorage.removeItem(Object.keys(localStorage).find((key) => key.startsWith('tufa-draft finding')) ?? ''));
    await phone.shot(`${DOCK}/systems`, 'systems', () => phone.page.getByTestId('systems').waitFor());
    await phone.page.goto(`http://127.0.0.1:${port}${DOCK}/pour`);
    await understood(phone.page);
    await phone.context.setOffline(true);
    await phone.page.getByTestId('start-batch').click();
    await phone.page.getByTestId('pail').waitFor();
    await phone.page.clock.runFor(130_000);
    await phone.page.screenshot({ path: join(folder, 'pour.png') });
    await phone.page.getByTestId('placed').click();
    await phone.page.clock.runFor(120_000);
    await phone.page.getByTestId('finished').click();
    await phone.context.setOffline(false);
    await phone.shot(`${PLINTH}/record`, 'record');
    await phone.shot('/rehearse/sunRound', 'rehearse', async () => {
      await phone.page.getByTestId('begin-rehearsal').click();
      await understood(phone.page);
      await phone.page.getByTestId('start-batch').click();
      await phone.page.getByTestId('pail').waitFor();
      await phone.page.clock.runFor(120_000);
    });
    const wide = await open({ width: 1280, height: 800 });
    await wide.shot(`${WALL}/walk`, 'wide-walk');
    await wide.shot(`${DOCK}/day`, 'wide-day');
    await wide.shot(`${DOCK}/plan`, 'wide-plan', () => wide.page.getByTestId('helps').waitFor({ timeout: 60_000 }));
    await browser.close();
  } finally {
    const gone = new Promise((done) => server.once('exit', done));
    server.kill('SIGTERM');
    weather.child.kill('SIGTERM');
    await gone;
    psql('postgres', `drop database ${name} with (force)`);
    cluster.stop();
  }
});
