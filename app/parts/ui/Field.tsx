import { useId, type ReactNode, type Ref } from 'react';
import { Text, TextInput, View } from 'react-native';
import { useReadOnly } from '../phone/rights';
import { settled } from './settled';

/** A labelled field. What was typed stays whatever is wrong with it, and the fault says what to do. */
export const Field = settled(function Field({
  label,
  value,
  onChange,
  onFocus,
  onBlur,
  fault,
  hint,
  note,
  placeholder,
  multiline = false,
  autoFocus = false,
  onSubmit,
  figure,
  secret,
  autoComplete,
}: {
  label: string;
  value: string;
  onChange: (text: string) => void;
  onFocus?: () => void;
  onBlur?: () => void;
  fault?: string | undefined;
  /** what the entry means or costs, under the field */
  hint?: string | undefined;
  /** what else is known of the entry, under the field */
  note?: string | undefined;
  placeholder?: string;
  multiline?: boolean;
  autoFocus?: boolean;
  onSubmit?: () => void;
  /** what nobody beside the person should read */
  secret?: boolean;
  /** what the browser may fill it with */
  autoComplete?: 'username' | 'current-password' | 'new-password' | 'one-time-code' | 'organization' | 'name';
  /** what a field for a figure adds */
  figure?: {
    readonly box: Ref<View>;
    readonly input: Ref<TextInput>;
    readonly props: object;
    readonly over: ReactNode;
    readonly below: ReactNode;
    readonly after: ReactNode;
  };
}) {
  const id = useId();
  const readOnly = useReadOnly();
  return (
    <View ref={figure?.box} className="min-w-[96px] flex-1 gap-1">
      <Text nativeID={`${id}-label`} className="font-text text-16 text-faint">
        {label}
      </Text>
      <View>
        <TextInput
          ref={figure?.input}
          aria-labelledby={`${id}-label`}
          aria-invalid={fault !== undefined}
          {...(fault ? { 'aria-describedby': `${id}-fault` } : {})}
          value={value}
          onChangeText={onChange}
          {...(onFocus ? { onFocus } : {})}
          {...(onBlur ? { onBlur } : {})}
          {...(onSubmit ? { onSubmitEditing: onSubmit } : {})}
          {...(readOnly ? { editable: false } : figure?.props)}
          {...(secret ? { secureTextEntry: true } : {})}
          {...(autoComplete ? { autoComplete, autoCapitalize: 'none' as const, autoCorrect: false } : {})}
          placeholder={placeholder}
          placeholderTextColor="var(--faint)"
          autoFocus={autoFocus}
          multiline={multiline}
          className={`${figure ? 'font-head text-20' : 'font-text text-18'} min-h-[56px] lg:min-h-[48px] border-2 bg-sheet px-3 py-2 text-ink ${figure?.over ? 'pr-[52px]' : ''} ${fault ? 'border-stop' : hint ? 'border-dashed border-edge' : 'border-edge'}`}
        />
        {readOnly ? null : figure?.over}
      </View>
      {figure?.below ??
        (fault ? (
          <Text nativeID={`${id}-fault`} role="alert" className="font-text text-16 leading-21 text-stop">
            {fault}
          </Text>
        ) : (hint ?? note) ? (
          <Text className="font-text text-16 leading-21 text-faint">{hint ?? note}</Text>
        ) : null)}
      {readOnly ? null : figure?.after}
    </View>
  );
});
