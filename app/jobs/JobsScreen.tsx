import { say, sayCoded } from '@tufa/words';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { Way } from '../parts/chrome/Way';
import { useFirm, useStandings, change, write } from '../outbox/useFirm';
import { Button, Word } from '../parts/ui/Button';
import { Field } from '../parts/ui/Field';
import { Growing } from '../parts/ui/Growing';
import { Screen } from '../parts/chrome/Screen';
import { Standing } from '../parts/chrome/Standing';
import { SyncLine } from '../parts/chrome/SyncLine';
import { Answer, T } from '../parts/ui/T';
import { UndoBand } from '../parts/ui/UndoBand';
import { NOTHING_YET } from '../rows/standing';
import { JobPicture, jobsOf } from './JobList';
import { useSpeaker } from '../parts/phone/speaker';
import { links } from '../links';

/** All jobs, with a search over what a person would remember of one. */
export function JobsScreen() {
  const speaker = useSpeaker();
  const firm = useFirm();
  const router = useRouter();
  const [words, setWords] = useState('');
  const [removed, setRemoved] = useState<{ id: string; name: string } | null>(null);
  const standings = useStandings();
  const all = jobsOf(firm.data);
  // What is closed is looked for, not scrolled by.
  const jobs = all.filter(({ closedOn }) => !closedOn);
  const found = (words.trim() === '' ? jobs : all).filter(({ name, customer, address }) =>
    `${name} ${customer} ${address}`.toLowerCase().includes(words.trim().toLowerCase()),
  );
  return (
    <Screen
      title={say(speaker, 'jobs.title')}
      head={
        <View className="flex-row items-center justify-between">
          <Answer size="number">{firm.ready || jobs.length > 0 ? say(speaker, 'jobs.count', { count: jobs.length }) : say(speaker, 'jobs.title')}</Answer>
          <SyncLine />
        </View>
      }
      foot={
        <View className="gap-3">
          {removed ? (
            <UndoBand
              said={say(speaker, 'jobs.removed', { name: removed.name })}
              label={say(speaker, 'jobs.undo')}
              onUndo={() => void write(change('job', 'change', removed.id, { name: removed.name })).then(() => setRemoved(null))}
            />
          ) : null}
          <View className="flex-row items-end gap-3">
            <Field label={say(speaker, 'jobs.search')} value={words} onChange={setWords} />
            <Button label={say(speaker, 'find.open')} onPress={() => router.push(links.find(words.trim() || undefined))} />
          </View>
          <Button writes="job.add" label={say(speaker, 'jobs.new')} tone="act" onPress={() => router.push(links.newJob())} />
        </View>
      }
    >
      <Standing firm={firm} />
      {firm.ready && jobs.length === 0 ? <T as="lead">{say(speaker, 'jobs.empty')}</T> : null}
      {firm.ready && jobs.length > 0 && found.length === 0 ? <T as="lead">{say(speaker, 'jobs.none')}</T> : null}
      <Growing rows={found}>
        {(job) => (
          <View className="flex-row items-center border-b border-line">
            <Way href={links.step(job.id, 'walk')} className="min-h-[76px] flex-1 flex-row items-center gap-4 py-3">
              <JobPicture jobId={job.id} drawn={standings[job.id]?.drawn ?? 0} />
              <View className="flex-1">
                <T as="strong">{job.name}</T>
                <T as="faint">{[job.closedOn ? say(speaker, 'jobs.closed') : '', job.customer, job.address].filter(Boolean).join(', ')}</T>
                {job.closedOn ? null : <T as="small">{sayCoded(speaker, `now.wait.${(standings[job.id] ?? NOTHING_YET).wait.code}`)}</T>}
              </View>
            </Way>
            <View className="flex-row">
              <Word
                writes="job.change"
                label={say(speaker, 'jobs.edit')}
                hint={`${say(speaker, 'jobs.edit')} ${job.name}`}
                onPress={() => router.push(links.editJob(job.id))}
              />
              <Word
                writes="job.remove"
                label={say(speaker, 'jobs.remove')}
                hint={`${say(speaker, 'jobs.remove')} ${job.name}`}
                onPress={() => void write(change('job', 'remove', job.id)).then(() => setRemoved({ id: job.id, name: job.name }))}
              />
            </View>
          </View>
        )}
      </Growing>
    </Screen>
  );
}
