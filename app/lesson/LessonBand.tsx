import { say, sayCoded } from '@tufa/words';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { links, type Step } from '../links';
import { onceBack } from '../parts/chrome/goBack';
import type { JobView } from '../parts/job/useJob';
import { useSpeaker } from '../parts/phone/speaker';
import { Button, Word } from '../parts/ui/Button';
import { T } from '../parts/ui/T';
import { keepLesson, LESSON_STEPS, nextOf, seenInLesson, useLesson, type Lesson } from './lesson';

/** The line at the top of a first job: what comes next, why, and the way there. Nothing on any other job. */
export function LessonBand({ view, step }: { view: JobView; step: Step }) {
  const lesson = useLesson();
  return lesson && lesson.jobId === view.job.id && !lesson.left && view.practice === null ? <Led lesson={lesson} view={view} step={step} /> : null;
}

function Led({ lesson, view, step }: { lesson: Lesson; view: JobView; step: Step }) {
  const speaker = useSpeaker();
  const router = useRouter();
  const { batch, doing } = useLocalSearchParams<{ batch?: string; doing?: string }>();
  const [asked, setAsked] = useState<string | null>(null);
  const next = nextOf(view, lesson.seen);
  const recorded = step === 'record' && next?.at.code === 'record';
  useEffect(() => {
    if (step === 'mix' && batch) seenInLesson(view.job.id, 'ticket');
  }, [step, batch, view.job.id]);
  const words = next?.at.step === step ? next.at.taps.map((word) => sayCoded(speaker, word)) : [];
  // Asked after every drawing of the screen: what is to be tapped is outlined wherever it has come to stand.
  useEffect(() => pointAt(words));
  if (!next)
    return (
      <View className="border-4 border-act bg-sheet p-3 gap-2" role="status" testID="lesson">
        <T as="strong">{say(speaker, 'lesson.done')}</T>
        <T as="faint">{say(speaker, 'lesson.doneLead')}</T>
        <View className="flex-row gap-2">
          <Button label={say(speaker, 'bench.rehearse')} grow onPress={() => router.push(links.rehearse())} />
          <Button label={say(speaker, 'lesson.leave')} grow onPress={() => keepLesson({ ...lesson, left: true })} />
        </View>
      </View>
    );
  const { at, n } = next;
  return (
    <View className="border-4 border-act bg-sheet px-3 py-2 gap-1" role="status" testID="lesson">
      <T>
        <T as="strong">{`${say(speaker, 'lesson.of', { n: String(n), all: String(LESSON_STEPS) })}  `}</T>
        {say(speaker, `lesson.todo.${at.code}`)}
      </T>
      {asked === at.code ? <T as="faint">{say(speaker, `lesson.because.${at.code}`)}</T> : null}
      {doing ? null : (
        <View className="flex-row flex-wrap items-center">
          <Word label={say(speaker, 'lesson.why')} onPress={() => setAsked(asked === at.code ? null : at.code)} />
          <Word label={say(speaker, 'lesson.leave')} onPress={() => (keepLesson({ ...lesson, left: true }), onceBack(() => router.push(links.lesson())))} />
          {at.step === step ? null : (
            <View className="flex-1">
              <Button
                label={say(speaker, 'lesson.next', { step: say(speaker, `step.${at.step}`) })}
                tone="act"
                onPress={() => onceBack(() => router.push(links.step(view.job.id, at.step)))}
              />
            </View>
          )}
          {recorded ? (
            <View className="flex-1">
              <Button label={say(speaker, 'lesson.seen')} tone="act" onPress={() => seenInLesson(view.job.id, 'record')} />
            </View>
          ) : null}
        </View>
      )}
    </View>
  );
}

/** Outlines the button that comes next by its words, and no other. */
function pointAt(words: readonly string[]): void {
  for (const led of document.querySelectorAll('[data-led]')) led.removeAttribute('data-led');
  const buttons = [...document.querySelectorAll<HTMLElement>('[role="main"] [role="button"], [role="main"] button')];
  for (const word of words) {
    const found = buttons.find((button) => button.textContent === word);
    if (found) return found.setAttribute('data-led', '');
  }
}
