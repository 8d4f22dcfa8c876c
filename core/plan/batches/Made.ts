import type { Batch as Listed } from '../../batches';
import type { MilestoneTime } from '../window/milestones';
import type { Shots } from '../window/shotsFor';
import type { Ticket, TicketLine } from '../window/ticket';
import type { WindowAnswer } from '../window/windowFor';
import type { SlurryPlan } from '../Plan';

/** What is made of a portion. */
export interface Made {
  /** what is done for it, in its order: what goes into the vessel, and what comes before the trowel */
  readonly lines: readonly TicketLine[];
  /** a mix's share of a bag, its water and what may still be added; null for what is brushed or rolled from its tin */
  readonly ticket: Ticket | null;
  /** how long it works; null for what has no clock of its own */
  readonly window: WindowAnswer | null;
  /** a resin that is squeezed from bottles, shot after shot; null for the rest */
  readonly shots: Shots | null;
  /** cement, latex and water of a bonding slurry; null for the rest */
  readonly slurry: SlurryPlan | null;
  /** what it covers, m2; null where that says nothing */
  readonly area_m2: number | null;
  /** how long it may wait to be covered, s; null where that does not matter */
  readonly open: { readonly least_s: number; readonly most_s: number | null } | null;
  /** every milestone of it, from its own start */
  readonly milestones: readonly MilestoneTime[];
}

/** One batch of a job with its ticket, its window and what follows. */
export type Batch = Listed & Made;
