// Pour while nobody touches it: how often it paints, and what a pointer over the pail costs.
import { percentile } from '../figures.mjs';
import { PHONE, pouring, signInOn, workMeter } from '../page.mjs';

export default async function still({ browser, base, figure }) {
  const context = await browser.newContext(PHONE);
  await signInOn(context, base);
  const page = await context.newPage();
  await pouring(page, base);
  await page.waitForTimeout(9500);
  const cdp = await context.newCDPSession(page);
  await browser.startTracing(page, { categories: ['devtools.timeline'] });
  await page.waitForTimeout(10_000);
  const trace = JSON.parse((await browser.stopTracing()).toString()).traceEvents;
  // One frame paints several layers: frames are told apart by their layout-and-paint rounds.
  const rounds = trace.filter(({ name, ph }) => name === 'UpdateLayoutTree' && ph === 'X').length;
  figure('Pour untouched, style-and-paint rounds a second', rounds / 10, { most: 1.2 });
  const total = await workMeter(cdp);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  const moves = [];
  let before = await total();
  for (let i = 0; i < 200; i += 1) {
    await cdp.send('Input.dispatchMouseEvent', { type: 'mouseMoved', x: 60 + (i % 200), y: 300 });
    await new Promise((done) => setTimeout(done, 34));
    const after = await total();
    moves.push(after - before);
    before = after;
  }
  figure('pail, script and layout a move at 4x, p95 ms', percentile(moves, 0.95), { most: 8 });
  await context.close();
}
