import { fork, spawn, type ChildProcess } from 'node:child_process';
import { resolve } from 'node:path';
import { addressOf, env } from './database';

const ROOT = resolve(__dirname, '..');
const DEMO = resolve(ROOT, 'demo');

export interface Served {
  readonly url: string;
  /** by which the first firm is made, where there is none */
  readonly firmCode: string;
  /** where the local network reaches it */
  readonly lan: string;
  readonly stop: () => Promise<void>;
}

export interface ServeOptions {
  /** The moment at which the server's clock stands still. */
  readonly now?: string;
  /** A firm without the demonstration's rows. */
  readonly empty?: boolean;
  /** The address of a weather service. */
  readonly weather?: string;
  /** The address of the site's instruments. */
  readonly instruments?: string;
  /** A folder for the authority of a server that is open to the local network. */
  readonly lan?: string;
}

/** Starts the server's own program on an empty database, which it migrates and seeds, and stops it again. */
export async function fillDatabase(database: string): Promise<void> {
  const child = spawn(process.execPath, [env('TUFA_SERVER')], {
    env: {
      ...process.env,
      DATABASE_URL: addressOf(env('TEST_APP_URL'), database),
      MIGRATION_DATABASE_URL: addressOf(env('TEST_OWNER_URL'), database),
      SESSION_SECRET: 'e2e',
      PORT: '0',
      TUFA_WEB: env('TUFA_WEB'),
      TUFA_DEMO: DEMO,
      NODE_ENV: 'production',
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const gone = new Promise((done) => child.once('exit', done));
  await new Promise<void>((done, failed) => {
    child.stdout.once('data', () => done());
    child.once('exit', (code) => failed(new Error(`server ended with ${code}`)));
  });
  child.kill('SIGTERM');
  await gone;
}

interface Answer {
  readonly id: string;
  readonly url?: string;
  readonly firmCode?: string | null;
  readonly lan?: string;
  readonly failed?: string;
}

let host: Promise<ChildProcess> | undefined;
const waiting = new Map<string, { done: (answer: Answer) => void; failed: (error: Error) => void }>();

/** One process a worker reads the server's program once, and serves every test's database. It ends with the worker. */
function startHost(): Promise<ChildProcess> {
  const child = fork(resolve(__dirname, 'host.mjs'), {
    env: { ...process.env, NODE_ENV: 'production' },
    execArgv: [],
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
  });
  child.on('exit', (code) => waiting.forEach(({ failed }) => failed(new Error(`the servers' process ended with ${code}`))));
  child.on('message', (answer: Answer) => {
    const { done, failed } = waiting.get(answer.id) ?? {};
    waiting.delete(answer.id);
    if (answer.failed) failed?.(new Error(answer.failed));
    else done?.(answer);
  });
  return new Promise((done, failed) => waiting.set('ready', { done: () => done(child), failed }));
}

async function ask(id: string, settings?: object): Promise<Answer> {
  const child = await (host ??= startHost());
  const answered = new Promise<Answer>((done, failed) => waiting.set(id, { done, failed }));
  child.send({ id, settings });
  return answered;
}

/** The server on a database, serving the exported application. */
export async function serve(database: string, { now, weather, instruments, empty = false, lan: folder }: ServeOptions = {}): Promise<Served> {
  const {
    url = '',
    firmCode,
    lan = '',
  } = await ask(database, {
    url: addressOf(env('TEST_APP_URL'), database),
    ownerUrl: addressOf(env('TEST_OWNER_URL'), database),
    web: env('TUFA_WEB'),
    demo: DEMO,
    now,
    weather,
    instruments,
    empty,
    ...(folder ? { lan: { folder, port: 0, pagePort: 0, reached: { addresses: ['127.0.0.1'], names: [] } } } : {}),
  });
  return { url, firmCode: firmCode ?? '', lan, stop: () => ask(database).then(() => undefined) };
}
