import { rmSync } from 'node:fs';
import { hashesOf, type PlanInput } from '@tufa/core/plan';
import pg from 'pg';
import { DOCK, makeDatabase } from './harness';
import { WritingPhone } from './phones';
import { boot, freePort, harm, holdCluster, homeOf } from './scripted';

/** The short form runs in every test run; `npm run bench:faults` asks for the whole. */
const FULL = process.env['TUFA_FAULTS'] === 'full';
const COMMANDS = FULL ? 3000 : 240;
const KILLS = FULL ? 10 : 2;
const HARMS: readonly ('kill' | 'restart')[] = FULL ? ['kill', 'restart', 'restart', 'kill', 'restart'] : ['kill', 'restart'];
const PHONES = 4;
const pause = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));

/** The same dice for the same seed. */
function dice(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state * 1664525 + 1013904223) % 4294967296;
    return state / 4294967296;
  };
}

async function phonesOn(port: number): Promise<WritingPhone[]> {
  const chance = dice(7);
  const phones = Array.from({ length: PHONES }, () => new WritingPhone([`http://127.0.0.1:${port}/api/v1`], chance));
  for (const phone of phones) {
    await phone.signIn();
    phone.make(COMMANDS / PHONES);
  }
  return phones;
}

/** Every row that was written is there, each once, and each command was done once. */
async function expectWhole(ownerUrl: string, phones: readonly WritingPhone[]): Promise<void> {
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  await client.query(`select set_config('tufa.firm', '0198a000-f1f0-7000-8000-000000000001', false)`);
  const written = phones.flatMap((phone) => phone.written);
  const ids = async (sql: string): Promise<string[]> => (await client.query<{ id: string }>(sql)).rows.map(({ id }) => id).sort();
  expect(await ids(`select id from reading where kind = 'humidity' and version = 1 and taken_at = '2026-05-12T13:00:00Z'`)).toEqual(
    written.map(({ target }) => target).sort(),
  );
  expect(await ids('select id from command')).toEqual(written.map(({ id }) => id).sort());
  const { rows } = await client.query<{ n: number }>('select (select count(*) from command)::int - (select count(distinct changed) from command)::int as n');
  expect(rows).toEqual([{ n: 0 }]);
  await client.end();
}

test('four phones write while the server is killed again and again: nothing is lost and nothing doubled', async () => {
  const database = await makeDatabase();
  const port = await freePort();
  let child = await boot(database, port);
  const phones = await phonesOn(port);
  let kills = 0;
  const killer = async (): Promise<void> => {
    for (; kills < KILLS; kills += 1) {
      await pause(100 + Math.random() * 200);
      const gone = new Promise((done) => child.once('exit', done));
      child.kill('SIGKILL');
      await gone;
      child = await boot(database, port);
    }
  };
  await Promise.all([killer(), ...phones.map((phone) => phone.drain(() => kills < KILLS))]);
  await expectWhole(database.ownerUrl, phones);
  child.kill('SIGKILL');
  await database.drop();
}, 300_000);

test('PostgreSQL is killed and restarted under a living server: it lives, nothing is lost or doubled, and every phone is told within five seconds', async () => {
  const name = `faults-${process.pid}`;
  const holder = holdCluster(name);
  const urls = await holder.urls;
  const port = await freePort();
  const child = await boot(urls, port);
  let ended = false;
  child.once('exit', () => (ended = true));
  const phones = await phonesOn(port);
  const heard = phones.map(() => 0);
  const deaf = phones.map((phone, i) => phone.listen(() => (heard[i] = performance.now())));
  const late: number[] = [];
  let left = HARMS.length;
  const harming = async (): Promise<void> => {
    for (const how of HARMS) {
      await pause(300);
      harm(name, how);
      if (how === 'kill') {
        await pause(200);
        harm(name, 'start');
      }
      const back = performance.now();
      while (heard.some((at) => at < back) && performance.now() - back < 20_000) await pause(20);
      late.push(...heard.map((at) => (at < back ? Infinity : at - back)));
      left -= 1;
    }
  };
  await Promise.all([harming(), ...phones.map((phone) => phone.drain(() => left > 0))]);
  expect(late).toHaveLength(PHONES * HARMS.length);
  expect(Math.max(...late)).toBeLessThan(5000);
  expect(ended).toBe(false);
  await expectWhole(urls.ownerUrl, phones);
  deaf.forEach((end) => end());
  const gone = new Promise((done) => child.once('exit', done));
  child.kill('SIGTERM');
  await gone;
  await holder.end();
  rmSync(homeOf(name), { recursive: true, force: true });
}, 300_000);

const EVENTS = FULL ? 10_000 : 300;
const POUR_KILLS = FULL ? 20 : 2;
const POUR_HARMS: readonly ('kill' | 'restart')[] = FULL ? ['kill', 'restart', 'kill'] : ['restart'];

test('three phones pour through two servers on one database: deliveries doubled and out of order, servers and PostgreSQL killed meanwhile, and every event that was tapped is there once', async () => {
  const name = `pour-${process.pid}`;
  const holder = holdCluster(name);
  const urls = await holder.urls;
  const ports = [await freePort(), await freePort()] as const;
  const children = [await boot(urls, ports[0]), await boot(urls, ports[1])];
  const servers = ports.map((port) => `http://127.0.0.1:${port}/api/v1`);
  const chance = dice(11);
  const phones = Array.from({ length: 3 }, () => new WritingPhone(servers, chance));
  for (const phone of phones) await phone.signIn();
  const answer = await fetch(`${servers[0]}/jobs/${DOCK}/plan`, { headers: { cookie: phones[0]!.cookie } });
  const { input } = (await answer.json()) as { input: PlanInput };
  const planId = phones[0]!.makePlan({ jobId: DOCK, input, hashes: hashesOf(input), coreVersion: '0.1.0', seed: 1, replaces: null });
  // The plan is with the firm before another phone pours by it.
  await phones[0]!.drain(() => false);
  phones.forEach((phone, i) => phone.makeEvents(Math.floor(EVENTS / 3) + (i < EVENTS % 3 ? 1 : 0), planId));
  let [kills, harms] = [0, 0];
  const killing = async (): Promise<void> => {
    for (; kills < POUR_KILLS; kills += 1) {
      await pause(100 + chance() * 200);
      const which = kills % 2;
      const gone = new Promise((done) => children[which]!.once('exit', done));
      children[which]!.kill('SIGKILL');
      await gone;
      children[which] = await boot(urls, ports[which]!);
      // Between the kills of the server, those of its database.
      if (harms < POUR_HARMS.length && kills % Math.ceil(POUR_KILLS / POUR_HARMS.length) === 0) {
        const how = POUR_HARMS[harms]!;
        harm(name, how);
        if (how === 'kill') harm(name, 'start');
        harms += 1;
      }
    }
  };
  await Promise.all([killing(), ...phones.map((phone) => phone.drain(() => kills < POUR_KILLS))]);
  const client = new pg.Client({ connectionString: urls.ownerUrl });
  await client.connect();
  await client.query(`select set_config('tufa.firm', '0198a000-f1f0-7000-8000-000000000001', false)`);
  const { rows } = await client.query<{ id: string; device: string; seq: string }>(`select id, device, seq from pour_event where plan_id = $1`, [planId]);
  await client.end();
  const tapped = phones.flatMap(({ written }) => written.map(({ target }) => target)).filter((id) => id !== planId);
  expect(rows.map(({ id }) => id).sort()).toEqual([...tapped].sort());
  expect(new Set(rows.map(({ device, seq }) => `${device} ${seq}`)).size).toBe(tapped.length);
  const sent = phones.reduce((sum, { answered }) => sum + answered, 0);
  process.stdout.write(
    `${tapped.length} events of three phones, ${sent} deliveries answered, one of two servers killed ${kills} times, PostgreSQL ${harms}: ${tapped.length - rows.length} lost, ${rows.length - new Set(tapped).size} doubled\n`,
  );
  await Promise.all(
    children.map((child) => {
      const gone = new Promise((done) => child.once('exit', done));
      child.kill('SIGTERM');
      return gone;
    }),
  );
  await holder.end();
  rmSync(homeOf(name), { recursive: true, force: true });
}, 600_000);
