// A large shelf ranked where it is ranked, in the browser's own engine, at a quarter of its speed.
import { join } from 'node:path';
import { percentile } from '../figures.mjs';

/** It needs neither a server nor a page of Tufa's. */
export const alone = true;

export default async function ranking({ browser, home, figure }) {
  const { build } = await import('esbuild');
  const { outputFiles } = await build({
    stdin: { contents: "export { rankBench } from './largeShelf';", resolveDir: join(home, 'cli/src') },
    bundle: true,
    format: 'iife',
    globalName: 'bench',
    write: false,
    logLevel: 'error',
  });
  const page = await browser.newPage();
  await page.addScriptTag({ content: outputFiles[0].text });
  const cdp = await page.context().newCDPSession(page);
  await page.evaluate(() => globalThis.bench.rankBench(3));
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  const { one_ms, all_ms } = await page.evaluate(() => globalThis.bench.rankBench(9));
  figure('500 products ranked for the finding shown, 4x, p50 ms', percentile(one_ms, 0.5));
  figure('the best of 500 products for each of 30 findings, 4x, p50 ms', percentile(all_ms, 0.5), { most: 300 });
  await page.close();
}
