import type { Compiled } from './Compiled';
import { Serial } from './serial';

/** After so many tries without a shorter day the search goes back to the best, or begins somewhere else. */
const PATIENCE = 100;
/** So much longer a day is gone on from at first, relative. */
const WORSE = 0.03;
/** How often the search begins somewhere else, at first. */
const FRESH = 0.6;
/** Operations that hang together by greatest lags of up to so much, s. */
const TOGETHER_S = [900, 3600, 14_400];

/** Groups that are moved together: for each reach of a greatest lag what hangs together by it. */
function groupsOf({ count, out }: Compiled): number[][] {
  const groups = TOGETHER_S.flatMap((reach_s) => {
    const of = Array.from({ length: count }, (_, i) => i);
    const rootOf = (i: number): number => (of[i] === i ? i : rootOf(of[i]!));
    for (const arcs of out) for (const { from, to, most_s } of arcs) if (most_s <= reach_s) of[rootOf(from)] = rootOf(to);
    const byRoot = new Map<number, number[]>();
    for (let i = 0; i < count; i += 1) byRoot.set(rootOf(i), [...(byRoot.get(rootOf(i)) ?? []), i]);
    return [...byRoot.values()].filter((group) => group.length > 1);
  });
  return groups.length > 0 ? groups : [Array.from({ length: count }, (_, i) => i)];
}

/** Rules by which serial generation begins: the longest way to the end first, the least room, the soonest, by how much they take. */
function rulesOf({ count, tails, earliest, latest, needs, capacities, durations }: Compiled): number[][] {
  const take = needs.map((of, i) => of.reduce((sum, [resource, amount]) => sum + (amount / capacities[resource]!) * durations[i]![0]!, 0));
  const of = (weigh: (i: number) => number): number[] => Array.from({ length: count }, (_, i) => weigh(i));
  return [
    of((i) => -tails[i]!),
    of((i) => latest[i]!),
    of((i) => latest[i]! - earliest[i]!),
    of((i) => earliest[i]!),
    of((i) => -tails[i]! - take[i]!),
    of((i) => -take[i]!),
  ];
}

/** No day is shorter than its longest way, nor than the work of any of its resources. */
function boundOf({ capacities, needs, durations, tails, earliest }: Compiled): number {
  const shortest = durations.map((all) => all.reduce((least, value) => Math.min(least, value), Infinity));
  const work = capacities.map((capacity, resource) =>
    needs.reduce((sum, of, i) => sum + of.reduce((all, [each, amount]) => all + (each === resource ? amount * shortest[i]! : 0), 0) / capacity, 0),
  );
  return Math.max(...tails.map((tail, i) => earliest[i]! + tail), ...work);
}

/** A local search over the order in which the operations of one day are placed, and over what waits on purpose. */
export class Search {
  best_s = Infinity;
  best: Float64Array | null = null;
  readonly bound_s: number;
  private order: Float64Array;
  private waits: Float64Array;
  private current: Float64Array;
  private currentWaits: Float64Array;
  private current_s = Infinity;
  private idle = 0;
  private readonly serial: Serial;
  private readonly groups: readonly (readonly number[])[];
  private readonly weighed: Float64Array;
  private readonly waited: Float64Array;

  constructor(
    readonly ready: Compiled,
    private readonly random: () => number,
  ) {
    const { count } = ready;
    this.serial = new Serial(ready);
    this.groups = groupsOf(ready);
    this.bound_s = boundOf(ready);
    [this.order, this.waits, this.current, this.currentWaits] = Array.from({ length: 4 }, () => new Float64Array(count)) as [
      Float64Array,
      Float64Array,
      Float64Array,
      Float64Array,
    ];
    [this.weighed, this.waited] = [new Float64Array(count), new Float64Array(count)];
    for (const rule of rulesOf(ready)) this.attempt(rule, this.waited, Infinity);
    this.back();
  }

  get done(): boolean {
    return this.best_s <= this.bound_s + 1e-9;
  }

  /** Begins with a day that another search has found. */
  from(starts: Float64Array): void {
    this.attempt(starts, this.waited.fill(0), Infinity);
    this.back();
  }

  private attempt(weights: ArrayLike<number>, waits: Float64Array, than_s: number): number {
    const starts = this.serial.run(weights, waits, than_s);
    if (!starts) return Infinity;
    const finish_s = this.serial.finish();
    if (finish_s < this.best_s - 1e-9) {
      this.best_s = finish_s;
      this.best = Float64Array.from(starts);
      // The order in which they lie is an order that makes this day, or a shorter one.
      this.order = this.best;
      this.waits = Float64Array.from(waits);
    }
    return finish_s;
  }

  private back(): void {
    this.current = Float64Array.from(this.order);
    this.currentWaits = Float64Array.from(this.waits);
    this.current_s = this.best_s;
  }

  /** A neighbour of the current order: a group or a few operations moved, all of them shaken, one that waits or no longer does. */
  private move(): void {
    const { ready, random, weighed, waited } = this;
    const { count, step_s } = ready;
    const spread_s = Math.max(step_s, this.bound_s / 4) * (random() < 0.5 ? 1 : 0.25);
    weighed.set(this.current);
    waited.set(this.currentWaits);
    const kind = random();
    const by = (): number => (random() - 0.5) * 2 * spread_s;
    if (this.best && kind < 0.45) {
      const group = this.groups[Math.floor(random() * this.groups.length)]!;
      const shift = by();
      for (const i of group) weighed[i] = weighed[i]! + shift;
    } else {
      const moves = !this.best || kind > 0.96 ? count : 1 + Math.floor(random() * 3);
      for (let move = 0; move < moves; move += 1) {
        const i = Math.floor(random() * count);
        weighed[i] = weighed[i]! + by();
      }
    }
    if (random() >= 0.35) return;
    const i = Math.floor(random() * count);
    waited[i] = random() < 0.5 ? 0 : Math.ceil((this.order[i]! + (random() - 0.3) * spread_s) / step_s) * step_s;
  }

  /** @param left how much of the whole search is still to come, 1 to 0: it grows strict */
  step(left: number): void {
    const { random } = this;
    this.move();
    const slack_s = this.best ? WORSE * this.best_s * left : 0;
    const finish_s = this.attempt(this.weighed, this.waited, this.best ? this.current_s + slack_s + this.ready.step_s : Infinity);
    if (finish_s <= this.current_s + slack_s * random() + 1e-9) {
      this.current.set(this.weighed);
      this.currentWaits.set(this.waited);
      this.idle = finish_s < this.current_s - 1e-9 ? 0 : this.idle + 1;
      this.current_s = finish_s;
    } else this.idle += 1;
    if (this.idle <= PATIENCE) return;
    this.idle = 0;
    this.back();
    if (random() >= FRESH * left) return;
    // Somewhere else altogether.
    this.current = this.order.map((weight) => weight + (random() - 0.5) * 1.5 * this.bound_s);
    this.currentWaits.fill(0);
    this.current_s = Infinity;
  }
}
