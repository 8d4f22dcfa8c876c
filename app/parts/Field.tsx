import { useId } from 'react';
import { Text, TextInput, View } from 'react-native';

/** A labelled field. What was typed stays whatever is wrong with it, and the fault says what to do. */
export function Field({
  label,
  value,
  onChange,
  onBlur,
  fault,
  placeholder,
  numeric = false,
  multiline = false,
  autoFocus = false,
  onSubmit,
}: {
  label: string;
  value: string;
  onChange: (text: string) => void;
  onBlur?: () => void;
  fault?: string | undefined;
  placeholder?: string;
  numeric?: boolean;
  multiline?: boolean;
  autoFocus?: boolean;
  onSubmit?: () => void;
}) {
  const id = useId();
  return (
    <View className="min-w-[96px] flex-1 gap-1">
      <Text nativeID={`${id}-label`} className="font-text text-[16px] text-faint">
        {label}
      </Text>
      <TextInput
        aria-labelledby={`${id}-label`}
        aria-invalid={fault !== undefined}
        {...(fault ? { 'aria-describedby': `${id}-fault` } : {})}
        value={value}
        onChangeText={onChange}
        {...(onBlur ? { onBlur } : {})}
        {...(onSubmit ? { onSubmitEditing: onSubmit } : {})}
        placeholder={placeholder}
        placeholderTextColor="var(--faint)"
        autoFocus={autoFocus}
        autoCapitalize={numeric ? 'none' : 'sentences'}
        autoCorrect={!numeric}
        multiline={multiline}
        className={`font-text min-h-[56px] lg:min-h-[48px] border-2 bg-sheet px-3 py-2 text-[18px] text-ink ${fault ? 'border-stop' : 'border-edge'}`}
      />
      {fault ? (
        <Text nativeID={`${id}-fault`} role="alert" className="font-text text-[16px] leading-[21px] text-stop">
          {fault}
        </Text>
      ) : null}
    </View>
  );
}
