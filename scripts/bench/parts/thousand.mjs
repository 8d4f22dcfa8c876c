// A firm of a thousand jobs beside one of ten: what a slow phone notices of it.
import { percentile } from '../figures.mjs';
import { seedJobs, serveOn } from '../largeFirm.mjs';
import { PHONE, SIGN_IN } from '../page.mjs';
import { uuid } from '../uuid.mjs';

export default async function thousand({ browser, cluster, server, web, figure }) {
  const figures = {};
  for (const [name, jobs] of [
    ['ten', 3],
    ['thousand', 993],
  ]) {
    const served = await serveOn({ cluster, name: `bench_${name}`, server, web });
    try {
      const begun = performance.now();
      const seeded = await seedJobs(served.ownerUrl, jobs, 100);
      figure(`${seeded.jobs} jobs seeded, s`, (performance.now() - begun) / 1000, { most: 60 });
      figures[name] = await onPhone(browser, served.base, seeded.jobs);
    } finally {
      await served.stop();
    }
  }
  const { ten, thousand: many } = figures;
  figure('a new phone has all ten jobs of a firm after, s', ten.first / 1000);
  figure('a new phone has all thousand jobs of a firm after, s', many.first / 1000, { most: 15 });
  for (const [name, said] of [
    ['reload', 'first screen after a reload'],
    ['list', 'list of jobs'],
    ['open', 'a job opened'],
    ['tap', "a tap's write"],
  ]) {
    figure(`${said} at 4x, ten jobs, ms`, ten[name]);
    figure(`${said} at 4x, a thousand jobs over ten, ms`, many[name] - ten[name], { most: 300 });
  }
  figure('heap with a thousand jobs, MB', many.heap, { most: 150 });
}

/** From what begins it to the paint that shows what is waited for, by the page's own clock. ms */
async function shownAfter(page, begin, selector) {
  await page.evaluate((wanted) => {
    window.shownAt = undefined;
    const before = new Set(document.querySelectorAll(wanted));
    let begun;
    addEventListener('pointerdown', () => (begun ??= performance.now()), { capture: true, once: true });
    const watch = new MutationObserver(() => {
      if (![...document.querySelectorAll(wanted)].some((element) => !before.has(element))) return;
      watch.disconnect();
      requestAnimationFrame(() => setTimeout(() => (window.shownAt = performance.now() - begun)));
    });
    watch.observe(document.body, { childList: true, subtree: true });
  }, selector);
  await begin();
  await page.waitForFunction(() => window.shownAt !== undefined, null, { polling: 50, timeout: 120_000 });
  return page.evaluate(() => window.shownAt);
}

/** A phone that holds the firm: a reload, the list of jobs, a job opened, a tap's write, all at 4x; and its heap. */
async function onPhone(browser, base, jobs) {
  const context = await browser.newContext({ ...PHONE, hasTouch: true });
  await context.request.post(`${base}/api/v1/session`, { data: { ...SIGN_IN.data, device: { id: uuid(), label: 'bench' } } });
  const page = await context.newPage();
  const cdp = await context.newCDPSession(page);
  const slow = (rate) => cdp.send('Emulation.setCPUThrottlingRate', { rate });
  const begun = performance.now();
  await page.goto(`${base}/jobs`);
  await page.getByText(`${jobs} jobs`, { exact: true }).waitFor({ timeout: 240_000 });
  const first = performance.now() - begun;
  await page.waitForTimeout(3000);
  const touch = async (locator) => {
    const { x, y, width, height } = await locator.boundingBox();
    await cdp.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: [{ x: x + width / 2, y: y + height / 2 }] });
    await cdp.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
  };
  const rounds = { reload: [], list: [], open: [], tap: [] };
  for (let i = 0; i < 5; i += 1) {
    await slow(4);
    const started = performance.now();
    await page.goto(`${base}/`, { waitUntil: 'commit' });
    await page.locator('[role=listitem]').first().waitFor({ timeout: 120_000 });
    rounds.reload.push(performance.now() - started);
    await page.waitForTimeout(4000);
    const tab = page
      .getByRole('link', { name: 'Jobs', exact: true })
      .or(page.getByRole('tab', { name: 'Jobs', exact: true }))
      .first();
    rounds.list.push(await shownAfter(page, () => touch(tab), '[role=listitem] [aria-label^="Remove "]'));
    await page.waitForTimeout(2500);
    const remove = page.locator('[aria-label^="Remove "]').nth(2);
    rounds.tap.push(await shownAfter(page, () => touch(remove), '[data-testid=undo-band], [role=status] ~ [role=button]'));
    await page.waitForTimeout(1500);
    await touch(page.getByRole('button', { name: 'Undo', exact: true }));
    await page.waitForTimeout(2500);
    rounds.open.push(await shownAfter(page, () => touch(page.locator('[role=listitem] a').nth(1)), '[data-testid=plan] svg'));
    await slow(1);
    await page.waitForTimeout(1500);
  }
  await cdp.send('HeapProfiler.enable');
  await cdp.send('HeapProfiler.collectGarbage');
  const { usedSize } = await cdp.send('Runtime.getHeapUsage');
  await context.close();
  return { first, heap: usedSize / 1e6, ...Object.fromEntries(Object.entries(rounds).map(([name, times]) => [name, percentile(times, 0.5)])) };
}
