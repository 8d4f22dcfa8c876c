// A tap of Pour without signal until this phone says that it keeps it: a hundred of them.
import { percentile } from '../figures.mjs';
import { PHONE, pouring, signInOn } from '../page.mjs';

export default async function saved({ browser, base, figure }) {
  const context = await browser.newContext(PHONE);
  await signInOn(context, base);
  const page = await context.newPage();
  // When a write is on the disk of this phone.
  await page.addInitScript(() => {
    globalThis.kept = [];
    const open = IDBDatabase.prototype.transaction;
    IDBDatabase.prototype.transaction = function (stores, mode, ...more) {
      const made = open.call(this, stores, mode, ...more);
      if (mode === 'readwrite') made.addEventListener('complete', () => globalThis.kept.push(performance.now()));
      return made;
    };
  });
  await pouring(page, base);
  await page.getByTestId('finished').click();
  await page.getByRole('button', { name: 'Damped' }).first().waitFor();
  await page.getByText('with the firm').waitFor();
  await context.setOffline(true);
  const cdp = await context.newCDPSession(page);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  const times = await page.evaluate(async () => {
    const unsent = () => Number(/(\d+) unsent/.exec(document.body.textContent)?.[1] ?? 0);
    const times = [];
    for (let i = 0; i < 101; i += 1) {
      const before = unsent();
      const button = [...document.querySelectorAll('button')].find(({ textContent }) => textContent === 'Damped');
      const begun = performance.now();
      button.click();
      while (unsent() === before) await new Promise((done) => setTimeout(done, 1));
      times.push([globalThis.kept.find((at) => at > begun) - begun, performance.now() - begun]);
      await new Promise((done) => setTimeout(done, 150));
    }
    return times.slice(1);
  });
  const [kept, told] = [0, 1].map((i) => times.map((time) => time[i]));
  figure('a tap of Pour kept on the phone, 4x, p50 of 100, ms', percentile(kept, 0.5));
  figure('a tap of Pour kept on the phone, 4x, worst of 100, ms', Math.max(...kept), { most: 50 });
  figure('a tap of Pour until its screen says so, 4x, p50 of 100, ms', percentile(told, 0.5));
  await context.close();
}
