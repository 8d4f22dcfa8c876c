import { say } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { useSpeaker } from '../phone/speaker';
import { Field } from './Field';

/** A figure that stands as an ordinary one until somebody writes their own; taken when it is left, kept as typed while it cannot be read. */
export function TypedFigure({
  label,
  shown,
  assumed,
  fault,
  read,
  onChange,
}: {
  label: string;
  shown: string;
  assumed: boolean;
  fault: string;
  /** undefined for what cannot be read */
  read: (text: string) => number | undefined;
  onChange: (value: number) => void;
}) {
  const speaker = useSpeaker();
  const [typed, setTyped] = useState<string | null>(null);
  const value = typed === null ? null : read(typed);
  const take = (): void => {
    if (typed === null || value === null || value === undefined) return;
    if (typed !== shown) onChange(value);
    setTyped(null);
  };
  return (
    <View className="min-w-[150px] flex-1 flex-row">
      <Field
        label={label}
        value={typed ?? shown}
        onChange={setTyped}
        onBlur={take}
        onSubmit={take}
        hint={assumed && typed === null ? say(speaker, 'rates.assumed') : undefined}
        fault={typed !== null && value === undefined ? fault : undefined}
      />
    </View>
  );
}
