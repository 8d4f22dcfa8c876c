import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { createServer, type AddressInfo } from 'node:net';
import { resolve } from 'node:path';

const MAIN = resolve(__dirname, '../dist/main.mjs');
const LIB = resolve(__dirname, '../../scripts/lib');

/** Runs a few lines as a script of this clone, with its helpers at hand. */
export const lines = (work: string): string[] => ['--input-type=module', '-e', work.replaceAll('$LIB', LIB)];

/** Where a cluster of that name lies. */
export const homeOf = (name: string): string => resolve(__dirname, '../../.tufa', name);

export interface ClusterHolder {
  readonly child: ChildProcess;
  /** the two roles' addresses */
  readonly urls: Promise<{ url: string; ownerUrl: string }>;
  readonly end: (signal?: NodeJS.Signals) => Promise<void>;
  readonly said: () => string;
}

/** A start that holds a cluster until it is told to end: its addresses come first. */
export function holdCluster(name: string): ClusterHolder {
  const work = `
    import { ensureCluster } from '$LIB/cluster.mjs';
    import { main } from '$LIB/run.mjs';
    main(async () => {
      const cluster = await ensureCluster({ name: '${name}' });
      process.on('SIGTERM', () => { cluster.stop(); process.exit(0); });
      process.stdout.write('urls ' + cluster.url + ' ' + cluster.ownerUrl + '\\n');
      setInterval(() => undefined, 1000);
    });`;
  const child = spawn(process.execPath, lines(work), { stdio: ['ignore', 'pipe', 'pipe'] });
  let said = '';
  const ended = new Promise<void>((done) => child.once('close', () => done()));
  const urls = new Promise<{ url: string; ownerUrl: string }>((done, fail) => {
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (data) => {
        said += String(data);
        const [, url, ownerUrl] = /^urls (\S+) (\S+)$/m.exec(said) ?? [];
        if (url && ownerUrl) done({ url, ownerUrl });
      });
    void ended.then(() => fail(new Error(said)));
  });
  urls.catch(() => undefined);
  const end = async (signal: NodeJS.Signals = 'SIGTERM'): Promise<void> => {
    child.kill(signal);
    await ended;
  };
  return { child, urls, end, said: () => said };
}

/** Does something to the server of a cluster. */
export function harm(name: string, how: 'kill' | 'start' | 'restart'): void {
  const { status, stderr } = spawnSync(process.execPath, [resolve(__dirname, '../../scripts/harm.mjs'), name, how], { encoding: 'utf8' });
  if (status !== 0) throw new Error(stderr);
}

export const freePort = (): Promise<number> =>
  new Promise((done) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => done(port));
    });
  });

/** The bundled server; resolves when it says where it is. */
export const boot = (database: { url: string; ownerUrl: string }, port: number): Promise<ChildProcess> =>
  new Promise((done, failed) => {
    const made = spawn(process.execPath, [MAIN], {
      env: {
        ...process.env,
        DATABASE_URL: database.url,
        MIGRATION_DATABASE_URL: database.ownerUrl,
        SESSION_SECRET: 'x',
        PORT: String(port),
        LOG_LEVEL: 'silent',
        TUFA_DEMO: resolve(__dirname, '../../demo'),
      },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    made.stdout.once('data', () => done(made));
    made.once('exit', (code) => failed(new Error(`server ended with ${code}`)));
  });
