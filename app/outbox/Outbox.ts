import type { Command, CommandResult } from '@tufa/contract/commands';
import { v7 as uuid } from 'uuid';
import { database, type OutboxRecord, type OutboxState } from './database';

/** What a change is before the outbox gives it its id, its number and its time. */
export type Draft = Pick<Command, 'kind' | 'target' | 'base' | 'change'>;

type Send = (commands: readonly Command[]) => Promise<readonly CommandResult[]>;

/**
 * Writes wait here until the firm has them. A record is on the disk before the screen shows it as saved; records leave
 * in order, by one tab at a time, and stay visible until what they changed has come back.
 */
export class Outbox {
  private records: readonly OutboxRecord[] = [];
  private readonly listeners = new Set<() => void>();
  private readonly channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('tufa-outbox');
  private device = '';
  storageRefused = false;

  async open(): Promise<void> {
    try {
      const db = await database();
      const known = (await db.get('meta', 'device')) as string | undefined;
      this.device = known ?? uuid();
      if (!known) await db.put('meta', this.device, 'device');
      void navigator.storage?.persist?.().catch(() => false);
      await this.reload();
    } catch {
      this.storageRefused = true;
      this.device ||= uuid();
      this.tell();
    }
    this.channel?.addEventListener('message', () => void this.reload());
  }

  deviceId(): string {
    return this.device;
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  snapshot = (): readonly OutboxRecord[] => this.records;

  /**
   * Commands made together are kept together: all of them are on the disk, or none. Every request is issued at once and
   * the transaction committed in the same breath, so that a page killed just after a tap has lost nothing.
   */
  async write(person: string, drafts: readonly Draft[], madeAt: Date): Promise<void> {
    const commands = drafts.map((draft): Command => ({ id: uuid(), v: 1, device: this.device, seq: 0, person, madeAt: madeAt.toISOString(), ...draft }));
    const db = await database();
    const tx = db.transaction('outbox', 'readwrite', { durability: 'strict' });
    for (const command of commands) void tx.store.add({ command, state: 'waiting' });
    tx.commit();
    await tx.done;
    await this.reload();
    this.channel?.postMessage('changed');
  }

  /**
   * Sends what waits, a hundred at a time, in order. One tab drains; the others see it through the channel.
   *
   * @param send posts commands and gives back their results; it throws when there is no signal
   * @param pull fetches what changed, after which what was sent can leave
   */
  async drain(send: Send, pull: () => Promise<unknown>): Promise<void> {
    await navigator.locks.request('tufa-outbox', { ifAvailable: true }, async (lock) => {
      if (!lock) return;
      for (;;) {
        await this.reload();
        const waiting = this.records.filter(({ state }) => state === 'waiting').slice(0, 100);
        if (waiting.length > 0) {
          const results = await send(waiting.map(({ command }) => command));
          for (const [i, record] of waiting.entries()) {
            const result = results[i];
            if (result) await this.settle(record, result);
          }
        }
        const sent = this.records.filter(({ state }) => state === 'sent');
        if (sent.length > 0) {
          await pull();
          await this.forget(sent.map(({ order }) => order));
        }
        if (waiting.length === 0) return;
      }
    });
  }

  private async settle(record: OutboxRecord, result: CommandResult): Promise<void> {
    const state: OutboxState = result.result === 'done' ? 'sent' : result.result === 'conflict' ? 'parked' : 'refused';
    const db = await database();
    await db.put('outbox', { ...record, state, result });
    await this.reload();
    this.channel?.postMessage('changed');
  }

  async forget(orders: readonly number[]): Promise<void> {
    const db = await database();
    const tx = db.transaction('outbox', 'readwrite');
    for (const order of orders) await tx.store.delete(order);
    await tx.done;
    await this.reload();
    this.channel?.postMessage('changed');
  }

  private async reload(): Promise<void> {
    const db = await database();
    this.records = ((await db.getAll('outbox')) as OutboxRecord[]).map(counted);
    this.tell();
  }

  private tell(): void {
    for (const listener of this.listeners) listener();
  }
}

/** A record with its place as the device's count, in its command and in a pour event that carries one. */
function counted(record: OutboxRecord): OutboxRecord {
  const { order, command } = record;
  const change = command.kind === 'pourEvent.add' ? { ...command.change, device: command.device, seq: order } : command.change;
  return { ...record, command: { ...command, seq: order, change } };
}

/** This phone's outbox. */
export const outbox = new Outbox();
