import { Controller, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import type { Typed } from '../keypad/entries';
import { Field } from '../parts/Field';
import { QuantityField } from '../parts/QuantityField';

/** One cell of a label: a figure with its unit, or words; what stands in where it stays empty is shown in it. */
export function LabelCell<V extends FieldValues>({
  control,
  name,
  label,
  as,
  hint,
  placeholder,
  onSubmit,
}: {
  control: Control<V>;
  name: FieldPath<V>;
  label: string;
  as?: Typed | null | undefined;
  hint?: string | undefined;
  placeholder?: string | undefined;
  onSubmit: () => void;
}) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => {
        const shared = {
          label,
          value: field.value as string,
          onChange: field.onChange as (text: string) => void,
          onBlur: field.onBlur,
          fault: fieldState.error?.message,
          ...(hint ? { hint } : {}),
          ...(placeholder ? { placeholder } : {}),
          onSubmit,
        };
        return as ? <QuantityField as={as} {...shared} /> : <Field {...shared} />;
      }}
    />
  );
}
