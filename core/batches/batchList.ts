import type { Batch, BatchWait, Served } from './Batch';
import type { Dealt, LayerAsk, LayerOf } from './LayerAsk';

/** Amounts less than this share of a batch apart are the same. */
const SLACK = 1e-9;
/** Less of a batch than this is not begun on another layer. */
const CRUMB = 0.05;

/** Served before it is known in how many batches the layer comes. */
type Taken = Omit<Served, 'nth' | 'of'>;
type Draft = Omit<Batch, 'serves'> & { readonly serves: readonly Taken[] };

interface Done {
  /** when it ended in the order of the work, s, and the batch that ended it */
  readonly ended_s: number;
  readonly number: string;
}

function beforeBy(a: readonly number[], b: readonly number[]): number {
  for (let i = 0; i < Math.max(a.length, b.length); i += 1) if ((a[i] ?? 0) !== (b[i] ?? 0)) return (a[i] ?? 0) - (b[i] ?? 0);
  return 0;
}

/** Which layer it is, without what it asks. */
const layerOf = ({ id, findingId, role, lift, lifts, step, panel }: LayerOf): LayerOf => ({
  id,
  findingId,
  role,
  lift,
  lifts,
  step,
  ...(panel ? { panel } : {}),
});

/** How a group is dealt: as small as whoever of it needs the smallest batches. */
const dealtTogether = <M>(group: readonly LayerAsk<M>[], amount: number): { readonly binding: LayerAsk<M>; readonly dealt: Dealt } =>
  group
    .map((binding) => ({ binding, dealt: binding.dealt(amount) }))
    .reduce((least, tried) =>
      tried.dealt.fits < least.dealt.fits || (tried.dealt.fits === least.dealt.fits && tried.dealt.each < least.dealt.each) ? tried : least,
    );

const amountOf = <M>(asks: readonly LayerAsk<M>[]): number => asks.reduce((sum, { amount }) => sum + amount, 0);

/** As many of a group, in their order, as one batch fills whole; at least the first. */
function upToOneBatch<M>(group: readonly LayerAsk<M>[]): readonly LayerAsk<M>[] {
  let count = 1;
  for (; count < group.length; count += 1) {
    const { dealt } = dealtTogether(group.slice(0, count + 1), amountOf(group.slice(0, count + 1)));
    if (dealt.count > 1 || !dealt.fits) break;
  }
  return group.slice(0, count);
}

/** What a batch holds, what counts as nothing, and less than what of another layer is not begun in it. */
interface Room {
  readonly most: number;
  readonly slack: number;
  readonly crumb: number;
}

/**
 * The layers that one batch fills, taken from what is left of each in their order. Less than a crumb of the next is not
 * begun: that batch is so much smaller, as long as the last has room for it.
 */
function takeFrom<M>(group: readonly LayerAsk<M>[], left: Map<string, number>, { most, slack, crumb }: Room): Taken[] {
  const served: Taken[] = [];
  let room = most;
  for (const ask of group) {
    const { id, amount: whole } = ask;
    const waiting = left.get(id) ?? 0;
    if (waiting <= 0 || room <= slack || (served.length > 0 && room < crumb && waiting > room + slack)) continue;
    // What a batch leaves of the last grain belongs to it.
    const taken = waiting <= room + slack ? waiting : room;
    left.set(id, waiting - taken);
    room -= taken;
    const begun = waiting < whole || ask.begun !== undefined;
    const ended = taken === waiting;
    served.push({ ...layerOf(ask), amount: taken, part: begun ? (ended ? 'rest' : 'more') : ended ? 'whole' : 'first' });
  }
  return served;
}

/** What a batch waits for: for each batch before it the longest least and the shortest most. */
function waitsOf<M>(served: readonly Pick<Served, 'id'>[], byId: ReadonlyMap<string, LayerAsk<M>>, done: ReadonlyMap<string, Done>): BatchWait[] {
  const waits = new Map<string, BatchWait>();
  for (const { id } of served)
    for (const { on, least_s, most_s, reason } of byId.get(id)!.waits) {
      const before = done.get(on);
      if (!before) continue;
      const known = waits.get(before.number);
      const longer = !known || least_s > known.least_s;
      const most = [known?.most_s, most_s].filter((value): value is number => value !== null && value !== undefined);
      waits.set(before.number, {
        on: before.number,
        least_s: longer ? least_s : known.least_s,
        most_s: most.length > 0 ? Math.min(...most) : null,
        reason: longer ? reason : known.reason,
      });
    }
  return [...waits.values()];
}

/**
 * The batch list of a job: layers pooled where they are mixed alike and stand ready together, in the order of the work.
 * What is ready goes first; of several what comes first by its own order. Every layer is served once and whole.
 *
 * @param asks their waits name each other; a wait on a layer that is not among them is none
 * @returns numbered from 1, or from after what is in place, each after everything that it waits for
 */
export function batchList<M>(asks: readonly LayerAsk<M>[]): (Batch & M)[] {
  const byId = new Map(asks.map((ask) => [ask.id, ask]));
  // What is in place whole ended before any of this.
  const done = new Map<string, Done>(
    asks.flatMap(({ id, amount, begun }) => (begun && amount <= 0 ? [[id, { ended_s: 0, number: begun.last }] as const] : [])),
  );
  // Numbers of what is in place are used up.
  const from = 1 + Math.max(0, ...asks.map(({ begun }) => parseInt(begun?.last ?? '0', 10)));
  const list: { readonly draft: Draft; readonly portion: M }[] = [];
  /** how many batches begin with each layer */
  const begins = new Map<string, number>();
  let waiting = asks.filter(({ amount }) => amount > 0);
  let now_s = 0;
  // What waits on nothing that is there is ready; of a ring of waits, which no plan makes, the first goes.
  const readyAt = ({ waits }: LayerAsk<M>): number =>
    Math.max(
      0,
      ...waits.map(({ on, least_s }) => {
        const before = done.get(on);
        return before ? before.ended_s + least_s : waiting.some(({ id }) => id === on) ? Infinity : 0;
      }),
    );
  while (waiting.length > 0) {
    const at = waiting.map((ask) => ({ ask, ready_s: Math.max(now_s, readyAt(ask)) }));
    const first = at.reduce((least, other) => ((other.ready_s - least.ready_s || beforeBy(other.ask.order, least.ask.order)) < 0 ? other : least));
    now_s = Number.isFinite(first.ready_s) ? first.ready_s : now_s;
    const group = at
      .filter(({ ask, ready_s }) => ask === first.ask || (ask.pool !== null && ask.pool === first.ask.pool && ready_s <= now_s))
      .map(({ ask }) => ask)
      .sort((a, b) => beforeBy(a.order, b.order));
    const sharing = first.ask.ends ? upToOneBatch(group) : group;
    const together = dealtTogether(sharing, amountOf(sharing));
    // What does not fit with others is mixed by itself.
    const pooled = together.dealt.fits ? sharing : [first.ask];
    const { binding, dealt } = pooled === sharing ? together : { binding: first.ask, dealt: first.ask.dealt(first.ask.amount) };
    const left = new Map(pooled.map(({ id, amount }) => [id, amount]));
    const made = new Map<string, M>();
    let spare = dealt.each - dealt.last;
    for (let i = 0; i < dealt.count; i += 1) {
      const isLast = i === dealt.count - 1;
      const most = isLast ? Infinity : dealt.each;
      const serves = takeFrom(pooled, left, { most, slack: dealt.each * SLACK, crumb: Math.min(spare, CRUMB * dealt.each) });
      if (serves.length === 0) continue;
      const amount = serves.reduce((sum, served) => sum + served.amount, 0);
      if (!isLast) spare -= dealt.each - amount;
      // What comes last and is less than the rest is followed by nothing.
      const follows = dealt.count > 1 && !(isLast && amount < dealt.each * (1 - SLACK));
      const maker = serves.some(({ id }) => id === binding.id) ? binding : byId.get(serves[0]!.id)!;
      const same = `${maker.id} ${Math.round(amount / (dealt.each * 1e-9))} ${follows}`;
      const portion = made.get(same) ?? maker.made(amount, follows);
      made.set(same, portion);
      const aheadOf: BatchWait[] = [];
      const push = (batch: Omit<Draft, 'number' | 'key'>, portion: M): string => {
        const { id } = batch.serves[0]!;
        const nth = (begins.get(id) ?? byId.get(id)?.begun?.batches ?? 0) + 1;
        begins.set(id, nth);
        const number = String(list.length + from);
        list.push({ draft: { ...batch, number, key: `${id}:${nth}` }, portion });
        return number;
      };
      for (const served of serves) {
        const { ahead, amount: whole } = byId.get(served.id)!;
        if (!ahead) continue;
        const { make, productId, task } = ahead;
        const section = (ahead.amount * served.amount) / whole;
        const sectionServes = [{ ...layerOf(ahead), amount: section, part: served.part }];
        const on = push(
          { make, productId, amount: section, task, serves: sectionServes, waits: waitsOf([served], byId, done), limit: null, fits: true, follows: false },
          ahead.made(section),
        );
        aheadOf.push({ on, least_s: 0, most_s: null, reason: 'slurryWet' });
      }
      const { make, productId, task } = first.ask;
      const { limit, fits } = dealt;
      const waits = [...waitsOf(serves, byId, done), ...aheadOf];
      const number = push({ make, productId, amount, task, serves, waits, limit, fits, follows }, portion);
      now_s += maker.busy_s(portion);
      for (const { id, part } of serves) if (part === 'whole' || part === 'rest') done.set(id, { ended_s: now_s, number });
    }
    waiting = waiting.filter((ask) => !pooled.includes(ask));
  }
  const count = counted(
    list.map(({ draft }) => draft),
    byId,
  );
  return list.map(({ draft, portion }) => ({ ...portion, ...draft, serves: draft.serves.map(count) }));
}

/** Which of its layer's batches each is, asked in their order. */
function counted<M>(drafts: readonly Draft[], byId: ReadonlyMap<string, LayerAsk<M>>): (taken: Taken) => Served {
  const before = (id: string): number => byId.get(id)?.begun?.batches ?? 0;
  const all = new Map<string, number>();
  for (const { serves } of drafts) for (const { id } of serves) all.set(id, (all.get(id) ?? 0) + 1);
  const seen = new Map<string, number>();
  return (taken) => {
    const nth = (seen.get(taken.id) ?? 0) + 1;
    seen.set(taken.id, nth);
    return { ...taken, nth: nth + before(taken.id), of: all.get(taken.id)! + before(taken.id) };
  };
}
