import type { WeekOfProduct } from '@tufa/core/plan';
import { weekScale, weekScene } from '@tufa/draw/weekScene';
import { say, printFigure } from '@tufa/words';
import { useMemo, useState } from 'react';
import { Pressable, View, type GestureResponderEvent } from 'react-native';
import { useSpeaker } from '../parts/phone/speaker';
import { useSize } from '../parts/phone/useSize';
import { Word } from '../parts/ui/Button';
import { Table } from '../parts/ui/Lines';
import { SceneView } from '../parts/ui/SceneView';
import { T } from '../parts/ui/T';
import { dayText } from './localDay';
import { HOURS, type WeekDays } from './useWeek';
import { rowsOf } from './weekRows';
import { whyShort } from './weekText';

/** Where in the week an hour is. */
export interface Cell {
  readonly day: number;
  readonly hour: number;
}

/** What the patterns of the week stand for, as far as it shows them, and the week as a table. */
export function WeekLegend({ product, days }: { product: WeekOfProduct; days: WeekDays }) {
  const speaker = useSpeaker();
  const [table, setTable] = useState(false);
  const rows = useMemo(() => rowsOf(speaker, product, days), [speaker, product, days]);
  const used = new Set(rows.flatMap(({ cells }) => cells.map(({ mark }) => mark)));
  const marks = (['short', 'wet', 'cold', 'hot', 'dark', 'unknown'] as const).filter((mark) => used.has(mark)).map((mark) => say(speaker, `week.mark.${mark}`));
  return (
    <View>
      <View className="flex-row items-center justify-between">
        <T as="small" className="flex-1">
          {say(speaker, 'week.legend', { marks: marks.join('; ') })}
        </T>
        <Word label={say(speaker, table ? 'table.hide' : 'table.show')} hint={say(speaker, 'week.table')} onPress={() => setTable(!table)} />
      </View>
      {table ? (
        <Table
          caption={say(speaker, 'week.table')}
          columns={[say(speaker, 'week.day'), ...HOURS.filter((_, i) => i % 3 === 0).map(String)]}
          rows={rows.map(({ text, hours }) => [
            text,
            ...hours
              .filter((_, h) => h % 3 === 0)
              .map((hour) => (hour ? (hour.why === null ? printFigure(speaker, 't_s', hour.placeBy_s) : whyShort(speaker, hour.why)) : '–')),
          ])}
        />
      ) : null}
    </View>
  );
}

/** The week as one picture: a tap, or the arrow keys, look at an hour. */
export function WeekPicture({
  product,
  days,
  picked,
  planned,
  onPick,
}: {
  product: WeekOfProduct;
  days: WeekDays;
  picked: Cell;
  planned: Cell | null;
  onPick: (cell: Cell) => void;
}) {
  const speaker = useSpeaker();
  const { size, onLayout } = useSize();
  const rows = useMemo(() => rowsOf(speaker, product, days), [speaker, product, days]);
  const width = size?.width ?? 0;
  const scale = weekScale({ width, days: rows.length, hours: HOURS.length });
  const scene = useMemo(() => (width > 0 ? weekScene({ width, rows, hours: HOURS, picked, planned }) : null), [width, rows, picked, planned]);
  const move = (by: Partial<Cell>): void =>
    onPick({
      day: Math.min(rows.length - 1, Math.max(0, picked.day + (by.day ?? 0))),
      hour: Math.min(HOURS.length - 1, Math.max(0, picked.hour + (by.hour ?? 0))),
    });
  const onKeyDown = (event: { key: string; preventDefault: () => void }): void => {
    const by = { ArrowRight: { hour: 1 }, ArrowLeft: { hour: -1 }, ArrowDown: { day: 1 }, ArrowUp: { day: -1 } }[event.key];
    if (!by) return;
    event.preventDefault();
    move(by);
  };
  const onPress = ({ nativeEvent: { locationX, locationY } }: GestureResponderEvent): void => {
    if (Number.isFinite(locationX) && width > 0) onPick(scale.at(locationX, locationY));
  };
  const day = days.days[picked.day]!;
  const hour = rows[picked.day]?.hours[picked.hour];
  const what = hour ? (hour.why === null ? printFigure(speaker, 't_s', hour.placeBy_s) : whyShort(speaker, hour.why)) : say(speaker, 'week.forecastShort');
  const at = `${dayText(speaker, day.day, days.today)} ${HOURS[picked.hour]}:00`;
  return (
    <Pressable
      role="slider"
      aria-label={say(speaker, 'week.picture')}
      aria-valuenow={picked.day * HOURS.length + picked.hour}
      aria-valuemin={0}
      aria-valuemax={rows.length * HOURS.length - 1}
      aria-valuetext={say(speaker, 'week.hint', { at, what })}
      onPress={onPress}
      onLayout={onLayout}
      {...({ onKeyDown } as object)}
    >
      <View style={{ height: scale.height, pointerEvents: 'none' }}>{scene ? <SceneView scene={scene} bare /> : null}</View>
    </Pressable>
  );
}
