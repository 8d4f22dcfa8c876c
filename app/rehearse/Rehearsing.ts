import { applyCommand } from '@tufa/contract/applyCommand';
import type { Command } from '@tufa/contract/commands';
import type { FirmData } from '@tufa/contract/entities';
import { advance, beginRehearsal, type RehearsalSetup, type RehearsalState, type RehearsalTaps } from '@tufa/core/plan';
import type { Change } from '../outbox/useFirm';
import { now } from '../parts/phone/clock';

/** A rehearsal as its screens see it. */
export interface Played {
  readonly data: FirmData;
  readonly state: RehearsalState;
  /** ms by its own clock */
  readonly at_ms: number;
  readonly speed: number;
  readonly paused: boolean;
}

/** The device that a rehearsal's taps are of. */
const DEVICE = 'practice';

/**
 * A rehearsal in this phone's memory: its rows, its clock and what really happens. What its screens write is laid over the
 * rows here and goes nowhere else.
 */
export class Rehearsing {
  private played: Played;
  private seq = 0;
  /** by the phone's clock, when its own was last read */
  private read_ms = now();
  private readonly hears = new Set<() => void>();
  private taps: RehearsalTaps = { started: [], left: [], broke: [] };

  constructor(
    data: FirmData,
    private readonly setup: RehearsalSetup,
    readonly begins_ms: number,
  ) {
    this.played = { data, state: beginRehearsal(setup), at_ms: begins_ms, speed: 1, paused: false };
  }

  readonly subscribe = (hear: () => void): (() => void) => {
    this.hears.add(hear);
    return () => void this.hears.delete(hear);
  };

  readonly snapshot = (): Played => this.played;

  /** The time by its own clock, ms since 1970. */
  readonly now = (): number => {
    const { at_ms, speed, paused } = this.played;
    return paused ? at_ms : at_ms + (now() - this.read_ms) * speed;
  };

  /** Lays changes over its rows. */
  readonly write = async (...changes: readonly Change[]): Promise<void> => {
    let { data } = this.played;
    for (const { name, verb, target, change } of changes) {
      const tapped = name === 'pourEvent' ? { device: DEVICE, seq: (this.seq += 1) } : {};
      data = applyCommand(data, { kind: `${name}.${verb}`, target, change: { ...change, ...tapped } } as unknown as Command);
    }
    this.show({ data });
  };

  /** Tells what the crew has done so far. */
  readonly tell = (taps: RehearsalTaps): void => void (this.taps = taps);

  /** Goes on to now. */
  readonly tick = (): void => {
    const at_ms = this.now();
    this.read_ms = now();
    this.show({ at_ms, state: advance(this.setup, this.played.state, this.taps, (at_ms - this.begins_ms) / 1000) });
  };

  readonly run = (speed: number): void => {
    this.tick();
    this.show({ speed, paused: false });
  };

  readonly pause = (paused: boolean): void => {
    this.tick();
    this.show({ paused });
  };

  /** Goes on at once to a later moment. @param to_ms by its own clock */
  readonly skip = (to_ms: number): void => {
    this.tick();
    if (to_ms > this.played.at_ms) this.show({ at_ms: to_ms });
    this.tick();
  };

  private show(change: Partial<Played>): void {
    this.played = { ...this.played, ...change };
    for (const hear of this.hears) hear();
  }
}
