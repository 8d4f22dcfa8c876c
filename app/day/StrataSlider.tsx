import { columnOf, windowFor, type StrataDomain, type StrataQuantity, type WindowAnswer, type WindowQuestion } from '@tufa/core/plan';
import { strataHandle, strataScale, type StrataFrame } from '@tufa/draw/strataScene';
import { say, printFigure } from '@tufa/words';
import { useEffect, useLayoutEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { StyleSheet, View, type LayoutChangeEvent } from 'react-native';
import { MovingScene } from '../parts/ui/MovingScene';
import { usePhone } from '../parts/phone/useSettings';
import { quantityText, sayChance, tickText } from './quantityText';
import { useSpeaker } from '../parts/phone/speaker';

/** Snaps to the step a thumb can set. */
export const snap = (value: number, { least, most, step }: StrataDomain): number =>
  Math.min(most, Math.max(least, least + Math.round((value - least) / step) * step));

const SHOWN = ['grind', 'foot', 'vehicles'] as const;

/** The permissions told under the strata, as far as the sheet has them. */
export const milestonesOf = ({ milestones }: WindowAnswer): WindowAnswer['milestones'] =>
  SHOWN.flatMap((name) => milestones.filter((milestone) => milestone.name === name));

/** A finger goes to and fro over the same values: each is computed once. */
function remembered<T>(compute: (at: number) => T): (at: number) => T {
  const made = new Map<number, T>();
  return (at) => {
    if (!made.has(at)) made.set(at, compute(at));
    return made.get(at) as T;
  };
}

const styles = StyleSheet.create({ slider: { flex: 1 } });
const gestures = { touchAction: 'pan-y', userSelect: 'none', cursor: 'ew-resize' } as object;
const over = { position: 'absolute', top: 0, left: 0, pointerEvents: 'none' } as const;

/**
 * What moves with the finger over the strata. While the finger is down only the handle is painted anew, on a
 * canvas of its own; the value is handed on when the finger lifts, by the arrow keys at once.
 */
export function StrataSlider({
  question,
  quantity,
  value: pressed,
  domain,
  ghost,
  answer,
  frame,
  ticks,
  onLayout,
  onChange,
  children,
}: {
  question: WindowQuestion;
  quantity: StrataQuantity;
  /** the value as it stands under the thumb, which keys count on from */
  value: number;
  domain: StrataDomain;
  ghost: number | null;
  answer: WindowAnswer;
  frame: StrataFrame | null;
  ticks: readonly { readonly at: number; readonly text: string }[];
  onLayout: (event: LayoutChangeEvent) => void;
  onChange: (value: number) => void;
  children: ReactNode;
}) {
  const speaker = useSpeaker();
  const box = useRef<View>(null);
  const picture = useRef<HTMLCanvasElement>(null);
  const moving = useRef<MovingScene | null>(null);
  const value = question[quantity];
  const column = columnOf(value, answer);
  const { mode } = usePhone();
  const [fonts, setFonts] = useState(false);
  useEffect(() => void document.fonts.ready.then(() => setFonts(true)), []);

  const handleAt = useMemo(() => {
    const answerAt = remembered((at) => windowFor({ ...question, [quantity]: at }));
    const columnAt = (at: number) => columnOf(at, answerAt(at));
    const former = ghost === null ? null : { column: columnAt(ghost), text: say(speaker, 'day.former', { value: tickText(speaker, quantity, ghost) }) };
    return remembered((at) => {
      if (!frame) return null;
      const here = columnAt(at);
      const more = former ? Math.round((here.flows_s - former.column.flows_s) / 60) : 0;
      const difference = more === 0 ? '' : `, ${more > 0 ? '+' : '\u2212'}${Math.abs(more)} ${say(speaker, 'unit.min')}`;
      return strataHandle({
        frame,
        column: here,
        value: tickText(speaker, quantity, at),
        ticks,
        milestones: milestonesOf(answerAt(at)),
        chance: sayChance(speaker, question.acceptedChance),
        ghost: former ? { at: former.column.at, text: `${former.text}${difference}` } : null,
      });
    });
  }, [ghost, speaker, quantity, question, frame, ticks]);

  const latest = useRef({ frame, domain, handleAt, onChange, value });
  useLayoutEffect(() => {
    latest.current = { frame, domain, handleAt, onChange, value };
  });
  useLayoutEffect(() => {
    if (!frame) return;
    moving.current ??= new MovingScene(picture.current!);
    moving.current.fit(frame);
    const scene = handleAt(value);
    if (scene) moving.current.show(speaker, scene);
    // Painted in the look's own colours and fonts: again when either comes or changes.
  }, [frame, handleAt, value, mode, fonts, speaker]);

  // Listened to directly and once: a drawing that follows a finger has no time for the way through the component tree,
  // and a sync that arrives in mid-drag must not end it.
  useEffect(() => {
    const element = box.current as unknown as HTMLElement;
    let left = 0;
    let at: number | null = null;
    const follow = (event: PointerEvent): void => {
      const { frame: drawn, domain: steps, handleAt: handle } = latest.current;
      if (!drawn) return;
      const next = snap(strataScale(drawn).fromX(event.clientX - left), steps);
      if (next === at) return;
      at = next;
      const scene = handle(next);
      if (scene) moving.current?.show(speaker, scene);
    };
    const down = (event: PointerEvent): void => {
      // Read once: asking at every move would lay the page out anew each time.
      left = element.getBoundingClientRect().left;
      element.setPointerCapture(event.pointerId);
      element.addEventListener('pointermove', follow);
      follow(event);
    };
    const lift = ({ type }: PointerEvent): void => {
      element.removeEventListener('pointermove', follow);
      const { onChange: change, handleAt: handle, value: before } = latest.current;
      if (at !== null && type === 'pointerup') change(at);
      else {
        const scene = handle(before);
        if (scene) moving.current?.show(speaker, scene);
      }
      at = null;
    };
    const listeners = { pointerdown: down, pointerup: lift, pointercancel: lift } as const;
    for (const [name, listener] of Object.entries(listeners)) element.addEventListener(name, listener as EventListener);
    return () => {
      for (const [name, listener] of Object.entries(listeners)) element.removeEventListener(name, listener as EventListener);
    };
  }, [speaker]);

  const onKeyDown = (event: { key: string; preventDefault: () => void }): void => {
    const move = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1, PageUp: 5, PageDown: -5 }[event.key];
    const end = event.key === 'Home' ? domain.least : event.key === 'End' ? domain.most : null;
    if (move === undefined && end === null) return;
    event.preventDefault();
    onChange(end ?? snap(pressed + (move ?? 0) * domain.step, domain));
  };
  const said = (time_s: number): string => printFigure(speaker, 't_s', time_s);
  return (
    <View
      ref={box}
      role="slider"
      tabIndex={0}
      aria-label={say(speaker, 'day.handle', { quantity: say(speaker, `day.quantity.${quantity}`) })}
      aria-valuemin={domain.least}
      aria-valuemax={domain.most}
      aria-valuenow={Math.round(value * 1000) / 1000}
      aria-valuetext={say(speaker, 'day.valueText', {
        value: quantityText(speaker, quantity, value),
        flow: said(column.flows_s),
        finish: said(column.finishes_s),
        set: said(column.sets_s),
      })}
      testID="strata"
      onLayout={onLayout}
      style={[styles.slider, gestures]}
      {...({ onKeyDown } as object)}
    >
      {children}
      <canvas ref={picture} aria-hidden style={{ ...over, width: frame?.width ?? 0, height: frame?.height ?? 0 }} />
    </View>
  );
}
