import type { Pool } from 'pg';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import type { News } from './services/News';

/** What the application is made of: handed in, nothing looked up. */
export interface AppContext {
  readonly source: DataSource;
  readonly pool: Pool;
  readonly news: News;
  readonly firmId: string;
  readonly clock: () => Date;
  readonly log: Logger;
  readonly secret: string;
  /** the exported web application; null serves the API alone */
  readonly web: string | null;
}
