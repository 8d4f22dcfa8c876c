import { say } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';

/** Digits of a left time: minutes from two on, seconds below, minutes past. */
export function digitsOf(left_s: number): { digits: string; unit: 'min' | 's' | 'past' } {
  if (left_s < 0) return { digits: String(Math.max(0, Math.floor(-left_s / 60))), unit: 'past' };
  return left_s < 100 ? { digits: String(Math.ceil(left_s)), unit: 's' } : { digits: String(Math.floor(left_s / 60)), unit: 'min' };
}

/** The small words after the digits: what unit they are, and until what. */
export function unitWords(speaker: Speaker, left_s: number, placed: boolean, squeezed = false): string {
  const { unit } = digitsOf(left_s);
  if (unit === 'past') return say(speaker, 'pour.past');
  return say(speaker, `pour.${placed ? 'toFinish' : squeezed ? 'toSqueeze' : 'toPlace'}`, { unit: say(speaker, `unit.${unit}`) });
}
