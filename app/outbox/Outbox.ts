import type { Command, CommandResult } from '@tufa/contract/commands';
import { v7 as uuid } from 'uuid';
import { database, type OutboxRecord, type OutboxState } from './database';

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
      const held = (await db.get('meta', 'device')) as string | undefined;
      this.device = held ?? uuid();
      if (!held) await db.put('meta', this.device, 'device');
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

  /** Commands made together are kept together: all of them are on the disk, or none. */
  async write(person: string, drafts: readonly Draft[], madeAt: Date): Promise<Command[]> {
    const db = await database();
    const tx = db.transaction(['outbox', 'meta'], 'readwrite', { durability: 'strict' });
    const seqs = tx.objectStore('meta');
    let seq = ((await seqs.get('seq')) as number | undefined) ?? 0;
    const commands: Command[] = [];
    for (const draft of drafts) {
      seq += 1;
      const change = draft.kind === 'pourEvent.add' ? { ...draft.change, device: this.device, seq } : draft.change;
      const command = { id: uuid(), v: 1, device: this.device, seq, person, madeAt: madeAt.toISOString(), ...draft, change } as Command;
      commands.push(command);
      await tx.objectStore('outbox').put({ order: seq, command, state: 'waiting' });
    }
    await seqs.put(seq, 'seq');
    await tx.done;
    await this.reload();
    this.channel?.postMessage('changed');
    return commands;
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
    this.records = await db.getAll('outbox');
    this.tell();
  }

  private tell(): void {
    for (const listener of this.listeners) listener();
  }
}

export const outbox = new Outbox();
