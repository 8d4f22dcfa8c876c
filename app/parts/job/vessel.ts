import { print } from '@tufa/core/quantity';
import { unitSystem } from '@tufa/words';

/** A measure in the vessel the crew holds. */
export const vessel = (kind: 'volume' | 'mass', value: number): string => {
  const { digits, unit } = print({ kind, value, system: unitSystem(), fine: true });
  return `${digits} ${unit}`;
};
