/** A letter is no larger. */
export const LETTER_MOST_BYTES = 4_000_000;
/** A voice note is no longer and no larger. */
export const VOICE = { most_s: 60, mostBytes: 1_000_000 } as const;
