// npm run bench: figures that a change may make worse. First screen beside an empty application on the same stack, the
// strata under a finger, a job read beside a bare query, memory at rest, the core's own speed.
import { spawn } from 'node:child_process';
import { readFileSync, statSync } from 'node:fs';
import { createServer } from 'node:http';
import { extname, join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { CHROMIUM, ensureChromium, ensurePackages } from './lib/packages.mjs';
import { ensureCluster, freePort } from './lib/cluster.mjs';
import { main, root, say } from './lib/run.mjs';
import { searching } from './lib/searching.mjs';
import { phones, thousand } from './lib/thousand.mjs';

const DOCK = '0198a000-de00-7000-8000-000000000001';
const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];
/** Slow 4G as the browser's own tools define it. */
const SLOW_4G = { offline: false, latency: 150, downloadThroughput: (1.6 * 1024 * 1024) / 8, uploadThroughput: (750 * 1024) / 8 };

const percentile = (values, share) => [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))];
const line = (name, value) => say(`${name.padEnd(58)} ${value}`);

main(async () => {
  await ensurePackages();
  ensureChromium();
  const { bundle, ensureWeb } = await import('./lib/build.mjs');
  const { ensureEmptyApp } = await import('./lib/emptyApp.mjs');
  const web = await ensureWeb();
  const empty = ensureEmptyApp();
  const cluster = await ensureCluster({ name: 'bench-cluster' });
  const port = await freePort(0);
  const server = spawn(process.execPath, [await bundle('server')], {
    env: {
      ...process.env,
      DATABASE_URL: cluster.url,
      MIGRATION_DATABASE_URL: cluster.ownerUrl,
      SESSION_SECRET: 'bench',
      PORT: String(port),
      TUFA_WEB: web,
      TUFA_DEMO: join(root, 'demo'),
      NODE_ENV: 'production',
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  try {
    await new Promise((ready) => server.stdout.once('data', ready));
    const base = `http://127.0.0.1:${port}`;
    const emptyServer = await serveFolder(empty);
    const { chromium } = await import('@playwright/test');
    const browser = await chromium.launch({ executablePath: CHROMIUM, args: FLAGS });
    // `npm run bench -- taps still` measures only those.
    const wanted = process.argv.slice(2);
    const parts = {
      first: () => firstScreens(browser, base, emptyServer.url),
      steps: () => steps(browser, base),
      strata: () => strata(browser, base),
      taps: () => taps(browser, base),
      still: () => still(browser, base),
      saved: () => saved(browser, base),
      survey: () => survey(browser, base),
      bar: () => bar(browser, base),
      list: () => list(browser, base),
      record: () => record(browser, base),
      shelf: () => shelf(browser, base),
      ranking: () => ranking(browser),
      search: async () => searching({ cluster, server: await bundle('server') }),
      thousand: async () => thousand({ browser, cluster, server: await bundle('server'), web }),
      phones: async () => phones({ cluster, server: await bundle('server') }),
    };
    for (const [name, part] of Object.entries(parts)) if (wanted.length === 0 || wanted.includes(name)) await part();
    await browser.close();
    emptyServer.close();
    line('server memory at rest, MB', (Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server.pid}/status`, 'utf8'))?.[1]) / 1024).toFixed(0));
    await core();
  } finally {
    const gone = new Promise((done) => server.once('exit', done));
    server.kill('SIGTERM');
    await gone;
    cluster.stop();
  }
});

async function slowed(page) {
  const cdp = await page.context().newCDPSession(page);
  await cdp.send('Network.enable');
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  await cdp.send('Network.emulateNetworkConditions', SLOW_4G);
  return cdp;
}

async function firstScreens(browser, base, emptyUrl) {
  for (const [name, url] of [
    ['tufa', base],
    ['empty application', emptyUrl],
  ]) {
    const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
    if (name === 'tufa') {
      // A phone that is signed in but holds nothing of the application yet.
      await context.request.post(`${base}/api/v1/session`, {
        data: { personId: '0198a000-9e09-7000-8000-000000000001', device: { id: '0198a000-0b0b-7000-8000-000000000001', label: 'bench' } },
      });
    }
    for (const visit of ['cold', 'again']) {
      const page = await context.newPage();
      let bytes = 0;
      const cdp = await slowed(page);
      const scripts = new Set();
      cdp.on('Network.responseReceived', ({ requestId, type }) => type === 'Script' && scripts.add(requestId));
      const sizes = new Map();
      cdp.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => sizes.set(requestId, encodedDataLength));
      const begun = performance.now();
      await page.goto(url, { waitUntil: 'commit' });
      await page.getByRole('heading', { level: 1 }).waitFor({ timeout: 60_000 });
      const took = performance.now() - begun;
      const atScreen = [...scripts];
      await page.waitForLoadState('load');
      for (const id of atScreen) bytes += sizes.get(id) ?? 0;
      line(`first screen, ${name}, ${visit}, 4x slow-down and slow 4G, s`, (took / 1000).toFixed(2));
      if (visit === 'cold') line(`  scripts fetched until it shows, ${name}, kB brotli`, (bytes / 1000).toFixed(1));
      if (name === 'tufa' && visit === 'cold') await page.evaluate(() => navigator.serviceWorker?.ready.then(() => undefined)).catch(() => undefined);
      await page.close();
    }
    await context.close();
  }
}

/** A step of a job opened by its link on a phone that holds nothing yet, beside Now: each at most 1.2 s after it. */
async function steps(browser, base) {
  const opened = async (path) => {
    const context = await browser.newContext({ viewport: { width: 390, height: 844 }, serviceWorkers: 'block' });
    await context.request.post(`${base}/api/v1/session`, {
      data: { personId: '0198a000-9e09-7000-8000-000000000001', device: { id: '0198a000-0b0b-7000-8000-000000000001', label: 'bench' } },
    });
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
  line('Now opened cold, 4x slow-down and slow 4G, s', median(({ now }) => now.s).toFixed(2));
  for (const step of STEPS) {
    const late = median((round) => round[step].s - round.now.s);
    const kB = (median((round) => round[step].bytes) / 1000).toFixed(0);
    line(`  ${step}, s after Now; scripts, kB`, `${late.toFixed(2)}; ${kB}${late > 1.2 ? '   over 1.2' : ''}`);
    if (late > 1.2) process.exitCode = 1;
  }
}

/** Script and layout for each pointer move on the strata: 300 moves at 4x. */
async function strata(browser, base) {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  await context.request.post(`${base}/api/v1/session`, {
    data: { personId: '0198a000-9e09-7000-8000-000000000001', device: { id: '0198a000-0b0b-7000-8000-000000000001', label: 'bench' } },
  });
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
  line('strata, script + layout per pointer move at 4x, p50 ms', percentile(moves, 0.5).toFixed(2));
  line('strata, script + layout per pointer move at 4x, p95 ms (8)', percentile(moves, 0.95).toFixed(2));
  await context.close();
}

const SIGN_IN = {
  data: { personId: '0198a000-9e09-7000-8000-000000000001', device: { id: '0198a000-0b0b-7000-8000-000000000001', label: 'bench' } },
};

/** From a tap to the paint that shows what it did, at 4x, by the browser's own event timing (in steps of 8 ms). */
async function taps(browser, base) {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  await signInOn(context, base);
  const page = await context.newPage();
  await page.addInitScript(() => {
    window.taps = [];
    window.shift = 0;
    new PerformanceObserver((list) => window.taps.push(...list.getEntries().map(({ name, duration }) => [name, duration]))).observe({
      type: 'event',
      durationThreshold: 16,
    });
    new PerformanceObserver((list) => list.getEntries().forEach((entry) => !entry.hadRecentInput && (window.shift += entry.value))).observe({
      type: 'layout-shift',
      buffered: true,
    });
  });
  const cdp = await context.newCDPSession(page);
  const measure = async (name, path, act) => {
    await page.goto(`${base}${path}`);
    await page.getByRole('heading', { level: 1 }).waitFor();
    await page.waitForTimeout(1500);
    await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
    await page.evaluate(() => (window.taps.length = 0));
    await act();
    await page.waitForTimeout(400);
    await cdp.send('Emulation.setCPUThrottlingRate', { rate: 1 });
    const [seen, shift] = await page.evaluate(() => [window.taps, window.shift]);
    const clicks = seen.filter(([kind]) => kind === 'click' || kind === 'pointerup').map(([, duration]) => duration);
    const worst = clicks.length === 0 ? 'under 16' : `${percentile(clicks, 0.5)} / ${Math.max(...clicks)}`;
    line(`tap to shown at 4x, ${name}, p50 / worst ms (50)`, worst);
    return shift;
  };
  const button = (name) => page.getByRole('button', { name, exact: true }).first();
  // Touches go to the browser itself: a tap through the test tool first runs scripts of its own in the slowed page.
  const tapAt = async ({ x, y, width, height }) => {
    await cdp.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: [{ x: x + width / 2, y: y + height / 2 }] });
    await cdp.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
    await page.waitForTimeout(400);
  };
  await measure('a step of the quantity in Day', `/jobs/${DOCK}/day`, async () => {
    const box = await button('More Slab').boundingBox();
    for (let i = 0; i < 8; i += 1) await tapAt(box);
  });
  await measure('keys of the keypad', `/jobs/${DOCK}/walk`, async () => {
    await button('Add a finding').tap();
    await page.getByLabel('Length').tap();
    await page.getByTestId('keypad').waitFor();
    const boxes = [];
    for (const key of ['1', '2', 'feet', '6', '3']) boxes.push(await page.getByTestId('keypad').getByRole('button', { name: key, exact: true }).boundingBox());
    await page.waitForTimeout(500);
    await page.evaluate(() => (window.taps.length = 0));
    for (const box of boxes) await tapAt(box);
  });
  for (const path of ['/', '/jobs', '/shelf', `/jobs/${DOCK}/walk`, `/jobs/${DOCK}/mix`, `/jobs/${DOCK}/day`]) {
    await page.goto(`${base}${path}`);
    await page.getByRole('heading', { level: 1 }).waitFor();
    await page.waitForTimeout(1000);
    line(`layout shift, ${path.replace(DOCK, '...')} (0)`, (await page.evaluate(() => window.shift)).toFixed(4));
  }
  await context.close();
}

/** What scripts, layout and styles have cost a page so far. @returns a function that reads it, ms */
async function workMeter(cdp) {
  await cdp.send('Performance.enable');
  return async () => {
    const { metrics } = await cdp.send('Performance.getMetrics');
    return ['ScriptDuration', 'LayoutDuration', 'RecalcStyleDuration'].reduce(
      (sum, name) => sum + (metrics.find((metric) => metric.name === name)?.value ?? 0) * 1000,
      0,
    );
  };
}

/** Signs a page's context in. @returns the device as the firm knows it */
async function signInOn(context, base) {
  return (await (await context.request.post(`${base}/api/v1/session`, SIGN_IN)).json()).device;
}

/** Commands of a device, each with the next count. */
function commandsFrom(id, first, device) {
  let seq = first;
  return (kind, target, change) => ({
    id: id(100_000 + (seq += 1)),
    v: 1,
    device,
    seq,
    person: SIGN_IN.data.personId,
    madeAt: new Date().toISOString(),
    kind,
    target,
    base: null,
    change,
  });
}

/**
 * How long the page is busy at a stretch while a bar of the day is dragged and the day is put in order anew: its own time
 * on the processor, of which a machine with few of them gives some to the workers meanwhile.
 */
async function bar(browser, base) {
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
  line(
    'a bar dragged at 4x, the page busy at a stretch, p50 / worst of 5, ms (50)',
    `${percentile(stretches, 0.5).toFixed(0)} / ${Math.max(...stretches).toFixed(0)}`,
  );
  await context.close();
}

/** From the finger on a step to its painted list, by the page's own clock. The firm is on the phone already. @returns ms; leaves the page slowed */
async function openedIn(page, cdp, { from, step, shows }) {
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 1 });
  await page.goto(from);
  await page.getByRole('heading', { level: 1 }).waitFor();
  await page.waitForTimeout(4000);
  await page.evaluate((wanted) => {
    let begun;
    addEventListener('pointerdown', () => (begun ??= performance.now()), true);
    const watch = new MutationObserver(() => {
      if (!wanted.every((each) => document.querySelector(each))) return;
      watch.disconnect();
      requestAnimationFrame(() => setTimeout(() => (window.opened = performance.now() - begun)));
    });
    watch.observe(document.body, { childList: true, subtree: true });
  }, shows);
  const link = await page
    .getByRole('link', { name: step })
    .or(page.getByRole('tab', { name: step }))
    .or(page.getByRole('button', { name: step }))
    .first()
    .boundingBox();
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  const press = { button: 'left', clickCount: 1, x: link.x + link.width / 2, y: link.y + link.height / 2 };
  await cdp.send('Input.dispatchMouseEvent', { ...press, type: 'mousePressed', buttons: 1 });
  await cdp.send('Input.dispatchMouseEvent', { ...press, type: 'mouseReleased' });
  await page.waitForFunction(() => window.opened !== undefined, null, { polling: 1000 });
  return page.evaluate(() => window.opened);
}

/** A job of five hundred poured batches: how soon its Record opens. */
async function record(browser, base) {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const device = await signInOn(context, base);
  const id = (n) => `0198a000-5ec1-7000-8000-${String(n).padStart(12, '0')}`;
  const command = commandsFrom(id, 200_000, device);
  const add = (name, n, change) => command(`${name}.add`, id(n), change);
  const post = async (commands) => {
    for (let i = 0; i < commands.length; i += 100) {
      const answer = await context.request.post(`${base}/api/v1/commands`, { data: commands.slice(i, i + 100) });
      const bad = (await answer.json()).results?.find(({ result, problem }) => result !== 'done' && problem?.code !== 'alreadyThere');
      if (bad) throw new Error(JSON.stringify(bad));
    }
  };
  const dock = await (await context.request.get(`${base}/api/v1/jobs/${DOCK}`)).json();
  const { zone, crew, batch } = dock.job;
  const typed = (value) => ({ value, source: 'typed' });
  const square = (side) => [
    [0, 0],
    [side, 0],
    [side, side],
    [0, side],
  ];
  await post([
    add('job', 0, {
      name: 'Five hundred batches',
      customer: '',
      address: '',
      accessNote: '',
      zone,
      pourOn: null,
      crew,
      batch: { ...batch, share: 1 / 3 },
      demonstration: false,
    }),
    add('element', 1, {
      jobId: id(0),
      name: 'Yard',
      kind: 'slab',
      geometry: { outline: square(20), thickness: typed(0.2), shape: 'rectangle' },
      properties: { suspended: false, exposures: [], moisture: 'damp', opens: null },
      stops: { rust: 'no', stepOrSettlement: 'no', movement: 'no', carriesBuilding: 'no', tooDeep: 'no' },
    }),
    add('finding', 2, {
      jobId: id(0),
      elementId: id(1),
      label: 'A',
      kind: 'spall',
      outline: { points: square(13) },
      properties: { deepest: typed(0.025), shape: 'dish', edge: 'cut' },
    }),
    add('treatment', 3, { jobId: id(0), findingId: id(2), sheetId: '0198a000-0005-7000-8000-000000000005', layers: [], edge: null, bond: null, cure: null }),
  ]);
  const page = await context.newPage();
  await startedOn(page, `${base}/jobs/${id(0)}/pour`);
  await page.getByText('with the firm').waitFor();
  const { plan, pourEvent } = await (await context.request.get(`${base}/api/v1/jobs/${id(0)}`)).json();
  const [planId] = Object.keys(plan);
  const begun = Date.parse(Object.values(pourEvent)[0].deviceAt);
  let seq = 300_000;
  const events = (n) =>
    ['start', 'placed', 'finished'].map((kind, i) =>
      add('pourEvent', 1000 + 3 * n + i, {
        jobId: id(0),
        findingId: id(2),
        planId,
        batch: String(n),
        device,
        seq: (seq += 1),
        deviceAt: new Date(begun + (n * 12 + i * 4) * 60_000).toISOString(),
        clockOffset: 0,
        person: SIGN_IN.data.personId,
        kind,
        v: 1,
        payload: kind === 'start' ? { key: `${id(2)}/fill/1:${n}` } : {},
        undoes: null,
      }),
    );
  await post(Array.from({ length: 504 }, (_, i) => events(i + 2)).flat());
  const cdp = await context.newCDPSession(page);
  const times = [];
  for (let i = 0; i < 5; i += 1)
    times.push(await openedIn(page, cdp, { from: `${base}/jobs/${id(0)}/fix`, step: 'Record', shows: ['[aria-label="Batches against their plan"]'] }));
  line('Record of 505 batches opened at 4x, p50 / worst of 5, ms (1000)', `${percentile(times, 0.5).toFixed(0)} / ${Math.max(...times).toFixed(0)}`);
  await context.close();
}

/** A hundred findings and two thousand readings on one element: how soon it opens, and what a move of a corner costs, at 4x. */
async function survey(browser, base) {
  const walkOf = (job, first) => ({ from: `${base}/jobs/${job}/record`, step: 'Walk', shows: [`[aria-label="${first}"]`, '[data-testid=plan] svg'] });
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const device = await signInOn(context, base);
  const id = (n) => `0198a000-be0c-7000-8000-${String(n).padStart(12, '0')}`;
  const typed = (value) => ({ value, source: 'typed' });
  const command = commandsFrom(id, 0, device);
  const add = (name, n, change) => command(`${name}.add`, id(n), change);
  const job = id(0);
  const place = { jobId: job, elementId: id(1) };
  const square = (x, y, w, h) => [
    [x, y],
    [x + w, y],
    [x + w, y + h],
    [x, y + h],
  ];
  const properties = { suspended: false, exposures: [], moisture: 'damp', opens: null };
  const stops = { rust: 'no', stepOrSettlement: 'no', movement: 'no', carriesBuilding: 'no', tooDeep: 'no' };
  const apron = await (await context.request.get(`${base}/api/v1/jobs/0198a000-de00-7000-8000-000000000020`)).json();
  const { zone, crew, batch } = apron.job;
  const commands = [
    add('job', 0, { name: 'Large yard', customer: '', address: '', accessNote: '', zone, pourOn: null, crew, batch, demonstration: false }),
    add('element', 1, {
      jobId: job,
      name: 'Large yard',
      kind: 'slab',
      geometry: { outline: square(0, 0, 30, 20), thickness: typed(0.15), shape: 'rectangle' },
      properties,
      stops,
    }),
  ];
  for (let i = 0; i < 100; i += 1) {
    const outline = { points: square((i % 10) * 2.9 + 0.2, Math.floor(i / 10) * 1.9 + 0.2, 1.5, 1) };
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
  for (let i = 0; i < commands.length; i += 100) {
    const answer = await context.request.post(`${base}/api/v1/commands`, { data: commands.slice(i, i + 100) });
    const bad = (await answer.json()).results?.find(({ result, problem }) => result !== 'done' && problem?.code !== 'alreadyThere');
    if (bad) throw new Error(JSON.stringify(bad));
  }
  const page = await context.newPage();
  const cdp = await context.newCDPSession(page);
  line('survey of 6 findings, opened at 4x, s', ((await openedIn(page, cdp, walkOf(DOCK, 'Edit A'))) / 1000).toFixed(2));
  const opened = await openedIn(page, cdp, walkOf(job, 'Edit S0'));
  line('survey of 100 findings and 2,000 readings, opened at 4x, s (1)', (opened / 1000).toFixed(2));
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
  line(
    'a corner dragged with its volume, script + layout a move at 4x, p50 / p95 ms (8)',
    `${percentile(moves.slice(5), 0.5).toFixed(2)} / ${percentile(moves.slice(5), 0.95).toFixed(2)}`,
  );
  await context.close();
}

/** A job of thirty findings and some sixty batches: how soon every figure of the list, and of the ticket in hand, follows a change. */
async function list(browser, base) {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const device = await signInOn(context, base);
  const id = (n) => `0198a000-be11-7000-8000-${String(n).padStart(12, '0')}`;
  const typed = (value) => ({ value, source: 'typed' });
  const command = commandsFrom(id, 0, device);
  const add = (name, n, change) => command(`${name}.add`, id(n), change);
  const square = (x, y, w, h) => [
    [x, y],
    [x + w, y],
    [x + w, y + h],
    [x, y + h],
  ];
  const dock = await (await context.request.get(`${base}/api/v1/jobs/${DOCK}`)).json();
  const { zone, crew, batch } = dock.job;
  const sheetId = '0198a000-0005-7000-8000-000000000005';
  const place = { jobId: id(0), elementId: id(1) };
  const stops = { rust: 'no', stepOrSettlement: 'no', movement: 'no', carriesBuilding: 'no', tooDeep: 'no' };
  const properties = { suspended: false, exposures: [], moisture: 'damp', opens: null };
  const commands = [
    add('job', 0, { name: 'Thirty patches', customer: '', address: '', accessNote: '', zone, pourOn: null, crew, batch, demonstration: false }),
    add('element', 1, {
      jobId: id(0),
      name: 'Yard',
      kind: 'slab',
      geometry: { outline: square(0, 0, 12, 10), thickness: typed(0.2), shape: 'rectangle' },
      properties,
      stops,
    }),
  ];
  for (let i = 0; i < 30; i += 1) {
    const outline = { points: square((i % 6) * 1.9 + 0.2, Math.floor(i / 6) * 1.9 + 0.2, 0.7 + (i % 5) / 20, 0.6) };
    commands.push(
      add('finding', 10 + i, { ...place, label: `S${i}`, kind: 'spall', outline, properties: { deepest: typed(0.025), shape: 'dish', edge: 'cut' } }),
      add('treatment', 100 + i, { jobId: id(0), findingId: id(10 + i), sheetId, layers: [], edge: null, bond: null, cure: null }),
    );
  }
  const answer = await context.request.post(`${base}/api/v1/commands`, { data: commands });
  const bad = (await answer.json()).results?.find(({ result, problem }) => result !== 'done' && problem?.code !== 'alreadyThere');
  if (bad) throw new Error(JSON.stringify(bad));
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
    const count = /(\d+) batches/.exec(await page.locator('body').innerText())?.[1] ?? '';
    await changed(radios[0], region).catch(() => undefined);
    await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
    const times = [];
    for (let i = 1; i < 12; i += 1) {
      times.push(await changed(radios[i % 2], region));
      // What was changed is with the firm before the next thumb comes down.
      await page.waitForTimeout(1500);
    }
    return { count, times };
  };
  const listed = await timed('mix', ['a third of a bag', 'a quarter of a bag'], '[aria-label="Batches in their order"]');
  line(`list of 30 findings and ${listed.count} batches after a change, 4x slower, p50 ms (100)`, percentile(listed.times, 0.5).toFixed(0));
  const ticket = await timed('mix?batch=1', ['screed', 'spread'], '[role=checkbox]');
  line('the ticket in hand of that job after a change, 4x slower, p50 ms (100)', percentile(ticket.times, 0.5).toFixed(0));
  await context.close();
}

/** Two thousand sheets on the shelf: how soon a search shows, and how many frames of a scroll come late. */
async function shelf(browser, base) {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
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
  for (let i = 0; i < commands.length; i += 100) {
    const answer = await context.request.post(`${base}/api/v1/commands`, { data: commands.slice(i, i + 100) });
    const bad = (await answer.json()).results?.find(({ result, problem }) => result !== 'done' && problem?.code !== 'alreadyThere');
    if (bad) throw new Error(JSON.stringify(bad));
  }
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
  line('shelf of 2,000 sheets, letters to list, worst ms (50)', Math.max(...searches).toFixed(0));
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
  line(
    'shelf of 2,000 sheets, scrolled 180 frames: median ms, share over 20 ms',
    `${percentile(frames, 0.5).toFixed(1)}, ${(frames.filter((ms) => ms > 20).length / frames.length).toFixed(3)}`,
  );
  await context.close();
}

/** Pour while nobody touches it: how often it paints, and what a pointer over the pail costs. */
/** Opens the pour of the dock with a batch that runs. */
const pouring = (page, base) => startedOn(page, `${base}/jobs/${DOCK}/pour`);

/** Opens a job's pour and starts the first of its batches, where none runs. */
async function startedOn(page, address) {
  await page.goto(address);
  const running = page.getByTestId('pail');
  await page.getByTestId('start-batch').or(running).waitFor();
  const open = page.getByRole('button', { name: /^Understood:/ });
  // What must be understood first comes after the answer.
  while ((await running.count()) === 0 && (await page.getByTestId('start-batch').isDisabled())) {
    await open.first().click();
    await page.waitForTimeout(300);
  }
  if ((await running.count()) === 0) await page.getByTestId('start-batch').click();
  await running.waitFor();
}

/** A tap of Pour without signal until this phone says that it keeps it: a hundred of them. */
async function saved(browser, base) {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
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
  const said = (i) =>
    `${percentile(
      times.map((time) => time[i]),
      0.5,
    ).toFixed(0)} / ${Math.max(...times.map((time) => time[i])).toFixed(0)}`;
  line('a tap of Pour kept on the phone, 4x slower, p50 / worst of 100, ms (50)', said(0));
  line('the same until its screen says so, p50 / worst of 100, ms', said(1));
  await context.close();
}

async function still(browser, base) {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
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
  line('Pour untouched, style-and-paint rounds a second (1)', (rounds / 10).toFixed(1));
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
  line('pail, script + layout per pointer move at 4x, p50 / p95 ms (8)', `${percentile(moves, 0.5).toFixed(2)} / ${percentile(moves, 0.95).toFixed(2)}`);
  await context.close();
}

async function core() {
  const { bundle } = await import('./lib/build.mjs');
  const { coreBench } = await import(await bundle('cli', 'src/coreBench.ts'));
  for (const [name, value] of coreBench()) line(name, value);
  line('core as the sum Window imports it, kB gzip (limit 30)', (await windowBundle()).toFixed(1));
}

/** A large shelf ranked where it is ranked, in the browser's own engine, at a quarter of its speed. */
async function ranking(browser) {
  const { build } = await import('esbuild');
  const { outputFiles } = await build({
    stdin: { contents: "export { rankBench } from './largeShelf';", resolveDir: join(root, 'cli/src') },
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
  line('500 products ranked for the finding shown, 4x slower, p50 ms', percentile(one_ms, 0.5).toFixed(1));
  line('the best of 500 products for each of 30 findings, a job just come, 4x slower, p50 ms (300)', percentile(all_ms, 0.5).toFixed(0));
  await page.close();
}

/** What the Bench's window sum pulls in of the core, minified and compressed. @returns kB */
async function windowBundle() {
  const { build } = await import('esbuild');
  const screen = readFileSync(join(root, 'app/bench/WindowScreen.tsx'), 'utf8');
  const imports = [...screen.matchAll(/import \{([^}]*)\} from '(@tufa\/core\/[^']*)';/g)].map(([, names, from]) => {
    const values = names.split(',').filter((name) => name.trim() && !name.trim().startsWith('type '));
    return `export { ${values.join(', ')} } from '${from}';`;
  });
  const { outputFiles } = await build({
    stdin: { contents: imports.join('\n'), resolveDir: join(root, 'app') },
    bundle: true,
    minify: true,
    format: 'esm',
    write: false,
    logLevel: 'error',
  });
  return gzipSync(outputFiles[0].contents, { level: 9 }).length / 1000;
}

/** The compressed export of a folder, as the server sends it. */
async function serveFolder(folder) {
  const types = {
    '.html': 'text/html',
    '.js': 'text/javascript',
    '.css': 'text/css',
    '.woff2': 'font/woff2',
    '.svg': 'image/svg+xml',
    '.webmanifest': 'application/json',
  };
  const server = createServer((request, response) => {
    const path = new URL(request.url, 'http://x').pathname;
    let file = join(folder, decodeURIComponent(path === '/' || extname(path) === '' ? '/index.html' : path));
    const exists = (path) => {
      try {
        return statSync(path).isFile();
      } catch {
        return false;
      }
    };
    if (!exists(file)) return response.writeHead(404).end();
    const headers = {
      'content-type': types[extname(file)] ?? 'application/octet-stream',
      'cache-control': path.includes('/_expo/static/') ? 'public, max-age=31536000, immutable' : 'no-cache',
    };
    if (exists(`${file}.br`)) {
      file = `${file}.br`;
      headers['content-encoding'] = 'br';
    }
    response.writeHead(200, headers).end(readFileSync(file));
  });
  await new Promise((ready) => server.listen(0, '127.0.0.1', ready));
  return { url: `http://127.0.0.1:${server.address().port}`, close: () => server.close() };
}
