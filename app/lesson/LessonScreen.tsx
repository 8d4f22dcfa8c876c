import type { JobFields } from '@tufa/contract/entities';
import { DEFAULT_BATCH, DEFAULT_CREW } from '@tufa/core/plan';
import { say } from '@tufa/words';
import { useRouter } from 'expo-router';
import { v7 as uuid } from 'uuid';
import { links } from '../links';
import { usePerson } from '../outbox/session';
import { change, useFirm, write } from '../outbox/useFirm';
import { Screen } from '../parts/chrome/Screen';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { Answer, T } from '../parts/ui/T';
import { keepLesson, useLesson } from './lesson';

/** A first job led by the hand, in the demonstration's world: begun, gone on with, or begun anew. */
export function LessonScreen() {
  const speaker = useSpeaker();
  const router = useRouter();
  const person = usePerson();
  const { data } = useFirm();
  const lesson = useLesson();
  const underWay = lesson && data.job[lesson.jobId] && !data.job[lesson.jobId]!.removed ? lesson : null;
  const begin = async (): Promise<void> => {
    const id = uuid();
    const fields: JobFields = {
      name: say(speaker, 'lesson.jobName'),
      customer: '',
      address: '',
      accessNote: '',
      zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
      pourOn: null,
      crew: DEFAULT_CREW,
      batch: DEFAULT_BATCH,
      demonstration: true,
    };
    await write(change('job', 'add', id, fields));
    keepLesson({ jobId: id, seen: [], left: false });
    router.push(links.step(id, 'walk'));
  };
  const goOn = (): void => {
    keepLesson({ ...underWay!, left: false });
    router.push(links.step(underWay!.jobId, 'walk'));
  };
  return (
    <Screen
      title={say(speaker, 'lesson.title')}
      head={
        <>
          <Answer size="number">{say(speaker, 'lesson.title')}</Answer>
          <T as="lead">{say(speaker, person?.demonstration ? 'lesson.lead' : 'lesson.demoOnly')}</T>
        </>
      }
    >
      {person?.demonstration ? (
        <>
          {underWay ? <Button label={say(speaker, 'lesson.goOn')} tone="act" onPress={goOn} /> : null}
          <Button
            writes="job.add"
            label={say(speaker, underWay ? 'lesson.again' : 'lesson.begin')}
            {...(underWay ? {} : { tone: 'act' as const })}
            onPress={() => void begin()}
          />
        </>
      ) : null}
    </Screen>
  );
}
