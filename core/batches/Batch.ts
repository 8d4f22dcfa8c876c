import type { PortionLimit } from '../mix';
import type { Task } from '../shelf';
import type { LayerOf, LayerWait, Make } from './LayerAsk';

/** How much of a batch goes into one layer, and how much of that layer it is. */
export interface Served extends LayerOf {
  readonly amount: number;
  /** all of the layer, what begins it, what goes on with it, or what is left of it */
  readonly part: 'whole' | 'first' | 'more' | 'rest';
  /** which of the batches that the layer takes, and how many those are */
  readonly nth: number;
  readonly of: number;
}

/** A wait for another batch, by that batch's number. */
export type BatchWait = LayerWait;

/** One batch of a job: what is chalked on a pail, whom it serves, and after what. */
export interface Batch {
  /** what is written on the pail: never used again */
  readonly number: string;
  /** by which it is known when a new plan numbers anew: its first layer, and which batch of it */
  readonly key: string;
  readonly make: Make;
  readonly productId: string | null;
  readonly amount: number;
  readonly task: Task | null;
  readonly serves: readonly Served[];
  readonly waits: readonly BatchWait[];
  readonly limit: PortionLimit | null;
  readonly fits: boolean;
  /** another batch of the same is mixed meanwhile */
  readonly follows: boolean;
}
