import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import { makeApp } from './app';
import { connect } from './data/connect';
import { makeSource } from './data/source';
import { migrate } from './data/migrate';
import { httpServer } from './http/httpServer';
import { firstFirmCode } from './doors/firmCode';
import { makeTries } from './doors/tries';
import { seed } from './services/seed';

export interface ServeSettings {
  /** The database as the application's own role reaches it, which row security binds. */
  readonly url: string;
  /** The same as its owner reaches it: for migrations and the first rows. */
  readonly ownerUrl: string;
  readonly clock: () => Date;
  /** What is worth a line: pino's levels. */
  readonly logLevel: string;
  readonly secret: string;
  /** Names under which it may be asked, beside those of this machine. */
  readonly hosts?: readonly string[];
  /** Whether it stands behind a proxy that speaks TLS. */
  readonly proxied?: boolean;
  /** The address of a weather service; absent where there is none. */
  readonly weather?: string | null;
  /** 0 for any that is free. */
  readonly port: number;
  /** The folder of the built web application; null serves the interface of programs alone. */
  readonly web: string | null;
  /** The folder of the demonstration's rows. */
  readonly demo: string;
  /** Without the demonstration: firms are made by whoever has a code. */
  readonly empty: boolean;
}

export interface Serving {
  readonly url: string;
  /** the code by which the first firm is made, told to nobody else; null where there is one, or the demonstration */
  readonly firmCode: string | null;
  /** Ends the requests in hand, then whatever is open. */
  readonly stop: () => Promise<void>;
}

/** What no line of the log holds: whoever has a session's cookie is that person. */
export const SECRET = ['req.headers.cookie', 'res.headers["set-cookie"]'] as const;

/** Names of this machine itself, and what a setting allows. */
export const hostsOf = (more: readonly string[] = []): ReadonlySet<string> =>
  new Set(['localhost', '127.0.0.1', '[::1]', ...more.map((name) => name.toLowerCase())]);

/**
 * Migrates, seeds when empty, and serves on the loopback.
 *
 * @throws when the database cannot be reached, the application's role may do more than it should, or the port is taken
 */
export async function serve(settings: ServeSettings): Promise<Serving> {
  const { url, clock } = settings;
  const log = pino({ level: settings.logLevel, redact: [...SECRET] });
  const owner = await makeSource({ url: settings.ownerUrl, most: 2 }).initialize();
  await migrate(owner);
  await seed({ owner, clock, empty: settings.empty, demo: settings.demo });
  const firmCode = settings.empty ? await firstFirmCode(owner, clock()) : null;
  await owner.destroy();

  const { close, ...connections } = await connect({ url, log });
  const { server, close: closeServer } = httpServer(
    makeApp({
      ...connections,
      demonstration: !settings.empty,
      tries: makeTries(connections.pool),
      secure: (request) => request.secure,
      clock,
      log,
      secret: settings.secret,
      web: settings.web,
      weather: settings.weather ?? null,
      hosts: hostsOf(settings.hosts),
      proxied: settings.proxied ?? false,
    }),
  );
  await new Promise<void>((done, failed) => {
    server.once('error', failed);
    server.listen(settings.port, '127.0.0.1', done);
  });

  const stop = async (): Promise<void> => {
    // Event streams never end by themselves.
    connections.news.endAll();
    await closeServer();
    await close();
  };
  return { url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`, firmCode, stop };
}
