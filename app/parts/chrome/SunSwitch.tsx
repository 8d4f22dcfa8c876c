import { say } from '@tufa/words';
import { Text } from 'react-native';
import { setPhone, usePhone } from '../phone/useSettings';
import { Toggle } from '../ui/Toggle';
import { useSpeaker } from '../phone/speaker';

let before: 'light' | 'dark' = 'light';

/** One tap to the mode that can be read in low sun, and back. */
export function SunSwitch() {
  const speaker = useSpeaker();
  const { mode } = usePhone();
  const toggle = (): void => {
    if (mode !== 'sun') before = mode;
    setPhone({ mode: mode === 'sun' ? before : 'sun' });
  };
  return (
    <Toggle
      role="switch"
      aria-checked={mode === 'sun'}
      aria-label={say(speaker, 'firm.sun')}
      onPress={toggle}
      className="min-h-[56px] min-w-[56px] lg:min-h-[48px] items-end justify-center"
    >
      <Text className="font-text text-16 text-ink underline">{say(speaker, mode === 'sun' ? `mode.${before}` : 'mode.sun')}</Text>
    </Toggle>
  );
}
