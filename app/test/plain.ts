/** A text with ordinary spaces: a number and its unit are kept on one line by others. */
export const plain = (text: string | undefined): string | undefined => text?.replaceAll('\u00a0', ' ');
