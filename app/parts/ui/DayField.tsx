import { useId } from 'react';
import { Text, View } from 'react-native';

/** A day, or a day and minute, chosen with the browser's own calendar. */
export function DayField({
  label,
  value,
  onChange,
  fault,
  minute = false,
}: {
  label: string;
  value: string;
  onChange: (day: string) => void;
  fault?: string | undefined;
  /** with the time of day */
  minute?: boolean;
}) {
  const id = useId();
  return (
    <View className="gap-1">
      <Text nativeID={`${id}-label`} className="font-text text-16 text-faint">
        {label}
      </Text>
      <input
        type={minute ? 'datetime-local' : 'date'}
        aria-labelledby={`${id}-label`}
        aria-invalid={fault !== undefined}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        className="min-h-[56px] border-2 border-edge bg-sheet px-3 font-text text-18 text-ink"
      />
      {fault ? (
        <Text role="alert" className="font-text text-16 text-stop">
          {fault}
        </Text>
      ) : null}
    </View>
  );
}
