/** What follows a batch by a clock that only says *soon*: the hand decides. */
export const FOLLOWS = ['gel', 'nextLift', 'strip', 'demould', 'turn', 'rub', 'grind', 'cover', 'foot', 'vehicles', 'coat', 'paint'] as const;
export type FollowCode = (typeof FOLLOWS)[number];

/** One thing that follows a batch, s from its start. */
export interface Follow {
  readonly code: FollowCode;
  readonly after_s: number;
  /** until when, where it closes again; null where it stays open */
  readonly until_s: number | null;
}

/** Codes that a batch's own setting moves both ways; what a strength permits is only ever moved later. */
export const FOLLOWS_SET: readonly FollowCode[] = ['gel', 'nextLift', 'rub', 'cover'];
