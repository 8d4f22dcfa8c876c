import { say } from '@tufa/words';
import { useRef } from 'react';
import { Text, View } from 'react-native';
import { MARKS } from './edit';
import type { Speaker } from '@tufa/words/speak';
import { useSpeaker } from '../parts/phone/speaker';

/** The height of a mark, from the whole to the sixteenth. */
const heightOf = (mark: number, strip: 'in' | 'mm'): number =>
  strip === 'mm'
    ? mark % 10 === 0
      ? 46
      : mark % 5 === 0
        ? 36
        : 24
    : mark % 16 === 0
      ? 46
      : mark % 8 === 0
        ? 40
        : mark % 4 === 0
          ? 32
          : mark % 2 === 0
            ? 25
            : 17;

const nameOf = (speaker: Speaker, mark: number, strip: 'in' | 'mm'): string => {
  if (strip === 'mm') return `${mark} ${say(speaker, 'unit.mm')}`;
  let [over, under] = [mark, 16];
  while (over > 0 && over % 2 === 0) [over, under] = [over / 2, under / 2];
  return over === 0 ? '0' : `${over}\u2044${under}`;
};

/** One inch or one centimetre of ruler under the thumb: press, slide to the mark, let go. */
export function RulerStrip({ strip, mark, onMark }: { strip: 'in' | 'mm'; mark: number; onMark: (mark: number) => void }) {
  const speaker = useSpeaker();
  const box = useRef<View>(null);
  const marks = MARKS[strip];
  const at = (clientX: number): void => {
    const { left, width } = (box.current as unknown as HTMLElement).getBoundingClientRect();
    onMark(Math.max(0, Math.min(marks - 1, Math.round(((clientX - left) / width) * marks))));
  };
  const pointer = {
    onPointerDown: ({ nativeEvent }: { nativeEvent: PointerEvent }) => {
      (box.current as unknown as HTMLElement).setPointerCapture(nativeEvent.pointerId);
      at(nativeEvent.clientX);
    },
    onPointerMove: ({ nativeEvent }: { nativeEvent: PointerEvent }) => {
      if (nativeEvent.buttons > 0) at(nativeEvent.clientX);
    },
  };
  return (
    <View className="h-[64px] overflow-hidden border-2 border-edge bg-sheet">
      <View
        ref={box}
        role="slider"
        aria-label={say(speaker, strip === 'in' ? 'keypad.sixteenths' : 'keypad.millimetres')}
        aria-valuemin={0}
        aria-valuemax={marks - 1}
        aria-valuenow={mark}
        aria-valuetext={nameOf(speaker, mark, strip)}
        testID="ruler-strip"
        className="mx-3 h-full flex-1"
        style={{ touchAction: 'none', cursor: 'pointer' } as object}
        {...(pointer as object)}
      >
        {Array.from({ length: marks + 1 }, (_, i) => (
          <View
            key={i}
            className={`pointer-events-none absolute top-0 ${i === mark && mark > 0 ? 'bg-act' : 'bg-ink'}`}
            style={{
              left: `${(100 * i) / marks}%`,
              width: i === mark && mark > 0 ? 6 : 2,
              marginLeft: i === mark && mark > 0 ? -3 : -1,
              height: heightOf(i, strip),
            }}
          />
        ))}
        {(strip === 'in' ? [4, 8, 12] : [5])
          .filter((i) => mark === 0 || Math.abs(i - mark - 1) > marks / 6)
          .map((i) => (
            <Text
              key={i}
              className="font-head pointer-events-none absolute bottom-0 text-key15 text-faint"
              style={{ left: `${(100 * i) / marks}%`, marginLeft: 5 }}
            >
              {nameOf(speaker, i, strip)}
            </Text>
          ))}
        {mark > 0 ? (
          <Text
            className="font-head pointer-events-none absolute bottom-0 bg-sheet px-1 text-key22 font-bold text-act"
            style={{ left: `${(100 * mark) / marks}%`, marginLeft: mark > marks * 0.8 ? -52 : 6 }}
          >
            {nameOf(speaker, mark, strip)}
          </Text>
        ) : null}
      </View>
    </View>
  );
}
