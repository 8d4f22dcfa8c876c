import { View } from 'react-native';
import { FigureField, type FindingFieldProps } from '../findingFields';

/** Figures side by side: name, word, and what stands where nothing is typed. */
export function Figures({
  row,
  ...field
}: FindingFieldProps & { row: readonly (readonly [name: Parameters<typeof FigureField>[0]['name'], word: string, empty?: string])[] }) {
  return (
    <View className="flex-row gap-2">
      {row.map(([name, word, empty = '']) => (
        <FigureField key={name} {...field} name={name} word={word} empty={empty} />
      ))}
    </View>
  );
}
