import { Problem } from '../../quantity';
import { durationAt, type Clash, type Instance } from './Instance';

/** A lag by the places of its operations. */
export interface Arc {
  readonly from: number;
  readonly to: number;
  readonly least_s: number;
  readonly most_s: number;
}

/** An instance with everything by its place, ready to be scheduled many times. */
export interface Compiled {
  readonly count: number;
  readonly step_s: number;
  readonly slots: number;
  readonly horizon_s: number;
  readonly ids: readonly string[];
  readonly capacities: readonly number[];
  /** of each operation: which resource, how much */
  readonly needs: readonly (readonly (readonly [resource: number, amount: number])[])[];
  readonly into: readonly (readonly Arc[])[];
  readonly out: readonly (readonly Arc[])[];
  /** how long it takes when it begins in a slot, s */
  readonly durations: readonly Float64Array[];
  /** where its windows let it begin, a slot each: 1 where they do */
  readonly allowed: readonly (Uint8Array | null)[];
  /** no sooner and no later than this, s */
  readonly earliest: readonly number[];
  readonly latest: readonly number[];
  /** from its start to the end of all that must follow it, s: at least */
  readonly tails: readonly number[];
}

/**
 * An instance made ready: earliest and latest starts by its lags, fixed operations and windows.
 *
 * @throws Problem `unknownOperation` for a lag of what is not there, `operationTwice` for an id that is there twice
 * @returns the clash where it cannot be, else what is scheduled
 */
export function compiled(instance: Instance): { readonly clash: Clash } | { readonly clash: null; readonly ready: Compiled } {
  const { operations, lags, step_s, horizon_s, resources } = instance;
  const ids = operations.map(({ id }) => id);
  const at = new Map(ids.map((id, i) => [id, i]));
  if (at.size !== ids.length) throw new Problem('operationTwice', { id: ids.find((id, i) => ids.indexOf(id) !== i)! });
  const place = (id: string): number => {
    const found = at.get(id);
    if (found === undefined) throw new Problem('unknownOperation', { id });
    return found;
  };
  const arcs = lags.map(({ from, to, least_s, most_s }): Arc => ({ from: place(from), to: place(to), least_s, most_s: most_s ?? Infinity }));
  const names = Object.keys(resources);
  const capacities = names.map((name) => resources[name]!);
  const greedy = operations.find(({ needs }) => Object.entries(needs).some(([name, amount]) => amount > (resources[name] ?? 0)));
  if (greedy) return { clash: { operations: [greedy.id], why: 'needs' } };
  const count = operations.length;
  const slots = Math.floor(horizon_s / step_s) + 1;
  const durations = operations.map((operation) => Float64Array.from({ length: slots }, (_, slot) => durationAt(operation, slot * step_s)));
  const shortest = durations.map((all) => all.reduce((least, value) => Math.min(least, value), Infinity));
  const allowed = operations.map(({ windows, fixed_s }, i) => {
    if (!windows && fixed_s === undefined) return null;
    return Uint8Array.from({ length: slots }, (_, slot) => {
      const [from, to] = [slot * step_s, slot * step_s + durations[i]![slot]!];
      const inWindow = !windows || windows.some(([least, most]) => from >= least && to <= most);
      return inWindow && to <= horizon_s && (fixed_s === undefined || from === fixed_s) ? 1 : 0;
    });
  });
  const shut = allowed.findIndex((open) => open !== null && !open.includes(1));
  if (shut >= 0) return { clash: { operations: [ids[shut]!], why: 'windows' } };
  const firstOf = (i: number): number => (allowed[i] ? allowed[i]!.indexOf(1) * step_s : 0);
  const lastOf = (i: number): number => (allowed[i] ? allowed[i]!.lastIndexOf(1) * step_s : horizon_s - shortest[i]!);
  const earliest = operations.map((_, i) => firstOf(i));
  const latest = operations.map((_, i) => lastOf(i));
  const up = (value: number): number => Math.ceil(value / step_s - 1e-9) * step_s;
  const down = (value: number): number => Math.floor(value / step_s + 1e-9) * step_s;
  // Earliest and latest starts by the lags: of a ring that never settles the operations clash.
  const longest = durations.map((all) => all.reduce((most, value) => Math.max(most, value), 0));
  for (let round = 0; ; round += 1) {
    const moved = new Set<number>();
    const raise = (i: number, to: number): void => {
      const value = up(to);
      if (value > earliest[i]! + 1e-9) {
        earliest[i] = value;
        moved.add(i);
      }
    };
    const lower = (i: number, to: number): void => {
      const value = down(to);
      if (value < latest[i]! - 1e-9) {
        latest[i] = value;
        moved.add(i);
      }
    };
    for (const { from, to, least_s, most_s } of arcs) {
      raise(to, earliest[from]! + shortest[from]! + least_s);
      lower(from, latest[to]! - shortest[from]! - least_s);
      if (most_s < Infinity) {
        raise(from, earliest[to]! - longest[from]! - most_s);
        lower(to, latest[from]! + longest[from]! + most_s);
      }
    }
    const clashing = earliest.flatMap((value, i) => (value > latest[i]! + 1e-9 ? [ids[i]!] : []));
    if (clashing.length > 0) return { clash: { operations: clashing, why: arcs.some(({ most_s }) => most_s < Infinity) ? 'lags' : 'horizon' } };
    if (moved.size === 0) break;
    // Bounds only ever tighten, a step at least each round: more rounds than steps and places is a ring.
    if (round > slots + count) return { clash: { operations: [...moved].map((i) => ids[i]!), why: 'lags' } };
  }
  const into = ids.map((_, i) => arcs.filter(({ to }) => to === i));
  const out = ids.map((_, i) => arcs.filter(({ from }) => from === i));
  const tails = tailsOf({ shortest, out });
  return {
    clash: null,
    ready: {
      count,
      step_s,
      slots,
      horizon_s,
      ids,
      capacities,
      needs: operations.map(({ needs }) => Object.entries(needs).flatMap(([name, amount]) => (amount > 0 ? [[names.indexOf(name), amount] as const] : []))),
      into,
      out,
      durations,
      allowed,
      earliest,
      latest,
      tails,
    },
  };
}

/** From the start of each to the end of all that must follow it. */
function tailsOf({ shortest, out }: { readonly shortest: readonly number[]; readonly out: readonly (readonly Arc[])[] }): number[] {
  const tails = [...shortest];
  for (let changed = true, round = 0; changed && round <= shortest.length; round += 1) {
    changed = false;
    for (let i = 0; i < tails.length; i += 1)
      for (const { to, least_s } of out[i]!) {
        const through = shortest[i]! + least_s + tails[to]!;
        if (through > tails[i]! + 1e-9) {
          tails[i] = through;
          changed = true;
        }
      }
  }
  return tails;
}
