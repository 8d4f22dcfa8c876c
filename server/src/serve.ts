import type { AddressInfo } from 'node:net';
import { SPOKEN } from '@tufa/contract/languages';
import { PLAIN } from '@tufa/words';
import { bring } from '@tufa/words/bring';
import { pino } from 'pino';
import { makeApp } from './app';
import { connect } from './data/connect';
import { makeSource } from './data/source';
import { migrate } from './data/migrate';
import { httpServer, type HttpServer } from './http/httpServer';
import { trustFor, type Names } from './lan/authority';
import { reachedAs } from './lan/reached';
import { trustPage } from './lan/trustPage';
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
  /** The address of the site's instruments; absent where there are none. */
  readonly instruments?: string | null;
  /** Where it listens; the loopback where nothing is said. Elsewhere only behind a proxy: it speaks no TLS there. */
  readonly listen?: string;
  /** 0 for any that is free. */
  readonly port: number;
  /** The folder of the built web application; null serves the interface of programs alone. */
  readonly web: string | null;
  /** The folder of the demonstration's rows. */
  readonly demo: string;
  /** The local network: where its authority is kept, and the ports of Tufa and of the page that gives out its certificate. */
  readonly lan?: { readonly folder: string; readonly port: number; readonly pagePort: number; readonly reached?: Names } | null;
  /** Without the demonstration: firms are made by whoever has a code. */
  readonly empty: boolean;
  readonly metricsToken?: string | null;
  /** how long it goes on serving after it was told to stop, so that a balancer sees it and sends elsewhere, ms */
  readonly drain_ms?: number;
}

/** What stands open to the local network. */
export interface Opened {
  readonly url: string;
  readonly page: string;
  readonly fingerprint: string;
  readonly renewed: boolean;
}

export interface Serving {
  readonly url: string;
  /** null where nothing beyond this machine is */
  readonly opened: Opened | null;
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
  await Promise.all(SPOKEN.map(bring));
  const log = pino({ level: settings.logLevel, redact: [...SECRET] });
  const owner = await makeSource({ url: settings.ownerUrl, most: 2 }).initialize();
  await migrate(owner);
  await seed({ owner, clock, empty: settings.empty, demo: settings.demo });
  const firmCode = settings.empty ? await firstFirmCode(owner, clock()) : null;
  await owner.destroy();

  let stopping = false;
  const { close, ...connections } = await connect({ url, log });
  const reached = settings.lan ? (settings.lan.reached ?? reachedAs()) : { addresses: [], names: [] };
  const app = makeApp({
    ...connections,
    demonstration: !settings.empty,
    tries: makeTries(connections.pool),
    secure: (request) => request.secure,
    ready: () => !stopping,
    metricsToken: settings.metricsToken ?? null,
    clock,
    log,
    secret: settings.secret,
    web: settings.web,
    weather: settings.weather ?? null,
    instruments: settings.instruments ?? null,
    hosts: hostsOf([...(settings.hosts ?? []), ...reached.addresses, ...reached.names]),
    proxied: settings.proxied ?? false,
  });
  const here = await listen(httpServer(app), settings.port, settings.listen ?? '127.0.0.1');
  const lan = settings.lan ? await openLan(app, settings.lan, reached, clock()) : null;

  const stop = async (): Promise<void> => {
    stopping = true;
    if (settings.drain_ms) await new Promise((done) => setTimeout(done, settings.drain_ms));
    // Event streams never end by themselves.
    connections.news.endAll();
    await Promise.all([here.close(), lan?.close()]);
    await close();
  };
  return { url: `http://127.0.0.1:${here.port}`, opened: lan?.opened ?? null, firmCode, stop };
}

/** Listens until it is closed. @throws when the port is taken */
async function listen({ server, close }: HttpServer, port: number, host: string): Promise<{ port: number; close: () => Promise<void> }> {
  await new Promise<void>((done, failed) => {
    server.once('error', failed);
    server.listen(port, host, done);
  });
  return { port: (server.address() as AddressInfo).port, close };
}

/** Opens Tufa to the local network over TLS, and beside it the one page that gives out the certificate. */
async function openLan(
  app: ReturnType<typeof makeApp>,
  { folder, port, pagePort }: NonNullable<ServeSettings['lan']>,
  reached: Names,
  at: Date,
): Promise<{ opened: Opened; close: () => Promise<void> }> {
  const trust = await trustFor(folder, reached, at);
  const tls = await listen(httpServer(app, { key: trust.key, cert: trust.certificate }), port, '0.0.0.0');
  const host = reached.addresses[0] ?? reached.names[0] ?? '127.0.0.1';
  const url = `https://${host}:${tls.port}`;
  const speakers = SPOKEN.map((language) => ({ ...PLAIN, language }));
  const page = await listen(httpServer(trustPage({ trust, address: url, speakers })), pagePort, '0.0.0.0');
  const { fingerprint, renewed } = trust;
  return {
    opened: { url, page: `http://${host}:${page.port}`, fingerprint, renewed },
    close: () => Promise.all([tls.close(), page.close()]).then(() => undefined),
  };
}
