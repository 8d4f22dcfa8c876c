import { spawn, type ChildProcess } from 'node:child_process';
import { createServer, type AddressInfo } from 'node:net';
import { resolve } from 'node:path';
import { addressOf, env } from './database';

const ROOT = resolve(__dirname, '..');

const freePort = (): Promise<number> =>
  new Promise((done) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => done(port));
    });
  });

export interface Served {
  readonly url: string;
  readonly stop: () => Promise<void>;
}

/** The bundled server on a database, serving the exported application. */
export async function serve(database: string, more: Readonly<Record<string, string>> = {}): Promise<Served> {
  const port = await freePort();
  const child: ChildProcess = spawn(process.execPath, [env('TUFA_SERVER')], {
    env: {
      ...process.env,
      DATABASE_URL: addressOf(env('TEST_APP_URL'), database),
      MIGRATION_DATABASE_URL: addressOf(env('TEST_OWNER_URL'), database),
      SESSION_SECRET: 'e2e',
      PORT: String(port),
      TUFA_WEB: env('TUFA_WEB'),
      TUFA_DEMO: resolve(ROOT, 'demo'),
      NODE_ENV: 'production',
      ...more,
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise<void>((done, failed) => {
    child.stdout?.once('data', () => done());
    child.once('exit', (code) => failed(new Error(`server ended with ${code}`)));
  });
  return {
    url: `http://127.0.0.1:${port}`,
    stop: async () => {
      const gone = new Promise((done) => child.once('exit', done));
      child.kill('SIGTERM');
      await gone;
    },
  };
}
