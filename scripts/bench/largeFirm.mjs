// A firm of many jobs, and the server on it: what a bench looks at that a demonstration is too small for.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import pg from 'pg';
import { freePort } from '../lib/cluster.mjs';
import { root } from '../lib/run.mjs';

const FIRM = '0198a000-f1f0-7000-8000-000000000001';
const DOCK = '0198a000-de00-7000-8000-000000000001';

/** Starts the server on a database of its own, with the demonstration in it. */
export async function serveOn({ cluster, name, server, web, demo }) {
  const at = (url) => url.replace(/\/[^/]*$/, `/${name}`);
  const run = async (url, ...statements) => {
    const client = new pg.Client({ connectionString: url });
    await client.connect();
    for (const statement of statements) await client.query(statement);
    await client.end();
  };
  await run(cluster.adminUrl, `drop database if exists ${name} with (force)`, `create database ${name} owner tufa_owner`);
  await run(at(cluster.adminUrl), 'alter schema public owner to tufa_owner', 'grant usage on schema public to tufa_app');
  const [url, ownerUrl] = [at(cluster.url), at(cluster.ownerUrl)];
  const first = await processOn({ url, ownerUrl, server, web, demo });
  const stop = async () => {
    await first.end();
    await run(cluster.adminUrl, `drop database ${name} with (force)`);
  };
  return { base: first.base, url, ownerUrl, pid: first.pid, stop };
}

/** A process of the server on a database that is there. */
export async function processOn({ url, ownerUrl, server, web, demo = join(root, 'demo') }) {
  const port = await freePort(0);
  const child = spawn(process.execPath, [server], {
    env: {
      ...process.env,
      DATABASE_URL: url,
      MIGRATION_DATABASE_URL: ownerUrl,
      SESSION_SECRET: 'bench',
      PORT: String(port),
      ...(web ? { TUFA_WEB: web } : {}),
      TUFA_DEMO: demo,
      NODE_ENV: 'production',
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise((ready) => child.stdout.once('data', ready));
  const end = async () => {
    const gone = new Promise((done) => child.once('exit', done));
    child.kill('SIGTERM');
    await gone;
  };
  return { base: `http://127.0.0.1:${port}`, pid: child.pid, end };
}

/** Another id for each copy of a row, of the same kind as those the application makes. */
const COPY = (id) =>
  `(select '0198a000-' || substr(m, 1, 4) || '-7' || substr(m, 5, 3) || '-8' || substr(m, 8, 3) || '-' || substr(m, 11, 12) from md5(${id}::text || g) m)::uuid`;

/** Copies the loading dock so many times, each with so many rows. @returns how many jobs and rows the firm then has */
export async function seedJobs(ownerUrl, jobs, rowsEach) {
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  await client.query('begin');
  await client.query(`select set_config('tufa.firm', $1, true)`, [FIRM]);
  const { rows: known } = await client.query(
    `select table_name, string_agg(quote_ident(column_name), ',' order by ordinal_position) as columns from information_schema.columns
     where table_schema = 'public' and table_name in ('job', 'element', 'finding', 'reading', 'treatment') group by table_name`,
  );
  const { rows: counters } = await client.query('update firm set change_counter = change_counter + $1 returning change_counter - $1 as before', [jobs]);
  const before = Number(counters[0].before);
  const REFERENCES = ['id', 'job_id', 'element_id', 'finding_id'];
  let each = 0;
  for (const table of ['job', 'element', 'finding', 'reading', 'treatment']) {
    const columns = known.find(({ table_name: name }) => name === table).columns.split(',');
    const values = columns.map((column) => {
      if (column === 'changed') return `${before} + g`;
      if (column === 'name' && table === 'job') return `name || ' ' || g`;
      if (column === 'demonstration') return 'false';
      // A job a day, back through the years: nobody pours a thousand tomorrow.
      if (column === 'pour_on') return `to_char(now() - (g + 1) * interval '1 day', 'YYYY-MM-DD"T"HH24:MI')`;
      return REFERENCES.includes(column) ? COPY(`t.${column}`) : `t.${column}`;
    });
    const { rowCount } = await client.query(
      `insert into ${table} (${columns.join(',')}) select ${values.join(',')} from ${table} t, generate_series(1, ${jobs}) g
       where ${table === 'job' ? 't.id' : 't.job_id'} = '${DOCK}'`,
    );
    each += rowCount / jobs;
  }
  await client.query(
    `insert into reading (id, firm_id, version, changed, job_id, element_id, kind, value, at, taken_at)
     select gen_random_uuid(), e.firm_id, 1, e.changed, e.job_id, e.id, 'sounding', '{"value":0,"source":"tapped"}', '[0.5,0.5]', now()
     from element e, generate_series(1, ${Math.max(0, rowsEach - each)}) where e.changed > ${before}`,
  );
  await client.query('commit');
  await client.query('vacuum analyze');
  const count = async (table) =>
    Number((await client.query(`select set_config('tufa.firm', '${FIRM}', false), (select count(*) from ${table}) as n`)).rows[0].n);
  const counts = [];
  for (const table of ['job', 'element', 'finding', 'reading', 'treatment']) counts.push(await count(table));
  await client.end();
  return { jobs: counts[0], rows: counts.reduce((sum, n) => sum + n, 0) };
}
