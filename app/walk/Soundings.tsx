import type { RowOf } from '@tufa/contract/entities';
import { readingsOf } from '@tufa/contract/assemble';
import { Problem } from '@tufa/core/quantity';
import { soundingGrid } from '@tufa/core/survey';
import type { Point } from '@tufa/core/takeoff';
import { printFigure, say, sayProblem } from '@tufa/words';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { write } from '../outbox/useFirm';
import { Button, Word } from '../parts/ui/Button';
import { Choice } from '../parts/ui/Choice';
import { StepLayout } from '../parts/job/StepScreen';
import { Answer, T } from '../parts/ui/T';
import type { JobView } from '../parts/job/useJob';
import { PlanView } from './Plan';
import { readingAdd, readingRemoval } from './reading';
import { useSpeaker } from '../parts/phone/speaker';

/** Spacings a crew walks at, m. */
const SPACINGS = { us: [0.3048, 0.6096, 0.9144], metric: [0.3, 0.5, 1] } as const;

/** The places to tap, or why there are none: the widest slabs want a wider spacing. */
function gridOf({ geometry }: RowOf<'element'>, spacing_m: number): { grid: readonly Point[]; problem: Problem | null } {
  try {
    return { grid: soundingGrid({ outline: geometry.outline, openings: geometry.openings ?? [], spacing_m }), problem: null };
  } catch (error) {
    if (error instanceof Problem) return { grid: [], problem: error };
    throw error;
  }
}

/** An element sounded as one walks: the ring shows where, two halves of the thumb's room say solid or hollow. */
export function Soundings({ view, element, onDone }: { view: JobView; element: RowOf<'element'>; onDone: () => void }) {
  const speaker = useSpeaker();
  const spacings = SPACINGS[speaker.system];
  const [spacing_m, setSpacing] = useState<number>(spacings[1]);
  const rows = useMemo(
    () => readingsOf(view.data, view.job.id).filter(({ kind, elementId, at }) => kind === 'sounding' && elementId === element.id && at),
    [view.data, view.job.id, element.id],
  );
  const taps = useMemo(() => rows.map(({ at, value }) => ({ at: at!, hollow: value.value === 1 })), [rows]);
  const { grid, problem } = useMemo(() => gridOf(element, spacing_m), [element, spacing_m]);
  const next = useMemo(
    () => grid.find(([x, y]) => !taps.some(({ at }) => Math.hypot(at[0] - x, at[1] - y) < spacing_m * 0.4)) ?? null,
    [grid, taps, spacing_m],
  );
  const hollow = view.plan?.elements.find(({ elementId }) => elementId === element.id)?.hollow;
  const tap = (value: 0 | 1): void => {
    if (next) void write(readingAdd(view, { kind: 'sounding', at: next, elementId: element.id, findingId: null, value: { value, source: 'typed' } }));
  };
  const last = rows.at(-1);
  const percent = (share: number): string => String(Math.round(share * 100));
  return (
    <StepLayout
      step="walk"
      view={view}
      parts={{
        head: (
          <View className="gap-1" aria-live="polite">
            <Answer size="number">{hollow ? say(speaker, 'walk.hollowShare', { share: percent(hollow.share) }) : say(speaker, 'walk.noTaps')}</Answer>
            {hollow ? (
              <T as="faint">
                {say(speaker, 'walk.hollowRange', { low: percent(hollow.low), high: percent(hollow.high), count: hollow.taps, more: hollow.moreToHalve })}
              </T>
            ) : (
              <T as="faint">{say(speaker, 'walk.soundLead')}</T>
            )}
          </View>
        ),
        body: (
          <View className="gap-2">
            <View className="h-[300px] lg:h-[330px]">
              <PlanView element={element} findings={[]} taps={taps} next={next} />
            </View>
            {problem ? (
              <T tone="stop">{sayProblem(speaker, problem)}</T>
            ) : (
              <T as="small">
                {`${next ? say(speaker, 'walk.soundTitle', { n: grid.indexOf(next) + 1, count: grid.length }) : say(speaker, 'walk.soundDone', { count: grid.length })}. ${say(speaker, 'walk.tapsLegend')}`}
              </T>
            )}
            <Choice
              label={say(speaker, 'walk.spacing')}
              options={spacings.map((value) => ({ value: String(value), label: printFigure(speaker, 'spacing_m', value) }))}
              value={String(spacing_m)}
              onChange={(value) => setSpacing(Number(value))}
            />
          </View>
        ),
        foot: (
          <View className="gap-2">
            <View className="flex-row justify-between">
              <Word label={say(speaker, 'walk.done')} onPress={onDone} />
              {last ? <Word label={say(speaker, 'walk.undoTap')} onPress={() => void write(readingRemoval(view, last))} /> : null}
            </View>
            <View className="flex-row gap-4">
              <Button label={say(speaker, 'walk.solid')} big grow disabled={!next} onPress={() => tap(0)} />
              <Button label={say(speaker, 'walk.hollow')} tone="dark" big grow disabled={!next} onPress={() => tap(1)} />
            </View>
          </View>
        ),
      }}
    />
  );
}
