import type { Command, CommandResult } from '@tufa/contract/commands';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** What has become of a command on this phone: waiting, sent and about to be seen, or back on its screen. */
export type OutboxState = 'waiting' | 'sent' | 'parked' | 'refused';

/** A command as it is kept. Its place in the outbox is its device's own count, given by the database as it is added. */
export interface OutboxRecord {
  readonly order: number;
  readonly command: Command;
  readonly state: OutboxState;
  readonly result?: CommandResult;
}

export type NewRecord = Omit<OutboxRecord, 'order'>;

interface OutboxSchema extends DBSchema {
  outbox: { key: number; value: OutboxRecord | NewRecord };
  meta: { key: string; value: unknown };
}

let opened: Promise<IDBPDatabase<OutboxSchema>> | null = null;

/** The outbox's own database: one record a command, never touched by the query cache. */
export function database(): Promise<IDBPDatabase<OutboxSchema>> {
  opened ??= openDB<OutboxSchema>('tufa-outbox', 1, {
    upgrade(db) {
      db.createObjectStore('outbox', { keyPath: 'order', autoIncrement: true });
      db.createObjectStore('meta');
    },
  });
  return opened;
}
