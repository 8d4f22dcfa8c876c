// A job of thirty findings and some seventy batches: how soon every figure of the list, and of the ticket in hand, follows a change.
import { percentile } from '../figures.mjs';
import { commandsFrom, jobWithSlab, post, rectangle, typed } from '../jobs.mjs';
import { DOCK, PHONE, signInOn } from '../page.mjs';

export default async function list({ browser, base, figure }) {
  const context = await browser.newContext(PHONE);
  const device = await signInOn(context, base);
  const id = (n) => `0198a000-be11-7000-8000-${String(n).padStart(12, '0')}`;
  const command = commandsFrom(id, 0, device);
  const add = (name, n, change) => command(`${name}.add`, id(n), change);
  const sheetId = '0198a000-0005-7000-8000-000000000005';
  const place = { jobId: id(0), elementId: id(1) };
  const commands = await jobWithSlab({ context, base, like: DOCK, add, id, name: 'Thirty patches', width: 12, length: 10, thickness: 0.2 });
  for (let i = 0; i < 30; i += 1) {
    const outline = { points: rectangle((i % 6) * 1.9 + 0.2, Math.floor(i / 6) * 1.9 + 0.2, 0.7 + (i % 5) / 20, 0.6) };
    commands.push(
      add('finding', 10 + i, { ...place, label: `S${i}`, kind: 'spall', outline, properties: { deepest: typed(0.025), shape: 'dish', edge: 'cut' } }),
      add('treatment', 100 + i, { jobId: id(0), findingId: id(10 + i), sheetId, layers: [], edge: null, bond: null, cure: null }),
    );
  }
  await post(context, base, commands);
  const page = await context.newPage();
  const cdp = await context.newCDPSession(page);
  const changed = (radio, region) =>
    page.evaluate(
      ([radio, region]) =>
        new Promise((done, fail) => {
          const text = document.querySelector(region).textContent;
          const begun = performance.now();
          // Looked at where something changes and not at every frame: reading the list would itself hold up a slow phone.
          const observer = new MutationObserver(() => {
            if ((document.querySelector(region)?.textContent ?? text) === text) return;
            observer.disconnect();
            requestAnimationFrame(() => done(performance.now() - begun));
          });
          observer.observe(document.body, { subtree: true, childList: true, characterData: true });
          setTimeout(() => fail(new Error(`${radio} changed nothing`)), 4000);
          [...document.querySelectorAll('[role=radio]')].find((each) => each.textContent === radio).click();
        }),
      [radio, region],
    );
  const timed = async (path, radios, region) => {
    await cdp.send('Emulation.setCPUThrottlingRate', { rate: 1 });
    await page.goto(`${base}/jobs/${id(0)}/${path}`);
    await page.locator(region).first().waitFor();
    await changed(radios[0], region).catch(() => undefined);
    await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
    const times = [];
    for (let i = 1; i < 12; i += 1) {
      times.push(await changed(radios[i % 2], region));
      // What was changed is with the firm before the next thumb comes down.
      await page.waitForTimeout(1500);
    }
    return percentile(times, 0.5);
  };
  const listed = await timed('mix', ['a third of a bag', 'a quarter of a bag'], '[aria-label="Batches in their order"]');
  figure('list of 30 findings after a change, 4x, p50 ms', listed, { most: 100 });
  const ticket = await timed('mix?batch=1', ['screed', 'spread'], '[role=checkbox]');
  figure('the ticket in hand of that job after a change, 4x, p50 ms', ticket, { most: 100 });
  await context.close();
}
