import { memo } from 'react';
import { Text, View } from 'react-native';
import { T } from '../parts/ui/T';
import { Toggle } from '../parts/ui/Toggle';
import type { SaidLine } from './sayLine';

/** A line of a ticket as it is read at arm's length, ticked with the thumb; one that says the same is not drawn again. */
export const TicketRow = memo(function TicketRow({ label, main, sub, on, at, onTick }: SaidLine & { on: boolean; at: number; onTick: (at: number) => void }) {
  return (
    <Toggle
      role="checkbox"
      aria-checked={on}
      aria-label={`${label} ${main}, ${sub}`}
      onPress={() => onTick(at)}
      className="min-h-[88px] flex-row items-center gap-3 border-b border-line py-2"
    >
      <View className={`h-[40px] w-[40px] items-center justify-center border-4 border-ink ${on ? 'bg-selected' : 'bg-sheet'}`}>
        {on ? <Text className="font-text text-24 font-bold text-on-selected">✓</Text> : null}
      </View>
      <View className="flex-1">
        <T as="small">{label}</T>
        <T as="number">{main}</T>
        <T>{sub}</T>
      </View>
    </Toggle>
  );
});
