import type { Page } from '@playwright/test';
import { acknowledgeAll, DOCK, expect, jobOf, signIn, test } from './server';

const startBatch = async (page: Page): Promise<void> => {
  await page.goto(`/jobs/${DOCK}/pour`);
  await acknowledgeAll(page);
  await page.getByTestId('start-batch').click();
  await page.getByTestId('pail').waitFor();
};

const left = async (page: Page): Promise<number> => Number((await page.getByTestId('pail').getAttribute('aria-label'))!.split(' ')[0]);

test('the keypad by touch: a size in feet and sixteenths, told in millimetres, an unclear comma asked about, don’t know with its cost', async ({ page }) => {
  await signIn(page, 'Lead', `/jobs/${DOCK}/walk`);
  await page.getByRole('button', { name: 'Add a finding' }).tap();
  const length = page.getByLabel('Length');
  await length.tap();
  const keys = page.getByTestId('keypad');
  const key = (name: string): Promise<void> => keys.getByRole('button', { name, exact: true }).tap();
  for (const name of ['2', 'feet', '4']) await key(name);
  const strip = (await page.getByTestId('ruler-strip').boundingBox())!;
  await page.touchscreen.tap(strip.x + (strip.width * 3) / 16, strip.y + 30);
  await expect(length).toHaveValue('2\u2032 4 3\u204416\u2033');
  await key('millimetres');
  await expect(length).toHaveValue('716 mm');
  // Units that contradict each other change nothing and say so.
  await key('3');
  await key('feet');
  await expect(keys.getByRole('alert')).toContainText('do not go together');
  await expect(length).toHaveValue('716 mm 3');
  await key('Take the last one back');
  await key('Next field');
  await expect(page.getByLabel('Width')).toBeFocused();
  for (const name of ['3', 'feet']) await key(name);

  const depth = page.getByLabel('Deepest depth');
  await depth.tap();
  // A hardware keyboard simply types.
  await page.keyboard.type('1,250 in');
  await page.getByRole('button', { name: '1.250 in' }).tap();
  await expect(depth).toHaveValue('1.250 in');
  // A screen turned in mid-entry keeps what was typed and the field.
  await page.setViewportSize({ width: 844, height: 390 });
  await expect(depth).toHaveValue('1.250 in');
  await page.setViewportSize({ width: 390, height: 844 });
  await key("don't know");
  await expect(page.getByText('give or take 100 %')).toBeVisible();
  await key('Done');
  await expect(keys).toHaveCount(0);
  await page.getByRole('button', { name: 'Save' }).tap();
  await expect(page.getByText('1 in assumed')).toBeVisible();
});

test('several fingers, double taps and a key held down log nothing twice; a single finger does', async ({ page, context, server }) => {
  await signIn(page);
  await startBatch(page);
  const placed = (await page.getByTestId('placed').boundingBox())!;
  const hard = (await page.getByTestId('went-hard').boundingBox())!;
  const middle = ({ x, y, width, height }: typeof placed) => ({ x: x + width / 2, y: y + height / 2 });
  const cdp = await context.newCDPSession(page);
  const touch = (type: 'touchStart' | 'touchEnd', touchPoints: { x: number; y: number }[]) => cdp.send('Input.dispatchTouchEvent', { type, touchPoints });
  await touch('touchStart', [middle(placed)]);
  await touch('touchStart', [middle(placed), middle(hard)]);
  await touch('touchEnd', [middle(placed)]);
  await touch('touchEnd', []);
  await expect(page.getByTestId('placed')).toBeVisible();
  // The press that ends such a touch is dropped for a moment more.
  const over = await page.evaluate(() => performance.now());
  await page.waitForFunction((from) => performance.now() - from > 150, over);
  await page.getByTestId('placed').dblclick();
  await expect(page.getByTestId('placed')).toHaveCount(0);
  await page.getByTestId('finished').focus();
  for (let i = 0; i < 5; i += 1) await page.keyboard.down('Enter');
  await page.keyboard.up('Enter');
  await expect(page.getByText('with the firm')).toBeVisible();
  const logged = async (): Promise<string[]> => {
    const { pourEvent } = await (await page.request.get(`${server}/api/v1/jobs/${DOCK}`)).json();
    return Object.values(pourEvent as Record<string, { kind: string }>)
      .map(({ kind }) => kind)
      .sort();
  };
  await expect.poll(logged).toEqual(['finished', 'placed', 'start']);
  // The second press of a start meets what has come up in its place.
  await page.getByTestId('start-batch').dblclick();
  await expect(page.getByTestId('placed')).toBeVisible();
  await expect(page.getByText('with the firm')).toBeVisible();
  await expect.poll(logged).toEqual(['finished', 'placed', 'start', 'start']);
});

test('the screen is kept awake, asked for again on waking; what ran out meanwhile is told first, and the undo band takes a tap back', async ({
  page,
  context,
}) => {
  await page.clock.install({ time: new Date() });
  await page.addInitScript(() => {
    const asked = window as unknown as { asked: number; shown: DocumentVisibilityState };
    asked.asked = 0;
    asked.shown = 'visible';
    Object.defineProperty(document, 'visibilityState', { get: () => asked.shown });
    const wakeLock = { request: () => ((asked.asked += 1), Promise.resolve({ release: () => Promise.resolve() })) };
    Object.defineProperty(navigator, 'wakeLock', { value: wakeLock });
    Object.defineProperty(navigator, 'getBattery', { value: () => Promise.resolve(Object.assign(new EventTarget(), { level: 0.14, charging: false })) });
  });
  await signIn(page);
  await context.setOffline(true);
  await startBatchOffline(page, context);
  const show = (shown: string): Promise<void> =>
    page.evaluate((wanted) => {
      (window as unknown as { shown: string }).shown = wanted;
      document.dispatchEvent(new Event('visibilitychange'));
    }, shown);
  const asked = (): Promise<number> => page.evaluate(() => (window as unknown as { asked: number }).asked);
  await expect.poll(asked).toBe(1);
  await expect(page.getByText('Battery 14 %')).toBeVisible();
  const minutes = await left(page);
  await show('hidden');
  await page.clock.fastForward((minutes + 3) * 60_000);
  await show('visible');
  await expect.poll(asked).toBe(2);
  await expect(page.getByTestId('missed')).toContainText('time to place ended');
  await expect(page.getByTestId('pail')).toHaveAttribute('aria-label', /min past/);
  await page.getByTestId('missed').getByRole('button', { name: 'Understood' }).click();
  await expect(page.getByTestId('missed')).toHaveCount(0);
  await page.getByTestId('placed').click();
  await page.getByTestId('undo').click();
  await expect(page.getByTestId('placed')).toBeVisible();
  await page.getByTestId('placed').click();
  await page.clock.runFor(9000);
  await expect(page.getByTestId('undo')).toHaveCount(0);
});

async function startBatchOffline(page: Page, context: { setOffline: (offline: boolean) => Promise<void> }): Promise<void> {
  await context.setOffline(false);
  await page.goto(`/jobs/${DOCK}/pour`);
  await acknowledgeAll(page);
  await expect(page.getByText('with the firm')).toBeVisible();
  await page.getByRole('button', { name: 'Test the alarm' }).click();
  await expect(page.getByText('turn the phone up')).toBeVisible();
  await context.setOffline(true);
  await page.getByTestId('start-batch').click();
  await page.getByTestId('pail').waitFor();
}

test('two batches: the next to end has two thirds, the other a tap away; left-handed mirrors; a phone on its side keeps all events', async ({ page }) => {
  await page.addInitScript(() => localStorage.setItem('tufa-phone', JSON.stringify({ mode: 'light', hand: 'left' })));
  await signIn(page);
  await startBatch(page);
  await page.getByRole('button', { name: 'Next batch' }).click();
  await page.getByTestId('start-batch').click();
  const pail = page.getByTestId('pail');
  await expect.poll(async () => Math.round((await pail.boundingBox())!.width)).toBe(260);
  expect((await pail.boundingBox())!.x).toBe(0);
  // Whole, and clear of the ruled edge on the same side.
  const digits = (await pail.getByText(/^\d+$/).first().boundingBox())!;
  expect(digits.x).toBe(64);
  expect(digits.x + digits.width).toBeLessThanOrEqual(260);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Batch 1');
  await page.getByRole('button', { name: /^Batch 2:/ }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Batch 2');
  await page.setViewportSize({ width: 844, height: 390 });
  for (const id of ['placed', 'finished', 'went-hard']) await expect(page.getByTestId(id)).toBeInViewport({ ratio: 1 });
});

test('a tap at the moment somebody else ends the batch: both ends are kept and shown', async ({ page, browser, server }) => {
  await signIn(page);
  await startBatch(page);
  await expect.poll(async () => Object.keys((await jobOf(page.request, server, DOCK)).pourEvent)).toHaveLength(1);
  const other = await (await browser.newContext({ baseURL: server, viewport: { width: 390, height: 844 } })).newPage();
  await signIn(other, 'Finisher', `/jobs/${DOCK}/pour`);
  await other.getByTestId('pail').waitFor();
  await page.context().setOffline(true);
  await other.getByTestId('finished').click();
  await page.getByTestId('went-hard').click();
  await page.context().setOffline(false);
  const kinds = async (): Promise<string[]> => {
    const { pourEvent } = await jobOf(other.request, server, DOCK);
    return Object.values(pourEvent as Record<string, { kind: string }>)
      .map(({ kind }) => kind)
      .sort();
  };
  await expect.poll(kinds, { timeout: 20_000 }).toEqual(['finished', 'start', 'wentHard']);
  await other.goto(`/jobs/${DOCK}/record`);
  await expect(other.getByText(/finished and went hard|went hard and finished/).first()).toBeVisible({ timeout: 20_000 });
});

test('a browser that refuses to keep data says so and goes on', async ({ page }) => {
  await page.addInitScript(() =>
    Object.defineProperty(window, 'indexedDB', {
      get: () => ({
        open: () => {
          throw new Error('refused');
        },
      }),
    }),
  );
  await page.goto('/');
  await page.getByRole('button', { name: 'Lead' }).click();
  await expect(page.getByRole('alert')).toContainText('refuses to keep data');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
});
