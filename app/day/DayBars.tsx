import type { DayBar, DayPlan } from '@tufa/core/plan';
import { dayScale, dayScene, type DrawnBar } from '@tufa/draw/dayScene';
import { say } from '@tufa/words';
import { useDrag } from '@use-gesture/react';
import { useMemo, useRef, useState } from 'react';
import { View } from 'react-native';
import { useSpeaker } from '../parts/phone/speaker';
import { useSize } from '../parts/phone/useSize';
import { SceneView } from '../parts/ui/SceneView';
import { T } from '../parts/ui/T';
import { barText, clockText } from './barText';

type Named = Parameters<typeof barText>[2];
const STEP_S = 300;
/** A narrower bar is no target: its line in the list moves it. */
const LEAST_PX = 24;

interface Laned {
  readonly bar: DayBar;
  readonly lane: number;
}

/** Who does what: each bar takes as many lanes as hands, the first that are free. */
function lanesOf(bars: readonly DayBar[], hands: number): Laned[] {
  const free = Array.from({ length: hands }, () => -Infinity);
  return bars.flatMap((bar) => {
    const wanted = free.flatMap((until, lane) => (until <= bar.start_s ? [lane] : [])).slice(0, bar.hands);
    for (const lane of wanted) free[lane] = bar.end_s;
    return wanted.map((lane) => ({ bar, lane }));
  });
}

/** What is short is told by its number: a bar has little room. */
const shortText = (bar: DayBar, text: string): string => (bar.batch !== undefined ? bar.batch : text.split(/[:,]/)[0]!);

/** The day by hands as bars; a bar is dragged by mouse or finger, or moved with the arrow keys, and the rest follows. */
export function DayBars({
  day,
  named,
  hands,
  picked,
  onPick,
  onMove,
}: {
  day: DayPlan;
  named: Named;
  hands: number;
  picked: string | null;
  onPick: (id: string) => void;
  onMove: (id: string, start_s: number) => void;
}) {
  const speaker = useSpeaker();
  const { size, onLayout } = useSize();
  const width = size?.width ?? 0;
  // Of a job that runs on, the first day is drawn; the list has the rest.
  const first = Math.floor((day.bars[0]?.start_s ?? 0) / 86400) + 1;
  const bars = useMemo(() => day.bars.filter(({ start_s }) => start_s < first * 86400), [day, first]);
  const laned = useMemo(() => lanesOf(bars, hands), [bars, hands]);
  const from_s = Math.floor((bars[0]?.start_s ?? 0) / 1800) * 1800;
  const to_s = Math.ceil(Math.max(...bars.map(({ end_s }) => end_s), from_s + 3600) / 1800) * 1800;
  const lanes = useMemo(
    () => [...Array.from({ length: hands }, (_, i) => say(speaker, 'dayPlan.hand', { number: String(i + 1) })), say(speaker, 'dayPlan.ground')],
    [hands, speaker],
  );
  const scale = dayScale({ width, lanes: lanes.length, from_s, to_s });
  const widthOf = ({ start_s, end_s }: DayBar): number => scale.toX(end_s) - scale.toX(start_s);
  const scene = useMemo(() => {
    if (width === 0) return null;
    const drawn = laned.map(({ bar, lane }): DrawnBar => ({
      lane,
      start_s: bar.start_s,
      end_s: bar.end_s,
      text: shortText(bar, barText(speaker, bar, named)),
      pattern: bar.batch ? 'mortar' : null,
    }));
    const rests = day.rests
      .filter(({ start_s }) => start_s < to_s)
      .map((rest): DrawnBar => ({
        lane: hands,
        start_s: rest.start_s,
        end_s: Math.min(to_s, rest.end_s),
        text: say(speaker, `dayPlan.rest.${rest.code}`),
        pattern: rest.code === 'soaks' ? 'wet' : 'stiff',
      }));
    return dayScene({ width, lanes, bars: [...rests, ...drawn], from_s, to_s });
  }, [width, laned, day, hands, lanes, from_s, to_s, named, speaker]);
  return (
    <View>
      <View onLayout={onLayout} style={{ height: scale.height }} role="group" aria-label={say(speaker, 'dayPlan.bars')} testID="day-bars">
        <View style={{ position: 'absolute', left: 0, top: 0, pointerEvents: 'none' }} aria-hidden>
          {scene ? <SceneView scene={scene} bare /> : null}
        </View>
        {width > 0
          ? laned
              .filter(({ bar }) => widthOf(bar) >= LEAST_PX)
              .map(({ bar, lane }) => (
                <Handle
                  key={`${bar.id} ${lane}`}
                  name={`${clockText(bar.start_s)} ${barText(speaker, bar, named)}`}
                  on={picked === bar.id}
                  left={scale.toX(bar.start_s)}
                  top={scale.toY(lane)}
                  width={widthOf(bar)}
                  height={scale.bar}
                  onPick={() => onPick(bar.id)}
                  onMove={(px) => onMove(bar.id, bar.start_s + scale.toSeconds(px))}
                  onStep={(by) => onMove(bar.id, bar.start_s + by * STEP_S)}
                />
              ))
          : null}
      </View>
      <T as="small">{say(speaker, 'dayPlan.dragHint')}</T>
    </View>
  );
}

/** What takes the finger over a bar. */
function Handle({
  name,
  on,
  left,
  top,
  width,
  height,
  onPick,
  onMove,
  onStep,
}: {
  name: string;
  on: boolean;
  left: number;
  top: number;
  width: number;
  height: number;
  onPick: () => void;
  onMove: (px: number) => void;
  onStep: (by: number) => void;
}) {
  const [moved, setMoved] = useState(0);
  const box = useRef<HTMLButtonElement>(null);
  useDrag(
    ({ movement: [x], last, tap }) => {
      if (tap) return;
      setMoved(last ? 0 : x);
      if (last && Math.abs(x) > 4) onMove(x);
    },
    { target: box, axis: 'x', filterTaps: true, eventOptions: { passive: false } },
  );
  return (
    <button
      ref={box}
      type="button"
      aria-label={name}
      aria-pressed={on}
      onClick={onPick}
      onKeyDown={(event) => {
        const by = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
        if (by === undefined) return;
        event.preventDefault();
        onStep(by);
      }}
      style={{
        position: 'absolute',
        left: left + moved,
        top,
        width,
        height,
        padding: 0,
        background: moved === 0 ? 'transparent' : 'var(--caution-fill)',
        border: on || moved !== 0 ? '4px solid var(--act)' : '0',
        cursor: 'grab',
        touchAction: 'pan-y',
      }}
    />
  );
}
