import { say } from '@tufa/words';

/** Bags to a tenth below ten, to the bag above; with the word unless bare. */
export function bagsText(bags: number, bare = false): string {
  const rounded = bags < 10 ? Math.round(bags * 10) / 10 : Math.round(bags);
  return bare ? String(rounded) : say('mix.bags', { count: rounded });
}
