// npm start: everything from a fresh clone to a served application.
import { parseArgs } from 'node:util';
import { ensurePackages } from './lib/packages.mjs';
import { ensureCluster, freePort } from './lib/cluster.mjs';
import { Advice, main, root, say, start } from './lib/run.mjs';
import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** For an outside database: a secret of this installation, made once, readable by its user alone. */
function keptSecret() {
  const file = join(root, '.tufa', 'session-secret');
  if (!existsSync(file)) writeFileSync(file, randomBytes(24).toString('base64url'), { mode: 0o600 });
  return readFileSync(file, 'utf8');
}

main(async () => {
  const { values } = parseArgs({ options: { empty: { type: 'boolean', default: false } } });
  if (process.env.DATABASE_URL && !process.env.MIGRATION_DATABASE_URL)
    throw new Advice('DATABASE_URL is set without MIGRATION_DATABASE_URL. Set both (tufa_app and tufa_owner), or neither.');
  await ensurePackages();
  const { bundle, ensureWeb } = await import('./lib/build.mjs');
  const [web, server] = [await ensureWeb(), await bundle('server')];
  mkdirSync(join(root, '.tufa'), { recursive: true });

  const wanted = process.env.PORT ? Number(process.env.PORT) : null;
  if (wanted !== null && !(Number.isInteger(wanted) && wanted > 0 && wanted < 65536))
    throw new Advice(`PORT is ${process.env.PORT}. Give a number from 1 to 65535.`);
  const port = wanted ?? (await freePort(8420));
  if (wanted !== null && (await freePort(wanted)) !== wanted) throw new Advice(`Port ${wanted} is taken. Choose another: PORT=${wanted + 1} npm start`);

  const cluster = process.env.DATABASE_URL
    ? {
        url: process.env.DATABASE_URL,
        ownerUrl: process.env.MIGRATION_DATABASE_URL,
        sessionSecret: process.env.SESSION_SECRET ?? keptSecret(),
        stop() {},
      }
    : await ensureCluster();
  const { child, ended } = start(process.execPath, ['--enable-source-maps', server], {
    env: {
      NODE_ENV: 'production',
      DATABASE_URL: cluster.url,
      MIGRATION_DATABASE_URL: cluster.ownerUrl,
      SESSION_SECRET: cluster.sessionSecret,
      PORT: String(port),
      TUFA_WEB: web,
      TUFA_DEMO: join(root, 'demo'),
      TUFA_EMPTY: values.empty ? '1' : '',
    },
  });
  let asked = false;
  for (const signal of ['SIGINT', 'SIGTERM'])
    process.on(signal, () => {
      // A terminal sends Ctrl-C to the whole group; the server then stops by itself.
      if (!asked) child.kill('SIGTERM');
      asked = true;
    });
  const { code } = await ended;
  cluster.stop();
  if (!asked && code !== 0) throw new Advice('The server stopped; what it said is above.');
  say('Stopped.');
});
