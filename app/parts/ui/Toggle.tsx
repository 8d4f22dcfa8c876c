import type { ComponentProps } from 'react';
import { Pressable } from 'react-native';
import { useReadOnly } from '../phone/rights';

/** What is on or off, or one of a few: pressed by a finger or Enter, and by Space too, as everything of its role is. */
export function Toggle({
  role,
  onPress,
  disabled: out = false,
  ...rest
}: Omit<ComponentProps<typeof Pressable>, 'role' | 'onPress' | 'disabled'> & {
  role: 'checkbox' | 'radio' | 'switch';
  onPress: () => void;
  disabled?: boolean;
}) {
  const readOnly = useReadOnly();
  const disabled = out || readOnly;
  const onKeyDown = (event: { key: string; preventDefault: () => void }): void => {
    if (event.key !== ' ' || disabled) return;
    // Space would scroll the page.
    event.preventDefault();
    onPress();
  };
  return <Pressable role={role} onPress={onPress} disabled={disabled} {...rest} {...({ onKeyDown } as object)} />;
}
