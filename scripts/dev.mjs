// npm run dev: the server from its sources and Metro with fast refresh, the API handed on.
import { join } from 'node:path';
import { ensurePackages } from './lib/packages.mjs';
import { ensureCluster, freePort } from './lib/cluster.mjs';
import { main, root, say, start } from './lib/run.mjs';

main(async () => {
  await ensurePackages();
  const { bundle, copyFonts } = await import('./lib/build.mjs');
  copyFonts();
  const cluster = await ensureCluster();
  const port = await freePort(8421);
  const server = start(process.execPath, ['--enable-source-maps', await bundle('server')], {
    env: {
      DATABASE_URL: cluster.url,
      MIGRATION_DATABASE_URL: cluster.ownerUrl,
      SESSION_SECRET: cluster.sessionSecret,
      PORT: String(port),
      TUFA_DEMO: join(root, 'demo'),
    },
  });
  const metro = start(process.execPath, [join(root, 'node_modules/expo/bin/cli'), 'start', '--web', '--port', '8081'], {
    cwd: join(root, 'app'),
    env: { TUFA_API: `http://127.0.0.1:${port}`, EXPO_NO_TELEMETRY: '1', EXPO_OFFLINE: '1', EXPO_NO_TYPESCRIPT_SETUP: '1', BROWSER: 'none' },
  });
  say('The application with fast refresh: http://127.0.0.1:8081');
  const stop = () => [server, metro].forEach(({ child }) => child.kill('SIGTERM'));
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, stop);
  await Promise.race([server.ended, metro.ended]);
  stop();
  await Promise.all([server.ended, metro.ended]);
  cluster.stop();
});
