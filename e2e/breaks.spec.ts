import type { BreakCode } from '@tufa/core/pour';
import type { Page } from '@playwright/test';
import { faultsOf, smallTargets, unreadable } from './looks';
import { acknowledgeAll, DOCK, expect, jobOf, signIn, test } from './server';

const FLOOR = '0198a000-de00-7000-8000-000000000060';
const CISTERN = '0198a000-de00-7000-8000-0000000000c0';
const BREAKS: readonly BreakCode[] = ['vessel', 'fewer', 'more', 'sun', 'shade', 'slow', 'rain', 'foundMore', 'ranOut', 'call'];

interface Logged {
  readonly kind: string;
  readonly batch: string;
  readonly seq: number;
  readonly planId: string;
  readonly payload: { readonly what?: string; readonly choice?: string | null; readonly test?: string; readonly passed?: boolean; readonly role?: string };
}

const start = async (page: Page, job: string, batch?: RegExp): Promise<void> => {
  await page.goto(`/jobs/${job}/pour`);
  await acknowledgeAll(page);
  if (batch) await page.getByRole('button', { name: batch }).tap();
  await page.getByTestId('start-batch').tap();
  await page.getByTestId('pail').waitFor();
};
const events = async (page: Page, server: string, job: string): Promise<Logged[]> =>
  (Object.values((await jobOf(page.request, server, job)).pourEvent as object) as Logged[]).sort((a, b) => a.seq - b.seq);

for (const [make, job, batch] of [
  ['a mortar in pails', DOCK, undefined],
  ['a sealant that comes ready', FLOOR, undefined],
  ['a resin of two parts', FLOOR, /^Batch 2/],
  ['hand portions under water', CISTERN, undefined],
] as const)
  test(`the plan of ${make} breaks each way: one tap, the ways that remain with what each costs, and back to the pour`, async ({ page, server }) => {
    test.setTimeout(120_000);
    await signIn(page);
    await start(page, job, batch);
    for (const [i] of BREAKS.entries()) {
      await page.getByRole('button', { name: 'Plan broke' }).tap();
      await page.getByTestId('breaks').getByRole('button').nth(i).tap();
      const ways = page.getByRole('radio');
      await expect(page.getByTestId('take-way')).toBeVisible();
      expect(await ways.count()).toBeGreaterThanOrEqual(1);
      for (const text of await ways.allInnerTexts()) {
        expect(text).toMatch(/\d+ batch/);
        expect(text).toMatch(/\d+.min/);
        expect(text).toMatch(/[$€]/);
      }
      await page.getByTestId('leave-plan').tap();
      await expect(page.getByTestId('pail')).toBeVisible();
    }
    await expect
      .poll(async () => (await events(page, server, job)).filter(({ kind }) => kind === 'broke').map(({ payload }) => payload.what))
      .toEqual([...BREAKS]);
  });

test('a way that is taken writes a plan that names what it replaces; the batch that runs stays with its own, and numbers go on', async ({ page, server }) => {
  await signIn(page);
  await start(page, DOCK);
  await page.getByRole('button', { name: 'Plan broke' }).tap();
  await page.getByRole('button', { name: 'A vessel is lost' }).tap();
  await page.getByTestId('way-smaller').tap();
  await page.getByTestId('take-way').tap();
  await expect(page.getByTestId('pail')).toBeVisible();
  await expect.poll(async () => Object.keys((await jobOf(page.request, server, DOCK)).plan)).toHaveLength(2);
  const { plan, job } = await jobOf(page.request, server, DOCK);
  const rows = Object.values(
    plan as Record<string, { id: string; replaces: string | null; input: { poured?: readonly { batches: number }[]; batch: { pail_m3?: number } } }>,
  );
  const [first, next] = [rows.find(({ replaces }) => replaces === null)!, rows.find(({ replaces }) => replaces !== null)!];
  expect(next.replaces).toBe(first.id);
  expect(next.input.poured!.length).toBeGreaterThan(0);
  expect(job.batch.pail_m3).toBe(next.input.batch.pail_m3);
  await page.getByTestId('placed').tap();
  await page.getByTestId('finished').tap();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Ready for batch 2');
  await page.getByTestId('start-batch').tap();
  await page.getByTestId('pail').waitFor();
  await expect
    .poll(async () => (await events(page, server, DOCK)).filter(({ kind }) => kind === 'start').map(({ batch, planId }) => [batch, planId]))
    .toEqual([
      ['1', first.id],
      ['2', next.id],
    ]);
});

test('shots run one after another with one tap between; a full line ends them', async ({ page, server }) => {
  await signIn(page);
  await page.goto(`/jobs/${FLOOR}/pour`);
  await acknowledgeAll(page);
  await page.getByRole('button', { name: /^Batch 2/ }).tap();
  await page.getByTestId('start-batch').tap();
  const bottle = page.getByTestId('next-shot');
  await expect(bottle).toBeVisible();
  await expect(page.getByTestId('placed')).toHaveCount(0);
  await page.getByTestId('full').tap();
  await expect(bottle).toHaveCount(0);
  await expect.poll(async () => (await events(page, server, FLOOR)).map(({ kind, batch }) => `${kind} ${batch}`)).toEqual(['start 2', 'full 2']);
});

test('what follows the tool only says soon: not yet moves it and what waits on it, and a hand settles it', async ({ page, server }) => {
  await page.clock.install({ time: new Date() });
  await signIn(page);
  await start(page, CISTERN);
  await page.getByTestId('placed').tap();
  await page.getByTestId('finished').tap();
  await expect(page.getByTestId('after')).toBeVisible();
  await expect(page.getByText('with the firm')).toBeVisible();
  // Without signal nobody tells the phone that its clock leaps.
  await page.context().setOffline(true);
  await page.clock.runFor(15 * 60_000);
  await expect(page.getByTestId('not-yet-nextLift')).toBeVisible();
  const from = async (): Promise<string> => /next lift (\d\d:\d\d)/.exec(await page.getByTestId('after').innerText())![1]!;
  const before = await from();
  await page.getByTestId('not-yet-nextLift').tap();
  await expect.poll(from).not.toBe(before);
  await page.clock.runFor(20 * 60_000);
  await page.getByTestId('yes-nextLift').tap();
  await expect(page.getByTestId('after')).toContainText('next lift');
  await expect(page.getByText(/Found ready at/)).toBeVisible();
  await page.context().setOffline(false);
  await page.clock.runFor(120_000);
  await expect
    .poll(async () => (await events(page, server, CISTERN)).filter(({ kind }) => kind === 'tested').map(({ payload }) => [payload.test, payload.passed]))
    .toEqual([
      ['nextLift', false],
      ['nextLift', true],
    ]);
});

test('two phones: what one taps the other shows; apart both go on, and nothing is lost when they meet', async ({ page, browser, server }) => {
  test.setTimeout(150_000);
  await signIn(page);
  await start(page, DOCK);
  const other = await (await browser.newContext({ baseURL: server, viewport: { width: 390, height: 844 }, hasTouch: true })).newPage();
  await signIn(other, 'Finisher', `/jobs/${DOCK}/pour`);
  await expect(other.getByTestId('pail')).toBeVisible();
  await other.getByRole('button', { name: 'Next batch' }).tap();
  await other.getByRole('radio', { name: 'place' }).tap();
  await page.getByRole('button', { name: 'Next batch' }).tap();
  await expect(page.getByText('Finisher: place')).toBeVisible();
  // Apart: both begin the same batch, one logs its end, the other a break.
  for (const phone of [page, other]) await phone.context().setOffline(true);
  await acknowledgeAll(other);
  for (const phone of [page, other]) await phone.getByTestId('start-batch').tap();
  // The pail beside the first one's, not the band that takes its start back.
  await other.getByRole('button', { name: /^Batch 2: / }).tap();
  await other.getByTestId('placed').tap();
  for (const phone of [page, other]) await phone.context().setOffline(false);
  await expect
    .poll(async () => (await events(page, server, DOCK)).filter(({ kind, batch }) => kind === 'start' && batch === '2').length, { timeout: 30_000 })
    .toBe(2);
  await expect.poll(async () => (await events(page, server, DOCK)).filter(({ kind }) => kind === 'placed').length).toBe(1);
  await page.getByRole('button', { name: 'Next batch' }).tap();
  await expect(page.getByText(/Batch 2 was started twice: by (Lead|Finisher)/)).toBeVisible({ timeout: 40_000 });
});

test('a note that is spoken is kept as a recording, goes to the firm and is played in the record', async ({ page, server }) => {
  await page.addInitScript(() => {
    // A microphone that hums, as a browser without one of its own needs.
    Object.defineProperty(navigator, 'mediaDevices', {
      value: {
        getUserMedia: async () => {
          const context = new AudioContext();
          const tone = context.createOscillator();
          const out = context.createMediaStreamDestination();
          tone.connect(out);
          tone.start();
          return out.stream;
        },
      },
    });
  });
  await signIn(page);
  await start(page, DOCK);
  await page.getByRole('button', { name: 'Log' }).tap();
  const voice = page.getByTestId('voice');
  await voice.tap();
  await expect(voice).toHaveText('Stop and keep it');
  // Two presses at once are one.
  const begun = await page.evaluate(() => performance.now());
  await page.waitForFunction((from) => performance.now() - from > 400, begun);
  await voice.tap();
  await expect(page.getByTestId('log')).toHaveCount(0);
  const id = async (): Promise<string | undefined> =>
    (Object.values((await jobOf(page.request, server, DOCK)).pourEvent as object) as { payload: { voice?: string } }[]).flatMap(
      ({ payload }) => payload.voice ?? [],
    )[0];
  await expect.poll(id).toBeTruthy();
  await expect
    .poll(async () => (await page.request.get(`${server}/api/v1/letters/${await id()}`)).headers()['content-type'] ?? '', { timeout: 20_000 })
    .toMatch(/^audio\//);
  await page.goto(`/jobs/${DOCK}/record`);
  await expect(page.getByLabel('Voice note')).toBeVisible();
});

test('the screens of a pour that breaks: axe finds nothing, nothing is cut or covered at any size, targets are large enough', async ({ page }) => {
  test.setTimeout(120_000);
  await signIn(page);
  await start(page, DOCK);
  // What lies behind a sheet is covered by it, as it should be.
  const looks = async (what: string, visible: (fault: string) => boolean = () => true): Promise<void> => {
    for (const [width, height, letters] of [
      [390, 844, 100],
      [360, 640, 100],
      [1280, 800, 100],
      [390, 844, 200],
    ] as const) {
      await page.setViewportSize({ width, height });
      await page.evaluate((size) => (document.documentElement.style.fontSize = `${size}%`), letters);
      const look = async () => ({
        what,
        width,
        letters,
        small: await smallTargets(page, width >= 1024 ? 48 : 56),
        hidden: (await unreadable(page)).filter(visible),
      });
      await expect.poll(look).toEqual({ what, width, letters, small: [], hidden: [] });
      if (letters === 100) expect({ what, width, faults: await faultsOf(page) }).toEqual({ what, width, faults: [] });
    }
    await page.evaluate(() => (document.documentElement.style.fontSize = ''));
    await page.setViewportSize({ width: 390, height: 844 });
  };
  await page.getByRole('button', { name: 'Log' }).tap();
  await looks('the log', (fault) => !fault.startsWith('covered'));
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Plan broke' }).tap();
  await looks('what broke');
  await page.getByRole('button', { name: 'Rain is coming' }).tap();
  await expect(page.getByTestId('take-way')).toBeVisible();
  await looks('the ways on');
  await page.getByTestId('leave-plan').tap();
  await page.getByTestId('placed').tap();
  await page.getByTestId('finished').tap();
  await expect(page.getByTestId('after')).toBeVisible();
  await looks('after the tool');
  await page.goto(`/jobs/${DOCK}/site`);
  await page.getByRole('heading', { level: 1 }).waitFor();
  await looks('the site');
});
