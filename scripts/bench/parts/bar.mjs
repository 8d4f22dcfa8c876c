// How long the page is busy at a stretch while a bar of the day is dragged and the day is put in order anew: its own time
// on the processor, of which a machine with few of them gives some to the workers meanwhile.
import { percentile } from '../figures.mjs';
import { DOCK, signInOn } from '../page.mjs';

export default async function bar({ browser, base, figure }) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  await signInOn(context, base);
  const page = await context.newPage();
  const cdp = await context.newCDPSession(page);
  await page.goto(`${base}/jobs/${DOCK}/plan`);
  const bars = page.getByTestId('day-bars').getByRole('button');
  await bars.first().waitFor();
  await page.waitForTimeout(6000);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  const stretches = [];
  for (let i = 0; i < 5; i += 1) {
    const box = await bars.nth(2).boundingBox();
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    const mouse = (type, at, buttons) => cdp.send('Input.dispatchMouseEvent', { type, x: at, y, button: 'left', buttons, clickCount: 1 });
    await browser.startTracing(page, { categories: ['toplevel'] });
    await mouse('mousePressed', x, 1);
    for (let step = 1; step <= 12; step += 1) {
      await mouse('mouseMoved', x + (i % 2 ? -5 : 5) * step, 1);
      await page.waitForTimeout(40);
    }
    await mouse('mouseReleased', x + (i % 2 ? -60 : 60), 0);
    await page.waitForTimeout(4000);
    const { traceEvents } = JSON.parse((await browser.stopTracing()).toString());
    const named = traceEvents.filter(({ name, args }) => name === 'thread_name' && args.name === 'CrRendererMain');
    const tasks = traceEvents.filter(({ name, pid, tid, tdur }) => /RunTask/.test(name) && tdur && named.some((each) => each.pid === pid && each.tid === tid));
    stretches.push(Math.max(...tasks.map(({ tdur }) => tdur / 1000)));
  }
  figure('a bar dragged at 4x, the page busy at a stretch, p50 ms', percentile(stretches, 0.5), { most: 50 });
  figure('a bar dragged at 4x, the page busy at a stretch, worst of 5, ms', Math.max(...stretches));
  await context.close();
}
