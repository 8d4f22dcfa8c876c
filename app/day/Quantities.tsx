import { ASSUMED, type ConditionKind } from '@tufa/contract/assemble';
import type { StrataDomain, StrataQuantity, WindowQuestion } from '@tufa/core/plan';
import { say } from '@tufa/words';
import { useState } from 'react';
import { Pressable, ScrollView, Text, View } from 'react-native';
import { Button } from '../parts/ui/Button';
import { QuantityField } from '../parts/ui/QuantityField';
import type { Typed } from '../keypad/entries';
import { readWithin } from '../parts/ui/quantityText';
import { FieldProblem } from '../parts/ui/fieldProblem';
import { usePhone } from '../parts/phone/useSettings';
import { quantityText } from './quantityText';
import { Toggle } from '../parts/ui/Toggle';
import { useSpeaker } from '../parts/phone/speaker';

/** What a quantity is typed as; a share and a dose are stepped. */
const TYPED_AS: Partial<Record<StrataQuantity, Typed>> = {
  slab_C: 'temperature',
  air_C: 'temperature',
  powder_C: 'temperature',
  water_C: 'temperature',
  thickness_m: 'depth',
};

const bound = (value: number, { least, most }: StrataDomain): number => Math.min(most, Math.max(least, Math.round(value * 1e6) / 1e6));

/** What *don't know* does for a quantity: the figure assumed where nobody read it, null where the work needs one. */
export const dontKnow = (quantity: StrataQuantity, take: (value: number) => void): (() => void) | null => {
  const value = quantity in ASSUMED ? ASSUMED[quantity as ConditionKind] : null;
  return value === null ? null : () => take(value);
};

/** One stepper for the chosen quantity; the others are readouts that select it. */
export function Quantities({
  question,
  quantity,
  available,
  assumed,
  domain,
  onSelect,
  onChange,
  onSun,
  onDontKnow,
}: {
  question: WindowQuestion;
  quantity: StrataQuantity;
  available: readonly StrataQuantity[];
  assumed: readonly string[];
  domain: StrataDomain | null;
  onSelect: (quantity: StrataQuantity) => void;
  onChange: (value: number) => void;
  onSun: (sun: boolean) => void;
  /** the figure taken for this quantity where nobody read it; null where there is none */
  onDontKnow: (() => void) | null;
}) {
  const speaker = useSpeaker();
  const { hand } = usePhone();
  const [typing, setTyping] = useState<{ text: string; fault: string | null } | null>(null);
  const name = say(speaker, `day.quantity.${quantity}`);
  const step = (by: number): void => {
    if (domain) onChange(bound(question[quantity] + by * domain.step, domain));
  };
  const press = (by: number, sign: string, label: string) => (
    <Pressable
      role="button"
      aria-label={label}
      onPress={() => step(by)}
      className="min-h-[64px] w-[72px] items-center justify-center border-2 border-ink bg-sheet active:bg-sunk"
    >
      <Text className="font-head text-32 font-bold text-ink">{sign}</Text>
    </Pressable>
  );
  const as = TYPED_AS[quantity] ?? null;
  const take = (): void => {
    if (!domain || !as || !typing) return;
    try {
      onChange(readWithin(speaker, { field: quantity, text: typing.text, as, least: domain.least, most: domain.most }));
      setTyping(null);
    } catch (error) {
      if (!(error instanceof FieldProblem)) throw error;
      setTyping({ text: typing.text, fault: error.sentence });
    }
  };
  if (typing && as)
    return (
      <View className="flex-row items-end gap-2">
        <QuantityField
          label={say(speaker, 'day.typed', { quantity: name })}
          value={typing.text}
          onChange={(text) => setTyping({ text, fault: null })}
          fault={typing.fault ?? undefined}
          placeholder={quantityText(speaker, quantity, question[quantity])}
          autoFocus
          as={as}
          onDone={take}
          onDontKnow={onDontKnow ? () => (onDontKnow(), setTyping(null)) : null}
          onSubmit={take}
        />
        <Button label={say(speaker, 'walk.cancel')} onPress={() => setTyping(null)} />
        <Button label={say(speaker, 'day.set')} tone="act" onPress={take} />
      </View>
    );
  return (
    <View className="gap-2">
      <View className={hand === 'right' ? 'flex-row' : 'flex-row-reverse'}>
        {press(-1, '−', say(speaker, 'day.less', { quantity: name }))}
        <Pressable
          role="button"
          aria-label={`${name} ${quantityText(speaker, quantity, question[quantity])}. ${say(speaker, 'day.type', { quantity: name })}`}
          disabled={as === null}
          onPress={() => setTyping({ text: '', fault: null })}
          className="flex-1 items-center justify-center border-y-2 border-ink bg-sheet"
        >
          <Text className="font-head text-22 font-bold text-ink">{`${name} ${quantityText(speaker, quantity, question[quantity])}`}</Text>
          {assumed.includes(quantity) ? <Text className="font-text text-14 text-faint">{say(speaker, 'day.assumedNote')}</Text> : null}
        </Pressable>
        {press(1, '+', say(speaker, 'day.more', { quantity: name }))}
      </View>
      <ScrollView
        horizontal
        role="radiogroup"
        aria-label={say(speaker, 'day.readouts')}
        showsHorizontalScrollIndicator={false}
        contentContainerClassName="gap-1"
        className="grow-0"
      >
        {available.map((code) => {
          const on = code === quantity;
          return (
            <Toggle
              key={code}
              role="radio"
              aria-checked={on}
              aria-label={`${say(speaker, `day.quantity.${code}`)} ${quantityText(speaker, code, question[code])}`}
              onPress={() => onSelect(code)}
              className={`min-h-[56px] lg:min-h-[48px] min-w-[78px] grow items-center justify-center border-2 px-1 ${on ? 'border-selected bg-selected' : assumed.includes(code) ? 'border-dashed border-edge' : 'border-transparent'}`}
            >
              <Text className={`font-text text-16 font-bold ${on ? 'text-on-selected' : 'text-ink'}`}>{quantityText(speaker, code, question[code])}</Text>
              <Text className={`font-text text-14 ${on ? 'text-on-selected' : 'text-faint'}`}>{say(speaker, `day.quantity.${code}`)}</Text>
            </Toggle>
          );
        })}
        <Toggle
          role="switch"
          aria-checked={question.sun}
          aria-label={say(speaker, 'day.sunOn')}
          onPress={() => onSun(!question.sun)}
          className="min-h-[56px] lg:min-h-[48px] min-w-[78px] grow items-center justify-center border-2 border-transparent px-1"
        >
          <Text className="font-text text-16 font-bold text-ink">{say(speaker, question.sun ? 'day.sunOn' : 'day.sunOff')}</Text>
        </Toggle>
      </ScrollView>
    </View>
  );
}
