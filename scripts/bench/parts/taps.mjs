// From a tap to the paint that shows what it did, at 4x, by the browser's own event timing (in steps of 8 ms): fifty taps each.
import { percentile } from '../figures.mjs';
import { DOCK, PHONE, signInOn } from '../page.mjs';

export default async function taps({ browser, base, figure }) {
  const context = await browser.newContext({ ...PHONE, hasTouch: true });
  await signInOn(context, base);
  const page = await context.newPage();
  await page.addInitScript(() => {
    window.taps = [];
    window.shift = 0;
    new PerformanceObserver((list) => window.taps.push(...list.getEntries().map(({ name, duration }) => [name, duration]))).observe({
      type: 'event',
      durationThreshold: 16,
    });
    new PerformanceObserver((list) => list.getEntries().forEach((entry) => !entry.hadRecentInput && (window.shift += entry.value))).observe({
      type: 'layout-shift',
      buffered: true,
    });
  });
  const cdp = await context.newCDPSession(page);
  const measure = async (name, path, act) => {
    await page.goto(`${base}${path}`);
    await page.getByRole('heading', { level: 1 }).waitFor();
    await page.waitForTimeout(1500);
    await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
    await page.evaluate(() => (window.taps.length = 0));
    await act();
    await page.waitForTimeout(400);
    await cdp.send('Emulation.setCPUThrottlingRate', { rate: 1 });
    const [seen, shift] = await page.evaluate(() => [window.taps, window.shift]);
    const clicks = seen.filter(([kind]) => kind === 'click' || kind === 'pointerup').map(([, duration]) => duration);
    // What is shown within 16 ms is not told by the browser.
    figure(`tap to shown at 4x, ${name}, p50 ms`, percentile([...clicks, 16], 0.5));
    figure(`tap to shown at 4x, ${name}, worst ms`, Math.max(...clicks, 16), { most: 50 });
    return shift;
  };
  const button = (name) => page.getByRole('button', { name, exact: true }).first();
  // Touches go to the browser itself: a tap through the test tool first runs scripts of its own in the slowed page.
  const tapAt = async ({ x, y, width, height }) => {
    await cdp.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: [{ x: x + width / 2, y: y + height / 2 }] });
    await cdp.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
    await page.waitForTimeout(400);
  };
  await measure('a step of the quantity in Day', `/jobs/${DOCK}/day`, async () => {
    const box = await button('More Slab').boundingBox();
    for (let i = 0; i < 50; i += 1) await tapAt(box);
  });
  await measure('keys of the keypad', `/jobs/${DOCK}/walk`, async () => {
    await button('Add a finding').tap();
    await page.getByLabel('Length').tap();
    await page.getByTestId('keypad').waitFor();
    const boxes = [];
    for (const key of ['1', '2', 'feet', '6', '3']) boxes.push(await page.getByTestId('keypad').getByRole('button', { name: key, exact: true }).boundingBox());
    await page.waitForTimeout(500);
    await page.evaluate(() => (window.taps.length = 0));
    for (let i = 0; i < 10; i += 1) for (const box of boxes) await tapAt(box);
  });
  for (const path of ['/', '/jobs', '/shelf', `/jobs/${DOCK}/walk`, `/jobs/${DOCK}/mix`, `/jobs/${DOCK}/day`]) {
    await page.goto(`${base}${path}`);
    await page.getByRole('heading', { level: 1 }).waitFor();
    await page.waitForTimeout(1000);
    figure(`layout shift, ${path.replace(DOCK, '...')}`, await page.evaluate(() => window.shift), { most: 0 });
  }
  await context.close();
}
