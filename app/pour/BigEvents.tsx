import type { TapKind } from '@tufa/core/pour';
import { say } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '../parts/ui/Button';
import { Field } from '../parts/ui/Field';
import { usePhone } from '../parts/phone/useSettings';
import { useSpeaker } from '../parts/phone/speaker';

/** The events of one batch under the thumb: placed, finished, went hard; or the note being written. */
export function BigEvents({
  placed,
  busy,
  noting,
  onTap,
  onNoteEnd,
}: {
  placed: boolean;
  busy: boolean;
  noting: boolean;
  onTap: (kind: TapKind, text?: string) => void;
  onNoteEnd: () => void;
}) {
  const speaker = useSpeaker();
  const { hand } = usePhone();
  const [text, setText] = useState('');
  const row = hand === 'right' ? 'flex-row' : 'flex-row-reverse';
  if (noting)
    return (
      <View className="gap-3 bg-ground p-3">
        <Field label={say(speaker, 'pour.notePlaceholder')} value={text} onChange={setText} autoFocus />
        <View className={`${row} gap-3`}>
          <Button label={say(speaker, 'pour.cancel')} onPress={onNoteEnd} />
          <Button
            label={say(speaker, 'pour.keepNote')}
            tone="act"
            grow
            disabled={text.trim() === '' || busy}
            onPress={() => {
              onTap('note', text.trim());
              setText('');
            }}
          />
        </View>
      </View>
    );
  return (
    <View className="gap-4">
      {placed ? null : <Button label={say(speaker, 'pour.placed')} tone="act" big disabled={busy} onPress={() => onTap('placed')} testID="placed" />}
      <View className={`${row} gap-4`}>
        <Button
          label={say(speaker, 'pour.finished')}
          tone={placed ? 'act' : 'plain'}
          big
          grow
          disabled={busy}
          onPress={() => onTap('finished')}
          testID="finished"
        />
        <Button label={say(speaker, 'pour.wentHard')} tone="stop" big grow disabled={busy} onPress={() => onTap('wentHard')} testID="went-hard" />
      </View>
    </View>
  );
}
