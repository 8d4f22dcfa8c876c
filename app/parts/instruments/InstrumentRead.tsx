import { say } from '@tufa/words';
import { Pressable, Text, View } from 'react-native';
import type { Entry } from '../../keypad/edit';
import type { Typed } from '../../keypad/entries';
import { keepsFocus } from '../../keypad/keypad';
import { useSpeaker } from '../phone/speaker';
import { useInstrument } from './useInstrument';

/** Fills the field in hand from the instrument that reads it, with one tap; nothing where none is in reach. */
export function InstrumentRead({
  as,
  entry,
  tabIndex,
  onText,
}: {
  as: Typed | 'moisture';
  entry: Pick<Entry, 'kind' | 'unit'> | null;
  /** 0 where the tab key reaches it; -1 among the keys under the thumb */
  tabIndex: 0 | -1;
  onText: (text: string) => void;
}) {
  const speaker = useSpeaker();
  const { instrument, reading, fault, read } = useInstrument(as, entry);
  if (!instrument) return null;
  return (
    <View className="gap-1" {...keepsFocus}>
      <Pressable
        role="button"
        tabIndex={tabIndex}
        aria-busy={reading}
        disabled={reading}
        onPress={() => void read(onText)}
        testID="read-instrument"
        className="min-h-[56px] items-center justify-center border-2 border-ink bg-ground px-3 active:bg-selected"
      >
        <Text className="font-text text-key16 font-bold text-ink">
          {reading ? say(speaker, 'instrument.reading', { name: instrument.name }) : say(speaker, 'instrument.read', { name: instrument.name })}
        </Text>
      </Pressable>
      {fault ? (
        <Text role="alert" className="font-text text-key16 text-stop">
          {fault}
        </Text>
      ) : null}
    </View>
  );
}
