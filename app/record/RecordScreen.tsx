import { say, printFigure, sayShare, sayCoded } from '@tufa/words';
import { format } from 'date-fns/format';
import { useRouter } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import { Button } from '../parts/ui/Button';
import { Cautions } from '../parts/job/Cautions';
import { Lines } from '../parts/ui/Lines';
import { voiceUrl } from '../photos/letters';
import { saveFile } from '../parts/phone/saveFile';
import { nothingYet, StepLayout, StepScreen } from '../parts/job/StepScreen';
import { Answer, T } from '../parts/ui/T';
import type { JobView } from '../parts/job/useJob';
import { LifeBar } from './LifeBar';
import { recordRows, unreadBatches, type RecordRow } from './recordRows';
import type { Speaker } from '@tufa/words/speak';
import { useSpeaker } from '../parts/phone/speaker';
import { loadCsv } from '../parts/phone/csv';
import { links } from '../links';

export const RecordScreen = () => <StepScreen step="record">{(view) => <Record key={view.job.id} view={view} />}</StepScreen>;

const seconds = (speaker: Speaker, value: number | null): string => (value === null ? '' : printFigure(speaker, 't_s', value));

/** What it really took against the plan, a batch at a time; CSV out. */
function Record({ view }: { view: JobView }) {
  const speaker = useSpeaker();
  const router = useRouter();
  const rows = useMemo(() => recordRows(view.data, view.batches), [view.data, view.batches]);
  const unread = unreadBatches(view.data, view.batches);
  if (rows.length + unread.length === 0)
    return (
      <StepLayout
        step="record"
        view={view}
        parts={nothingYet({
          title: say(speaker, 'record.none'),
          lead: say(speaker, 'record.noneLead'),
          label: say(speaker, 'step.pour'),
          onPress: () => router.replace(links.step(view.job.id, 'pour')),
        })}
      />
    );
  const lost = rows.filter(({ ends }) => ends.includes('wentHard')).length;
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
            <Answer size="number">{say(speaker, 'record.title', { count: rows.length + unread.length })}</Answer>
            <T as="lead">
              {say(speaker, 'record.lead', {
                lost: String(lost),
                mixed: printFigure(speaker, 'm_kg', mixed),
                planned: say(speaker, 'jobs.batches', { count: planned }),
              })}
            </T>
          </View>
        ),
        body: (
          <View className="gap-5">
            {rows.map((row) => (
              <Batch key={`${row.batch} ${row.startedAt}`} row={row} />
            ))}
            {unread.map(({ batch, startedAt }) => (
              <View key={`${batch} ${startedAt}`} className="gap-1">
                <T as="h2">{`${say(speaker, 'record.batch')} ${batch}, ${format(startedAt, 'd MMM, HH:mm')}`}</T>
                <T tone="caution">{say(speaker, 'record.unread')}</T>
              </View>
            ))}
            {view.plan ? <Cautions screen="record" input={view.input} plan={view.plan} view={view} /> : null}
          </View>
        ),
        foot: <Button label={say(speaker, 'record.csv')} tone="act" onPress={csv} />,
      }}
    />
  );
}

function Batch({ row }: { row: RecordRow }) {
  const speaker = useSpeaker();
  const end =
    row.ends.length > 1
      ? say(speaker, 'record.both', { a: sayCoded(speaker, `record.${row.ends[0]}`), b: sayCoded(speaker, `record.${row.ends[1]}`) })
      : row.ends[0]
        ? say(speaker, `record.${row.ends[0]}`)
        : say(speaker, 'record.running');
  return (
    <View className="gap-2">
      <T as="h2">{`${say(speaker, 'record.batch')} ${row.batch}, ${format(row.startedAt, 'd MMM, HH:mm')}`}</T>
      <LifeBar
        planPlace_s={row.planPlace_s}
        planFinish_s={row.planFinish_s}
        placed_s={row.placed_s}
        ended_s={row.ended_s}
        lost={row.ends.includes('wentHard')}
      />
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
            `${sayShare(speaker, row.share)}, ${printFigure(speaker, 'p_kg', row.powder_kg)}, ${say(speaker, 'record.water')} ${printFigure(speaker, 'w_kg', row.water_kg)}`,
          ],
          [
            say(speaker, 'record.temps'),
            `${printFigure(speaker, 't_C', row.mix_C)}; ${say(speaker, 'record.air')} ${printFigure(speaker, 't_C', row.air_C)}, ${say(speaker, 'record.slab')} ${printFigure(speaker, 't_C', row.slab_C)}`,
          ],
          [say(speaker, 'record.by'), row.person],
          ...(row.notes.length > 0 ? [[say(speaker, 'record.notes'), row.notes.join('; ')] as const] : []),
        ]}
      />
      {row.voices.map((id) => (
        <Voice key={id} id={id} />
      ))}
    </View>
  );
}

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
