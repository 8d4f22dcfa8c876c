import { readingsOf } from '@tufa/contract/assemble';
import type { ReadingFields, RowOf } from '@tufa/contract/entities';
import { visitsOf } from '@tufa/contract/findingInputOf';
import { crackMovement, readingsToHalve, type FindingInput } from '@tufa/core/survey';
import { spallReadings } from '@tufa/core/plan';
import { extent, nearestOnLine, outsiders, stringLine, type Point } from '@tufa/core/takeoff';
import { printFigure, say } from '@tufa/words';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { write } from '../outbox/useFirm';
import { Button, Word } from '../parts/ui/Button';
import { Choice } from '../parts/ui/Choice';
import { QuantityField } from '../parts/ui/QuantityField';
import { textOf, planFinding, planKind, planReadings, volumeText } from '@tufa/words/survey';
import { measuredOf, readWithin } from '../parts/ui/quantityText';
import { StepLayout } from '../parts/job/StepScreen';
import { Answer, T } from '../parts/ui/T';
import { FieldProblem } from '../parts/ui/fieldProblem';
import type { JobView } from '../parts/job/useJob';
import { GaugeCard } from './GaugeCard';
import { typedKind } from './kinds';
import { PlanView } from './Plan';
import { readingAdd, readingRemoval } from './reading';
import { millimetre } from './snap';
import type { Speaker } from '@tufa/words/speak';
import { useSpeaker } from '../parts/phone/speaker';
import { sayDate } from '@tufa/words/dates';

const SPACINGS = { us: [0, 0.1524, 0.3048, 0.6096], metric: [0, 0.15, 0.3, 0.5] } as const;

/** Places that are read one after the other, and at which of them the gauge is. */
interface Stations {
  readonly from: Point | null;
  readonly stations: readonly Point[];
  readonly at: number;
}

/** More readings than this are not tried one place after the other. */
const MOST_TRIED = 60;

type Finding = RowOf<'finding'>;

/** What is read along a finding with a gauge; null where nothing is. */
const readOf = (finding: RowOf<'finding'>): 'depth' | 'width' | null => typedKind(planKind(finding))?.read ?? null;

/** Depths in a spall or widths along a crack: by tap, along a string line at a fixed spacing, or by typed distances. */
export function Measure({
  view,
  element,
  again,
  onDone,
}: {
  view: JobView;
  element: RowOf<'element'>;
  /** a finding that is read once more, at the places where it was read last */
  again: string | null;
  onDone: () => void;
}) {
  const speaker = useSpeaker();
  const findings = useMemo(
    () =>
      Object.values(view.data.finding)
        .filter((finding) => finding.elementId === element.id && !finding.removed && readOf(finding) !== null)
        .sort((a, b) => (a.label < b.label ? -1 : 1)),
    [view.data.finding, element.id],
  );
  const [findingId, setFindingId] = useState((findings.find(({ id }) => id === again) ?? findings[0])?.id ?? '');
  const finding = findings.find(({ id }) => id === findingId);
  const [text, setText] = useState('');
  const [spacing_m, setSpacing] = useState(0);
  const [former] = useState(() => formerOf(readingsOf(view.data, view.job.id), again, view.now()));
  const [string, setString] = useState<Stations>({ from: null, stations: former.map(({ at }) => at), at: 0 });
  const [fault, setFault] = useState<{ field: string; text: string; mend?: { label: string; apply: () => void } } | null>(null);
  const [gauge, setGauge] = useState(false);
  const rows = useMemo(
    () => readingsOf(view.data, view.job.id).filter((reading) => reading.findingId === findingId && (reading.kind === 'depth' || reading.kind === 'width')),
    [view.data, view.job.id, findingId],
  );
  const readings = useMemo(() => planReadings(speaker, rows, element.id), [speaker, rows, element.id]);
  const drawn = useMemo(
    () => findings.map((finding) => ({ ...planFinding(speaker, finding, finding.id === findingId), depth: '' })),
    [findings, speaker, findingId],
  );
  const measured = view.input.findings.find(({ id }) => id === findingId);
  const next = useMemo(() => nextOf(measured), [measured]);
  const outline = element.geometry.outline;
  const { left_m, top_m } = extent(outline);
  const origin: Point = [left_m, top_m];
  const station = string.stations[string.at];
  // A string line drawn since has places of its own.
  const was = former.find(({ at }) => at === station);
  const kind = (finding && readOf(finding)) ?? 'depth';

  const written = (at: Point): readonly [string, string] => [
    textOf(speaker, { value: at[0] - origin[0], source: 'typed' }, 'length'),
    textOf(speaker, { value: at[1] - origin[1], source: 'typed' }, 'length'),
  ];
  const [place, setPlace] = useState<readonly [string, string]>(() => (former[0] ? written(former[0].at) : ['', '']));
  const placeAt = (at: Point): void => {
    setPlace(written(at));
    setDragged(at);
    setFault(null);
  };
  // What was tapped, to the millimetre; a distance typed anew takes its place.
  const [dragged, setDragged] = useState<Point | null>(former[0]?.at ?? null);
  const placed = (): Point => {
    if (dragged) return dragged;
    const read = (axis: 0 | 1): number =>
      place[axis].trim() === '0' ? 0 : readWithin(speaker, { field: `place${axis}`, text: place[axis], as: 'side', least: 0, most: 100 });
    return [origin[0] + read(0), origin[1] + read(1)];
  };
  const onTap = (at: Point): void => {
    if (!finding) return;
    const tapped: Point = [millimetre(at[0]), millimetre(at[1])];
    if (spacing_m > 0 && string.stations.length === 0) {
      if (!string.from) return setString({ from: tapped, stations: [], at: 0 });
      const stations = stringLine({ from: string.from, to: tapped, spacing_m }).filter((station) => outsiders([station], finding.outline.points).length === 0);
      setString({ from: null, stations, at: 0 });
      if (stations[0]) placeAt(stations[0]);
      return;
    }
    placeAt(kind === 'width' ? nearestOnLine(tapped, finding.outline.points).at : tapped);
  };
  const save = async (): Promise<void> => {
    if (!finding) return;
    try {
      const at = placed();
      if (kind === 'depth' && outsiders([at], finding.outline.points).length > 0)
        return setFault({
          field: 'place0',
          text: say(speaker, 'walk.outsideFinding', { label: finding.label }),
          mend: { label: say(speaker, 'walk.pullInside'), apply: () => placeAt(nearestOnLine(at, finding.outline.points, true).at) },
        });
      const value = measuredOf(speaker, { field: 'text', text, as: 'depth', limit: kind === 'depth' ? 'depth' : 'width' });
      const thickness_m = element.geometry.thickness.value;
      if (kind === 'depth' && value.value > thickness_m) throw new FieldProblem('text', say(speaker, 'walk.tooDeep', { thickness_m }));
      await write(readingAdd(view, { kind, at, elementId: element.id, findingId: finding.id, value }));
      setText('');
      setFault(null);
      const following = string.stations[string.at + 1];
      setString(following ? { ...string, at: string.at + 1 } : { from: null, stations: [], at: 0 });
      if (following) placeAt(following);
      else {
        setPlace(['', '']);
        setDragged(null);
      }
    } catch (error) {
      if (!(error instanceof FieldProblem)) throw error;
      const meant = error.field === 'text' && kind === 'width' ? meantWidth(speaker, text) : null;
      setFault({
        field: error.field,
        text: error.sentence,
        ...(meant ? { mend: { label: say(speaker, 'walk.meant', { text: meant }), apply: () => (setText(meant), setFault(null)) } } : {}),
      });
    }
  };
  const last = rows.at(-1);
  const lost = ({ at }: ReadingFields): boolean =>
    finding !== undefined && kind === 'depth' && at !== null && outsiders([at], finding.outline.points).length > 0;
  const planned = view.survey?.findings.find((finding) => finding.findingId === findingId)?.takeOff;
  if (!finding)
    return (
      <StepLayout
        step="walk"
        view={view}
        parts={{
          head: <Answer size="number">{say(speaker, 'walk.nothingToMeasure')}</Answer>,
          body: <T as="lead">{say(speaker, 'walk.nothingToMeasureLead')}</T>,
          foot: <Button label={say(speaker, 'walk.done')} onPress={onDone} />,
        }}
      />
    );
  return (
    <StepLayout
      step="walk"
      view={view}
      parts={{
        head: (
          <View className="gap-1" aria-live="polite">
            {planned ? (
              <Answer size="number" after={volumeText(speaker, planned.volume).range}>
                {volumeText(speaker, planned.volume).text}
              </Answer>
            ) : (
              <Answer size="number">{finding.label}</Answer>
            )}
            {kind === 'width' ? (
              <Movement finding={finding} rows={rows} />
            ) : (
              <T as="faint">
                {next && next.at.length > 0 ? say(speaker, 'walk.halve', { count: next.at.length }) : say(speaker, 'walk.measured', { count: rows.length })}
              </T>
            )}
          </View>
        ),
        body: (
          <View className="gap-3">
            <Choice
              label={say(speaker, 'walk.measureWhat')}
              labelHidden
              options={findings.map((finding) => ({ value: finding.id, label: finding.label }))}
              value={findingId}
              onChange={(id) => (setFindingId(id), setString({ from: null, stations: [], at: 0 }))}
            />
            <View className="h-[250px] lg:h-[330px]">
              <PlanView
                element={element}
                findings={drawn}
                readings={readings}
                wanted={next?.at ?? []}
                next={station ?? dragged ?? string.from}
                touch={{ label: say(speaker, kind === 'depth' ? 'walk.tapDepth' : 'walk.tapWidth'), onTap }}
              />
            </View>
            {kind === 'depth' ? (
              <Choice
                label={say(speaker, 'walk.stringLine')}
                options={SPACINGS[speaker.system].map((value) => ({
                  value: String(value),
                  label: value === 0 ? say(speaker, 'walk.noString') : printFigure(speaker, 'spacing_m', value),
                }))}
                value={String(spacing_m)}
                onChange={(value) => (setSpacing(Number(value)), setString({ from: null, stations: [], at: 0 }))}
              />
            ) : (
              <Button label={say(speaker, 'gauge.open')} onPress={() => setGauge(true)} />
            )}
            {was ? <Former reading={was.reading} n={string.at + 1} count={former.length} /> : null}
            {spacing_m > 0 ? (
              <T as="faint">
                {string.stations.length > 0
                  ? say(speaker, 'walk.station', { n: string.at + 1, count: string.stations.length })
                  : say(speaker, string.from ? 'walk.stringTo' : 'walk.stringFrom')}
              </T>
            ) : null}
            {rows.map((row, i) => (
              <View key={row.id} className="flex-row items-center justify-between border-b border-line">
                <T>{`${i + 1}. ${row.value.typed ?? printFigure(speaker, 'depth_m', row.value.value)}${lost(row) ? `, ${say(speaker, 'walk.notCounted')}` : ''}`}</T>
                <Word
                  label={say(speaker, 'walk.remove')}
                  hint={`${say(speaker, 'walk.remove')} ${i + 1}`}
                  onPress={() => void write(readingRemoval(view, row))}
                />
              </View>
            ))}
            {gauge ? <GaugeCard onPick={(picked) => (setText(picked), setGauge(false))} onClose={() => setGauge(false)} /> : null}
          </View>
        ),
        foot: (
          <View className="gap-2">
            {fault ? (
              <View role="alert" className="gap-1">
                <T tone="stop">{fault.text}</T>
                {fault.mend ? <Button label={fault.mend.label} onPress={fault.mend.apply} /> : null}
              </View>
            ) : null}
            <View className="flex-row gap-2">
              {([0, 1] as const).map((axis) => (
                <QuantityField
                  key={axis}
                  as="side"
                  label={say(speaker, axis === 0 ? 'walk.from' : 'walk.fromTop')}
                  value={place[axis]}
                  onChange={(typed) => (setDragged(null), setPlace(axis === 0 ? [typed, place[1]] : [place[0], typed]))}
                />
              ))}
              <QuantityField
                as="depth"
                label={say(speaker, kind === 'depth' ? 'walk.depth' : 'walk.crackWidth')}
                value={text}
                onChange={setText}
                onSubmit={() => void save()}
                onDone={() => void save()}
              />
            </View>
            <View className="flex-row gap-3">
              <Button label={say(speaker, 'walk.done')} onPress={onDone} />
              {last ? <Button label={say(speaker, 'walk.undoReading')} onPress={() => void write(readingRemoval(view, last))} /> : null}
              <Button label={say(speaker, 'walk.keepReading')} tone="act" grow onPress={() => void save()} />
            </View>
          </View>
        ),
      }}
    />
  );
}

/** What was read of a finding on the last day but today, place by place; nothing where nothing is read again. */
function formerOf(readings: readonly ReadingFields[], again: string | null, now_ms: number): { at: Point; reading: ReadingFields }[] {
  if (again === null) return [];
  const today = new Date(now_ms).toISOString().slice(0, 10);
  const before = readings.filter(
    ({ findingId, kind, at, takenAt }) => findingId === again && at !== null && (kind === 'width' || kind === 'depth') && takenAt.slice(0, 10) < today,
  );
  const day = before.at(-1)?.takenAt.slice(0, 10);
  return before.filter(({ takenAt }) => takenAt.slice(0, 10) === day).map((reading) => ({ at: reading.at!, reading }));
}

/** Where the next depths would narrow a spall's volume most; asked only where that follows a finger. */
function nextOf(input: FindingInput | undefined): { at: readonly Point[] } | null {
  if (input?.kind !== 'spall' || (input.readings?.length ?? 0) > MOST_TRIED) return null;
  const { readings } = spallReadings(input);
  return readings.length < 3 ? null : readingsToHalve(spallReadings(input));
}

/** A width nobody can have meant, read in the unit that makes sense: thousandths of an inch, else hundredths of a millimetre. */
function meantWidth(speaker: Speaker, text: string): string | null {
  const digits = Number(/^\s*([\d.]+)/.exec(text)?.[1] ?? NaN);
  if (!(digits > 0)) return null;
  return speaker.system === 'us' ? `${digits / 1000} in` : digits <= 300 ? `${digits} mm` : `${digits / 100} mm`;
}

/** What was read at a place before, beside what is read now. */
function Former({ reading, n, count }: { reading: ReadingFields; n: number; count: number }) {
  const speaker = useSpeaker();
  const date = sayDate(speaker, reading.takenAt, 'date');
  return (
    <View role="status" className="bg-sunk p-3" testID="former">
      <T as="strong">{say(speaker, 'care.here', { was: reading.value.typed ?? printFigure(speaker, 'width_m', reading.value.value), date })}</T>
      <T>{say(speaker, 'care.places', { n: String(n), count: String(count), date })}</T>
    </View>
  );
}

/** What the visits say of a crack. */
function Movement({ finding, rows }: { finding: Finding; rows: readonly ReadingFields[] }) {
  const speaker = useSpeaker();
  const movement = crackMovement(visitsOf(rows, finding));
  if (!movement) return <T as="faint">{say(speaker, 'walk.oneVisit')}</T>;
  return (
    <T {...(movement.code === 'moving' || movement.code === 'growing' ? { tone: 'stop' as const } : {})}>
      {say(speaker, `walk.movement.${movement.code}`, {
        change_m: Math.abs(movement.change_m),
        error_m: 2 * movement.error_m,
        apart_s: movement.apart_s,
      })}
    </T>
  );
}
