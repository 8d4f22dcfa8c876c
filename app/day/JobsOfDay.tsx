import type { FirmData, RowOf } from '@tufa/contract/entities';
import { namedOnly, type JobInTurn, type PlanInput } from '@tufa/core/plan';
import { say } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { change, useFirm, useJobsWith } from '../outbox/useFirm';
import { jobFile } from '../parts/job/jobFile';
import type { JobView } from '../parts/job/useJob';
import { now } from '../parts/phone/clock';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { Field } from '../parts/ui/Field';
import { T } from '../parts/ui/T';
import { useWorkedOut } from '../workers/useWorkedOut';
import { clockText } from './barText';
import { askedOf, EARLIEST_S, presentMinute } from './useDayPlan';

const TRAVEL = { usual: '30', most: 600 } as const;
const STEP_S = 300;

interface Planned {
  readonly minute: string;
  readonly row: RowOf<'job'>;
  readonly input: PlanInput;
  readonly asked: ReturnType<typeof askedOf>;
}

const made = new WeakMap<FirmData, Planned>();

/** What is asked of the job that some rows are of, the very same while they are; null without a choice: there is nothing to put in order. */
function plannedIn(data: FirmData, minute: string): Planned | null {
  const before = made.get(data);
  if (before?.minute === minute) return before;
  const [row] = Object.values(data.job);
  const input = row && jobFile(data, row.id);
  if (!row || !input || input.treatments.length === 0) return null;
  const fresh = { minute, row, input: namedOnly(input), asked: askedOf(data, row, minute) };
  made.set(data, fresh);
  return fresh;
}

/** The crew's other jobs of a day with this one: in which order, from when to when, and what then opens late. Nothing where there is no other. */
export function JobsOfDay({ view, day }: { view: JobView; day: string }) {
  const speaker = useSpeaker();
  const firm = useFirm();
  const { job } = view;
  const minute = presentMinute(job.zone);
  const [minutes, setMinutes] = useState<string>(TRAVEL.usual);
  const travel_min = Number(minutes);
  const known = minutes.trim() !== '' && travel_min >= 0 && travel_min <= TRAVEL.most;
  const ids = Object.values(firm.data.job)
    .filter((other) => !other.removed && other.id !== job.id && other.pourOn?.slice(0, 10) === day && other.zone === job.zone)
    .map(({ id }) => id)
    .sort();
  const rows = useJobsWith(ids);
  const datas = [view.data, ...ids.flatMap((id) => rows.get(id) ?? [])];
  const planned = datas.flatMap((data) => plannedIn(data, minute) ?? []);
  const from_s = Math.max(EARLIEST_S, ...planned.map(({ asked }) => asked.ask.from_s));
  const order = useWorkedOut(
    `jobs ${travel_min}`,
    planned.length > 1 && known ? planned : null,
    (worker) =>
      worker.dayOfJobs(
        planned.map(({ input, asked }) => ({ input, asked: { ...asked, now_ms: now() } })),
        { travel_s: travel_min * 60, from_s },
      ),
    { keepLast: true, by: 'beside' },
  );
  if (planned.length < 2) return null;
  const turns = order.data?.value ?? [];
  const hourOf = (seconds: number): string => `${day}T${clockText(Math.round(seconds / STEP_S) * STEP_S)}`;
  const wanted = turns.flatMap(({ nth, firstWater_s }) => {
    const row = planned[nth]?.row;
    return row && firstWater_s !== null && firstWater_s < 86400 ? [{ row, pourOn: hourOf(firstWater_s) }] : [];
  });
  const take = (): void => void view.write(...wanted.map(({ row, pourOn }) => change('job', 'change', row.id, { pourOn })));
  const text = ({ arrive_s, done_s, firstWater_s, late, clash }: JobInTurn): string =>
    [
      done_s === null ? say(speaker, 'dayPlan.jobsClash') : say(speaker, 'dayPlan.jobsOf', { from: clockText(arrive_s), to: clockText(done_s) }),
      ...(firstWater_s === null ? [] : [say(speaker, 'dayPlan.jobsFirst', { time: clockText(firstWater_s) })]),
      ...(clash && done_s !== null ? [say(speaker, 'dayPlan.jobsClash')] : []),
      ...(late ? [say(speaker, 'dayPlan.jobsLate')] : []),
    ].join(', ');
  return (
    <View className="gap-2" testID="jobs-of-day">
      <T as="h2">{say(speaker, 'dayPlan.jobs')}</T>
      <T as="small">{say(speaker, 'dayPlan.jobsLead')}</T>
      <View role="list" aria-label={say(speaker, 'dayPlan.jobs')}>
        {turns.map((turn) => (
          <View key={planned[turn.nth]?.row.id} role="listitem" className="border-b border-line py-2">
            <T as="strong">{planned[turn.nth]?.row.name}</T>
            <T {...(turn.late || turn.clash ? { tone: 'stop' as const } : {})}>{text(turn)}</T>
          </View>
        ))}
      </View>
      <View className="flex-row">
        <Field label={say(speaker, 'dayPlan.travel')} value={minutes} onChange={setMinutes} fault={known ? undefined : say(speaker, 'dayPlan.minutesFault')} />
      </View>
      {wanted.length === 0 ? null : wanted.every(({ row, pourOn }) => row.pourOn === pourOn) ? (
        <T as="small">{say(speaker, 'dayPlan.taken')}</T>
      ) : (
        <Button writes="job.change" label={say(speaker, 'dayPlan.take')} onPress={take} />
      )}
    </View>
  );
}
