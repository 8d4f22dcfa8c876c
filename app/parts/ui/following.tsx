import { memo, useDeferredValue, type FunctionComponent } from 'react';
import { sameShown } from './settled';

/** The part after the screen it stands on has been painted: what lies under a long list and takes long to make. */
export function afterwards<P extends object>(Part: FunctionComponent<P>): FunctionComponent<P> {
  const Followed = memo(Part) as unknown as FunctionComponent<P>;
  return function Comes(props: P) {
    const painted = useDeferredValue<P | null>(props, null);
    return painted && <Followed {...painted} />;
  };
}

/**
 * The part as it follows what stands above it: given the same it is not drawn again, given something new it is painted
 * after the thumb's answer.
 *
 * @param waits what is given is not worth drawing: the last that was stands until there is more
 */
export function following<P extends object>(Part: FunctionComponent<P>, waits?: (given: P) => boolean): FunctionComponent<P> {
  const Followed = memo(Part, (before, given) => (waits?.(given) ?? false) || sameShown(before, given)) as unknown as FunctionComponent<P>;
  return function Follows(props: P) {
    return <Followed {...useDeferredValue(props)} />;
  };
}
