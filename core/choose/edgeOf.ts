import type { ElementInput } from '../survey';
import type { Asks } from './Asks';
import { CHOOSE } from './constants';
import type { HouseMethod } from './houseMethod';

/**
 * The edge a patch gets, by the firm's school. Tufa's own: a shoulder where it is rigid and thicker than its rim may be,
 * however it was found; on rendered walls, where a straight line shows, a keyed one; what is thinner stays as it was found.
 */
export function edgeOf({
  house,
  element,
  rim,
  deepest_m,
}: {
  house: HouseMethod;
  element: ElementInput;
  rim: Exclude<Asks['rim'], 'runsOut' | null>;
  deepest_m: number;
}): 'shoulder' | 'keyed' | 'feathered' {
  if (house.edge === 'shoulder') return 'shoulder';
  if (house.edge === 'keyed') return 'keyed';
  const rendered = element.kind === 'wall' && element.material === 'render';
  if (rendered) return 'keyed';
  return rim === 'cut' || deepest_m > CHOOSE.shoulderFrom_m ? 'shoulder' : 'feathered';
}
