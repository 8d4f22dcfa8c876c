import type { Compiled } from './Compiled';

/** A greatest lag that cannot be kept takes operations out again: so often for each operation, then the order is given up. */
const RETRIES_EACH = 24;

/** Room that serial generation writes in: made once, used for every order. */
export class Serial {
  private readonly starts: Float64Array;
  /** of what is placed, when it ends, s */
  private readonly ends: Float64Array;
  private readonly release: Float64Array;
  /** how many before it are not placed yet */
  private readonly pending: Int32Array;
  private readonly order: Int32Array;
  private readonly used: Int32Array[];

  constructor(private readonly ready: Compiled) {
    const { count } = ready;
    this.starts = new Float64Array(count);
    this.ends = new Float64Array(count);
    this.release = new Float64Array(count);
    this.pending = new Int32Array(count);
    this.order = Int32Array.from({ length: count }, (_, i) => i);
    this.used = ready.capacities.map(() => new Int32Array(ready.slots + 1));
  }

  private occupy(i: number, by: 1 | -1): void {
    const { step_s, needs } = this.ready;
    const from = Math.round(this.starts[i]! / step_s);
    const to = Math.ceil(this.ends[i]! / step_s - 1e-9);
    for (const [resource, amount] of needs[i]!) {
      const used = this.used[resource]!;
      for (let slot = from; slot < to; slot += 1) used[slot]! += by * amount;
    }
  }

  /** The first slot from a moment on in which an operation may begin and everything it needs is free; -1 where there is none. */
  private firstFree(i: number, from_s: number, until_s: number): number {
    const { step_s, horizon_s, allowed, needs, capacities, durations } = this.ready;
    const open = allowed[i]!;
    const takes = durations[i]!;
    const last = Math.floor(until_s / step_s + 1e-9);
    for (let slot = Math.ceil(from_s / step_s - 1e-9); slot <= last; slot += 1) {
      if (open && open[slot] !== 1) continue;
      const end_s = slot * step_s + takes[slot]!;
      if (end_s > horizon_s + 1e-9) continue;
      const to = Math.ceil(end_s / step_s - 1e-9);
      let busy = -1;
      for (const [resource, amount] of needs[i]!) {
        const used = this.used[resource]!;
        const most = capacities[resource]! - amount;
        for (let at = to - 1; at >= slot && at > busy; at -= 1) if (used[at]! > most) busy = at;
      }
      if (busy < 0) return slot;
      slot = busy;
    }
    return -1;
  }

  private place(i: number, start_s: number): void {
    const { durations, out, step_s } = this.ready;
    this.starts[i] = start_s;
    this.ends[i] = start_s + durations[i]![Math.round(start_s / step_s)]!;
    this.occupy(i, 1);
    for (const { to } of out[i]!) this.pending[to]! -= 1;
  }

  /** Takes an operation out, and whatever was put in after it. @returns how many */
  private takeOut(i: number): number {
    if (this.starts[i]! < 0) return 0;
    this.occupy(i, -1);
    this.starts[i] = -1;
    let count = 1;
    for (const { to } of this.ready.out[i]!) {
      this.pending[to]! += 1;
      count += this.takeOut(to);
    }
    return count;
  }

  /** What comes next by the order: of what has nothing unplaced before it, or, in a ring of lags, whatever is first. */
  private next(): number {
    const { starts, pending, order } = this;
    let first = -1;
    for (const i of order) {
      if (starts[i]! >= 0) continue;
      if (pending[i] === 0) return i;
      if (first < 0) first = i;
    }
    return first;
  }

  /**
   * Operations one after another, whichever has nothing unplaced before it first by its weight, each as early as its
   * lags, windows and resources allow. One that comes too late for a greatest lag takes out what it is too late for,
   * which is tried again no sooner than would have been in time.
   *
   * @param weights the less, the sooner
   * @param waits no sooner than this, s: waiting on purpose is sometimes shorter
   * @param give_s a finish that is of no use any more: the order is given up when it cannot be beaten
   * @returns starts, s, or nothing where this order ends nowhere
   */
  run(weights: ArrayLike<number>, waits: ArrayLike<number>, give_s: number): Float64Array | null {
    const { count, step_s, into, earliest, latest, tails } = this.ready;
    const { starts, ends, release, pending } = this;
    starts.fill(-1);
    for (let i = 0; i < count; i += 1) {
      release[i] = Math.max(earliest[i]!, waits[i]!);
      pending[i] = into[i]!.length;
    }
    for (const used of this.used) used.fill(0);
    this.order.sort((a, b) => weights[a]! - weights[b]! || a - b);
    let left = count;
    let retries = count * RETRIES_EACH;
    while (left > 0) {
      const next = this.next();
      let from_s = release[next]!;
      let until_s = latest[next]!;
      for (const { from, least_s, most_s } of into[next]!) {
        if (starts[from]! < 0) continue;
        if (ends[from]! + least_s > from_s) from_s = ends[from]! + least_s;
        if (ends[from]! + most_s < until_s) until_s = ends[from]! + most_s;
      }
      const slot = this.firstFree(next, from_s, latest[next]!);
      const start_s = slot * step_s;
      if (slot < 0 || start_s + tails[next]! >= give_s - 1e-9) return null;
      if (start_s <= until_s + 1e-9) {
        this.place(next, start_s);
        left -= 1;
        continue;
      }
      retries -= 1;
      if (retries < 0) return null;
      // Too late for something: that is moved on until it would have been in time.
      for (const { from, most_s } of into[next]!) {
        if (starts[from]! < 0 || ends[from]! + most_s >= start_s - 1e-9) continue;
        const later_s = Math.ceil((start_s - most_s - (ends[from]! - starts[from]!)) / step_s - 1e-9) * step_s;
        release[from] = Math.max(release[from]! + step_s, later_s);
        if (release[from]! > latest[from]! + 1e-9) return null;
        left += this.takeOut(from);
      }
    }
    return starts;
  }

  /** The end of the last of what was placed last, s. */
  finish(): number {
    return this.ends.reduce((most, end_s) => Math.max(most, end_s), 0);
  }
}
