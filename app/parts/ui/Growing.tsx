import { say } from '@tufa/words/speak';
import { memo, useCallback, useDeferredValue, useEffect, useState, type ReactNode } from 'react';
import { flushSync } from 'react-dom';
import { View } from 'react-native';
import { useSpeaker } from '../phone/speaker';
import { Button } from './Button';

/** So many lines are drawn at first, as a phone's screen holds, and so many more with each look further. */
const FIRST = 12;
const STEP = 30;

/** The first lines as they are now, the rest as they were drawn last until there is time for them. */
function followed<R extends { readonly id: string }>(rows: readonly R[], drawn: readonly R[] | null, atOnce: number): readonly R[] {
  if (drawn === null || rows === drawn || rows.length <= atOnce) return rows;
  const first = rows.slice(0, atOnce);
  const ids = new Set(first.map(({ id }) => id));
  return [...first, ...drawn.slice(atOnce).filter(({ id }) => !ids.has(id))];
}

interface LineProps<R> {
  row: R;
  draw: (row: R) => ReactNode;
}

/** A line is drawn again only for another row, or another way of drawing it. */
const Line = memo(function Line<R>({ row, draw }: LineProps<R>) {
  return <View role="listitem">{draw(row)}</View>;
}) as unknown as <R>(props: LineProps<R>) => ReactNode;

/** A list that draws what is looked at: the first lines, and more as its end comes into view or is asked for. */
export function Growing<R extends { readonly id: string }>({
  rows,
  first,
  gap = false,
  label,
  atOnce = Infinity,
  children,
}: {
  rows: readonly R[];
  /** so many of the first lines are drawn with what stands around them; the rest follow, so that a change shows before a long list is drawn anew */
  atOnce?: number;
  /** a line that stands among the first, wherever its place is */
  first?: R | undefined;
  /** lines that stand apart */
  gap?: boolean;
  label?: string;
  children: (row: R) => ReactNode;
}) {
  const speaker = useSpeaker();
  const [most, setMost] = useState(FIRST);
  const more = (): void => setMost((shown) => shown + STEP);
  const end = useCallback((node: unknown) => {
    if (!(node instanceof Element) || typeof IntersectionObserver === 'undefined') return;
    const observer = new IntersectionObserver((seen) => seen.some(({ isIntersecting }) => isIntersecting) && setMost((shown) => shown + STEP));
    observer.observe(node);
    return () => observer.disconnect();
  }, []);
  // Paper has room for all of it.
  useEffect(() => {
    const all = (): void => flushSync(() => setMost(Infinity));
    window.addEventListener('beforeprint', all);
    return () => window.removeEventListener('beforeprint', all);
  }, []);
  // A list that is drawn at once has nothing to follow: deferring it would draw it twice.
  const drawn = useDeferredValue(rows.length > atOnce ? rows : null);
  const shown = followed(rows, drawn, atOnce).slice(0, most);
  const missing = first && !shown.some(({ id }) => id === first.id) && rows.some(({ id }) => id === first.id) ? [first] : [];
  if (rows.length === 0) return null;
  return (
    <View>
      <View role="list" className={gap ? 'gap-4' : ''} {...(label ? { 'aria-label': label } : {})}>
        {[...missing, ...shown].map((row) => (
          <Line key={row.id} row={row} draw={children} />
        ))}
      </View>
      {rows.length > most ? (
        // Another place after each look: an end that stays in view is seen again.
        <View key={most} ref={end as never} className="py-3">
          <Button label={say(speaker, 'jobs.more', { count: rows.length - most })} onPress={more} />
        </View>
      ) : null}
    </View>
  );
}
