import { say } from '@tufa/words';
import { useEffect } from 'react';
import { Controller, useFieldArray, type Control, type FieldPath, type UseFormReturn } from 'react-hook-form';
import { View } from 'react-native';
import type { Typed } from '../keypad/entries';
import { Choice } from '../parts/ui/Choice';
import { FormField } from '../parts/ui/FormField';
import { T } from '../parts/ui/T';
import { useSpeaker } from '../parts/phone/speaker';
import type { ElementText } from './elementText';
import { RAILS, SIDES, stepRows } from './flightText';

/** A flight of steps: what most of its steps are like, then each that differs, from the bottom up. */
export function FlightFields({ form, onSubmit }: { form: UseFormReturn<ElementText>; onSubmit: () => void }) {
  const speaker = useSpeaker();
  const { control, watch, getValues } = form;
  const { fields, replace } = useFieldArray({ control, name: 'flightSteps' });
  const [count, rise, going, landing] = watch(['flightCount', 'flightRise', 'flightGoing', 'flightLanding']);
  useEffect(() => {
    const rows = stepRows(getValues('flightSteps'), count);
    if (rows.length !== getValues('flightSteps').length) replace(rows);
  }, [count, getValues, replace]);
  const text = (name: FieldPath<ElementText>, label: string, as?: Typed, placeholder = '') => (
    <FormField control={control} name={name} label={label} placeholder={placeholder} as={as} onSubmit={onSubmit} />
  );
  return (
    <View className="gap-4">
      <View className="flex-row gap-2">
        {text('flightCount', say(speaker, 'walk.steps'))}
        {text('flightWidth', say(speaker, 'walk.width'), 'side')}
      </View>
      <View className="flex-row gap-2">
        {text('flightRise', say(speaker, 'walk.stepRise'), 'depth')}
        {text('flightGoing', say(speaker, 'walk.going'), 'depth')}
      </View>
      <View className="flex-row gap-2">
        {text('flightLanding', say(speaker, 'walk.flight.landing'), 'side')}
        {text('flightHeight', say(speaker, 'walk.flight.height'), 'side', say(speaker, 'walk.flight.ifMeasured'))}
      </View>
      <Picked control={control} name="flightSides" label={say(speaker, 'walk.flight.sides')} values={SIDES} words="walk.flight.side" />
      <Picked control={control} name="flightRails" label={say(speaker, 'walk.flight.rails')} values={RAILS} words="walk.flight.rail" />
      {fields.length > 0 ? <T as="faint">{say(speaker, 'walk.flight.each')}</T> : null}
      {fields.map((field, i) => {
        const last = i === fields.length - 1;
        const named = say(speaker, last ? 'walk.flight.last' : 'walk.flight.step', { step: String(i + 1) });
        return (
          <View key={field.id} className="gap-1 border-l-4 border-edge pl-3" role="group" aria-label={named}>
            <T as="strong">{named}</T>
            <View className="flex-row gap-2">
              {text(`flightSteps.${i}.rise`, say(speaker, 'walk.stepRise'), 'depth', rise)}
              {last ? null : text(`flightSteps.${i}.going`, say(speaker, 'walk.going'), 'depth', last ? landing : going)}
              {text(`flightSteps.${i}.pitch`, say(speaker, 'walk.flight.pitch'), undefined, say(speaker, 'walk.flight.unread'))}
            </View>
          </View>
        );
      })}
    </View>
  );
}

function Picked<N extends 'flightSides' | 'flightRails'>({
  control,
  name,
  label,
  values,
  words,
}: {
  control: Control<ElementText>;
  name: N;
  label: string;
  values: readonly ElementText[N][];
  words: 'walk.flight.side' | 'walk.flight.rail';
}) {
  const speaker = useSpeaker();
  return (
    <Controller
      control={control}
      name={name}
      render={({ field }) => (
        <Choice
          label={label}
          options={values.map((value) => ({ value: value as string, label: say(speaker, `${words}.${value}` as 'walk.flight.side.open') }))}
          value={field.value as string}
          onChange={field.onChange}
        />
      )}
    />
  );
}
