/** How large a picture may be: px of its longer side, of its small copy's, and bytes. */
export const PHOTO = { side: 1600, thumbSide: 320, mostBytes: 500_000 } as const;
