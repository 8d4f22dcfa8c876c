/** A letter is no larger. */
export const LETTER_MOST_BYTES = 4_000_000;
