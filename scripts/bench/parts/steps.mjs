// A step of a job opened by its link on a phone that holds nothing yet, beside Now.
import { percentile } from '../figures.mjs';
import { DOCK, PHONE, SIGN_IN, slowed } from '../page.mjs';

export default async function steps({ browser, base, figure }) {
  const opened = async (path) => {
    const context = await browser.newContext({ ...PHONE, serviceWorkers: 'block' });
    await context.request.post(`${base}/api/v1/session`, SIGN_IN);
    const page = await context.newPage();
    const cdp = await slowed(page);
    const scripts = new Set();
    let bytes = 0;
    cdp.on('Network.responseReceived', ({ requestId, type }) => type === 'Script' && scripts.add(requestId));
    cdp.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => (bytes += scripts.has(requestId) ? encodedDataLength : 0));
    const begun = performance.now();
    await page.goto(`${base}${path}`, { waitUntil: 'commit' });
    await page.getByRole('heading', { level: 1 }).waitFor({ timeout: 60_000 });
    const s = (performance.now() - begun) / 1000;
    await context.close();
    return { s, bytes };
  };
  const STEPS = ['walk', 'mix', 'day', 'pour'];
  const rounds = [];
  // Now and the steps by turns: the machine is as quick for the one as for the others.
  for (let i = 0; i < 5; i += 1) {
    const round = { now: await opened('/') };
    for (const step of STEPS) round[step] = await opened(`/jobs/${DOCK}/${step}`);
    rounds.push(round);
  }
  const median = (of) => percentile(rounds.map(of), 0.5);
  figure(
    'Now opened cold, 4x and slow 4G, s',
    median(({ now }) => now.s),
  );
  for (const step of STEPS) {
    figure(
      `${step} by its link, s after Now`,
      median((round) => round[step].s - round.now.s),
      { most: 1.2 },
    );
    figure(`${step} by its link, scripts, kB brotli`, median((round) => round[step].bytes) / 1000, { most: 550 });
  }
}
