import pRetry from 'p-retry';
import { Client } from 'pg';
import type { Logger } from 'pino';

/** Told of a firm's change number; 0 after the ear was closed for a while: look once. */
type Listener = (cursor: number) => void;

/** A door that has been closed: a session that ended, a person or a device that is let in no more. */
export type ClosedDoor = { readonly session: string } | { readonly person: string } | { readonly device: string };

interface Subscription {
  readonly firmId: string;
  /** in which session it was opened, by whom and where: with any of them it ends */
  readonly session: string;
  readonly person: string;
  readonly device: string;
  readonly tell: Listener;
  readonly end: () => void;
}

/** A connection that nobody has closed and nobody answers on is given up after so long, ms. */
const SILENT_MS = 5000;
const LOOK_AFTER_MS = 20_000;
const TRY_AGAIN = { retries: Infinity, minTimeout: 250, maxTimeout: 2000, factor: 2, randomize: true, unref: true } as const;

/** Tells every open page of a firm that something changed, whichever server process wrote it (LISTEN/NOTIFY). */
export class News {
  private readonly subscriptions = new Set<Subscription>();
  private readonly ended = new AbortController();
  private client: Client | null = null;
  private look: NodeJS.Timeout | null = null;

  constructor(
    private readonly url: string,
    private readonly log: Logger,
    /** tells every server of a closed door */
    private readonly tell: (door: ClosedDoor) => Promise<unknown>,
  ) {}

  /** @throws where the database cannot be reached; once open it is opened again for ever */
  async open(): Promise<void> {
    const client = this.makeClient();
    try {
      await client.connect();
      await client.query('listen tufa_news');
      await client.query('listen tufa_doors');
      this.ended.signal.throwIfAborted();
    } catch (error) {
      // Half open it would listen for nobody.
      void client.end().catch(() => undefined);
      throw error;
    }
    this.client = client;
    this.look = setInterval(() => void client.query('select 1').catch((error: Error) => this.lost(client, error)), LOOK_AFTER_MS).unref();
  }

  private makeClient(): Client {
    const client = new Client({ connectionString: this.url, keepAlive: true, query_timeout: SILENT_MS, connectionTimeoutMillis: SILENT_MS });
    client.on('notification', ({ channel, payload = '' }) => {
      if (channel === 'tufa_doors') return this.endOf(JSON.parse(payload) as ClosedDoor);
      const [firmId = '', cursor = '0'] = payload.split(' ');
      for (const subscription of this.subscriptions) if (subscription.firmId === firmId) subscription.tell(Number(cursor));
    });
    // Before it listens: what is lost while it connects is told here too, and would else end the process.
    client.on('error', (error) => this.lost(client, error));
    return client;
  }

  /** The connection is gone: another is opened, however long that takes, and then every page looks once. */
  private lost(client: Client, error: Error): void {
    if (this.client !== client) return;
    this.client = null;
    if (this.look) clearInterval(this.look);
    if (this.ended.signal.aborted) return;
    this.log.warn({ error: error.message }, 'news connection lost');
    void client.end().catch(() => undefined);
    pRetry(() => this.open(), { ...TRY_AGAIN, signal: this.ended.signal }).then(
      () => {
        this.log.warn('news connection open again');
        for (const { tell } of this.subscriptions) tell(0);
      },
      (failed: Error) => this.ended.signal.aborted || this.log.error({ error: failed.message }, 'news are not opened again'),
    );
  }

  /** How many streams a session has open. */
  openIn(session: string): number {
    return [...this.subscriptions].filter((subscription) => subscription.session === session).length;
  }

  /** @returns what ends it */
  subscribe(subscription: Subscription): () => void {
    this.subscriptions.add(subscription);
    return () => this.subscriptions.delete(subscription);
  }

  /** Ends the streams behind a door, at whichever server they are: who is out hears no more of the firm. */
  async endDoor(door: ClosedDoor): Promise<void> {
    this.endOf(door);
    await this.tell(door);
  }

  private endOf(door: ClosedDoor): void {
    for (const subscription of this.subscriptions)
      if (Object.entries(door).every(([name, value]) => subscription[name as 'session' | 'person' | 'device'] === value)) subscription.end();
  }

  /** how many streams are open */
  count(): number {
    return this.subscriptions.size;
  }

  /** Ends every stream. */
  endAll(): void {
    for (const subscription of this.subscriptions) subscription.end();
  }

  async close(): Promise<void> {
    const { client } = this;
    this.ended.abort();
    if (this.look) clearInterval(this.look);
    this.client = null;
    await client?.end();
  }
}
