import type { DoorsState } from '@tufa/contract/doors';
import { say } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { api } from '../outbox/api';
import { outbox } from '../outbox/Outbox';
import { useFirm } from '../outbox/useFirm';
import { useSpeaker } from '../parts/phone/speaker';
import { Button, Word } from '../parts/ui/Button';
import { Slide } from '../parts/ui/Slide';
import { T } from '../parts/ui/T';
import { doorText } from './useDoorForm';
import { ageText } from '../parts/phone/ageText';
import { sayDate } from '@tufa/words/dates';

type DeviceState = DoorsState['devices'][number];

/** Phones and desks of the firm: a lost one is shut out here. */
export function DevicesView({ devices, onChanged }: { devices: readonly DeviceState[]; onChanged: () => void }) {
  const speaker = useSpeaker();
  const { data } = useFirm();
  const [open, setOpen] = useState<string | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const tried = (work: Promise<unknown>): void => {
    setFailed(null);
    setOpen(null);
    work.then(onChanged, (error: unknown) => setFailed(doorText(speaker, error)));
  };
  const stateOf = ({ shut, wipedAt }: DeviceState): string | null => {
    if (!shut) return null;
    return wipedAt ? say(speaker, 'doors.shut.wiped', { date: sayDate(speaker, wipedAt, 'moment') }) : say(speaker, `doors.shut.${shut}`);
  };
  return (
    <View className="gap-3" testID="devices">
      <T as="h2">{say(speaker, 'doors.devices')}</T>
      {failed ? (
        <View role="alert">
          <T tone="stop">{failed}</T>
        </View>
      ) : null}
      {devices.map((device) => {
        const here = device.id === outbox.deviceId();
        const name = device.label;
        const names = device.persons.flatMap((id) => data.person[id]?.name ?? []).join(', ');
        const shut = stateOf(device);
        return (
          <View key={device.id} className="gap-2 border-b border-line pb-2">
            <View className="flex-row items-center justify-between gap-3">
              <View className="flex-1">
                <T as="strong">{here ? `${name} (${say(speaker, 'doors.thisDevice')})` : name}</T>
                <T as="faint">
                  {[
                    say(speaker, 'doors.device', { label: '', age: ageText(speaker, device.seenAt) }).replace(/^, /, ''),
                    names && say(speaker, 'doors.usedBy', { names }),
                  ]
                    .filter(Boolean)
                    .join('; ')}
                </T>
                {shut ? <T tone="caution">{shut}</T> : null}
              </View>
              {here ? null : (
                <Word
                  label={say(speaker, open === device.id ? 'sheet.close' : 'jobs.edit')}
                  hint={`${say(speaker, 'jobs.edit')} ${name}, ${names}`}
                  onPress={() => setOpen(open === device.id ? null : device.id)}
                />
              )}
            </View>
            {open !== device.id ? null : device.shut ? (
              <Button label={say(speaker, 'doors.open')} onPress={() => tried(api.openDevice(device.id))} />
            ) : (
              <View className="gap-3">
                <T as="small">{say(speaker, 'doors.shutHow')}</T>
                <Slide label={say(speaker, 'doors.shutTake')} onSlid={() => tried(api.shutDevice(device.id, 'take'))} />
                <Slide label={say(speaker, 'doors.shutLeave')} onSlid={() => tried(api.shutDevice(device.id, 'leave'))} />
              </View>
            )}
          </View>
        );
      })}
    </View>
  );
}
