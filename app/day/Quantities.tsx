import type { StrataDomain, StrataQuantity, WindowQuestion } from '@tufa/core/plan';
import { say } from '@tufa/words';
import { Pressable, ScrollView, Text, View } from 'react-native';
import { usePhone } from '../parts/useSettings';
import { quantityText } from './quantityText';

const bound = (value: number, { least, most }: StrataDomain): number => Math.min(most, Math.max(least, Math.round(value * 1e6) / 1e6));

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
}: {
  question: WindowQuestion;
  quantity: StrataQuantity;
  available: readonly StrataQuantity[];
  assumed: readonly string[];
  domain: StrataDomain | null;
  onSelect: (quantity: StrataQuantity) => void;
  onChange: (value: number) => void;
  onSun: (sun: boolean) => void;
}) {
  const { hand } = usePhone();
  const name = say(`day.quantity.${quantity}`);
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
      <Text className="font-head text-[32px] font-bold text-ink">{sign}</Text>
    </Pressable>
  );
  return (
    <View className="gap-2">
      <View className={hand === 'right' ? 'flex-row' : 'flex-row-reverse'}>
        {press(-1, '−', say('day.less', { quantity: name }))}
        <View className="flex-1 items-center justify-center border-y-2 border-ink bg-sheet" role="status" aria-live="polite">
          <Text className="font-head text-[22px] font-bold text-ink">{`${name} ${quantityText(quantity, question[quantity])}`}</Text>
          {assumed.includes(quantity) ? <Text className="font-text text-[14px] text-faint">{say('day.assumedNote')}</Text> : null}
        </View>
        {press(1, '+', say('day.more', { quantity: name }))}
      </View>
      <ScrollView
        horizontal
        role="radiogroup"
        aria-label={say('day.readouts')}
        showsHorizontalScrollIndicator={false}
        contentContainerClassName="gap-1"
        className="grow-0"
      >
        {available.map((one) => {
          const on = one === quantity;
          return (
            <Pressable
              key={one}
              role="radio"
              aria-checked={on}
              aria-label={`${say(`day.quantity.${one}`)} ${quantityText(one, question[one])}`}
              onPress={() => onSelect(one)}
              className={`min-h-[56px] lg:min-h-[48px] min-w-[78px] grow items-center justify-center border-2 px-1 ${on ? 'border-selected bg-selected' : assumed.includes(one) ? 'border-dashed border-edge' : 'border-transparent'}`}
            >
              <Text className={`font-text text-[16px] font-bold ${on ? 'text-on-selected' : 'text-ink'}`}>{quantityText(one, question[one])}</Text>
              <Text className={`font-text text-[14px] ${on ? 'text-on-selected' : 'text-faint'}`}>{say(`day.quantity.${one}`)}</Text>
            </Pressable>
          );
        })}
        <Pressable
          role="switch"
          aria-checked={question.sun}
          aria-label={say('day.sunOn')}
          onPress={() => onSun(!question.sun)}
          className="min-h-[56px] lg:min-h-[48px] min-w-[78px] grow items-center justify-center border-2 border-transparent px-1"
        >
          <Text className="font-text text-[16px] font-bold text-ink">{say(question.sun ? 'day.sunOn' : 'day.sunOff')}</Text>
        </Pressable>
      </ScrollView>
    </View>
  );
}
