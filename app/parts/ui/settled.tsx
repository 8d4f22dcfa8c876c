import { memo, useInsertionEffect, useMemo, useRef, type FunctionComponent } from 'react';

type Act = (...given: unknown[]) => unknown;

const isAct = (name: string, value: unknown): value is Act => typeof value === 'function' && /^on[A-Z]/.test(name);

/** Lists of a few plain things with the same in them, as the options of a choice. */
const sameList = (a: unknown, b: unknown): boolean =>
  Array.isArray(a) && Array.isArray(b) && a.length === b.length && a.every((each, i) => Object.is(each, b[i]) || sameFlat(each, b[i]));

const isPlain = (value: unknown): value is object =>
  typeof value === 'object' && value !== null && (Array.isArray(value) || Object.getPrototypeOf(value) === Object.prototype);

/** Things with the same in them, as what a row holds. */
function sameFlat(a: unknown, b: unknown): boolean {
  if (!isPlain(a) || !isPlain(b)) return false;
  const [names, others] = [Object.entries(a), Object.entries(b)];
  return names.length === others.length && names.every(([name, value], i) => others[i]![0] === name && Object.is(value, others[i]![1]));
}

/** Given what shows the same. */
export function sameShown(before: object, after: object): boolean {
  const [names, others] = [Object.entries(before), Object.entries(after)];
  return (
    names.length === others.length &&
    names.every(
      ([name, value], i) => others[i]![0] === name && (Object.is(value, others[i]![1]) || sameFlat(value, others[i]![1]) || sameList(value, others[i]![1])),
    )
  );
}

/**
 * A part that is drawn again only where what it shows has changed. What it does (its `on...`) is always the last it was
 * given, and no reason to draw it: a screen makes its acts anew with each look, and most of what is on it stays.
 */
export function settled<P extends object>(Part: FunctionComponent<P>): FunctionComponent<P> {
  const Drawn = memo(Part, sameShown) as unknown as FunctionComponent<object>;
  return function Settled(props: P) {
    const latest = useRef<P>(props);
    // Before anything of this look can be touched.
    useInsertionEffect(() => {
      latest.current = props;
    });
    const names = Object.keys(props)
      .filter((name) => isAct(name, props[name as keyof P]))
      .join(' ');
    const acts = useMemo(
      () =>
        Object.fromEntries(
          names.split(' ').flatMap((name) => (name === '' ? [] : [[name, (...given: unknown[]) => (latest.current[name as keyof P] as Act)(...given)]])),
        ),
      [names],
    );
    return <Drawn {...props} {...acts} />;
  };
}
