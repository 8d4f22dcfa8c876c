import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join as at, resolve } from 'node:path';
import { addressOf, dropDatabase, env, makeDatabase } from './database';
import { join, makeFirm, signInByName } from './firms';
import { serve } from './serve';
import { acknowledgeAll, DOCK, expect, reading, startServer, test } from './server';

const LIB = resolve(__dirname, '../scripts/lib');

/** Runs what a command of the terminal runs. */
function run(work: string): Promise<void> {
  const script = `import { backup, restore } from '${LIB}/backup.mjs'; import { main } from '${LIB}/run.mjs'; main(async () => { await (${work}); });`;
  const child = spawn(process.execPath, ['--input-type=module', '-e', script], { stdio: 'inherit' });
  return new Promise((done, failed) => child.once('close', (code) => (code === 0 ? done() : failed(new Error(`it ended with ${code}`)))));
}

test('a firm of its own: made by a code, a second person invited over the local network, poured together, a lost phone shut out, backed up and restored elsewhere', async ({
  browser,
}) => {
  test.setTimeout(180_000);
  const folder = mkdtempSync(at(tmpdir(), 'tufa-e2e-'));
  const [first, second] = [await makeDatabase(), await makeDatabase()];
  const demonstration = await startServer();
  const ours = await serve(first, { empty: true, lan: folder });
  const owner = await (await browser.newContext({ baseURL: ours.url, viewport: { width: 390, height: 844 }, hasTouch: true })).newPage();
  const phone = { viewport: { width: 390, height: 844 }, hasTouch: true, ignoreHTTPSErrors: true };
  const mixer = await (await browser.newContext({ ...phone, baseURL: ours.lan })).newPage();

  await test.step('the firm, with work of the demonstration brought in', async () => {
    await makeFirm(owner, ours.firmCode);
    const { people } = await (await owner.request.get(`${demonstration.url}/api/v1/people`)).json();
    const personId = people.find(({ name }: { name: string }) => name === 'Owner').id;
    const context = await browser.newContext({ baseURL: demonstration.url });
    await context.request.post('/api/v1/session', { data: { personId, device: { id: '0198a000-0f02-7000-8000-000000000007', label: 'e2e' } } });
    const archive = await (await context.request.get('/api/v1/archive')).body();
    await context.close();
    const brought = await owner.request.put('/api/v1/archive', { data: archive, headers: { 'content-type': 'application/zip' } });
    expect(brought.status()).toBe(200);
  });

  await test.step('a second person, on a phone of their own', async () => {
    await owner.goto('/doors');
    await owner.getByRole('button', { name: 'Add somebody' }).click();
    await owner.getByLabel('Name, as the crew says it').fill('Second');
    await owner.getByRole('button', { name: 'Add and invite' }).click();
    const shown = await owner.getByTestId('invitation').innerText();
    const token = /#([\w-]{43})/.exec(shown)?.[1];
    await join(mixer, `/join#${token}`, 'second@ridge.example');
    // A crew plans nothing.
    await expect(mixer.getByRole('button', { name: 'New job' })).toHaveCount(0);
  });

  await test.step('they pour together', async () => {
    await owner.goto(`/jobs/${DOCK}/pour`);
    await acknowledgeAll(owner);
    await owner.getByTestId('start-batch').click();
    await owner.getByTestId('placed').waitFor();
    await mixer.goto(`/jobs/${DOCK}/pour`);
    await mixer.getByTestId('placed').click();
    await expect(owner.getByTestId('placed')).toHaveCount(0);
  });

  await test.step('a lost phone is out at its next request, what it had not sent comes once, and nothing is left on it', async () => {
    await mixer.goto(`/jobs/${DOCK}/walk`);
    await mixer.getByRole('button', { name: 'Scratch, drop, pull, moisture' }).click();
    await mixer.getByRole('radio', { name: 'Moisture' }).click();
    await mixer.context().setOffline(true);
    await mixer.getByLabel('Moisture').last().fill('5 %');
    await mixer.getByRole('button', { name: 'Keep it' }).click();
    await expect(mixer.getByText('Moisture: 5 %')).toBeVisible();
    await owner.goto('/doors');
    const devices = owner.getByTestId('devices');
    await devices.getByRole('button', { name: /Second/ }).click();
    const knob = devices.getByTestId('slide').first().getByRole('button');
    await knob.press('Enter');
    await knob.press('Enter');
    await expect(devices.getByText(/shut out/)).toBeVisible();
    await mixer.context().setOffline(false);
    await expect(mixer.getByText('Nothing of the firm is on this phone any more.')).toBeVisible({ timeout: 60_000 });
    const { reading: readings } = await (await owner.request.get(`/api/v1/jobs/${DOCK}`)).json();
    expect(Object.values(readings as Record<string, { kind: string }>).filter(({ kind }) => kind === 'moisture')).toHaveLength(1);
    const kept = await mixer.evaluate(async () => {
      const names = (await indexedDB.databases()).map(({ name }) => name);
      return [names.filter((name) => name?.startsWith('tufa')), Object.keys(localStorage)];
    });
    // Which language it is spoken to in is the phone's and says nothing of the firm.
    expect(kept).toEqual([[], ['tufa-language']]);
    await mixer.getByRole('button', { name: 'Sign in' }).click();
    await mixer.getByLabel('The name you sign in by').waitFor();
  });

  await test.step('backed up while it serves, restored elsewhere: the same pour by the same passphrase', async () => {
    const file = at(folder, 'tufa.zip');
    const admin = (name: string) => addressOf(env('TEST_ADMIN_URL'), name);
    await run(`backup({ url: '${admin(first)}', to: '${file}' })`);
    await dropDatabase(second);
    const empty = await makeDatabase();
    await run(`restore({ url: '${admin(empty)}', file: '${file}' })`);
    const there = await serve(empty, { empty: true });
    const again = await (await browser.newContext({ ...phone, baseURL: there.url })).newPage();
    await signInByName(again, 'owner@ridge.example');
    const [before, after] = await Promise.all([owner, again].map(async ({ request }) => (await request.get(`/api/v1/jobs/${DOCK}`)).json()));
    expect(after).toEqual(before);
    expect(Object.keys(after.pourEvent).length).toBeGreaterThan(1);
    await again.context().close();
    await there.stop();
    await dropDatabase(empty);
  });

  for (const page of [owner, mixer]) await page.context().close();
  for (const { stop } of [ours, demonstration]) await stop();
  await dropDatabase(first);
  rmSync(folder, { recursive: true });
});

test('a passkey: made on this phone by whoever is signed in, and then it opens the door alone', async ({ browser }) => {
  const { url, firmCode, stop } = await startServer({ empty: true });
  // Browsers give passkeys to a name.
  const named = url.replace('127.0.0.1', 'localhost');
  const page = await (await browser.newContext({ baseURL: named, viewport: { width: 390, height: 844 }, hasTouch: true })).newPage();
  const phone = await page.context().newCDPSession(page);
  await phone.send('WebAuthn.enable');
  await phone.send('WebAuthn.addVirtualAuthenticator', {
    options: { protocol: 'ctap2', transport: 'internal', hasResidentKey: true, hasUserVerification: true, isUserVerified: true },
  });
  await makeFirm(page, firmCode);
  await page.goto('/doors');
  await page.getByRole('button', { name: 'Make a passkey on this phone' }).click();
  await expect(page.getByText(/^Passkey of/)).toBeVisible();
  await page.getByRole('button', { name: 'Sign me out everywhere' }).click();
  await page.getByRole('button', { name: 'Use a passkey' }).click();
  await expect(page.getByText('Waiting for you')).toBeVisible();
  await page.context().close();
  await stop();
});

reading('each role of the demonstration sees only what is its own to do', async ({ browser, baseURL }) => {
  for (const [role, newJob, measure] of [
    ['Owner', 1, 1],
    ['Lead', 1, 1],
    ['Mixer', 0, 1],
    ['Reader', 0, 0],
  ] as const) {
    const context = await browser.newContext({ baseURL: baseURL!, viewport: { width: 390, height: 844 }, hasTouch: true });
    const other = await context.newPage();
    await other.goto('/');
    await other.getByRole('button', { name: role }).click();
    await other.getByText('Waiting for you').waitFor();
    await other.goto('/jobs');
    await other.getByRole('link', { name: /Loading dock/ }).waitFor();
    expect([role, await other.getByRole('button', { name: 'New job' }).count()]).toEqual([role, newJob]);
    await other.goto(`/jobs/${DOCK}/walk`);
    await other.getByRole('button', { name: 'Pictures' }).waitFor();
    expect([role, await other.getByRole('button', { name: 'Add a finding' }).count()]).toEqual([role, measure]);
    await context.close();
  }
});
