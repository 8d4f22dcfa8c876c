import { columnOf, windowFor, type StrataDomain, type StrataQuantity, type WindowAnswer, type WindowQuestion } from '@tufa/core/plan';
import { strataHandle, strataScale, type StrataFrame } from '@tufa/draw';
import { say, printFigure } from '@tufa/words';
import { useRef, useState, type ReactNode } from 'react';
import { StyleSheet, View, type LayoutChangeEvent } from 'react-native';
import { SceneView } from '../parts/SceneView';
import { quantityText, tickText } from './quantityText';

interface PointerLike {
  readonly nativeEvent: PointerEvent;
}

/** Snaps to the step a thumb can set. */
export const snap = (value: number, { least, most, step }: StrataDomain): number =>
  Math.min(most, Math.max(least, least + Math.round((value - least) / step) * step));

/** Plain styles: a class name would be resolved again at every move of the finger. */
const styles = StyleSheet.create({
  slider: { flex: 1 },
  over: { position: 'absolute', top: 0, left: 0, right: 0, bottom: 0, pointerEvents: 'none' },
});
const gestures = { touchAction: 'pan-y', userSelect: 'none', cursor: 'ew-resize' } as object;

/**
 * What moves with the finger over the strata: only this is drawn again, the bands under it stay the same element. The
 * value is handed on when the finger lifts; arrow keys hand it on at once.
 */
export function StrataSlider({
  question,
  quantity,
  domain,
  ghost,
  answer,
  frame,
  onLayout,
  onChange,
  children,
}: {
  question: WindowQuestion;
  quantity: StrataQuantity;
  domain: StrataDomain;
  ghost: number | null;
  answer: WindowAnswer;
  frame: StrataFrame | null;
  onLayout: (event: LayoutChangeEvent) => void;
  onChange: (value: number) => void;
  children: ReactNode;
}) {
  const [moving, setMoving] = useState<number | null>(null);
  const box = useRef<View>(null);
  const left = useRef(0);
  const value = moving ?? question[quantity];
  const column = moving === null ? columnOf(question[quantity], answer) : columnOf(moving, windowFor({ ...question, [quantity]: moving }));
  const handle = frame
    ? strataHandle({ frame, column, ghost: ghost === null ? null : { at: ghost, text: say('day.former', { value: tickText(quantity, ghost) }) } })
    : null;
  const at = ({ nativeEvent }: PointerLike): number => snap(strataScale(frame as StrataFrame).fromX(nativeEvent.clientX - left.current), domain);
  const pointer = {
    onPointerDown: (event: PointerLike) => {
      const element = box.current as unknown as HTMLElement;
      // Read once: asking at every move would lay the page out anew each time.
      left.current = element.getBoundingClientRect().left;
      element.setPointerCapture(event.nativeEvent.pointerId);
      setMoving(at(event));
    },
    onPointerMove: (event: PointerLike) => {
      if (moving === null) return;
      const next = at(event);
      if (next !== moving) setMoving(next);
    },
    onPointerUp: () => {
      if (moving !== null) onChange(moving);
      setMoving(null);
    },
    onPointerCancel: () => setMoving(null),
  };
  const onKeyDown = (event: { key: string; preventDefault: () => void }): void => {
    const move = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1, PageUp: 5, PageDown: -5 }[event.key];
    const end = event.key === 'Home' ? domain.least : event.key === 'End' ? domain.most : null;
    if (move === undefined && end === null) return;
    event.preventDefault();
    onChange(end ?? snap(value + (move ?? 0) * domain.step, domain));
  };
  const said = (time_s: number): string => printFigure('t_s', time_s);
  return (
    <View
      ref={box}
      role="slider"
      tabIndex={0}
      aria-label={say('day.handle', { quantity: say(`day.quantity.${quantity}`) })}
      aria-valuemin={domain.least}
      aria-valuemax={domain.most}
      aria-valuenow={Math.round(value * 1000) / 1000}
      aria-valuetext={say('day.valueText', {
        value: quantityText(quantity, value),
        flow: said(column.flows_s),
        finish: said(column.finishes_s),
        set: said(column.sets_s),
      })}
      testID="strata"
      onLayout={onLayout}
      style={[styles.slider, gestures]}
      {...(pointer as object)}
      {...({ onKeyDown } as object)}
    >
      {children}
      {handle ? (
        <View style={styles.over}>
          <SceneView scene={handle} bare />
        </View>
      ) : null}
    </View>
  );
}
