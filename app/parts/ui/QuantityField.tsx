import { parse, Problem } from '@tufa/core/quantity';
import { say } from '@tufa/words';
import { localeOf } from '@tufa/words/speak';
import { useEffect, useRef, useState, type ComponentProps } from 'react';
import { Pressable, Text, View, type TextInput } from 'react-native';
import type { Entry } from '../../keypad/edit';
import { entryFor, type Typed } from '../../keypad/entries';
import { keepsFocus, leave, opensKeypad } from '../../keypad/keypad';
import { serve } from '../../keypad/target';
import { InstrumentRead } from '../instruments/InstrumentRead';
import { takenOf, type Taken } from '../instruments/taken';
import { Button } from './Button';
import { Field } from './Field';
import { settled } from './settled';
import { useSpeaker } from '../phone/speaker';

/**
 * A field for a figure with its unit. It opens Tufa's own keypad; the system's keyboard is one tap away and a hardware
 * one simply types. A comma before exactly three digits asks which was meant.
 */
export const QuantityField = settled(function QuantityField({
  as,
  onDontKnow = null,
  onDone = null,
  ...field
}: Omit<ComponentProps<typeof Field>, 'figure' | 'onFocus'> & {
  as: Typed;
  /** null where the work cannot go on without the figure */
  onDontKnow?: (() => void) | null;
  /** what *done* does beyond closing the keys */
  onDone?: (() => void) | null;
}) {
  const speaker = useSpeaker();
  const entry = entryFor(speaker, as);
  const box = useRef<View>(null);
  const inputRef = useRef<TextInput>(null);
  const [focused, setFocused] = useState(false);
  const [near, setNear] = useState(false);
  const [system, setSystem] = useState(false);
  const byKeypad = !system && opensKeypad();
  const keypad = byKeypad && focused;
  useEffect(() => {
    const input = inputRef.current as unknown as HTMLInputElement;
    if (!keypad) return leave(input);
    serve({ input, label: field.label, entry, as, text: field.value, onText: field.onChange, onDontKnow, onDone });
  });
  // Once the keys have taken their room.
  useEffect(() => {
    if (!keypad) return;
    const show = (): void => (box.current as unknown as HTMLElement | null)?.scrollIntoView({ block: 'center' });
    const frame = requestAnimationFrame(() => requestAnimationFrame(show));
    return () => cancelAnimationFrame(frame);
  }, [keypad]);
  useEffect(() => {
    const input = inputRef.current as unknown as HTMLInputElement;
    return () => leave(input);
  }, []);
  // What stands under the field is reached by the tab key: it is there as long as the focus is on either.
  useEffect(() => {
    const around = box.current as unknown as HTMLElement;
    const come = (): void => setNear(true);
    const go = ({ relatedTarget }: FocusEvent): void => setNear(around.contains(relatedTarget as Node | null));
    around.addEventListener('focusin', come);
    around.addEventListener('focusout', go);
    return () => {
      around.removeEventListener('focusin', come);
      around.removeEventListener('focusout', go);
    };
  }, []);
  const toSystem = (): void => {
    setSystem(true);
    // A keyboard appears only for a field that takes the focus anew.
    const input = inputRef.current as unknown as HTMLInputElement;
    input.blur();
    setTimeout(() => input.focus());
  };
  const readings = unclear(field.value, entry);
  const taken = takenText(field.value, entry, as);
  return (
    <Field
      {...field}
      note={
        taken
          ? say(speaker, 'instrument.taken', {
              name: taken.by,
              time: new Date(taken.at).toLocaleTimeString(localeOf(speaker), { hour: '2-digit', minute: '2-digit' }),
            })
          : undefined
      }
      onFocus={() => setFocused(true)}
      onBlur={() => {
        setFocused(false);
        field.onBlur?.();
      }}
      figure={{
        box,
        input: inputRef,
        props: { autoCapitalize: 'none', autoCorrect: false, ...(byKeypad ? { inputMode: 'none' } : {}) },
        over: keypad ? (
          <Pressable
            role="button"
            tabIndex={-1}
            aria-label={say(speaker, 'keypad.system')}
            className="absolute bottom-0 right-0 top-0 w-[56px] items-center justify-center"
            onPress={toSystem}
            {...keepsFocus}
          >
            <Text className="font-text text-16 text-faint underline">{say(speaker, 'keypad.letters')}</Text>
          </Pressable>
        ) : null,
        below: readings ? (
          <View role="alert" className="gap-2" {...keepsFocus}>
            <Text className="font-text text-16 text-ink">{say(speaker, 'keypad.comma')}</Text>
            <View className="flex-row gap-2">
              {readings.map((reading) => (
                <Button key={reading} label={reading} grow onPress={() => field.onChange(reading)} />
              ))}
            </View>
          </View>
        ) : null,
        after: near && !byKeypad ? <InstrumentRead as={as} entry={entry} tabIndex={0} onText={field.onChange} /> : null,
      }}
    />
  );
});

/** What instrument read what stands in the field; null where a person typed it. */
function takenText(text: string, { kind, unit }: Entry, as: Typed): Taken | null {
  if (!/\.\d/.test(text)) return null;
  try {
    return takenOf(parse({ text, kind, unit }), as);
  } catch (error) {
    if (error instanceof Problem) return null;
    throw error;
  }
}

function unclear(text: string, { kind, unit }: Entry): readonly [string, string] | null {
  try {
    parse({ text, kind, unit });
    return null;
  } catch (error) {
    if (!(error instanceof Problem)) throw error;
    const { point, thousands } = error.figures;
    return error.code === 'commaUnclear' ? [String(point), String(thousands)] : null;
  }
}
