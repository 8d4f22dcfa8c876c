import { say, printFigure, sayShare, sayCoded, printWater } from '@tufa/words';
import { format } from 'date-fns/format';
import { useRouter } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { Pressable, Text, View } from 'react-native';
import { Button } from '../parts/ui/Button';
import { Cautions } from '../parts/job/Cautions';
import { afterwards } from '../parts/ui/following';
import { Growing } from '../parts/ui/Growing';
import { Lines } from '../parts/ui/Lines';
import { weatherClass } from '@tufa/core/weather';
import { findingName } from '@tufa/words/findingName';
import { planKind } from '@tufa/words/survey';
import { servesText } from '../mix/batchText';
import { CareView } from '../care/CareView';
import { JobFigures } from '../crewFigures/JobFigures';
import { BeforeAfter, pairsOf } from './BeforeAfter';
import { DocumentsView } from './DocumentsView';
import { timelineOf } from './timelineOf';
import { voiceUrl } from '../photos/letters';
import { saveFile } from '../parts/phone/saveFile';
import { nothingYet, StepLayout, StepScreen } from '../parts/job/StepScreen';
import { Answer, T } from '../parts/ui/T';
import type { JobView } from '../parts/job/useJob';
import { JobOut } from './JobOut';
import { LifeBar } from './LifeBar';
import { recordRows, unreadBatches, type RecordRow } from './recordRows';
import type { Speaker } from '@tufa/words/speak';
import { useSpeaker } from '../parts/phone/speaker';
import { loadCsv } from '../parts/phone/csv';
import { links } from '../links';
import { sayDate } from '@tufa/words/dates';

export const RecordScreen = () => <StepScreen step="record">{(view) => <Record key={view.job.id} view={view} />}</StepScreen>;

/** Water that is off by more than this is told with the batch. */
const DRIFT = 0.02;

const seconds = (speaker: Speaker, value: number | null): string => (value === null ? '' : printFigure(speaker, 't_s', value));

/** What it really took against the plan, a batch at a time; CSV out. */
function Record({ view }: { view: JobView }) {
  const speaker = useSpeaker();
  const router = useRouter();
  const rows = useMemo(() => recordRows(view.data, view.batches, view.events), [view.data, view.batches, view.events]);
  const pairs = useMemo(() => pairsOf(view.data.photograph, view.job.id), [view.data.photograph, view.job.id]);
  const unread = unreadBatches(view.data, view.batches);
  if (rows.length + unread.length === 0) {
    const parts = nothingYet({
      title: say(speaker, 'record.none'),
      lead: say(speaker, 'record.noneLead'),
      label: say(speaker, 'step.pour'),
      onPress: () => router.replace(links.step(view.job.id, 'pour')),
    });
    // An offer goes out before anything is poured.
    const body = (
      <View className="gap-5">
        {parts.body}
        {view.plan ? <DocumentsView jobId={view.job.id} /> : null}
        <JobOut view={view} />
      </View>
    );
    return <StepLayout step="record" view={view} parts={{ ...parts, body }} />;
  }
  const lost = rows.filter(({ ends }) => ends.includes('wentHard') || ends.includes('thrown')).length;
  const mixed = rows.reduce((sum, { powder_kg }) => sum + powder_kg, 0);
  const planned = view.plan?.batches.filter(({ window }) => window !== null).length ?? rows.length;
  const csv = async (): Promise<void> => {
    const { unparse } = await loadCsv();
    const text = unparse(
      rows.map((row) => ({
        batch: row.batch,
        material: row.material,
        started: new Date(row.startedAt).toISOString(),
        by: row.person,
        share_of_bag: row.share,
        powder_kg: row.powder_kg,
        water_kg: row.water_kg,
        area_m2: row.area_m2,
        mix_C: row.mix_C,
        air_C: row.air_C,
        slab_C: row.slab_C,
        plan_place_by_s: row.planPlace_s,
        plan_finish_by_s: row.planFinish_s,
        placed_after_s: row.placed_s,
        ended_after_s: row.ended_s,
        end: row.ends.join(' and '),
        notes: row.notes.join('; '),
      })),
      // A cell that a spreadsheet would run as a formula is quoted as text.
      { escapeFormulae: true },
    );
    saveFile({ name: `${view.job.name}.record.csv`, type: 'text/csv', text });
  };
  return (
    <StepLayout
      step="record"
      view={view}
      parts={{
        head: (
          <View className="gap-1">
            <Answer size="number">
              {`${say(speaker, 'record.title', { count: rows.length + unread.length })}${lost > 0 ? `, ${say(speaker, 'record.lost', { lost: String(lost) })}` : ''}`}
            </Answer>
            <T as="lead">
              {say(speaker, 'record.lead', { mixed: printFigure(speaker, 'm_kg', mixed), planned: say(speaker, 'jobs.batches', { count: planned }) })}
            </T>
          </View>
        ),
        body: (
          <View className="gap-5">
            <Growing label={say(speaker, 'record.batches')} rows={rows.map((row) => ({ id: `${row.batch} ${row.startedAt}`, row }))}>
              {({ row }) => <Batch view={view} row={row} />}
            </Growing>
            {unread.map(({ batch, startedAt }) => (
              <View key={`${batch} ${startedAt}`} className="gap-1">
                <T as="h2">{`${say(speaker, 'record.batch')} ${batch}, ${sayDate(speaker, startedAt, 'dayAndTime')}`}</T>
                <T tone="caution">{say(speaker, 'record.unread')}</T>
              </View>
            ))}
            {pairs.map(({ before, after }) => (
              <BeforeAfter
                key={after.id}
                before={before}
                after={after}
                name={after.findingId ? findingName(speaker, view.data, after.findingId) : view.job.name}
              />
            ))}
            <JobFigures view={view} />
            <DocumentsView jobId={view.job.id} />
            <CareView view={view} />
            <Timeline view={view} />
            <Button label={say(speaker, 'find.like')} onPress={() => router.push(links.find(likeThis(speaker, view, rows)))} />
            {view.plan ? <Cautions screen="record" input={view.input} plan={view.plan} view={view} /> : null}
          </View>
        ),
        foot: (
          <View className="flex-row gap-3">
            <JobOut view={view} />
            <View className="flex-1">
              <Button label={say(speaker, 'record.csv')} tone="act" onPress={csv} />
            </View>
          </View>
        ),
      }}
    />
  );
}

/** Words by which other work of this kind is found: on what, what was wrong, in what weather. */
function likeThis(speaker: Speaker, { data, finding }: JobView, [first]: readonly RecordRow[]): string {
  const found = data.finding[finding?.findingId ?? ''];
  const element = data.element[found?.elementId ?? ''];
  return [
    ...(element ? [say(speaker, `word.kind.${element.kind}`)] : []),
    ...(found ? [say(speaker, `walk.kinds.${planKind(found)}`)] : []),
    ...(first ? [say(speaker, `find.weather.${weatherClass(first)}`)] : []),
  ].join(' ');
}

/** One batch against its plan: how long it lasted, and with a tap why and by whom. */
function Batch({ view, row }: { view: JobView; row: RecordRow }) {
  const speaker = useSpeaker();
  const [open, setOpen] = useState(false);
  const end =
    row.ends.length > 1
      ? say(speaker, 'record.both', { a: sayCoded(speaker, `record.${row.ends[0]}`), b: sayCoded(speaker, `record.${row.ends[1]}`) })
      : row.ends[0]
        ? say(speaker, `record.${row.ends[0]}`)
        : say(speaker, 'record.running');
  const lost = row.ends.includes('wentHard') || row.ends.includes('thrown');
  const real = row.ended_s ?? row.placed_s;
  const drift = row.used_kg === null || row.water_kg === 0 ? 0 : row.used_kg / row.water_kg - 1;
  return (
    <View className="gap-1 border-b border-line py-2">
      <Pressable
        role="button"
        aria-expanded={open}
        aria-label={`${say(speaker, 'record.batch')} ${row.batch}: ${servesText(speaker, view.data, row.planned)}, ${end}`}
        onPress={() => setOpen(!open)}
        className="min-h-[56px] gap-1"
      >
        <View className="flex-row items-baseline gap-3">
          <Text className="font-head w-[44px] text-28 font-bold text-ink">{row.batch}</Text>
          <T as="strong" className="flex-1">
            {servesText(speaker, view.data, row.planned)}
          </T>
          <T as="strong">{real === null ? end : say(speaker, 'record.of', { real: seconds(speaker, real), planned: seconds(speaker, row.planFinish_s) })}</T>
        </View>
        <View className="pl-[56px]">
          <LifeBar planPlace_s={row.planPlace_s} planFinish_s={row.planFinish_s} placed_s={row.placed_s} ended_s={row.ended_s} lost={lost} />
          <T as="small" {...(lost ? { tone: 'stop' as const, className: 'font-bold' } : {})}>
            {[
              ...(lost ? [end] : []),
              // Of a resin or a cartridge nobody measures water.
              ...(row.water_kg > 0 ? [`${say(speaker, 'record.water')} ${printWater(speaker, row.used_kg ?? row.water_kg)}`] : []),
              ...(Math.abs(drift) >= DRIFT ? [say(speaker, drift > 0 ? 'record.wetter' : 'record.drier', { off_share: Math.abs(drift) })] : []),
              `${say(speaker, 'record.temps')} ${printFigure(speaker, 't_C', row.mix_C)}`,
              `${say(speaker, 'record.slab')} ${printFigure(speaker, 't_C', row.slab_C)}`,
            ].join(', ')}
          </T>
        </View>
      </Pressable>
      {open ? (
        <Lines
          label={`${say(speaker, 'record.batch')} ${row.batch}`}
          lines={[
            [
              say(speaker, 'record.placedAfter'),
              `${seconds(speaker, row.placed_s)} (${say(speaker, 'pour.planned', { time: seconds(speaker, row.planPlace_s) })})`,
            ],
            [
              say(speaker, 'record.endedAfter'),
              `${end} ${seconds(speaker, row.ended_s)} (${say(speaker, 'pour.planned', { time: seconds(speaker, row.planFinish_s) })})`,
              row.ends.includes('wentHard') ? 'stop' : undefined,
            ],
            [
              say(speaker, 'record.share'),
              [
                sayShare(speaker, row.share),
                printFigure(speaker, 'p_kg', row.powder_kg),
                ...(row.water_kg > 0 ? [`${say(speaker, 'record.water')} ${printWater(speaker, row.water_kg)}`] : []),
              ].join(', '),
            ],
            [
              say(speaker, 'record.temps'),
              `${printFigure(speaker, 't_C', row.mix_C)}; ${say(speaker, 'record.air')} ${printFigure(speaker, 't_C', row.air_C)}, ${say(speaker, 'record.slab')} ${printFigure(speaker, 't_C', row.slab_C)}`,
            ],
            ...(row.area_m2 === null ? [] : [[say(speaker, 'record.area'), printFigure(speaker, 'a_m2', row.area_m2)] as const]),
            [say(speaker, 'record.by'), row.person],
            ...(row.notes.length > 0 ? [[say(speaker, 'record.notes'), row.notes.join('; ')] as const] : []),
          ]}
        />
      ) : null}
      {row.voices.map((id) => (
        <Voice key={id} id={id} />
      ))}
    </View>
  );
}

/** All that happened to the job, from the survey to the last check. */
const Timeline = afterwards(function Timeline({ view }: { view: JobView }) {
  const speaker = useSpeaker();
  const happenings = useMemo(() => timelineOf(speaker, view), [speaker, view]);
  if (happenings.length === 0) return null;
  return (
    <View className="gap-1" testID="timeline">
      <T as="h2">{say(speaker, 'record.timeline')}</T>
      <Growing label={say(speaker, 'record.timeline')} rows={happenings.map((happening, i) => ({ id: happening.id, happening, before: happenings[i - 1] }))}>
        {({ happening: { at, who, text, tone }, before }) => {
          const day = sayDate(speaker, at, 'date');
          return (
            <View>
              {before && sayDate(speaker, before.at, 'date') === day ? null : <T as="strong">{day}</T>}
              <View className="flex-row gap-3 border-b border-line py-1">
                <T as="small">{format(at, 'HH:mm')}</T>
                <T className="flex-1" {...(tone ? { tone } : {})}>
                  {text}
                </T>
                <T as="small">{who}</T>
              </View>
            </View>
          );
        }}
      </Growing>
    </View>
  );
});

/** A note that was spoken, to be played where it is read. */
function Voice({ id }: { id: string }) {
  const speaker = useSpeaker();
  const [url, setUrl] = useState<string | null>(null);
  useEffect(() => {
    let gone = false;
    void voiceUrl(id).then((made) => !gone && setUrl(made));
    return () => {
      gone = true;
    };
  }, [id]);
  return url ? <audio controls src={url} aria-label={say(speaker, 'pour.voice')} style={{ width: '100%' }} /> : null;
}
