// npm start: everything from a fresh clone to a served application.
import { parseArgs } from 'node:util';
import { ensurePackages } from './lib/packages.mjs';
import { ensureCluster, freePort } from './lib/cluster.mjs';
import { alone } from './lib/processes.mjs';
import { Advice, main, root, say, start } from './lib/run.mjs';
import { standIn } from './lib/standIn.mjs';
import { randomBytes } from 'node:crypto';
import { accessSync, constants, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { connect } from 'node:net';
import { join } from 'node:path';

/** For an outside database: a secret of this installation, made once, readable by its user alone. */
function keptSecret() {
  const file = join(root, '.tufa', 'session-secret');
  const kept = existsSync(file) ? readFileSync(file, 'utf8').trim() : '';
  if (kept.length >= 16) return kept;
  const made = randomBytes(24).toString('base64url');
  writeFileSync(file, made, { mode: 0o600 });
  return made;
}

/** The database from outside where one is named, else one of this clone's own. */
const databaseOf = async () =>
  process.env.DATABASE_URL
    ? {
        url: process.env.DATABASE_URL,
        ownerUrl: process.env.MIGRATION_DATABASE_URL,
        sessionSecret: process.env.SESSION_SECRET ?? keptSecret(),
        stop() {},
      }
    : ensureCluster();

/** Until something answers on a port. */
async function listening(port) {
  const answers = () =>
    new Promise((told) => {
      const socket = connect(port, '127.0.0.1');
      socket.once('connect', () => told(true)).once('error', () => told(false));
      socket.once('connect', () => socket.destroy());
    });
  while (!(await answers())) await new Promise((done) => setTimeout(done, 100));
}

/** A backup each night into TUFA_BACKUP, so many kept; what it says stands in the terminal. */
async function backupNightly() {
  const { Cron } = await import('croner');
  const at = process.env.TUFA_BACKUP_AT ?? '02:30';
  if (!/^([01]?\d|2[0-3]):[0-5]\d$/.test(at)) throw new Advice(`TUFA_BACKUP_AT is ${at}. Give a time of day, as 02:30.`);
  const [hour, minute] = at.split(':').map(Number);
  return new Cron(`${minute} ${hour} * * *`, { protect: true }, async () => {
    const { code } = await start(process.execPath, [join(root, 'scripts/backup.mjs')]).ended;
    if (code !== 0) say('The nightly backup failed; what it said is above. Yesterday’s still stands.');
  });
}

main(async () => {
  const { values } = parseArgs({ options: { empty: { type: 'boolean', default: false }, lan: { type: 'boolean', default: false } } });
  if (process.env.DATABASE_URL && !process.env.MIGRATION_DATABASE_URL)
    throw new Advice('DATABASE_URL is set without MIGRATION_DATABASE_URL. Set both (tufa_app and tufa_owner), or neither.');
  const wanted = process.env.PORT ? Number(process.env.PORT) : null;
  if (wanted !== null && !(Number.isInteger(wanted) && wanted > 0 && wanted < 65536))
    throw new Advice(`PORT is ${process.env.PORT}. Give a number from 1 to 65535.`);
  const home = join(root, '.tufa');
  mkdirSync(home, { recursive: true });
  accessSync(home, constants.W_OK);
  // Two starts of one clone at once: the second finds set up what the first has set up, joins its database and takes another port.
  const { cluster, child, ended } = await alone(home, async () => {
    await ensurePackages();
    const { bundle, ensureWeb } = await import('./lib/build.mjs');
    const [web, server] = [await ensureWeb(), await bundle('server')];
    const port = wanted ?? (await freePort(8420));
    if (wanted !== null && (await freePort(wanted)) !== wanted) throw new Advice(`Port ${wanted} is taken. Choose another: PORT=${wanted + 1} npm start`);
    const database = await databaseOf();
    // Invented weather goes with the invented jobs alone; a real firm's server is told an address, or none.
    const weather = values.empty || process.env.TUFA_WEATHER ? null : await standIn(await bundle('stand-ins'));
    const instruments = values.empty || process.env.TUFA_INSTRUMENTS ? null : await standIn(await bundle('stand-ins'), { of: 'instruments' });
    const serving = start(process.execPath, ['--enable-source-maps', server], {
      env: {
        NODE_ENV: 'production',
        DATABASE_URL: database.url,
        MIGRATION_DATABASE_URL: database.ownerUrl,
        SESSION_SECRET: database.sessionSecret,
        PORT: String(port),
        TUFA_WEB: web,
        TUFA_DEMO: join(root, 'demo'),
        TUFA_EMPTY: values.empty ? '1' : '',
        // Its key lies beside the database's passwords, readable by its owner alone.
        ...(values.lan
          ? {
              TUFA_LAN: join(home, 'tls'),
              TUFA_LAN_PORT: process.env.TUFA_LAN_PORT ?? String(await freePort(8443)),
              TUFA_LAN_PAGE: process.env.TUFA_LAN_PAGE ?? String(await freePort(8480)),
            }
          : {}),
        ...(weather ? { TUFA_WEATHER: weather.address } : {}),
        ...(instruments ? { TUFA_INSTRUMENTS: instruments.address } : {}),
      },
    });
    await Promise.race([listening(port), serving.ended]);
    serving.ended.finally(() => [weather, instruments].forEach((service) => service?.child.kill('SIGTERM')));
    return { cluster: database, ...serving };
  });
  const nightly = process.env.TUFA_BACKUP ? await backupNightly() : null;
  let asked = false;
  for (const signal of ['SIGINT', 'SIGTERM'])
    process.on(signal, () => {
      // A terminal sends Ctrl-C to the whole group; the server then stops by itself.
      if (!asked) child.kill('SIGTERM');
      asked = true;
    });
  const { code } = await ended;
  nightly?.stop();
  cluster.stop();
  if (!asked && code !== 0) throw new Advice('The server stopped; what it said is above.');
  say('Stopped.');
});
