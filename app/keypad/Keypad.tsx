import { say, sayCoded } from '@tufa/words';
import { useState } from 'react';
import { Pressable, Text, View } from 'react-native';
import { usePhone } from '../parts/phone/useSettings';
import { useOnSide } from '../parts/phone/useSize';
import { markOf, rulerOf, toldIn, withDigit, withMark, withoutLast, withUnit, type Entry } from './edit';
import { keepsFocus, moveFrom } from './keypad';
import { InstrumentRead } from '../parts/instruments/InstrumentRead';
import { RulerStrip } from './RulerStrip';
import { useKeypadTarget, type Target } from './target';
import { useSpeaker } from '../parts/phone/speaker';

/** Tufa's own keys, docked under the screen while a numeric field has the focus. */
export function Keypad() {
  const target = useKeypadTarget();
  return target ? <Keys key={target.label} target={target} /> : null;
}

const DIGITS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '.', '0'] as const;

function Keys({ target }: { target: Target }) {
  const speaker = useSpeaker();
  const { hand } = usePhone();
  const onSide = useOnSide();
  const [clash, setClash] = useState<readonly [string, string] | null>(null);
  const { text, entry, input, onDontKnow } = target;
  // The caret's own place counts: what stands after it stays.
  const edit = (how: (before: string) => string): void => {
    setClash(null);
    const at = input.selectionEnd ?? text.length;
    const before = how(text.slice(0, at));
    target.onText(before + text.slice(at));
    requestAnimationFrame(() => input.setSelectionRange(before.length, before.length));
  };
  const unit = (name: string): void => {
    const { text: next, clash: found } = withUnit(text, name, entry);
    setClash(found);
    if (next !== text) target.onText(next);
  };
  const strip = rulerOf(speaker, text, entry);
  const row = hand === 'right' ? 'flex-row' : 'flex-row-reverse';
  return (
    <View
      role="region"
      aria-label={say(speaker, 'keypad.name')}
      testID="keypad"
      className={`keypad ${onSide ? 'w-[400px]' : 'w-full'} max-w-[480px] gap-2 border-t-2 border-ink bg-sunk p-1 pt-2 ${hand === 'right' ? 'self-end' : 'self-start'}`}
      {...keepsFocus}
    >
      {clash ? (
        <Text role="alert" className="font-text px-2 text-key16 text-stop">
          {say(speaker, 'keypad.clash', { first: clash[0], second: clash[1] })}
        </Text>
      ) : null}
      <InstrumentRead key={target.as} as={target.as} entry={entry} tabIndex={-1} onText={target.onText} />
      {strip ? <RulerStrip strip={strip} mark={markOf(text, strip, entry)} onMark={(mark) => target.onText(withMark(text, mark, strip, entry))} /> : null}
      {entry.rail.length > RAIL ? (
        <View className={`${row} gap-2`}>
          {entry.rail.slice(RAIL).map((name) => (
            <View key={name} className="flex-1">
              <UnitKey name={name} entry={entry} told={toldIn(text, name, entry)} onPress={() => unit(name)} />
            </View>
          ))}
        </View>
      ) : null}
      <View className={`${row} gap-2`}>
        <View className="w-[208px] flex-row flex-wrap gap-2">
          {DIGITS.map((digit) => (
            <Key key={digit} label={digit} onPress={() => edit((before) => withDigit(before, digit))} />
          ))}
          <Key label={'\u232b'} name={say(speaker, 'keypad.back')} onPress={() => edit(withoutLast)} />
        </View>
        <View className="w-[64px] gap-2">
          <Key label={say(speaker, 'keypad.dontKnow')} small disabled={onDontKnow === null} onPress={() => onDontKnow?.()} />
          <Key label={'\u2039'} name={say(speaker, 'keypad.previous')} onPress={() => moveFrom(input, -1)} />
          <Key label={'\u203a'} name={say(speaker, 'keypad.next')} onPress={() => moveFrom(input, 1)} />
          <Key label={say(speaker, 'keypad.done')} small act onPress={() => (target.onDone ?? (() => input.blur()))()} />
        </View>
        <View className="min-w-[64px] flex-1 gap-2">
          {entry.rail.slice(0, RAIL).map((name) => (
            <UnitKey key={name} name={name} entry={entry} told={toldIn(text, name, entry)} onPress={() => unit(name)} />
          ))}
          {entry.kind === 'temperature' ? (
            <Key label={'\u2212'} name={say(speaker, 'keypad.minus')} fill onPress={() => edit((before) => flipped(before))} />
          ) : null}
        </View>
      </View>
    </View>
  );
}

/** Units beside the digits; what a field allows beyond them stands in a row above. */
const RAIL = 4;

function UnitKey({ name, entry, told, onPress }: { name: string; entry: Entry; told: string | null; onPress: () => void }) {
  const speaker = useSpeaker();
  return (
    <Pressable
      role="button"
      tabIndex={-1}
      aria-label={sayCoded(speaker, `keypad.unit.${name}`)}
      onPress={onPress}
      className="min-h-[64px] items-center justify-center border-2 border-ink bg-ground active:bg-selected"
    >
      <Text className="font-head text-key20 leading-key24 font-bold text-ink">{entry.kind === 'temperature' ? `°${name}` : name}</Text>
      {told ? (
        <Text numberOfLines={1} className="font-head text-key15 leading-key18 text-faint">
          {told}
        </Text>
      ) : null}
    </Pressable>
  );
}

const flipped = (text: string): string => (/^[\u2212-]/.test(text) ? text.slice(1) : `\u2212${text}`);

function Key({
  label,
  name,
  onPress,
  small = false,
  act = false,
  fill = false,
  disabled = false,
}: {
  label: string;
  name?: string;
  onPress: () => void;
  small?: boolean;
  act?: boolean;
  fill?: boolean;
  disabled?: boolean;
}) {
  return (
    <Pressable
      role="button"
      tabIndex={-1}
      aria-label={name ?? label}
      aria-disabled={disabled}
      disabled={disabled}
      onPress={onPress}
      className={`h-[64px] ${fill ? '' : 'w-[64px]'} items-center justify-center border-2 active:bg-selected ${disabled ? 'border-disabled bg-ground' : act ? 'border-act bg-act' : 'border-edge bg-sheet'}`}
    >
      <Text
        className={`text-center ${small ? 'font-text text-key15 leading-key18 font-bold' : `font-head font-bold ${label.length === 1 && '\u2039\u203a'.includes(label) ? 'text-key44 leading-key44' : 'text-key28'}`} ${disabled ? 'text-disabled' : act ? 'text-on-act' : 'text-ink'}`}
      >
        {label}
      </Text>
    </Pressable>
  );
}
