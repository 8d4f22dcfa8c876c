// The first screen of a signed-in phone that holds nothing yet, beside an empty application on the same stack.
import { percentile } from '../figures.mjs';
import { PHONE, SIGN_IN, slowed } from '../page.mjs';

const ROUNDS = 3;

export default async function first({ browser, base, emptyUrl, figure }) {
  const rounds = { tufa: [], empty: [] };
  for (let i = 0; i < ROUNDS; i += 1) {
    rounds.tufa.push(await opened(browser, base, { signedIn: true }));
    rounds.empty.push(await opened(browser, emptyUrl, { signedIn: false }));
  }
  const median = (side, of) => percentile(rounds[side].map(of), 0.5);
  for (const visit of ['cold', 'again']) {
    const over = median('tufa', (round) => round[visit].s) - median('empty', (round) => round[visit].s);
    figure(
      `first screen, ${visit}, 4x and slow 4G, s`,
      median('tufa', (round) => round[visit].s),
    );
    figure(`first screen, ${visit}, over the empty application, s`, over, visit === 'cold' ? { most: 0.5 } : {});
  }
  const [ours, theirs] = [rounds.tufa[0].cold.kB, rounds.empty[0].cold.kB];
  figure('scripts until the first screen, kB brotli', ours);
  figure('scripts over the empty application, kB brotli', ours - theirs, { most: 60 });
}

async function opened(browser, url, { signedIn }) {
  const context = await browser.newContext(PHONE);
  if (signedIn) await context.request.post(`${url}/api/v1/session`, SIGN_IN);
  const visits = {};
  for (const visit of ['cold', 'again']) {
    const page = await context.newPage();
    const cdp = await slowed(page);
    const scripts = new Set();
    const sizes = new Map();
    cdp.on('Network.responseReceived', ({ requestId, type }) => type === 'Script' && scripts.add(requestId));
    cdp.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => sizes.set(requestId, encodedDataLength));
    const begun = performance.now();
    await page.goto(url, { waitUntil: 'commit' });
    await page.getByRole('heading', { level: 1 }).waitFor({ timeout: 60_000 });
    const s = (performance.now() - begun) / 1000;
    const atScreen = [...scripts];
    await page.waitForLoadState('load');
    visits[visit] = { s, kB: atScreen.reduce((sum, id) => sum + (sizes.get(id) ?? 0), 0) / 1000 };
    if (signedIn && visit === 'cold') await page.evaluate(() => navigator.serviceWorker?.ready.then(() => undefined)).catch(() => undefined);
    await page.close();
  }
  await context.close();
  return visits;
}
