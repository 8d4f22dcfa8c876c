/** What follows a batch by a clock that only says *soon*: the hand decides. */
export const FOLLOWS = ['gel', 'nextLift', 'strip', 'demould', 'turn', 'rub', 'grind', 'cover', 'foot', 'use', 'vehicles', 'coat', 'paint'] as const;
export type FollowCode = (typeof FOLLOWS)[number];

/** One thing that follows a batch, s from its start, or from when it is laid. */
export interface Follow {
  readonly code: FollowCode;
  readonly after_s: number;
  /** until when, where it closes again; null where it stays open */
  readonly until_s: number | null;
  /** of what counts from when it is laid: how long that takes by plan, s; absent for what counts from the start */
  readonly laid_s?: number;
}

/** Codes that a batch's own setting moves both ways; what a strength permits is only ever moved later. */
export const FOLLOWS_SET: readonly FollowCode[] = ['gel', 'nextLift', 'rub', 'cover'];
