import { Text, View } from 'react-native';
import { settled } from './settled';
import { Toggle } from './Toggle';

/** One of several that may be chosen. */
export interface Option<V extends string> {
  readonly value: V;
  readonly label: string;
}

/** One of a few: a row of words as tall as a thumb. Arrow keys move between them as in any radio group. */
export const Choice = settled(ChoiceDrawn) as typeof ChoiceDrawn;

function ChoiceDrawn<V extends string>({
  label,
  options,
  value,
  onChange,
  labelHidden = false,
  open,
}: {
  label: string;
  options: readonly Option<V>[];
  value: V | null;
  onChange: (value: V) => void;
  labelHidden?: boolean;
  /** what is assumed while nothing is chosen */
  open?: string;
}) {
  const onKeyDown = (event: { key: string; preventDefault: () => void; currentTarget: unknown }): void => {
    const by = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    // Focus goes at once and the choice follows when it is kept: the next arrow goes on from where the eye is.
    const radios = [...(event.currentTarget as HTMLElement).querySelectorAll<HTMLElement>('[role=radio]')];
    const at = radios.findIndex((radio) => radio === document.activeElement);
    const next = (Math.max(at, 0) + by + options.length) % options.length;
    radios[next]?.focus();
    onChange(options[next]!.value);
  };
  return (
    <View className="gap-1">
      {labelHidden ? null : <Text className="font-text text-16 text-faint">{label}</Text>}
      <View role="radiogroup" aria-label={label} className="flex-row flex-wrap gap-2" {...({ onKeyDown } as object)}>
        {options.map((option, i) => {
          const on = option.value === value;
          return (
            <Radio
              key={option.value}
              label={option.label}
              on={on}
              reached={on || (value === null && i === 0)}
              dashed={Boolean(open) && value === null}
              onPress={() => onChange(option.value)}
            />
          );
        })}
      </View>
      {open && value === null ? <Text className="font-text text-16 leading-21 text-faint">{open}</Text> : null}
    </View>
  );
}

/** Where another is chosen, that one and the one before are drawn again. */
const Radio = settled(function Radio({
  label,
  on,
  reached,
  dashed,
  onPress,
}: {
  label: string;
  on: boolean;
  /** by the tab key */
  reached: boolean;
  /** taken as long as nothing is chosen */
  dashed: boolean;
  onPress: () => void;
}) {
  return (
    <Toggle
      role="radio"
      aria-checked={on}
      aria-label={label}
      tabIndex={reached ? 0 : -1}
      onPress={onPress}
      className={`min-h-[56px] lg:min-h-[48px] min-w-[72px] max-w-full grow items-center justify-center border-2 px-3 ${on ? 'border-selected bg-selected' : 'border-edge bg-sheet'} ${dashed ? 'border-dashed' : ''}`}
    >
      <Text className={`font-text text-center text-16 ${on ? 'font-bold text-on-selected' : 'text-ink'}`}>{label}</Text>
    </Toggle>
  );
});

/** Several of a few: each its own switch. */
export function Several<V extends string>({
  label,
  options,
  values,
  onChange,
}: {
  label: string;
  options: readonly Option<V>[];
  values: readonly V[];
  onChange: (values: V[]) => void;
}) {
  return (
    <View className="gap-1" role="group" aria-label={label}>
      <Text className="font-text text-16 text-faint">{label}</Text>
      <View className="flex-row flex-wrap gap-2">
        {options.map((option) => {
          const on = values.includes(option.value);
          return (
            <Toggle
              key={option.value}
              role="checkbox"
              aria-checked={on}
              aria-label={option.label}
              onPress={() => onChange(on ? values.filter((value) => value !== option.value) : [...values, option.value])}
              className={`min-h-[56px] lg:min-h-[48px] min-w-[100px] grow items-center justify-center border-2 px-3 ${on ? 'border-selected bg-selected' : 'border-edge bg-sheet'}`}
            >
              <Text className={`font-text text-16 ${on ? 'font-bold text-on-selected' : 'text-ink'}`}>{option.label}</Text>
            </Toggle>
          );
        })}
      </View>
    </View>
  );
}
