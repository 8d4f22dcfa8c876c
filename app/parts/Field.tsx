import { say } from '@tufa/words/speak';
import { useEffect, useId, useRef, useState } from 'react';
import { Pressable, Text, TextInput, View } from 'react-native';
import type { Entry } from '../keypad/edit';
import { leave, opensKeypad, serve } from '../keypad/keypad';
import { Button } from './Button';

/** What a numeric field adds to an ordinary one. */
export interface Numeric {
  readonly entry: Entry;
  /** the two readings of an unclear comma, or null */
  readonly unclear: readonly [point: string, thousands: string] | null;
  /** null where the work cannot go on without the figure */
  readonly onDontKnow: (() => void) | null;
  /** what *done* does beyond closing the keys */
  readonly onDone: (() => void) | null;
}

/** What is pressed here leaves the focus in the field. */
export const keepsFocus = { onMouseDown: (event: Event) => event.preventDefault() } as object;

/**
 * A labelled field. What was typed stays whatever is wrong with it, and the fault says what to do. A numeric field opens
 * Tufa's own keypad; the system's keyboard is one tap away and a hardware one simply types.
 */
export function Field({
  label,
  value,
  onChange,
  onBlur,
  fault,
  hint,
  placeholder,
  numeric = null,
  multiline = false,
  autoFocus = false,
  onSubmit,
}: {
  label: string;
  value: string;
  onChange: (text: string) => void;
  onBlur?: () => void;
  fault?: string | undefined;
  /** what the entry means or costs, under the field */
  hint?: string | undefined;
  placeholder?: string;
  numeric?: Numeric | null;
  multiline?: boolean;
  autoFocus?: boolean;
  onSubmit?: () => void;
}) {
  const id = useId();
  const box = useRef<TextInput>(null);
  const whole = useRef<View>(null);
  const [focused, setFocused] = useState(false);
  const [system, setSystem] = useState(false);
  const keypad = numeric !== null && focused && !system && opensKeypad();
  useEffect(() => {
    const input = box.current as unknown as HTMLInputElement;
    if (!keypad || !numeric) return leave(input);
    serve({ input, label, entry: numeric.entry, text: value, onText: onChange, onDontKnow: numeric.onDontKnow, onDone: numeric.onDone });
    (whole.current as unknown as HTMLElement).scrollIntoView({ block: 'nearest' });
  });
  useEffect(() => {
    const input = box.current as unknown as HTMLInputElement;
    return () => leave(input);
  }, []);
  const own = numeric && !system && opensKeypad();
  return (
    <View ref={whole} className="min-w-[96px] flex-1 gap-1">
      <Text nativeID={`${id}-label`} className="font-text text-[16px] text-faint">
        {label}
      </Text>
      <View>
        <TextInput
          ref={box}
          aria-labelledby={`${id}-label`}
          aria-invalid={fault !== undefined}
          {...(fault ? { 'aria-describedby': `${id}-fault` } : {})}
          value={value}
          onChangeText={onChange}
          onFocus={() => setFocused(true)}
          onBlur={() => {
            setFocused(false);
            onBlur?.();
          }}
          {...(onSubmit ? { onSubmitEditing: onSubmit } : {})}
          {...(own ? ({ inputMode: 'none' } as object) : {})}
          placeholder={placeholder}
          placeholderTextColor="var(--faint)"
          autoFocus={autoFocus}
          autoCapitalize={numeric ? 'none' : 'sentences'}
          autoCorrect={!numeric}
          multiline={multiline}
          className={`${numeric ? 'font-head text-[20px]' : 'font-text text-[18px]'} min-h-[56px] lg:min-h-[48px] border-2 bg-sheet px-3 py-2 text-ink ${keypad ? 'pr-[52px]' : ''} ${fault ? 'border-stop' : hint ? 'border-dashed border-edge' : 'border-edge'}`}
        />
        {keypad ? (
          <Pressable
            role="button"
            tabIndex={-1}
            aria-label={say('keypad.system')}
            className="absolute bottom-0 right-0 top-0 w-[56px] items-center justify-center"
            onPress={() => {
              setSystem(true);
              // A keyboard appears only for a field that takes the focus anew.
              const input = box.current as unknown as HTMLInputElement;
              input.blur();
              setTimeout(() => input.focus());
            }}
            {...keepsFocus}
          >
            <Text className="font-text text-[16px] text-faint underline">{say('keypad.letters')}</Text>
          </Pressable>
        ) : null}
      </View>
      {numeric?.unclear ? (
        <View role="alert" className="gap-2" {...keepsFocus}>
          <Text className="font-text text-[16px] text-ink">{say('keypad.comma')}</Text>
          <View className="flex-row gap-2">
            {numeric.unclear.map((reading) => (
              <Button key={reading} label={reading} grow onPress={() => onChange(reading)} />
            ))}
          </View>
        </View>
      ) : fault ? (
        <Text nativeID={`${id}-fault`} role="alert" className="font-text text-[16px] leading-[21px] text-stop">
          {fault}
        </Text>
      ) : hint ? (
        <Text className="font-text text-[16px] leading-[21px] text-faint">{hint}</Text>
      ) : null}
    </View>
  );
}
