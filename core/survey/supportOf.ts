import type { ElementInput } from './types';

/** What carries an element, or that nobody has said. */
export type Support = 'ground' | 'carried' | 'open';

/** What carries an element: a soffit is carried unless somebody says otherwise; of the rest nothing is taken for said. */
export function supportOf({ kind, suspended }: Pick<ElementInput, 'kind' | 'suspended'>): Support {
  if (suspended === undefined) return kind === 'soffit' ? 'carried' : 'open';
  return suspended ? 'carried' : 'ground';
}
