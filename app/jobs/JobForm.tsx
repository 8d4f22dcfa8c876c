import type { JobFields } from '@tufa/contract/entities';
import { DEFAULT_BATCH, DEFAULT_CREW } from '@tufa/core/plan';
import { say } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { Controller } from 'react-hook-form';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { change, useFirmWith, write } from '../outbox/useFirm';
import { Button } from '../parts/ui/Button';
import { DayField } from '../parts/ui/DayField';
import { Field } from '../parts/ui/Field';
import { FieldProblem } from '../parts/ui/fieldProblem';
import { Screen } from '../parts/chrome/Screen';
import { Standing } from '../parts/chrome/Standing';
import { Answer, T } from '../parts/ui/T';
import { useWireForm } from '../parts/ui/useWireForm';
import { copyOfJob } from '../walk/copies';
import { useSpeaker } from '../parts/phone/speaker';
import { links } from '../links';
import { PlaceField } from './PlaceField';
import { placeText, readPlace, zoneOf } from './placeText';

interface JobText {
  name: string;
  customer: string;
  address: string;
  accessNote: string;
  place: string;
  pourOn: string;
  opensBy: string;
}

const NAMES = [
  ['name', 'jobs.name'],
  ['customer', 'jobs.customer'],
  ['address', 'jobs.address'],
  ['accessNote', 'jobs.access'],
] as const;

/** A new job, or the words of one changed; not before its words are here, or an empty form would stand for them. */
export function JobForm() {
  const speaker = useSpeaker();
  const { job: jobId } = useLocalSearchParams<{ job?: string }>();
  const firm = useFirmWith(jobId);
  if (!jobId || (firm.ready && firm.data.job[jobId])) return <JobWords key={jobId ?? 'new'} jobId={jobId} />;
  return (
    <Screen
      title={say(speaker, 'jobs.editTitle')}
      head={
        <Answer size="number" passing={!firm.ready}>
          {say(speaker, 'jobs.editTitle')}
        </Answer>
      }
    >
      <Standing firm={firm} />
      {firm.ready ? <T as="lead">{say(speaker, 'state.notFound')}</T> : null}
    </Screen>
  );
}

function JobWords({ jobId }: { jobId: string | undefined }) {
  const speaker = useSpeaker();
  const { data } = useFirmWith(jobId);
  const router = useRouter();
  const job = jobId ? data.job[jobId] : undefined;
  // As the firm begins its jobs.
  const begins = Object.values(data.firm)[0]?.settings.newJob;
  const initial: JobText = {
    name: job?.name ?? '',
    customer: job?.customer ?? '',
    address: job?.address ?? '',
    accessNote: job?.accessNote ?? '',
    place: job?.place ? placeText(job.place) : '',
    pourOn: job?.pourOn ?? '',
    opensBy: job?.opensBy ?? '',
  };
  const places = Object.values(data.firm)[0]?.settings.places ?? [];
  /** As it stands where nobody has touched it, with its name where the firm has one. */
  const placeOf = (text: string): JobFields['place'] => {
    if (text.trim() === '') return null;
    if (job?.place && placeText(job.place) === text) return job.place;
    const named = places.find((place) => placeText(place) === text.trim());
    const place = named ?? readPlace(text);
    if (!place) throw new FieldProblem('place', say(speaker, 'place.unreadable'));
    return place;
  };
  const form = useWireForm<JobText>({
    name: `job ${jobId ?? 'new'}`,
    row: job,
    initial,
    wire: {
      entity: 'job',
      toWire: (values) => ({
        ...values,
        place: placeOf(values.place),
        zone: job?.zone ?? Intl.DateTimeFormat().resolvedOptions().timeZone,
        pourOn: values.pourOn || null,
        opensBy: openingAfter(speaker, values),
        crew: job?.crew ?? begins?.crew ?? DEFAULT_CREW,
        batch: job?.batch ?? begins?.batch ?? DEFAULT_BATCH,
        demonstration: job?.demonstration ?? false,
      }),
      fieldOf: (path) => ({ field: path as keyof JobText }),
    },
  });
  const save = form.submit(async (wire, seen) => {
    const sent = wire as JobFields;
    // Clocks are the place's own, wherever this phone is.
    const moved = sent.place && (!job?.place || placeText(job.place) !== placeText(sent.place)) ? sent.place : null;
    // The map of zones may not be on the phone yet: without signal the clocks stay as they are, and nothing else is lost.
    const fields = moved ? { ...sent, zone: await zoneOf(moved).catch(() => sent.zone) } : sent;
    if (jobId) {
      const { name, customer, address, accessNote, place = null, zone, pourOn, opensBy = null } = fields;
      await write(change('job', 'change', jobId, { name, customer, address, accessNote, place, zone, pourOn, opensBy }, seen));
      router.replace('/jobs');
      return;
    }
    const id = uuid();
    await write(change('job', 'add', id, fields));
    router.replace(links.step(id, 'walk'));
  });
  const copy = async (): Promise<void> => {
    if (!job) return;
    const { id, changes } = copyOfJob(data, job, say(speaker, 'walk.copyOf', { name: job.name }));
    await write(...changes);
    router.replace(links.step(id, 'walk'));
  };
  return (
    <Screen
      title={say(speaker, jobId ? 'jobs.editTitle' : 'jobs.new')}
      head={
        <View className="gap-1">
          <Answer size="number">{say(speaker, jobId ? 'jobs.editTitle' : 'jobs.new')}</Answer>
          <T as="lead">{say(speaker, 'jobs.newLead')}</T>
        </View>
      }
      foot={
        <View className="flex-row gap-3">
          <Button
            label={say(speaker, 'walk.cancel')}
            onPress={() => {
              form.clear();
              router.replace('/jobs');
            }}
          />
          {job ? <Button writes="job.add" label={say(speaker, 'jobs.copy')} onPress={() => void copy()} /> : null}
          <Button writes="job.change" label={say(speaker, jobId ? 'jobs.save' : 'jobs.create')} tone="act" grow onPress={() => void save()} />
        </View>
      }
    >
      {NAMES.map(([name, label], i) => (
        <Controller
          key={name}
          control={form.control}
          name={name}
          render={({ field, fieldState }) => (
            <Field
              label={say(speaker, label)}
              value={field.value}
              onChange={field.onChange}
              onBlur={field.onBlur}
              fault={fieldState.error?.message}
              autoFocus={i === 0 && !jobId}
              onSubmit={() => void save()}
            />
          )}
        />
      ))}
      <Controller
        control={form.control}
        name="place"
        render={({ field, fieldState }) => (
          <PlaceField value={field.value} onChange={field.onChange} onBlur={field.onBlur} fault={fieldState.error?.message} places={places} />
        )}
      />
      {(['pourOn', 'opensBy'] as const).map((name) => (
        <Controller
          key={name}
          control={form.control}
          name={name}
          render={({ field, fieldState }) => (
            <DayField label={say(speaker, `jobs.${name}`)} value={field.value} onChange={field.onChange} fault={fieldState.error?.message} minute />
          )}
        />
      ))}
      {job?.place ? <T as="small">{say(speaker, 'place.zone', { zone: job.zone.replace('_', ' ') })}</T> : null}
    </Screen>
  );
}

/** When it must be open again: after the work has begun. @throws FieldProblem */
function openingAfter(speaker: Speaker, { pourOn, opensBy }: JobText): string | null {
  if (opensBy !== '' && pourOn !== '' && opensBy <= pourOn) throw new FieldProblem('opensBy', say(speaker, 'jobs.opensBefore'));
  return opensBy || null;
}
