import type { FieldValues } from 'react-hook-form';
import type { ComponentProps } from 'react';
import { View } from 'react-native';
import { FormField } from '../parts/ui/FormField';

/** A field of a form before the doors: the width of the page, as tall as what it says. */
export function DoorField<V extends FieldValues>(props: ComponentProps<typeof FormField<V>>) {
  return (
    <View className="flex-row">
      <FormField {...props} />
    </View>
  );
}
