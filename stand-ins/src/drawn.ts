/** A number from 0 to 1 that is always the same for the same words. */
export function drawn(...words: readonly (number | string)[]): number {
  let h = 2166136261;
  for (const char of words.join('|')) h = Math.imul(h ^ char.charCodeAt(0), 16777619);
  h = Math.imul(h ^ (h >>> 15), 2246822507);
  h = Math.imul(h ^ (h >>> 13), 3266489909);
  return ((h ^ (h >>> 16)) >>> 0) / 4294967296;
}
