// Two thousand sheets on the shelf: how soon a search shows, and how many frames of a scroll come late.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from '../../lib/run.mjs';
import { percentile } from '../figures.mjs';
import { commandsFrom, post } from '../jobs.mjs';
import { PHONE, signInOn } from '../page.mjs';

export default async function shelf({ browser, base, figure }) {
  const context = await browser.newContext(PHONE);
  const device = await signInOn(context, base);
  const [like] = JSON.parse(readFileSync(join(root, 'core/shelf/catalogue/catalogue.json'), 'utf8'));
  const id = (n) => `0198a000-5e1f-7000-8000-${String(n).padStart(12, '0')}`;
  const add = commandsFrom(id, 50_000, device);
  const commands = Array.from({ length: 2000 }, (_, i) => {
    const name = `Bag ${i}, ${['grey', 'pale', 'warm', 'dark'][i % 4]}, ${['dock', 'yard', 'hall', 'step', 'wall'][i % 5]}`;
    const sheet = { ...like, id: id(10_000 + i), productId: id(20_000 + i), name };
    return [
      add('product.add', id(20_000 + i), { name, class: like.class }),
      add('sheet.add', id(10_000 + i), { productId: id(20_000 + i), revision: 1, sheet }),
    ];
  }).flat();
  await post(context, base, commands);
  const page = await context.newPage();
  await page.goto(`${base}/shelf`);
  await page.getByRole('heading', { name: /^2\d{3} sheets/ }).waitFor({ timeout: 60_000 });
  await page.waitForTimeout(2000);
  const searches = [];
  for (const text of ['pale yard', 'bag 1234', 'overlay', 'dark wall']) {
    await page.getByLabel('Search').fill('');
    await page.waitForTimeout(500);
    searches.push(
      await page.evaluate(
        (typed) =>
          new Promise((done) => {
            const input = document.querySelector('input');
            const begun = performance.now();
            const watch = new MutationObserver(() => {
              if (!/ of /.test(document.querySelector('[role=heading]').textContent)) return;
              watch.disconnect();
              requestAnimationFrame(() => setTimeout(() => done(performance.now() - begun)));
            });
            watch.observe(document.body, { childList: true, subtree: true, characterData: true });
            Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(input, typed);
            input.dispatchEvent(new Event('input', { bubbles: true }));
          }),
        text,
      ),
    );
  }
  figure('shelf of 2,000 sheets, letters to list, worst ms', Math.max(...searches), { most: 50 });
  await page.getByLabel('Search').fill('');
  await page.waitForTimeout(500);
  const frames = await page.evaluate(
    () =>
      new Promise((done) => {
        const list = document.querySelector('[data-testid=shelf-list]');
        const times = [];
        let last = performance.now();
        const frame = (now) => {
          times.push(now - last);
          last = now;
          list.scrollTop += 60;
          if (times.length < 180) requestAnimationFrame(frame);
          else done(times.slice(5));
        };
        requestAnimationFrame(frame);
      }),
  );
  figure('shelf of 2,000 sheets, a frame of its scroll, p50 ms', percentile(frames, 0.5));
  figure('shelf of 2,000 sheets, frames of its scroll over 20 ms, share', frames.filter((ms) => ms > 20).length / frames.length);
  await context.close();
}
