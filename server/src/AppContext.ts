import type { Request } from 'express';
import type { Pool } from 'pg';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import type { Tries } from './doors/tries';
import type { News } from './services/News';

/** What the application is made of: handed in, nothing looked up. */
export interface AppContext {
  readonly source: DataSource;
  readonly pool: Pool;
  readonly news: News;
  readonly clock: () => Date;
  readonly log: Logger;
  readonly secret: string;
  /** names under which it may be asked */
  readonly hosts: ReadonlySet<string>;
  /** whether it stands behind a proxy that speaks TLS: addresses are then the proxy's to tell */
  readonly proxied: boolean;
  /** whether a request came over TLS, here or at a proxy: its cookies are then secure */
  readonly secure: (request: Request) => boolean;
  /** whether the demonstration's roles sign in by one tap on this machine */
  readonly demonstration: boolean;
  /** whether it still takes work: not once it has been told to stop */
  readonly ready: () => boolean;
  /** who may read its figures beside this machine itself; null for nobody */
  readonly metricsToken: string | null;
  /** counts tries at the doors */
  readonly tries: Tries;
  /** the address of the weather service, set by whoever runs the server; null where there is none */
  readonly weather: string | null;
  /** the address of the site's instruments, set by whoever runs the server; null where there are none */
  readonly instruments: string | null;
  /** the exported web application; null serves the API alone */
  readonly web: string | null;
}
