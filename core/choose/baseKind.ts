import type { Substrate } from '../shelf';
import type { ElementInput } from '../survey';

/** What a base is made ready like: cut to a profile, abraded until its gloss is gone, or screwed down and sanded. */
export type BaseKind = 'mineral' | 'glossy' | 'board';

const GLOSSY: readonly Substrate[] = ['tile', 'laminate'];
const BOARD: readonly Substrate[] = ['timber', 'board'];

/** Nobody said what it is: concrete, as most of it is. */
const materialOf = ({ material = 'concrete' }: Pick<ElementInput, 'material'>): Substrate => material;

/** What a base is made ready like, by what it is made of. */
export function baseKindOf(element: Pick<ElementInput, 'material'>): BaseKind {
  const material = materialOf(element);
  return GLOSSY.includes(material) ? 'glossy' : BOARD.includes(material) ? 'board' : 'mineral';
}

/** Whether it is soaked before a mortar: not what drinks nothing, nor what swells. */
export const isSoaked = (element: Pick<ElementInput, 'material'>): boolean => baseKindOf(element) === 'mineral' && materialOf(element) !== 'terrazzo';
