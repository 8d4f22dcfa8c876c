import { say } from '@tufa/words';
import { useEffect, type ReactNode } from 'react';
import { useFieldArray, type FieldPath, type UseFormReturn } from 'react-hook-form';
import { View } from 'react-native';
import type { Typed } from '../keypad/entries';
import { T } from '../parts/ui/T';
import { useSpeaker } from '../parts/phone/speaker';
import type { ElementText } from './elementText';
import { RAILS, SIDES, stepRows } from './flightText';

/** A flight of steps: what most of its steps are like, then each that differs, from the bottom up. */
export function FlightFields({
  form,
  text,
  choice,
}: {
  form: UseFormReturn<ElementText>;
  /** a field and a choice, as the form of an element makes them */
  text: (name: FieldPath<ElementText>, label: string, as?: Typed, placeholder?: string) => ReactNode;
  choice: (name: keyof ElementText, label: string, values: readonly string[], word: string) => ReactNode;
}) {
  const speaker = useSpeaker();
  const { control, watch, getValues } = form;
  const { fields, replace } = useFieldArray({ control, name: 'flightSteps' });
  const [count, rise, going] = watch(['flightCount', 'flightRise', 'flightGoing']);
  useEffect(() => {
    const rows = stepRows(getValues('flightSteps'), count);
    if (rows.length !== getValues('flightSteps').length) replace(rows);
  }, [count, getValues, replace]);
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
      {choice('flightSides', say(speaker, 'walk.flight.sides'), SIDES, 'walk.flight.side')}
      {choice('flightRails', say(speaker, 'walk.flight.rails'), RAILS, 'walk.flight.rail')}
      {fields.length > 0 ? <T as="faint">{say(speaker, 'walk.flight.each')}</T> : null}
      {fields.map((field, i) => {
        const last = i === fields.length - 1;
        const named = say(speaker, last ? 'walk.flight.last' : 'walk.flight.step', { step: String(i + 1) });
        return (
          <View key={field.id} className="gap-1 border-l-4 border-edge pl-3" role="group" aria-label={named}>
            <T as="strong">{named}</T>
            <View className="flex-row gap-2">
              {text(`flightSteps.${i}.rise`, say(speaker, 'walk.stepRise'), 'depth', rise)}
              {last ? null : text(`flightSteps.${i}.going`, say(speaker, 'walk.going'), 'depth', going)}
              {text(`flightSteps.${i}.pitch`, say(speaker, 'walk.flight.pitch'), undefined, say(speaker, 'walk.flight.unread'))}
            </View>
          </View>
        );
      })}
    </View>
  );
}
