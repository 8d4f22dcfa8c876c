import type { Make } from '@tufa/core/batches';
import type { BatchClock, ClockReading } from '@tufa/core/pour';
import type { Scene } from '@tufa/draw';
import { say } from '@tufa/words';
import { useCallback, useMemo, type ReactNode } from 'react';
import { Text, View } from 'react-native';
import { SceneView } from '../parts/ui/SceneView';
import { usePhone } from '../parts/phone/useSettings';
import { digitsOf, unitWords } from './digitsOf';
import { PailFill } from './PailFill';
import { useSpeaker } from '../parts/phone/speaker';

/** Room between the line and the buttons for what is written on it. */
export const LINE_ROOM = 28;

/** How high the digits are, and how wide each of them is then, px. */
const DIGIT = { size: 168, width: 98 } as const;

/** Where a full pail's surface stands, under the head. */
const TOP = 56;

/**
 * The whole screen is the pail: its level is what is left of the batch's life, its texture the phase, so that it reads
 * from two metres without digits. The ruled edge tells the same minutes at the surface.
 */
export function Pail({
  clock,
  reading,
  width,
  height,
  placed,
  controls,
  head,
  make,
  squeezed,
  warned,
  children,
}: {
  clock: BatchClock;
  reading: ClockReading;
  width: number;
  height: number;
  placed: boolean;
  controls: number;
  /** a head is written over the top of the pail */
  head: boolean;
  make: Make;
  /** from a bottle, not out of a pail */
  squeezed: boolean;
  /** a warning stands under the digits, with a word that silences it */
  warned: boolean;
  /** what stands under the digits */
  children: ReactNode;
}) {
  const speaker = useSpeaker();
  const { hand } = usePhone();
  // The line of the safe share stays clear of the buttons, however short the phone.
  const floor = Math.min(height, TOP + (height - controls - LINE_ROOM - TOP) / (1 - reading.safeLine));
  const levelY = useCallback((level: number): number => Math.round(TOP + (1 - level) * (floor - TOP)), [floor]);
  const low = height < 420;
  const surface = levelY(reading.level);
  const safeY = levelY(reading.safeLine);
  const edge = useMemo<Scene>(() => {
    // Marks stand where the surface will be with so many minutes left: the scale is time, the spacing the material's.
    const by_s = placed ? clock.finishBy_s : clock.placeBy_s;
    const minutes = Math.min(60, Math.floor(by_s / 60));
    const pace = minutes > 25 ? 10 : 5;
    const x = hand === 'right' ? width : 0;
    const side = hand === 'right' ? -1 : 1;
    const shapes: Scene['shapes'][number][] = [];
    for (let minute = 0; minute <= minutes; minute += 1) {
      const y = levelY(clock.at(by_s - minute * 60).level);
      const major = minute % pace === 0;
      shapes.push({ type: 'path', d: `M${x} ${y}h${side * (major ? 34 : 16)}`, stroke: 'ink', width: major ? 4 : 2 });
      if (major)
        shapes.push({
          type: 'label',
          x: x + side * 42,
          y: y + 7,
          label: { text: String(minute) },
          size: 20,
          weight: 700,
          anchor: hand === 'right' ? 'end' : 'start',
          plate: true,
        });
    }
    return { width, height, title: { text: '' }, shapes };
  }, [clock, placed, width, height, levelY, hand]);
  const { digits } = digitsOf(reading.left_s);
  // Clear of the ruled edge where that is on the same side, and whole beside other pails: a digit cut off is another figure.
  const left = hand === 'right' ? 16 : 64;
  const digit = Math.min(DIGIT.width, (width - left - 24) / digits.length);
  const right = left + digits.length * digit;
  // Beside two others, or with three digits, the words stand under the digits.
  const narrow = width < right + 152;
  const least = head ? 104 : 8;
  const digitsTop = low ? Math.min(least, 64) : Math.max(least, Math.min(surface - 70, height * 0.26, height - controls - LINE_ROOM - 290));
  const wordsTop = digitsTop + (narrow ? 200 : 176);
  // Where what stands under the digits reaches the line, the ruled edge's zero says it.
  const labelled = low || safeY < digitsTop || safeY > wordsTop + (warned ? 160 : 96);
  const big = (inverted: boolean) => (
    <Text
      aria-hidden={inverted}
      className={`font-head absolute font-extrabold ${inverted ? 'text-ground' : reading.left_s < 0 ? 'text-stop' : 'text-ink'}`}
      style={{
        left,
        top: digitsTop - (inverted ? surface : 0),
        fontSize: (DIGIT.size * digit) / DIGIT.width,
        lineHeight: DIGIT.size,
        fontVariant: ['tabular-nums'],
        ...(inverted ? ({ WebkitTextStroke: '3px var(--ink)', paintOrder: 'stroke fill' } as object) : {}),
      }}
    >
      {digits}
    </Text>
  );
  const what = unitWords(speaker, reading.left_s, placed, squeezed);
  return (
    <View
      className="absolute inset-0 overflow-hidden"
      testID="pail"
      role="timer"
      aria-label={`${digits} ${what}, ${say(speaker, `pour.phase.${make}.${reading.phase}`)}`}
    >
      {big(false)}
      <View className="absolute left-0 right-0 overflow-hidden" style={{ top: surface - 6, height: Math.max(0, height - surface + 6) }}>
        <PailFill width={width} height={height} phase={reading.phase} />
      </View>
      <View className="absolute left-0 right-0 overflow-hidden" style={{ top: surface, height: Math.max(0, height - surface) }}>
        {big(true)}
      </View>
      <View className="absolute inset-0">
        <SceneView scene={edge} bare />
      </View>
      <View className="absolute w-[172px]" style={narrow ? { top: digitsTop + 158, left } : { top: digitsTop + 78, left: right + 12 }}>
        <Text className="font-head self-start bg-ground px-2 text-26 font-bold text-ink">{what}</Text>
      </View>
      <View className="absolute" style={{ ...(low ? { top: digitsTop + 118, left: right + 4 } : { top: wordsTop, left }), right: hand === 'right' ? 72 : 16 }}>
        {children}
      </View>
      {safeY < height - 4 ? (
        <View className={`absolute left-0 right-0 items-center ${hand === 'right' ? 'flex-row' : 'flex-row-reverse'}`} style={{ top: safeY - 14 }}>
          <View className={`h-[4px] bg-ink ${narrow ? 'w-[16px]' : 'w-[48px]'}`} />
          {labelled ? (
            <Text className="font-text bg-ground px-2 text-18 font-bold text-ink">{say(speaker, placed || narrow ? 'pour.stopTool' : 'pour.stopHere')}</Text>
          ) : null}
        </View>
      ) : null}
    </View>
  );
}
