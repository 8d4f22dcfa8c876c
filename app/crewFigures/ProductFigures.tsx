import type { FirmData, RowOf } from '@tufa/contract/entities';
import { lifeOver } from '@tufa/core/plan';
import { predicted } from '@tufa/core/setting';
import { flowOf, type Sheet } from '@tufa/core/shelf';
import { crewLifeScene } from '@tufa/draw/crewLifeScene';
import { printFigure, say } from '@tufa/words';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { change, write } from '../outbox/useFirm';
import { useSpeaker } from '../parts/phone/speaker';
import { useSize } from '../parts/phone/useSize';
import { Word } from '../parts/ui/Button';
import { SceneView } from '../parts/ui/SceneView';
import { T } from '../parts/ui/T';
import { entriesIn, recordIn } from './entryRows';
import { sayDate } from '@tufa/words/dates';

/** The picture reaches so far to either side of what was logged, K, and over these at least, degC. */
const REACH = { beside_K: 3, least_C: 8, most_C: 32, step_K: 6 } as const;
const HEIGHT = 190;
/** An entry that counts for less is called wild: a person decides. */
const WILD = 0.6;
const MINUTES = [2, 5, 10, 20, 40, 80, 160, 320] as const;

/** A product's own figures: sheet against yours with range and count, the picture of its lives, and every batch, which a person may set aside. */
export function ProductFigures({ data, sheet }: { data: Pick<FirmData, 'crewEntry' | 'job' | 'person'>; sheet: Sheet }) {
  const speaker = useSpeaker();
  const { size, onLayout } = useSize();
  const [listed, setListed] = useState(false);
  const rows = useMemo(() => entriesIn(data, sheet.productId).filter(({ kind }) => kind === 'life'), [data, sheet.productId]);
  const found = useMemo(() => recordIn(sheet, rows), [sheet, rows]);
  const width = size?.width ?? 0;
  const scene = useMemo(() => {
    if (width === 0 || rows.length === 0) return null;
    const warm = rows.flatMap(({ temperature_C }) => temperature_C ?? []);
    const from_C = Math.min(REACH.least_C, ...warm.map((C) => C - REACH.beside_K));
    const to_C = Math.max(REACH.most_C, ...warm.map((C) => C + REACH.beside_K));
    const across = Array.from({ length: Math.floor((to_C - from_C) / REACH.step_K) + 1 }, (_, i) => from_C + i * REACH.step_K);
    return crewLifeScene({
      width,
      height: HEIGHT,
      curve: lifeOver({ sheet, record: found?.record, from_C, to_C }),
      points: rows.map(({ temperature_C, value, retarder, censored, aside }) => ({
        temperature_C: temperature_C ?? sheet.reference_C,
        life_s: value / (retarder ?? 1),
        censored,
        aside,
      })),
      across: across.map((at) => ({ at, text: printFigure(speaker, 't_C', Math.round(at)) })),
      unit: say(speaker, 'unit.min'),
      up: MINUTES.map((minutes) => ({ at: minutes * 60, text: String(minutes) })),
    });
  }, [width, rows, found, sheet, speaker]);
  if (rows.length === 0) return null;
  const minutes = (s: number): string => printFigure(speaker, 't_s', s);
  const ahead = found ? predicted(found.record, { temperature_C: sheet.reference_C, reference_C: sheet.reference_C }) : null;
  const counted = rows.filter(({ aside }) => !aside).length;
  const told = (row: RowOf<'crewEntry'>): string => {
    const life = row.censored ? say(speaker, 'crewFigures.atLeast', { life: minutes(row.value) }) : minutes(row.value);
    const figures = { when: sayDate(speaker, row.at, 'day'), life, t_C: row.temperature_C ?? sheet.reference_C };
    const name = row.jobId ? data.job[row.jobId]?.name : undefined;
    return row.trial
      ? say(speaker, 'crewFigures.entryTrial', figures)
      : say(speaker, 'crewFigures.entry', { ...figures, name: name ?? '', batch: row.batch ?? '' });
  };
  return (
    <View className="gap-2" testID={`figures-${sheet.productId}`}>
      <T as="h2">{sheet.name}</T>
      {ahead ? (
        <T as="strong">
          {`${say(speaker, 'crewFigures.line', {
            sheet: minutes(flowOf(sheet).reference_s),
            yours: minutes(ahead.p50),
            from: minutes(ahead.p10),
            to: minutes(ahead.p90),
            batches: say(speaker, 'crewFigures.batches', { count: counted }),
          })}, ${say(speaker, 'crewFigures.lineAt', { t_C: sheet.reference_C })}`}
        </T>
      ) : null}
      <View onLayout={onLayout} style={{ height: HEIGHT }}>
        {scene ? <SceneView scene={scene} /> : null}
      </View>
      <T as="small">{say(speaker, 'crewFigures.legend')}</T>
      <Word label={say(speaker, 'crewFigures.table')} onPress={() => setListed(!listed)} />
      {listed ? (
        <View role="list" aria-label={say(speaker, 'crewFigures.picture')}>
          {rows.map((row) => {
            const wild = !row.aside && (found?.weights.get(row.id) ?? 1) < WILD;
            return (
              <View key={row.id} role="listitem" className="flex-row items-center justify-between gap-2 border-b border-line">
                <T className="flex-1" {...(wild ? { tone: 'caution' as const } : row.aside ? { tone: 'faint' as const } : {})}>
                  {[told(row), ...(wild ? [say(speaker, 'crewFigures.wild')] : []), ...(row.aside ? [say(speaker, 'crewFigures.isAside')] : [])].join(', ')}
                </T>
                <Word
                  writes="crewEntry.change"
                  label={say(speaker, row.aside ? 'crewFigures.back' : 'crewFigures.aside')}
                  hint={`${say(speaker, row.aside ? 'crewFigures.back' : 'crewFigures.aside')}: ${told(row)}`}
                  onPress={() => void write(change('crewEntry', 'change', row.id, { aside: !row.aside }))}
                />
              </View>
            );
          })}
        </View>
      ) : null}
    </View>
  );
}
