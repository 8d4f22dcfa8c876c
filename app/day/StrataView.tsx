import { columnOf, strataOf, windowFor, type StrataDomain, type StrataQuantity, type WindowAnswer, type WindowQuestion } from '@tufa/core/plan';
import { deepestOf, strataHandle, strataScale, strataScene } from '@tufa/draw';
import { say, printFigure } from '@tufa/words';
import { useMemo, useRef, useState } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { Word } from '../parts/Button';
import { Table } from '../parts/Lines';
import { SceneView } from '../parts/SceneView';
import { useSize } from '../parts/useSize';
import { T } from '../parts/T';
import { quantityText, tickText } from './quantityText';

const SHOWN = ['grind', 'foot', 'vehicles'] as const;

interface PointerLike {
  readonly nativeEvent: PointerEvent;
}

/** Snaps to the step a thumb can set. */
const snap = (value: number, { least, most, step }: StrataDomain): number => Math.min(most, Math.max(least, least + Math.round((value - least) / step) * step));

/**
 * The strata with its handle: pointer, touch and arrow keys move it; only the handle's layer is drawn again while it
 * moves, and the value is handed on when a frame has room.
 */
export function StrataView({
  question,
  quantity,
  domain,
  ghost,
  answer,
  onChange,
}: {
  question: WindowQuestion;
  quantity: StrataQuantity;
  domain: StrataDomain;
  ghost: number | null;
  answer: WindowAnswer;
  onChange: (value: number) => void;
}) {
  const { size, onLayout } = useSize();
  const [moving, setMoving] = useState<number | null>(null);
  const [table, setTable] = useState(false);
  const box = useRef<View>(null);
  const compact = useWindowDimensions().height < 740;
  const value = moving ?? question[quantity];
  // The bands hold every other quantity still, so they are the same wherever the handle stands.
  const others = JSON.stringify({ ...question, sheet: question.sheet.id, [quantity]: null });
  const [still, setStill] = useState({ others, question });
  if (still.others !== others) setStill({ others, question });
  const held = still.question;
  const { least, most, step } = domain;
  const columns = useMemo(() => strataOf({ question: held, quantity, domain: { least, most, step }, samples: 25 }), [held, quantity, least, most, step]);
  const deepest_s = useMemo(() => deepestOf(columns, held[quantity]), [columns, held, quantity]);
  const frame = useMemo(
    () => (size ? { width: size.width, height: size.height, least: domain.least, most: domain.most, deepest_s } : null),
    [size, domain.least, domain.most, deepest_s],
  );
  const milestones = useMemo(() => SHOWN.flatMap((name) => answer.milestones.filter((one) => one.name === name)), [answer]);
  const bands = useMemo(() => {
    if (!frame) return null;
    const ticks = [0.1, 0.4, 0.7, 0.97].map((share) => {
      const at = snap(least + share * (most - least), { least, most, step });
      return { at, text: tickText(quantity, at) };
    });
    return strataScene({ frame, columns, ticks, milestones, unit: say('unit.min') });
  }, [frame, columns, quantity, milestones, least, most, step]);
  const column = useMemo(
    () => (moving === null ? columnOf(question[quantity], answer) : columnOf(moving, windowFor({ ...question, [quantity]: moving }))),
    [moving, question, quantity, answer],
  );
  const handle = useMemo(
    () =>
      frame
        ? strataHandle({ frame, column, ghost: ghost === null ? null : { at: ghost, text: say('day.former', { value: tickText(quantity, ghost) }) } })
        : null,
    [frame, column, ghost, quantity],
  );

  const at = (event: PointerLike): number => {
    const rect = (box.current as unknown as HTMLElement).getBoundingClientRect();
    return snap(strataScale(frame as NonNullable<typeof frame>).fromX(event.nativeEvent.clientX - rect.left), domain);
  };
  const pointer = {
    onPointerDown: (event: PointerLike) => {
      (box.current as unknown as HTMLElement).setPointerCapture(event.nativeEvent.pointerId);
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
  const valueText = say('day.valueText', {
    value: quantityText(quantity, value),
    flow: said(column.flows_s),
    finish: said(column.finishes_s),
    set: said(column.sets_s),
  });
  return (
    <View>
      <View
        ref={box}
        role="slider"
        tabIndex={0}
        aria-label={say('day.handle', { quantity: say(`day.quantity.${quantity}`) })}
        aria-valuemin={domain.least}
        aria-valuemax={domain.most}
        aria-valuenow={Math.round(value * 1000) / 1000}
        aria-valuetext={valueText}
        testID="strata"
        onLayout={onLayout}
        className={compact ? 'h-[232px]' : 'h-[304px] lg:h-[400px]'}
        style={{ touchAction: 'pan-y', userSelect: 'none', cursor: 'ew-resize' } as object}
        {...(pointer as object)}
        {...({ onKeyDown } as object)}
      >
        {bands ? <SceneView scene={bands} bare /> : null}
        {handle ? (
          <View className="absolute inset-0" pointerEvents="none">
            <SceneView scene={handle} bare />
          </View>
        ) : null}
      </View>
      <View className="flex-row items-center justify-between">
        <T as="small" className="flex-1">
          {say('day.ends', { ending: say(`word.ending.${answer.window.finishEnding}`) })} {say('day.mixAt', { mix_C: answer.mix_C })}
        </T>
        <Word label={say(table ? 'table.hide' : 'table.show')} hint={say('day.table')} onPress={() => setTable(!table)} />
      </View>
      {table ? (
        <Table
          caption={say('day.table')}
          columns={[say('day.colValue'), say('day.colFlow'), say('day.colFinish'), say('day.colSet')]}
          rows={columns.filter((_, i) => i % 3 === 0).map((one) => [quantityText(quantity, one.at), said(one.flows_s), said(one.finishes_s), said(one.sets_s)])}
        />
      ) : null}
    </View>
  );
}
