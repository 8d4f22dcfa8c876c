import { useState } from 'react';
import { Field } from './Field';

/** Words of the firm's own: taken when they are left, not at every letter; what stays empty changes nothing. */
export function TypedText({
  label,
  value,
  most,
  multiline = false,
  mayBeEmpty = false,
  onChange,
}: {
  label: string;
  value: string;
  most: number;
  multiline?: boolean;
  mayBeEmpty?: boolean;
  onChange: (value: string) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const take = (): void => {
    const text = typed?.trim();
    if (text !== undefined && text !== value && (mayBeEmpty || text !== '')) onChange(text);
    setTyped(null);
  };
  return (
    <Field
      label={label}
      value={typed ?? value}
      onChange={(text) => setTyped(text.slice(0, most))}
      onBlur={take}
      {...(multiline ? { multiline } : { onSubmit: take })}
    />
  );
}
