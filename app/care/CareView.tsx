import { readingsOf } from '@tufa/contract/assemble';
import type { RowOf } from '@tufa/contract/entities';
import { careVisits } from '@tufa/core/plan';
import { printFigure, say } from '@tufa/words';
import { addMonths } from 'date-fns/addMonths';
import { formatISO } from 'date-fns/formatISO';
import { parseISO } from 'date-fns/parseISO';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { localAt } from '../day/localDay';
import { links } from '../links';
import { change } from '../outbox/useFirm';
import type { JobView } from '../parts/job/useJob';
import { saveFile } from '../parts/phone/saveFile';
import { useSpeaker } from '../parts/phone/speaker';
import { Button, Word } from '../parts/ui/Button';
import { DayField } from '../parts/ui/DayField';
import { Field } from '../parts/ui/Field';
import { T } from '../parts/ui/T';
import { careCalendar } from './careCalendar';
import { careText } from './careText';
import { EraseCustomer } from './EraseCustomer';
import { sayDate } from '@tufa/words/dates';

type Visit = RowOf<'careVisit'>;

/** As long as a note may be. */
const LONGEST_NOTE = 400;

const monthsAfter = (day: string, months: number): string => formatISO(addMonths(parseISO(day), months), { representation: 'date' });

/** What a repair asks to be looked at again, when, and what was found; the job closed once nothing of it is left to do. */
export function CareView({ view }: { view: JobView }) {
  const speaker = useSpeaker();
  const { data, job, input, plan, batches } = view;
  const today = localAt(view.now(), job.zone).slice(0, 10);
  const visits = Object.values(data.careVisit)
    .filter((visit) => visit.jobId === job.id && !visit.removed)
    .sort((a, b) => (a.dueOn < b.dueOn ? -1 : 1));
  const last = Math.max(0, ...batches.flatMap(({ ends }) => ends.map(({ at }) => at)));
  const from = last > 0 ? localAt(last, job.zone).slice(0, 10) : today;
  // As many of a kind as were planned, or left out, are not asked for again: the first of them.
  const known = Object.values(data.careVisit).filter(({ jobId }) => jobId === job.id);
  const wanted = plan ? careVisits(input, plan) : [];
  const asked = wanted.flatMap(({ findingId, kind, after_months }, i) => {
    const alike = (other: Pick<Visit, 'findingId' | 'kind'>): boolean => other.findingId === findingId && other.kind === kind;
    const before = wanted.slice(0, i).filter(alike).length;
    return before < known.filter(alike).length ? [] : [{ findingId, kind, dueOn: monthsAfter(from, after_months) }];
  });
  const keep = (): void => void view.write(...asked.map((visit) => change('careVisit', 'add', uuid(), { jobId: job.id, ...visit, doneOn: null, note: '' })));
  const calendar = async (): Promise<void> =>
    saveFile({ name: `${job.name}.visits.ics`, type: 'text/calendar', text: await careCalendar(job, visits, (visit) => careText(speaker, data, visit)) });
  return (
    <View className="gap-3" testID="care">
      <T as="h2">{say(speaker, 'care.title')}</T>
      <T as="small">{say(speaker, 'care.lead')}</T>
      {visits.length > 0 ? (
        <View role="list" aria-label={say(speaker, 'care.title')} className="border-t-2 border-ink">
          {visits.map((visit) => (
            <CareLine key={visit.id} view={view} visit={visit} today={today} />
          ))}
        </View>
      ) : null}
      {asked.length > 0 ? (
        <>
          <T as="strong">{say(speaker, 'care.asked')}</T>
          {asked.map((visit) => (
            <T key={`${visit.findingId} ${visit.kind} ${visit.dueOn}`}>{`${careText(speaker, data, visit)}, ${sayDate(speaker, visit.dueOn, 'date')}`}</T>
          ))}
          <Button writes="careVisit.add" label={say(speaker, 'care.keep')} onPress={keep} />
        </>
      ) : null}
      {visits.some(({ doneOn }) => doneOn === null) ? <Button label={say(speaker, 'care.calendar')} onPress={() => void calendar()} /> : null}
      <T as={job.closedOn ? 'body' : 'small'}>
        {job.closedOn ? say(speaker, 'care.closed', { date: sayDate(speaker, job.closedOn, 'date') }) : say(speaker, 'care.closeLead')}
      </T>
      {/* One control for both ways: the focus stays on it. */}
      <Button
        writes="job.change"
        label={say(speaker, job.closedOn ? 'care.open' : 'care.close')}
        onPress={() => void view.write(change('job', 'change', job.id, { closedOn: job.closedOn ? null : today }))}
      />
      <EraseCustomer job={job} />
    </View>
  );
}

/** One visit: when, what was read there before, and whether somebody has been there. */
function CareLine({ view, visit, today }: { view: JobView; visit: Visit; today: string }) {
  const speaker = useSpeaker();
  const router = useRouter();
  const { data, job } = view;
  const { id, findingId, dueOn, doneOn, note } = visit;
  const [seen, setSeen] = useState(note);
  const elementId = findingId && data.finding[findingId]?.elementId;
  const former = readingsOf(data, job.id).filter((reading) => reading.findingId === findingId && reading.kind === 'width');
  const day = former.at(-1)?.takenAt.slice(0, 10);
  const was = former.filter(({ takenAt }) => takenAt.slice(0, 10) === day).map(({ value }) => value.typed ?? printFigure(speaker, 'width_m', value.value));
  const to = (fields: Partial<Pick<Visit, 'dueOn' | 'doneOn' | 'note'>>): void => void view.write(change('careVisit', 'change', id, fields));
  const there = (): void =>
    router.push(elementId ? (former.length > 0 ? links.again(job.id, elementId, findingId) : links.lookingAt(job.id, elementId)) : links.step(job.id, 'walk'));
  return (
    <View role="listitem" className="gap-2 border-b border-line py-3">
      <T as="strong">{careText(speaker, data, visit)}</T>
      <T {...(doneOn === null && dueOn < today ? { tone: 'caution' as const } : {})}>
        {[
          doneOn === null
            ? say(speaker, 'care.due', { date: sayDate(speaker, dueOn, 'date') })
            : say(speaker, 'care.done', { date: sayDate(speaker, doneOn, 'date') }),
          ...(day ? [say(speaker, 'care.here', { was: was.join(', '), date: sayDate(speaker, day, 'date') })] : []),
        ].join('. ')}
      </T>
      <View className="flex-row flex-wrap gap-2">
        <Button writes="reading.add" label={say(speaker, 'care.there')} onPress={there} />
        <Button
          writes="careVisit.change"
          label={say(speaker, doneOn === null ? 'care.doneToday' : 'care.notYet')}
          onPress={() => to({ doneOn: doneOn === null ? today : null })}
        />
      </View>
      <View className="flex-row">
        <Field
          label={say(speaker, 'care.note')}
          value={seen}
          onChange={(text) => setSeen(text.slice(0, LONGEST_NOTE))}
          onBlur={() => seen.trim() !== note && to({ note: seen.trim() })}
          multiline
        />
      </View>
      {doneOn === null ? (
        <View className="flex-row flex-wrap items-end justify-between gap-2">
          <DayField label={say(speaker, 'care.day')} value={dueOn} onChange={(next) => next !== '' && to({ dueOn: next })} />
          <Word
            writes="careVisit.remove"
            label={say(speaker, 'care.remove')}
            hint={`${say(speaker, 'care.remove')}: ${careText(speaker, data, visit)}`}
            onPress={() => void view.write(change('careVisit', 'remove', id))}
          />
        </View>
      ) : null}
    </View>
  );
}
