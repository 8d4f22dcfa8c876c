// Fifty phones of a firm of a thousand jobs, each writing and reading once a second; and the same two statements through bare Express + pg.
import { readdirSync, readFileSync } from 'node:fs';
import { percentile } from '../figures.mjs';
import { processOn, seedJobs, serveOn } from '../largeFirm.mjs';
import { SIGN_IN } from '../page.mjs';
import { uuid } from '../uuid.mjs';

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
    body: JSON.stringify({ ...SIGN_IN.data, device: { id: uuid(), label: 'bench' } }),
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
        person: SIGN_IN.data.personId,
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

export default async function phones({ cluster, server, figure }) {
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
      const each = (now, then) => (now - then) / requests;
      figure(`${name}, server's processor time a request, ms`, each(spentBy(pids), before.server));
      figure(`${name}, database's processor time a request, ms`, each(spentByConnections('bench_phones'), before.database));
      for (const kind of ['write', 'read']) {
        figure(`${name}, ${kind}, p50 ms`, percentile(times[kind], 0.5));
        figure(`${name}, ${kind}, p99 ms`, percentile(times[kind], 0.99), limits[kind] ? { most: limits[kind] } : {});
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
    figure('a job read, p50 ms', percentile(p50, 0.5));
    figure('a job read, times the same rows by bare Express + pg', percentile(p50, 0.5) / percentile(bare50, 0.5), { most: 4 });
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
