// Script and layout for each pointer move on the strata: 300 moves at 4x.
import { percentile } from '../figures.mjs';
import { DOCK, PHONE, signInOn, workMeter } from '../page.mjs';

export default async function strata({ browser, base, figure }) {
  const context = await browser.newContext(PHONE);
  await signInOn(context, base);
  const page = await context.newPage();
  await page.goto(`${base}/jobs/${DOCK}/day`);
  const box = await page.getByTestId('strata').boundingBox();
  const cdp = await context.newCDPSession(page);
  const metric = await workMeter(cdp);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  await page.mouse.move(box.x + 40, box.y + 80);
  await page.mouse.down();
  const moves = [];
  let before = await metric();
  for (let i = 0; i < 300; i += 1) {
    // Sent to the browser itself, two frames apart: a move through the test tool runs scripts of its own in the page.
    const x = box.x + 20 + Math.abs(((i * 3) % 560) - 280);
    await cdp.send('Input.dispatchMouseEvent', { type: 'mouseMoved', button: 'left', buttons: 1, x, y: box.y + 80 });
    await new Promise((done) => setTimeout(done, 34));
    const after = await metric();
    moves.push(after - before);
    before = after;
  }
  await page.mouse.up();
  figure('strata, script and layout a move at 4x, p50 ms', percentile(moves, 0.5));
  figure('strata, script and layout a move at 4x, p95 ms', percentile(moves, 0.95), { most: 8 });
  await context.close();
}
