import { KIT_GROUPS, kitOf } from '@tufa/core/plan';
import { say, sayKit } from '@tufa/words';
import { useLocalSearchParams } from 'expo-router';
import { useMemo, useState } from 'react';
import { Text, View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { change, write } from '../outbox/useFirm';
import { usePerson } from '../outbox/session';
import { Button } from '../parts/ui/Button';
import { now } from '../parts/phone/clock';
import { T } from '../parts/ui/T';
import type { JobView } from '../parts/job/useJob';
import { loadedOf } from './loadedOf';
import { poursTomorrow } from './poursTomorrow';
import { Toggle } from '../parts/ui/Toggle';
import { useSpeaker } from '../parts/phone/speaker';

/** What is loaded for the job, each ticked when it is on the truck; the day before it asks for what is not. */
export function KitList({ view }: { view: JobView }) {
  const speaker = useSpeaker();
  const { kit } = useLocalSearchParams<{ kit?: string }>();
  const [open, setOpen] = useState(kit === 'open');
  const person = usePerson();
  const { input, plan, job, data } = view;
  const items = useMemo(() => (plan ? kitOf(input, plan) : []), [input, plan]);
  const ticks = useMemo(() => loadedOf(data, job.id), [data, job.id]);
  if (items.length === 0) return null;
  const done = items.filter(({ key }) => ticks.has(key)).length;
  const soon = poursTomorrow(job);
  const tick = (key: string): void => {
    const tick = ticks.get(key);
    const row = { jobId: job.id, elementId: null, findingId: null, at: null, takenAt: new Date(now()).toISOString() };
    void write(
      tick
        ? change('reading', 'add', uuid(), { ...row, kind: 'removal', subject: tick, value: { value: 0, source: 'typed' } })
        : change('reading', 'add', uuid(), { ...row, kind: 'acknowledged', subject: key, value: { value: 1, source: 'typed', by: person?.name ?? '' } }),
    );
  };
  return (
    <View className="gap-2" testID="kit">
      {soon && done < items.length ? <T tone="caution">{say(speaker, 'kit.missing', { count: items.length - done })}</T> : null}
      <Button
        label={open ? say(speaker, 'kit.close') : say(speaker, 'kit.open', { done: String(done), all: String(items.length) })}
        onPress={() => setOpen(!open)}
      />
      {open
        ? KIT_GROUPS.map((group) => {
            const ofGroup = items.filter((item) => item.group === group);
            return ofGroup.length === 0 ? null : (
              <View key={group} role="group" aria-label={say(speaker, `kit.groups.${group}`)}>
                <T as="h2">{say(speaker, `kit.groups.${group}`)}</T>
                {ofGroup.map((item) => (
                  <Toggle
                    key={item.key}
                    role="checkbox"
                    aria-checked={ticks.has(item.key)}
                    aria-label={sayKit(speaker, item)}
                    onPress={() => tick(item.key)}
                    className="min-h-[56px] lg:min-h-[48px] flex-row items-center gap-3 border-b border-line py-2"
                  >
                    <View
                      className={`h-[32px] w-[32px] items-center justify-center border-2 ${ticks.has(item.key) ? 'border-selected bg-selected' : 'border-edge bg-sheet'}`}
                    >
                      <Text className="font-text text-16 font-bold text-on-selected" aria-hidden>
                        {ticks.has(item.key) ? '✓' : ''}
                      </Text>
                    </View>
                    <T className="flex-1">{sayKit(speaker, item)}</T>
                  </Toggle>
                ))}
              </View>
            );
          })
        : null}
    </View>
  );
}
