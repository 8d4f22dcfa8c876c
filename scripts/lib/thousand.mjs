// A firm of a thousand jobs beside one of ten: what a slow phone notices of it, and what the server does under fifty phones.
import { say } from './run.mjs';
import { readdirSync, readFileSync } from 'node:fs';
import { processOn, seedJobs, serveOn } from './largeFirm.mjs';

const LEAD = '0198a000-9e09-7000-8000-000000000001';
const percentile = (values, share) => [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))];
const line = (name, value) => say(`${name.padEnd(62)} ${value}`);
const uuid = () => crypto.randomUUID().replace(/^(.{14})./, '$17');

/** What the system tells of a process, field by field from its state on; nothing of one that has ended. */
function statOf(pid) {
  try {
    return readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1].split(' ');
  } catch {
    return null;
  }
}

/** Processor time that some processes have had, ms: a tick is ten. */
const spentBy = (pids) => pids.reduce((sum, pid) => sum + 10 * (Number(statOf(pid)?.[11] ?? 0) + Number(statOf(pid)?.[12] ?? 0)), 0);

/** The same of a cluster's connections: those that are open, and with their parent those that have ended. */
function spentByConnections(name) {
  const open = readdirSync('/proc').filter((pid) => {
    try {
      return /^\d+$/.test(pid) && readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(` ${name} `);
    } catch {
      return false;
    }
  });
  const parent = statOf(open[0])?.[1];
  const ended = parent ? 10 * (Number(statOf(parent)?.[13] ?? 0) + Number(statOf(parent)?.[14] ?? 0)) : 0;
  return spentBy(open) + ended;
}

/** From what begins it to the paint that shows what is waited for, by the page's own clock. ms */
async function shownAfter(page, begin, selector) {
  await page.evaluate((wanted) => {
    window.shownAt = undefined;
    const before = new Set(document.querySelectorAll(wanted));
    let begun;
    addEventListener('pointerdown', () => (begun ??= performance.now()), { capture: true, once: true });
    const watch = new MutationObserver(() => {
      if (![...document.querySelectorAll(wanted)].some((element) => !before.has(element))) return;
      watch.disconnect();
      requestAnimationFrame(() => setTimeout(() => (window.shownAt = performance.now() - begun)));
    });
    watch.observe(document.body, { childList: true, subtree: true });
  }, selector);
  await begin();
  await page.waitForFunction(() => window.shownAt !== undefined, null, { polling: 50, timeout: 120_000 });
  return page.evaluate(() => window.shownAt);
}

/** A phone that holds the firm: a reload, the list of jobs, a job opened, a tap's write, all at 4x; and its heap. */
async function onPhone(browser, base, jobs) {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  await context.request.post(`${base}/api/v1/session`, { data: { personId: LEAD, device: { id: uuid(), label: 'bench' } } });
  const page = await context.newPage();
  const cdp = await context.newCDPSession(page);
  const slow = (rate) => cdp.send('Emulation.setCPUThrottlingRate', { rate });
  const begun = performance.now();
  await page.goto(`${base}/jobs`);
  await page.getByText(`${jobs} jobs`, { exact: true }).waitFor({ timeout: 240_000 });
  const first = performance.now() - begun;
  await page.waitForTimeout(3000);
  const touch = async (locator) => {
    const { x, y, width, height } = await locator.boundingBox();
    await cdp.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: [{ x: x + width / 2, y: y + height / 2 }] });
    await cdp.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
  };
  const rounds = { reload: [], list: [], open: [], tap: [] };
  for (let i = 0; i < 5; i += 1) {
    await slow(4);
    const started = performance.now();
    await page.goto(`${base}/`, { waitUntil: 'commit' });
    await page.locator('[role=listitem]').first().waitFor({ timeout: 120_000 });
    rounds.reload.push(performance.now() - started);
    await page.waitForTimeout(4000);
    const tab = page
      .getByRole('link', { name: 'Jobs', exact: true })
      .or(page.getByRole('tab', { name: 'Jobs', exact: true }))
      .first();
    rounds.list.push(await shownAfter(page, () => touch(tab), '[role=listitem] [aria-label^="Remove "]'));
    await page.waitForTimeout(2500);
    const remove = page.locator('[aria-label^="Remove "]').nth(2);
    rounds.tap.push(await shownAfter(page, () => touch(remove), '[data-testid=undo-band], [role=status] ~ [role=button]'));
    await page.waitForTimeout(1500);
    await touch(page.getByRole('button', { name: 'Undo', exact: true }));
    await page.waitForTimeout(2500);
    rounds.open.push(await shownAfter(page, () => touch(page.locator('[role=listitem] a').nth(1)), '[data-testid=plan] svg'));
    await slow(1);
    await page.waitForTimeout(1500);
  }
  await cdp.send('HeapProfiler.enable');
  await cdp.send('HeapProfiler.collectGarbage');
  const { usedSize } = await cdp.send('Runtime.getHeapUsage');
  await context.close();
  return { first, heap: usedSize / 1e6, ...Object.fromEntries(Object.entries(rounds).map(([name, times]) => [name, percentile(times, 0.5)])) };
}

/** @throws nothing; says what it measures and sets the exit code where a limit is broken */
export async function thousand({ browser, cluster, server, web }) {
  const figures = {};
  for (const [name, jobs] of [
    ['ten', 3],
    ['thousand', 993],
  ]) {
    const served = await serveOn({ cluster, name: `bench_${name}`, server, web });
    try {
      const begun = performance.now();
      const seeded = await seedJobs(served.ownerUrl, jobs, 100);
      line(`${seeded.jobs} jobs, ${seeded.rows} rows, seeded in s (60)`, ((performance.now() - begun) / 1000).toFixed(1));
      figures[name] = await onPhone(browser, served.base, seeded.jobs);
    } finally {
      await served.stop();
    }
  }
  const { ten, thousand: many } = figures;
  line('first pull of the whole firm, s: ten jobs; a thousand', `${(ten.first / 1000).toFixed(1)}; ${(many.first / 1000).toFixed(1)}`);
  for (const [name, said] of [
    ['reload', 'first screen after a reload'],
    ['list', 'list of jobs'],
    ['open', 'a job opened'],
    ['tap', "a tap's write"],
  ]) {
    const over = many[name] - ten[name] > 300;
    line(`${said} at 4x, ms: ten jobs; a thousand (300 more)`, `${ten[name].toFixed(0)}; ${many[name].toFixed(0)}${over ? '   over' : ''}`);
    if (over) process.exitCode = 1;
  }
  line('heap with a thousand jobs, MB (150)', `${many.heap.toFixed(0)} (ten: ${ten.heap.toFixed(0)})`);
  if (many.heap > 150) process.exitCode = 1;
}

/** The first of them are a server's that has only just begun, and not counted. */
const WARM = 3;
const SECONDS = 23;
const PHONES = 50;
const json = { 'content-type': 'application/json' };

/** A phone of its own: signed in, with a job to write to and a place up to which it has followed the firm. */
async function phoneOn(base, target, since) {
  const answer = await fetch(`${base}/api/v1/session`, {
    method: 'POST',
    headers: json,
    body: JSON.stringify({ personId: LEAD, device: { id: uuid(), label: 'bench' } }),
  });
  const { device } = await answer.json();
  const cookie = answer.headers
    .getSetCookie()
    .map((given) => given.split(';')[0])
    .join('; ');
  let [seq, place] = [0, `since=${since}`];
  return {
    cookie,
    write: async () => {
      seq += 1;
      const command = {
        id: uuid(),
        v: 1,
        device,
        seq,
        person: LEAD,
        madeAt: new Date().toISOString(),
        kind: 'job.change',
        target,
        base: null,
        change: { accessNote: `note ${seq}` },
      };
      const { results } = await (
        await fetch(`${base}/api/v1/commands`, { method: 'POST', headers: { ...json, cookie }, body: JSON.stringify([command]) })
      ).json();
      if (results?.[0]?.result === 'refused') throw new Error(JSON.stringify(results));
    },
    read: async () => {
      const { cursor, after } = await (await fetch(`${base}/api/v1/changes?${place}`, { headers: { cookie } })).json();
      place = `since=${cursor}${after ? `&after=${after}` : ''}`;
    },
  };
}

/** Fifty phones of a firm of a thousand jobs, each writing and reading once a second; and the same two statements through bare Express + pg. */
export async function phones({ cluster, server }) {
  const served = await serveOn({ cluster, name: 'bench_phones', server });
  const { default: pg } = await import('pg');
  const { default: express } = await import('express');
  const pool = new pg.Pool({ connectionString: served.url });
  const bare = express();
  try {
    await seedJobs(served.ownerUrl, 993, 100);
    // A hundred thousand rows at once are looked through by the database sooner or later: here before it is timed.
    const owner = new pg.Client({ connectionString: served.ownerUrl });
    await owner.connect();
    await owner.query('vacuum analyze');
    await owner.end();
    const ask = (text, values = []) => withFirm(pool, (client) => client.query(text, values));
    const { rows: jobs } = await ask('select id from job order by id limit $1', [PHONES]);
    const { rows: counters } = await ask('select change_counter from firm');
    bare.put('/:job', async (request, response) => {
      await withFirm(pool, async (client) => {
        const { rows } = await client.query('update firm set change_counter = change_counter + 1 returning change_counter');
        await client.query('update job set access_note = $1, changed = $2, version = version + 1 where id = $3', [
          'note',
          rows[0].change_counter,
          request.params.job,
        ]);
      });
      response.json({});
    });
    bare.get('/:since', async (request, response) =>
      response.json((await ask('select * from job where changed > $1 order by changed limit 1000', [request.params.since])).rows),
    );
    const listening = bare.listen(0, '127.0.0.1');
    await new Promise((ready) => listening.once('listening', ready));
    const bareBase = `http://127.0.0.1:${listening.address().port}`;
    const second = await processOn({ url: served.url, ownerUrl: served.ownerUrl, server });
    const ours = await Promise.all(jobs.map(({ id }) => phoneOn(served.base, id, counters[0].change_counter)));
    const split = await Promise.all(jobs.map(({ id }, i) => (i % 2 ? phoneOn(second.base, id, counters[0].change_counter) : ours[i])));
    const theirs = jobs.map(({ id }) => ({
      write: async () => void (await (await fetch(`${bareBase}/${id}`, { method: 'PUT' })).text()),
      read: async () => void (await (await fetch(`${bareBase}/${Number(counters[0].change_counter) + 1e6}`)).text()),
    }));
    for (const [name, list, limits, pids] of [
      ['fifty phones, Tufa', ours, { write: 100, read: 50 }, [served.pid]],
      ['fifty phones over two processes, Tufa', split, { write: 100, read: 50 }, [served.pid, second.pid]],
      ['fifty phones, bare Express + pg', theirs, {}, [process.pid]],
    ]) {
      const before = { server: spentBy(pids), database: spentByConnections('bench_phones') };
      const times = { write: [], read: [] };
      const timed = async (kind, second, work) => {
        const begun = performance.now();
        await work();
        if (second >= WARM) times[kind].push(performance.now() - begun);
      };
      await Promise.all(
        list.map(async (phone, i) => {
          await wait((i * 1000) / PHONES);
          for (let second = 0; second < SECONDS; second += 1) {
            const due = wait(1000);
            await timed('write', second, phone.write);
            await timed('read', second, phone.read);
            await due;
          }
        }),
      );
      const requests = list.length * SECONDS * 2;
      const each = (now, then) => ((now - then) / requests).toFixed(1);
      line(
        `${name}, processor time a request, ms: server; database`,
        `${each(spentBy(pids), before.server)}; ${each(spentByConnections('bench_phones'), before.database)}`,
      );
      for (const kind of ['write', 'read']) {
        const p99 = percentile(times[kind], 0.99);
        const over = p99 > (limits[kind] ?? Infinity);
        line(
          `${name}, ${kind}, p50 / p99 ms${limits[kind] ? ` (${limits[kind]})` : ''}`,
          `${percentile(times[kind], 0.5).toFixed(1)} / ${p99.toFixed(1)}${over ? '   over' : ''}`,
        );
        if (over) process.exitCode = 1;
      }
    }
    const bareRead = async (job) => {
      const tables = ['job', 'element', 'finding', 'reading', 'photograph', 'treatment', 'plan', 'pour_event'];
      return withFirm(pool, async (client) => {
        const read = [];
        for (const table of tables) read.push((await client.query(`select * from ${table} where ${table === 'job' ? 'id' : 'job_id'} = $1`, [job])).rows);
        return read;
      });
    };
    bare.get('/jobs/:job', async (request, response) => response.json(await bareRead(request.params.job)));
    const [p50, bare50] = [[], []];
    const [{ cookie }] = ours;
    for (let i = 0; i < 240; i += 1) {
      const { id } = jobs[i % jobs.length];
      for (const [into, url] of [
        [p50, `${served.base}/api/v1/jobs/${id}`],
        [bare50, `${bareBase}/jobs/${id}`],
      ]) {
        const begun = performance.now();
        await (await fetch(url, { headers: { cookie } })).arrayBuffer();
        if (i >= 40) into.push(performance.now() - begun);
      }
    }
    const times = percentile(p50, 0.5) / percentile(bare50, 0.5);
    line(
      'a job read; the same rows, bare Express + pg, p50 ms (4x)',
      `${percentile(p50, 0.5).toFixed(2)}; ${percentile(bare50, 0.5).toFixed(2)} (${times.toFixed(1)}x)`,
    );
    if (times > 4) process.exitCode = 1;
    listening.close();
    listening.closeAllConnections();
    await second.end();
  } finally {
    await pool.end();
    await served.stop();
  }
}

const wait = (ms) => new Promise((done) => setTimeout(done, ms));

async function withFirm(pool, work) {
  const client = await pool.connect();
  try {
    await client.query('begin');
    await client.query(`select set_config('tufa.firm', $1, true)`, ['0198a000-f1f0-7000-8000-000000000001']);
    const answer = await work(client);
    await client.query('commit');
    return answer;
  } finally {
    client.release();
  }
}
