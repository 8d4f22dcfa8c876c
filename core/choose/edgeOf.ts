import type { ElementInput } from '../survey';
import type { HouseMethod } from './houseMethod';

/** The edge a patch gets: as it was found, or by the firm's school; on rendered walls a straight line shows. */
export function edgeOf({
  house,
  element,
  finding,
}: {
  house: HouseMethod;
  element: ElementInput;
  finding: { readonly edge: 'cut' | 'feathered' };
}): 'shoulder' | 'keyed' | 'feathered' {
  if (house.edge === 'shoulder') return 'shoulder';
  if (house.edge === 'keyed') return 'keyed';
  const rendered = element.kind === 'wall' && element.material === 'render';
  return rendered ? 'keyed' : finding.edge === 'cut' ? 'shoulder' : 'feathered';
}
