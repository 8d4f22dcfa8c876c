import { View } from 'react-native';
import { Word } from './Button';
import { T } from './T';

/** What was just taken away, with the way back. */
export function UndoBand({ said, label, onUndo }: { said: string; label: string; onUndo: () => void }) {
  return (
    <View className="flex-row items-center justify-between bg-selected px-4" role="status">
      <T className="flex-1 text-on-selected">{said}</T>
      <Word label={label} tone="text-on-selected" onPress={onUndo} />
    </View>
  );
}
