// A hundred findings and two thousand readings on one element: how soon it opens, and what a move of a corner costs, at 4x.
import { percentile } from '../figures.mjs';
import { commandsFrom, jobWithSlab, post, rectangle, typed } from '../jobs.mjs';
import { DOCK, openedIn, PHONE, signInOn, workMeter } from '../page.mjs';

const APRON = '0198a000-de00-7000-8000-000000000020';

export default async function survey({ browser, base, figure }) {
  const walkOf = (job, first) => ({ from: `${base}/jobs/${job}/record`, step: 'Walk', shows: [`[aria-label="${first}"]`, '[data-testid=plan] svg'] });
  const context = await browser.newContext(PHONE);
  const device = await signInOn(context, base);
  const id = (n) => `0198a000-be0c-7000-8000-${String(n).padStart(12, '0')}`;
  const command = commandsFrom(id, 0, device);
  const add = (name, n, change) => command(`${name}.add`, id(n), change);
  const job = id(0);
  const place = { jobId: job, elementId: id(1) };
  const commands = await jobWithSlab({ context, base, like: APRON, add, id, name: 'Large yard', width: 30, length: 20, thickness: 0.15 });
  for (let i = 0; i < 100; i += 1) {
    const outline = { points: rectangle((i % 10) * 2.9 + 0.2, Math.floor(i / 10) * 1.9 + 0.2, 1.5, 1) };
    commands.push(
      add('finding', 10 + i, { ...place, label: `S${i}`, kind: 'spall', outline, properties: { deepest: typed(0.03), shape: 'dish', edge: 'cut' } }),
    );
  }
  for (let i = 0; i < 2000; i += 1) {
    const depth = i < 500;
    const f = i % 100;
    const at = depth
      ? [(f % 10) * 2.9 + 0.5 + (Math.floor(i / 100) % 3) * 0.3, Math.floor(f / 10) * 1.9 + 0.4 + Math.floor(i / 300) * 0.2]
      : [((i % 60) + 0.5) / 2, (Math.floor(i / 60) + 0.5) / 1.8];
    commands.push(
      add('reading', 1000 + i, {
        ...place,
        findingId: depth ? id(10 + f) : null,
        kind: depth ? 'depth' : 'sounding',
        value: typed(depth ? 0.01 + (i % 7) / 400 : i % 6 === 0 ? 1 : 0),
        at,
        takenAt: new Date().toISOString(),
        subject: null,
      }),
    );
  }
  await post(context, base, commands);
  const page = await context.newPage();
  const cdp = await context.newCDPSession(page);
  figure('survey of 6 findings, opened at 4x, s', (await openedIn(page, cdp, walkOf(DOCK, 'Edit A'))) / 1000);
  const opened = await openedIn(page, cdp, walkOf(job, 'Edit S0'));
  figure('survey of 100 findings and 2,000 readings, opened at 4x, s', opened / 1000, { most: 1 });
  await page.getByRole('button', { name: 'Edit S0', exact: true }).first().click();
  await page.getByTestId('plan').evaluate((plan) => plan.scrollIntoView({ block: 'center' }));
  const handle = await page.getByTestId('plan').boundingBox();
  const total = await workMeter(cdp);
  const scale = (handle.width - 28) / 30;
  const [x, y] = [handle.x + 14 + 1.7 * scale, handle.y + 14 + 1.2 * scale];
  await cdp.send('Input.dispatchMouseEvent', { type: 'mousePressed', button: 'left', buttons: 1, clickCount: 1, x, y });
  const moves = [];
  let before = await total();
  for (let i = 0; i < 120; i += 1) {
    await cdp.send('Input.dispatchMouseEvent', { type: 'mouseMoved', button: 'left', buttons: 1, x: x + 12 + (i % 20), y: y + 10 + (i % 9) });
    await new Promise((done) => setTimeout(done, 34));
    const after = await total();
    moves.push(after - before);
    before = after;
  }
  await cdp.send('Input.dispatchMouseEvent', { type: 'mouseReleased', button: 'left', x, y });
  figure('a corner dragged with its volume, script and layout a move at 4x, p50 ms', percentile(moves.slice(5), 0.5));
  figure('a corner dragged with its volume, script and layout a move at 4x, p95 ms', percentile(moves.slice(5), 0.95), { most: 8 });
  await context.close();
}
