import type { Command, CommandResult } from '@tufa/contract/commands';
import type { DBSchema } from 'idb';
import { keptDatabase } from '../parts/phone/storage';

/** What has become of a command on this phone: being put on the disk, waiting, sent and about to be seen, or back on its screen. */
export type OutboxState = 'keeping' | 'waiting' | 'sent' | 'parked' | 'refused';

/** A command as it is kept. Its place in the outbox is its device's own count, given by the database as it is added. */
export interface OutboxRecord {
  readonly order: number;
  readonly command: Command;
  readonly state: OutboxState;
  readonly result?: CommandResult;
  /** the job whose row it is of; null for one of the firm's */
  readonly jobId?: string | null;
}

type NewRecord = Omit<OutboxRecord, 'order'>;

/** A picture as it waits on this phone: both sizes until the firm has them, the small one afterwards too. */
interface KeptPhoto {
  readonly id: string;
  readonly full: Blob | null;
  readonly thumb: Blob;
  readonly sent: boolean;
}

/** A letter as it waits on this phone; with what the firm said of it where it refuses it. */
interface KeptLetter {
  readonly id: string;
  readonly pdf: Blob;
  readonly refused?: string;
}

interface OutboxSchema extends DBSchema {
  letter: { key: string; value: KeptLetter };
  photo: { key: string; value: KeptPhoto };
  outbox: { key: number; value: OutboxRecord | NewRecord };
  meta: { key: string; value: unknown };
}

const kept = keptDatabase<OutboxSchema>('tufa-outbox', 3, (db, before) => {
  if (before < 1) {
    db.createObjectStore('outbox', { keyPath: 'order', autoIncrement: true });
    db.createObjectStore('meta');
  }
  if (before < 2) db.createObjectStore('photo', { keyPath: 'id' });
  if (before < 3) db.createObjectStore('letter', { keyPath: 'id' });
});

/** Work on the outbox's own database: one record a command, never touched by what is read. */
export const withOutbox = kept.use;
