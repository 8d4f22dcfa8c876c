// A phone for the benches: the browser, slowed, signed in, and what its work costs.
import { CHROMIUM } from '../lib/packages.mjs';

export const DOCK = '0198a000-de00-7000-8000-000000000001';
export const PHONE = { viewport: { width: 390, height: 844 } };

const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];
/** Slow 4G as the browser's own tools define it. */
const SLOW_4G = { offline: false, latency: 150, downloadThroughput: (1.6 * 1024 * 1024) / 8, uploadThroughput: (750 * 1024) / 8 };

export async function startBrowser() {
  const { chromium } = await import('@playwright/test');
  return chromium.launch({ executablePath: CHROMIUM, args: FLAGS });
}

/** What every open page says: by this a bench that waited in vain tells what stood there instead. */
export async function pagesText(browser) {
  const pages = browser.contexts().flatMap((context) => context.pages());
  const texts = await Promise.all(
    pages.map(async (page) => `${page.url()}\n${(await page.evaluate(() => document.body?.innerText ?? '').catch(() => 'does not answer')).slice(0, 1500)}`),
  );
  return texts.join('\n---\n');
}

export async function slowed(page) {
  const cdp = await page.context().newCDPSession(page);
  await cdp.send('Network.enable');
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  await cdp.send('Network.emulateNetworkConditions', SLOW_4G);
  return cdp;
}

export const SIGN_IN = {
  data: { personId: '0198a000-9e09-7000-8000-000000000001', device: { id: '0198a000-0b0b-7000-8000-000000000001', label: 'bench' } },
};

/** Signs a page's context in. @returns the device as the firm knows it */
export async function signInOn(context, base) {
  return (await (await context.request.post(`${base}/api/v1/session`, SIGN_IN)).json()).device;
}

/** What scripts, layout and styles have cost a page so far. @returns a function that reads it, ms */
export async function workMeter(cdp) {
  await cdp.send('Performance.enable');
  return async () => {
    const { metrics } = await cdp.send('Performance.getMetrics');
    return ['ScriptDuration', 'LayoutDuration', 'RecalcStyleDuration'].reduce(
      (sum, name) => sum + (metrics.find((metric) => metric.name === name)?.value ?? 0) * 1000,
      0,
    );
  };
}

/** From the finger on a step to its painted list, by the page's own clock. The firm is on the phone already. @returns ms; leaves the page slowed */
export async function openedIn(page, cdp, { from, step, shows }) {
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 1 });
  await page.goto(from);
  await page.getByRole('heading', { level: 1 }).waitFor();
  await page.waitForTimeout(4000);
  await page.evaluate((wanted) => {
    let begun;
    addEventListener('pointerdown', () => (begun ??= performance.now()), true);
    const watch = new MutationObserver(() => {
      if (!wanted.every((each) => document.querySelector(each))) return;
      watch.disconnect();
      requestAnimationFrame(() => setTimeout(() => (window.opened = performance.now() - begun)));
    });
    watch.observe(document.body, { childList: true, subtree: true });
  }, shows);
  const link = await page
    .getByRole('link', { name: step })
    .or(page.getByRole('tab', { name: step }))
    .or(page.getByRole('button', { name: step }))
    .first()
    .boundingBox();
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  const press = { button: 'left', clickCount: 1, x: link.x + link.width / 2, y: link.y + link.height / 2 };
  await cdp.send('Input.dispatchMouseEvent', { ...press, type: 'mousePressed', buttons: 1 });
  await cdp.send('Input.dispatchMouseEvent', { ...press, type: 'mouseReleased' });
  await page.waitForFunction(() => window.opened !== undefined, null, { polling: 1000 });
  return page.evaluate(() => window.opened);
}

/** Opens the pour of the dock with a batch that runs. */
export const pouring = (page, base) => startedOn(page, `${base}/jobs/${DOCK}/pour`);

/** Opens a job's pour and starts the first of its batches, where none runs. */
export async function startedOn(page, address) {
  await page.goto(address);
  const running = page.getByTestId('pail');
  await page.getByTestId('start-batch').or(running).waitFor();
  const open = page.getByRole('button', { name: /^Understood:/ });
  // What must be understood first comes after the answer.
  while ((await running.count()) === 0 && (await page.getByTestId('start-batch').isDisabled())) {
    await open.first().click();
    await page.waitForTimeout(300);
  }
  if ((await running.count()) === 0) await page.getByTestId('start-batch').click();
  await running.waitFor();
}
