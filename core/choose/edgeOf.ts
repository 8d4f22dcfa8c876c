import type { ElementInput } from '../survey';
import type { Asks } from './Asks';
import type { HouseMethod } from './houseMethod';

/** The edge a patch gets: as it was found, or by the firm's school; on rendered walls a straight line shows. */
export function edgeOf({
  house,
  element,
  rim,
}: {
  house: HouseMethod;
  element: ElementInput;
  rim: Exclude<Asks['rim'], 'runsOut' | null>;
}): 'shoulder' | 'keyed' | 'feathered' {
  if (house.edge === 'shoulder') return 'shoulder';
  if (house.edge === 'keyed') return 'keyed';
  const rendered = element.kind === 'wall' && element.material === 'render';
  return rendered ? 'keyed' : rim === 'cut' ? 'shoulder' : 'feathered';
}
