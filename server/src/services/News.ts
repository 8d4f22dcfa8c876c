import { Client } from 'pg';
import type { Logger } from 'pino';

type Listener = (cursor: number) => void;

/** Tells every open page of a firm that something changed, whichever server process wrote it (LISTEN/NOTIFY). */
export class News {
  private readonly listeners = new Map<string, Set<Listener>>();
  private client: Client | null = null;
  private closed = false;

  constructor(
    private readonly url: string,
    private readonly log: Logger,
  ) {}

  async open(): Promise<void> {
    const client = new Client({ connectionString: this.url });
    client.on('notification', ({ payload = '' }) => {
      const [firmId = '', cursor = '0'] = payload.split(' ');
      for (const listener of this.listeners.get(firmId) ?? []) listener(Number(cursor));
    });
    client.on('error', (error) => {
      this.log.warn({ error: error.message }, 'news connection lost');
      this.client = null;
      // Pages also pull when they come to the front, so a gap of seconds loses nothing.
      if (!this.closed) setTimeout(() => void this.open().catch(() => undefined), 2000).unref();
    });
    await client.connect();
    await client.query('listen tufa_news');
    this.client = client;
  }

  subscribe(firmId: string, listener: Listener): () => void {
    const ofFirm = this.listeners.get(firmId) ?? new Set<Listener>();
    this.listeners.set(firmId, ofFirm.add(listener));
    return () => ofFirm.delete(listener);
  }

  async close(): Promise<void> {
    this.closed = true;
    await this.client?.end();
  }
}
