import type { PortionLimit } from '../mix';
import type { Task } from '../shelf';

/** What a batch is made as: powder and liquids in a pail, parts that meet, a slurry, hand portions that gel, or what comes ready. */
export const MAKES = ['pail', 'parts', 'slurry', 'hand', 'ready'] as const;
export type Make = (typeof MAKES)[number];

/** What a layer does in a repair, from the bottom up. */
export const LAYER_ROLES = ['bond', 'fill', 'overlay', 'cure', 'coat'] as const;
export type LayerRole = (typeof LAYER_ROLES)[number];

/** Why a layer waits for another: each is a sentence. */
export const WAIT_REASONS = ['bondOpen', 'slurryWet', 'stiff', 'strip', 'recoat', 'riserTread', 'afterSet', 'dryFace'] as const;
export type WaitReason = (typeof WAIT_REASONS)[number];

/** Which layer of a finding it is. */
export interface LayerOf {
  /** of a layer, the same in every plan that has it */
  readonly id: string;
  readonly findingId: string;
  readonly role: LayerRole;
  readonly lift: number;
  readonly lifts: number;
  /** which step of a flight, from the bottom; null for what is on none */
  readonly step: number | null;
  /** which of the panels between joints, the far one first; absent where no joint cuts it */
  readonly panel?: { readonly nth: number; readonly of: number };
}

/** So much later than another layer, and no later, s from the one's end to the other's beginning. */
export interface LayerWait {
  readonly on: string;
  readonly least_s: number;
  readonly most_s: number | null;
  readonly reason: WaitReason;
}

/** In how many batches an amount is mixed: each but the last the same. */
export interface Dealt {
  readonly each: number;
  readonly count: number;
  readonly last: number;
  readonly limit: PortionLimit | null;
  /** false where no portion of it can be placed and finished in time */
  readonly fits: boolean;
}

/** What one layer of one finding asks of the bucket, before it is pooled with others; `M` is what is made of a portion. */
export interface LayerAsk<M> extends LayerOf {
  readonly make: Make;
  /** the sheet's or the aid's; null for a slurry of plain cement */
  readonly productId: string | null;
  /** in its product's unit, more than nothing */
  readonly amount: number;
  readonly task: Task | null;
  /** what may be mixed in one pail with it asks the same; null for what is mixed by itself */
  readonly pool: string | null;
  readonly waits: readonly LayerWait[];
  /** how much of it is in place already, in how many batches, and the last one's number: what is asked is what is left */
  readonly begun?: { readonly batches: number; readonly last: string };
  /** a batch of it ends where the layer ends, at a joint: it shares none but with what fits into that batch whole */
  readonly ends?: boolean;
  /** what is mixed just ahead of each batch of it, for as much as that batch fills: it would stiffen if all of it went first */
  readonly ahead?: Ahead<M>;
  /** of what is ready the least goes first, figure by figure */
  readonly order: readonly number[];
  readonly dealt: (amount: number) => Dealt;
  readonly made: (amount: number, follows: boolean) => M;
  /** how long a portion keeps the hands from the next, s */
  readonly busy_s: (made: M) => number;
}

/** A layer that goes section by section under another. */
export interface Ahead<M> extends LayerOf {
  readonly make: Make;
  readonly productId: string | null;
  readonly amount: number;
  readonly task: Task | null;
  readonly made: (amount: number) => M;
}
