import type { Measured } from '@tufa/core/quantity';
import { say } from '@tufa/words';
import type { ComponentProps } from 'react';
import { Controller, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import type { Typed } from '../../keypad/entries';
import { Field } from './Field';
import { QuantityField } from './QuantityField';
import { useSpeaker } from '../phone/speaker';

/** One field of a form, bound: for a figure where `as` says which, for text else. */
export function FormField<V extends FieldValues>({
  control,
  name,
  label,
  placeholder = '',
  hint,
  as,
  unknown,
  onSubmit,
  secret,
  autoComplete,
}: {
  control: Control<V>;
  name: FieldPath<V>;
  label: string;
  placeholder?: string | undefined;
  hint?: string | undefined;
  as?: Typed | null | undefined;
  /** what *don't know* stands for here, where the work can go on without the figure */
  unknown?: Measured | undefined;
  onSubmit: () => void;
  secret?: ComponentProps<typeof Field>['secret'];
  autoComplete?: ComponentProps<typeof Field>['autoComplete'];
}) {
  const speaker = useSpeaker();
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => {
        const value = String(field.value ?? '');
        const word = say(speaker, 'keypad.unknown');
        const cost =
          unknown && value === word
            ? say(speaker, 'keypad.cost', { taken_m: unknown.value, percent: String(Math.round((unknown.spread ?? 0) * 100)) })
            : undefined;
        const shared = {
          label,
          value,
          onChange: field.onChange as (text: string) => void,
          onBlur: field.onBlur,
          fault: fieldState.error?.message,
          placeholder,
          hint: cost ?? hint,
          onSubmit,
        };
        if (!as) return <Field {...shared} {...(secret ? { secret } : {})} {...(autoComplete ? { autoComplete } : {})} />;
        return <QuantityField {...shared} as={as} onDontKnow={unknown ? () => field.onChange(word) : null} />;
      }}
    />
  );
}
