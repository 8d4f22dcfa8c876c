// A firm of a thousand jobs beside one of ten: what a slow phone notices of it, and what the server does under fifty phones.
import { say } from './run.mjs';
import { seedJobs, serveOn } from './largeFirm.mjs';

const LEAD = '0198a000-9e09-7000-8000-000000000001';
const percentile = (values, share) => [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))];
const line = (name, value) => say(`${name.padEnd(62)} ${value}`);
const uuid = () => crypto.randomUUID().replace(/^(.{14})./, '$17');

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
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  await context.request.post(`${base}/api/v1/session`, { data: { personId: LEAD, device: { id: uuid(), label: 'bench' } } });
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
    const tab = page.getByRole('link', { name: 'Jobs', exact: true }).or(page.getByRole('tab', { name: 'Jobs', exact: true })).first();
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

/** @throws nothing; says what it measures and sets the exit code where a limit is broken */
export async function thousand({ browser, cluster, server, web }) {
  const figures = {};
  for (const [name, jobs] of [
    ['ten', 3],
    ['thousand', 993],
  ]) {
    const served = await serveOn({ cluster, name: `bench_${name}`, server, web });
    try {
      const begun = performance.now();
      const seeded = await seedJobs(served.ownerUrl, jobs, 100);
      line(`${seeded.jobs} jobs, ${seeded.rows} rows, seeded in s (60)`, ((performance.now() - begun) / 1000).toFixed(1));
      figures[name] = await onPhone(browser, served.base, seeded.jobs);
    } finally {
      await served.stop();
    }
  }
  const { ten, thousand: many } = figures;
  line('first pull of the whole firm, s: ten jobs; a thousand', `${(ten.first / 1000).toFixed(1)}; ${(many.first / 1000).toFixed(1)}`);
  for (const [name, said] of [
    ['reload', 'first screen after a reload'],
    ['list', 'list of jobs'],
    ['open', 'a job opened'],
    ['tap', "a tap's write"],
  ]) {
    const over = many[name] - ten[name] > 300;
    line(`${said} at 4x, ms: ten jobs; a thousand (300 more)`, `${ten[name].toFixed(0)}; ${many[name].toFixed(0)}${over ? '   over' : ''}`);
    if (over) process.exitCode = 1;
  }
  line('heap with a thousand jobs, MB (150)', `${many.heap.toFixed(0)} (ten: ${ten.heap.toFixed(0)})`);
  if (many.heap > 150) process.exitCode = 1;
}
