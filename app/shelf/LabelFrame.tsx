import { say } from '@tufa/words';
import { useRouter } from 'expo-router';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { Button } from '../parts/ui/Button';
import { Screen } from '../parts/chrome/Screen';
import { Answer, T } from '../parts/ui/T';
import { useSpeaker } from '../parts/phone/speaker';

/** A label being read: what it is of, what is asked, and under the thumb to keep it or to let it go with what was typed. */
export function LabelFrame({
  title,
  lead,
  onCancel,
  onSave,
  children,
}: {
  title: string;
  lead: string;
  onCancel: () => void;
  onSave: () => void;
  children: ReactNode;
}) {
  const speaker = useSpeaker();
  const router = useRouter();
  return (
    <Screen
      title={title}
      head={
        <View className="gap-1">
          <Answer size="number">{title}</Answer>
          <T as="faint">{lead}</T>
        </View>
      }
      foot={
        <View className="flex-row gap-3">
          <Button label={say(speaker, 'shelf.edit.cancel')} onPress={() => (onCancel(), router.back())} />
          <Button label={say(speaker, 'shelf.edit.save')} tone="act" grow onPress={onSave} />
        </View>
      }
    >
      {children}
    </Screen>
  );
}
