import { say } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';

/** Bags to a tenth below ten, to the bag above; with the word unless bare. */
export function bagsText(speaker: Speaker, bags: number, bare = false): string {
  const rounded = bags < 10 ? Math.round(bags * 10) / 10 : Math.round(bags);
  return bare ? String(rounded) : say(speaker, 'mix.bags', { count: rounded });
}
