import type { Command, CommandResult } from '@tufa/contract/commands';
import { keepable } from '@tufa/contract/keepable';
import { v7 as uuid } from 'uuid';
import { isAboutContent } from './api';
import { storage } from '../parts/phone/storage';
import { withOutbox, type OutboxRecord, type OutboxState } from './database';

/** What a change is before the outbox gives it its id, its number and its time. */
export interface Draft extends Pick<Command, 'kind' | 'target' | 'base' | 'change'> {
  /** the job whose row it is of; null for one of the firm's */
  readonly jobId?: string | null;
}

type Send = (commands: readonly Command[]) => Promise<readonly CommandResult[]>;

/** A request holds at most so many commands and, where it is more than one, so many bytes: half of what the server reads, with room for what stands between. */
const MOST = { commands: 100, bytes: 1_000_000 } as const;

/** Why what waits is not with the firm: no signal or no answer, too often, another's answer, a fault there, nobody signed in. */
export type Waiting = 'noAnswer' | 'tooOften' | 'notOurs' | 'theirFault' | 'signedOut';

/**
 * Writes wait here until the firm has them. What a record changes shows as soon as it has its place, and it is told as
 * saved once it is on the disk; what could not be kept is taken back. Records leave in order, by one tab at a time, and
 * stay visible until what they changed has come back.
 */
export class Outbox {
  private records: readonly OutboxRecord[] = [];
  private readonly listeners = new Set<() => void>();
  private readonly channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('tufa-outbox');
  private device = '';
  private why: Waiting | null = null;

  async open(): Promise<void> {
    try {
      this.device = await withOutbox(async (db) => {
        const tx = db.transaction('meta', 'readwrite');
        const known = (await tx.store.get('device')) as string | undefined;
        const device = known ?? uuid();
        if (!known) await tx.store.put(device, 'device');
        await tx.done;
        return device;
      });
      void navigator.storage?.persist?.().catch(() => false);
      await this.reload();
    } catch {
      this.device ||= uuid();
      this.tell();
    }
    this.channel?.addEventListener('message', () => void this.reload());
  }

  deviceId(): string {
    return this.device;
  }

  /** Takes the id by which the firm knows this phone from now on; what waits is sent under it. */
  async adopt(device: string): Promise<void> {
    if (device === this.device) return;
    this.device = device;
    await withOutbox((db) => db.put('meta', device, 'device'));
    await this.reload();
    this.channel?.postMessage('changed');
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  snapshot = (): readonly OutboxRecord[] => this.records;

  /** Why the last try ended without the firm having taken what waits; null while nothing stands in its way. */
  waitingFor = (): Waiting | null => this.why;

  /**
   * Commands made together are kept together: all of them are on the disk, or none. Every request is issued at once and
   * the transaction committed in the same breath, so that a page killed just after a tap has lost nothing.
   *
   * @param instead records that these take the place of: gone in the same breath, so that what they hold is never nowhere
   */
  async write(person: string, drafts: readonly Draft[], madeAt: Date, instead: readonly number[] = []): Promise<void> {
    const records = drafts.map(({ jobId = null, ...draft }) => ({
      command: { id: uuid(), v: 1 as const, device: this.device, seq: 0, person, madeAt: madeAt.toISOString(), ...keepable(draft) },
      state: 'waiting' as const,
      jobId,
    }));
    const replaced = this.records.filter(({ order }) => instead.includes(order));
    let shown: readonly OutboxRecord[] = replaced;
    const show = (next: readonly OutboxRecord[]): void => {
      const gone = new Set(shown.map(({ order }) => order));
      this.records = [...this.records.filter(({ order }) => !gone.has(order)), ...next].sort((a, b) => a.order - b.order);
      shown = next;
      this.tell();
    };
    try {
      await withOutbox(async (db) => {
        const tx = db.transaction('outbox', 'readwrite', { durability: 'strict' });
        const orders = Promise.all(records.map((record) => tx.store.add(record)));
        const gone = instead.map((order) => tx.store.delete(order));
        tx.commit();
        // The figures need not wait for the disk; whether it is saved does.
        orders.then(
          (given) => show(records.map((record, i) => counted({ ...record, state: 'keeping', order: given[i]! }, this.device))),
          () => undefined,
        );
        await Promise.all([orders, ...gone, tx.done]);
      });
    } catch (error) {
      show(replaced);
      // Whoever typed it still has it before them, and is told.
      if (!storage.problem()) storage.note('notKept');
      throw error;
    }
    if (storage.problem() === 'notKept') storage.note(null);
    show(shown.map((record) => ({ ...record, state: 'waiting' })));
    this.channel?.postMessage('changed');
  }

  /**
   * Sends what waits, in order, in requests that are cut by number and by bytes. One tab drains; the others see it through
   * the channel.
   *
   * @param send posts commands and gives back their results; it throws when there is no signal
   * @param pull fetches what changed, after which what was sent can leave
   * @throws whatever `send` or `pull` threw, where it is to be tried again; what was answered before stays settled
   */
  async drain(send: Send, pull: () => Promise<unknown>): Promise<void> {
    await navigator.locks.request('tufa-outbox', { ifAvailable: true }, async (lock) => {
      if (!lock) return;
      for (;;) {
        await this.reload();
        const waiting = cut(this.records.filter(({ state }) => state === 'waiting'));
        await this.offer(waiting, send);
        const sent = this.records.filter(({ state }) => state === 'sent');
        if (sent.length > 0) {
          await pull();
          await this.forget(sent.map(({ order }) => order));
        }
        if (waiting.length === 0) return;
      }
    });
  }

  /** Offers records to the firm. What it refuses whole is halved until the one command is found, which is kept with its reason while the rest go on. */
  private async offer(records: readonly OutboxRecord[], send: Send): Promise<void> {
    const [first] = records;
    if (!first) return;
    try {
      const results = await send(records.map(({ command }) => command));
      for (const [i, record] of records.entries()) await this.settle(record, results[i]!);
    } catch (error) {
      if (!isAboutContent(error)) throw error;
      if (records.length === 1) return this.settle(first, { id: first.command.id, result: 'refused', problem: error.details });
      const middle = records.length >> 1;
      await this.offer(records.slice(0, middle), send);
      await this.offer(records.slice(middle), send);
    }
  }

  /** Notes why the last try ended, for whoever asks why something waits. */
  note(why: Waiting | null): void {
    if (why === this.why) return;
    this.why = why;
    this.tell();
  }

  /** Offers once more what the firm has refused: what stood in its way may be gone. */
  async again(order: number): Promise<void> {
    await this.amend(order, ({ result: _result, ...record }) => ({ ...record, state: 'waiting' }));
    await this.reload();
    this.channel?.postMessage('changed');
  }

  private async settle(record: OutboxRecord, result: CommandResult): Promise<void> {
    const state: OutboxState = result.result === 'done' ? 'sent' : result.result === 'conflict' ? 'parked' : 'refused';
    await this.amend(record.order, (kept) => ({ ...kept, state, result }));
    await this.reload();
    this.channel?.postMessage('changed');
  }

  /** Notes of which job a record of an earlier release is. */
  async isOf(order: number, jobId: string | null): Promise<void> {
    await this.amend(order, (record) => ({ ...record, jobId }));
    await this.reload();
  }

  private amend(order: number, how: (record: OutboxRecord) => OutboxRecord): Promise<void> {
    return withOutbox(async (db) => {
      const tx = db.transaction('outbox', 'readwrite');
      const record = (await tx.store.get(order)) as OutboxRecord | undefined;
      if (record) await tx.store.put(how(record));
      await tx.done;
    });
  }

  async forget(orders: readonly number[]): Promise<void> {
    await withOutbox(async (db) => {
      const tx = db.transaction('outbox', 'readwrite');
      await Promise.all([...orders.map((order) => tx.store.delete(order)), tx.done]);
    });
    await this.reload();
    this.channel?.postMessage('changed');
  }

  private async reload(): Promise<void> {
    const [records, device] = await withOutbox((db) => {
      const tx = db.transaction(['outbox', 'meta']);
      return Promise.all([tx.objectStore('outbox').getAll(), tx.objectStore('meta').get('device')]);
    });
    if (typeof device === 'string') this.device = device;
    this.records = (records as OutboxRecord[]).map((record) => counted(record, this.device));
    this.tell();
  }

  private tell(): void {
    for (const listener of this.listeners) listener();
  }
}

/** As many of the first as one request holds; the first alone however large it is. */
function cut(records: readonly OutboxRecord[]): readonly OutboxRecord[] {
  let bytes = 0;
  const most = records.slice(0, MOST.commands);
  const end = most.findIndex(({ command }, i) => (bytes += new Blob([JSON.stringify(command)]).size) > MOST.bytes && i > 0);
  return end === -1 ? most : most.slice(0, end);
}

/** A record under the phone's present id with its place as that device's count, in its command and in a pour event that carries both. */
function counted(record: OutboxRecord, device: string): OutboxRecord {
  const { order, command } = record;
  const change = command.kind === 'pourEvent.add' ? { ...command.change, device, seq: order } : command.change;
  return { ...record, command: { ...command, device, seq: order, change } };
}

/** This phone's outbox. */
export const outbox = new Outbox();
