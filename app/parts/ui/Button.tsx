import type { ReactNode } from 'react';
import { Pressable, Text } from 'react-native';
import { useMay } from '../phone/rights';
import { settled } from './settled';

const TONE = {
  act: ['bg-act border-act', 'text-on-act'],
  plain: ['bg-sheet border-edge', 'text-ink'],
  stop: ['bg-sheet border-stop', 'text-stop'],
  dark: ['bg-selected border-selected', 'text-on-selected'],
} as const;

/** A control with a word on it. `big` is for Mix and Pour: 88 px. */
export const Button = settled(function Button({
  label,
  onPress,
  tone = 'plain',
  big = false,
  disabled = false,
  grow = false,
  children,
  hint,
  testID,
  writes,
}: {
  label: string;
  onPress: () => void;
  tone?: keyof typeof TONE;
  big?: boolean;
  disabled?: boolean;
  grow?: boolean;
  children?: ReactNode;
  hint?: string;
  testID?: string;
  /** the kind of change it writes: only those see it who may */
  writes?: string;
}) {
  const may = useMay(writes);
  const [box, text] = TONE[tone];
  if (!may) return null;
  return (
    <Pressable
      role="button"
      aria-label={hint ?? label}
      aria-disabled={disabled}
      disabled={disabled}
      onPress={onPress}
      testID={testID}
      className={`${disabled ? 'border-disabled bg-ground' : box} ${big ? 'min-h-[88px]' : 'min-h-[56px] lg:min-h-[48px]'} ${grow ? 'flex-1' : ''} max-w-full items-center justify-center border-2 px-4 active:opacity-80`}
    >
      {children ?? <Text className={`font-text text-center font-bold ${big ? 'text-22' : 'text-18'} ${disabled ? 'text-disabled' : text}`}>{label}</Text>}
    </Pressable>
  );
});

/** A word that acts, in a line of text: still 48 px to the thumb. */
export const Word = settled(function Word({
  label,
  onPress,
  tone = 'text-ink',
  hint,
  writes,
}: {
  label: string;
  onPress: () => void;
  tone?: string;
  hint?: string;
  /** the kind of change it writes: only those see it who may */
  writes?: string;
}) {
  if (!useMay(writes)) return null;
  return (
    <Pressable role="button" aria-label={hint ?? label} onPress={onPress} className="min-h-[56px] lg:min-h-[48px] justify-center px-2">
      <Text className={`font-text text-16 underline ${tone}`}>{label}</Text>
    </Pressable>
  );
});
