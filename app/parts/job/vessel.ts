import { print } from '@tufa/core/quantity';
import type { Speaker } from '@tufa/words/speak';

/** A measure in the vessel the crew holds. */
export const vessel = (speaker: Speaker, kind: 'volume' | 'mass', value: number): string => {
  const { digits, unit } = print({ kind, value, system: speaker.system, fine: true });
  return `${digits} ${unit}`;
};
