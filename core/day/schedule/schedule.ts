import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { compiled } from './Compiled';
import { durationAt, type Instance, type Schedule } from './Instance';
import { Search } from './Search';

/** How many orders are tried: less of a long day, because each takes longer. */
const TRIES = { work: 40_000, least: 600, most: 8000 } as const;
/** Of several windows each may be meant: so many ways of choosing are looked into. */
const CHOICES_MOST = 8;
/** Of the tries so many look into each way of choosing, the rest go to the best of them. */
const LOOK = 0.35;

/** How far a search has come. */
export interface Progress {
  readonly tried: number;
  readonly of: number;
  readonly finish_s: number | null;
}

/** Numbers from 0 to 1, the same for the same seed on every engine. */
function drawn(seed: number): () => number {
  const generator = xoroshiro128plus(seed);
  return () => (generator.next() >>> 0) / 4294967296;
}

/** The day with each operation in one of its windows, the soonest ones first: what must be done before a gap is then hurried on. */
function choices(instance: Instance): Instance[] {
  const several = instance.operations.filter(({ windows }) => windows && windows.length > 1);
  let picks: Record<string, number>[] = [{}];
  const sum = (pick: Record<string, number>): number => Object.values(pick).reduce((all, i) => all + i, 0);
  // The soonest of each number of operations are among the soonest of one more: no more than these are ever looked at.
  for (const { id, windows } of several)
    picks = picks
      .flatMap((pick) => windows!.map((_, i) => ({ ...pick, [id]: i })))
      .sort((a, b) => sum(a) - sum(b))
      .slice(0, CHOICES_MOST);
  return picks.map((pick) => ({
    ...instance,
    operations: instance.operations.map((operation) =>
      operation.id in pick ? { ...operation, windows: [operation.windows![pick[operation.id]!]!] } : operation,
    ),
  }));
}

/**
 * Puts a day in order: serial generation by several rules, then a local search over the order in which operations are
 * placed. Bounded by seeded tries, never by time, so that every machine gives the same day.
 *
 * @param seed an integer; the same seed, the same day
 * @param work how much is tried, 1 for the ordinary; 0 for the rules alone
 * @param onProgress now and then; false ends the search with the best so far
 * @returns starts by operation and the finish, or the clash and no starts
 * @throws Problem `unknownOperation`, `operationTwice`
 */
export function schedule(
  instance: Instance,
  {
    seed = 1,
    work = 1,
    onProgress,
  }: { readonly seed?: number; readonly work?: number; readonly onProgress?: (progress: Progress) => boolean | undefined } = {},
): Schedule {
  const whole = compiled(instance);
  if (whole.clash) return { starts_s: {}, finish_s: null, clash: whole.clash };
  const { count, ids } = whole.ready;
  if (count === 0) return { starts_s: {}, finish_s: 0, clash: null };
  const random = drawn(seed);
  const narrow = choices(instance).flatMap((choice) => {
    const made = compiled(choice);
    return made.clash ? [] : [made.ready];
  });
  const searches = (narrow.length > 1 ? [...narrow, whole.ready] : [whole.ready]).map((ready) => new Search(ready, random));
  const bound_s = Math.min(...searches.map((search) => search.bound_s));
  const tries = work === 0 ? 0 : Math.round(work * Math.min(TRIES.most, Math.max(TRIES.least, TRIES.work / Math.sqrt(count))));
  const looks = searches.length > 1 ? Math.round(tries * LOOK) : 0;
  let best = searches[0]!;
  const choose = (): void => void (best = searches.reduce((least, search) => (search.best_s < least.best_s ? search : least)));
  choose();
  for (let tried = 0; tried < tries && best.best_s > bound_s + 1e-9; tried += 1) {
    if (onProgress && tried % 64 === 0 && onProgress({ tried, of: tries, finish_s: best.best ? best.best_s : null }) === false) break;
    const search = tried < looks ? searches[tried % searches.length]! : best;
    // What cannot end before the best of another is not looked into further.
    if (search.bound_s < best.best_s - 1e-9) search.step(1 - tried / tries);
    if (tried < looks || tried % 256 === 0) choose();
  }
  choose();
  const starts = best.best;
  if (!starts) return { starts_s: {}, finish_s: null, clash: { operations: [...ids], why: 'resources' } };
  const starts_s = Object.fromEntries(ids.map((id, i) => [id, Math.max(0, starts[i]!)]));
  const finish_s = Math.max(...instance.operations.map((operation) => starts_s[operation.id]! + durationAt(operation, starts_s[operation.id]!)));
  return { starts_s, finish_s, clash: null };
}
