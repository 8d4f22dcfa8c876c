import { print, typeset } from '@tufa/core/quantity';
import { say } from '@tufa/words';
import { useState } from 'react';
import type { Typed } from '../../keypad/entries';
import { useSpeaker } from '../phone/speaker';
import { FieldProblem } from './fieldProblem';
import { QuantityField } from './QuantityField';
import { readWithin } from './quantityText';

/** A measure that is taken when its field is left; what cannot be taken stays as typed, with what to do about it. */
export function QuantityFigure({
  label,
  as,
  kind,
  value,
  least,
  most,
  assumed = false,
  check,
  onChange,
}: {
  label: string;
  as: Typed;
  kind: 'length' | 'volume' | 'mass' | 'temperature';
  /** null where nobody has said */
  value: number | null;
  least: number;
  most: number;
  /** nobody has written it yet */
  assumed?: boolean;
  /** what speaks against it, although it is a figure in its range */
  check?: (value: number) => string | undefined;
  onChange: (value: number) => void;
}) {
  const speaker = useSpeaker();
  const [typed, setTyped] = useState<{ text: string; fault: string | undefined } | null>(null);
  const shown = (): string => {
    if (value === null) return '';
    const { digits, unit } = print({ kind, value, system: speaker.system, fine: as === 'poured' || as === 'dosed' });
    return typeset(`${digits} ${unit}`);
  };
  const take = (): void => {
    if (!typed || (typed.text.trim() === '' && value === null)) return setTyped(null);
    if (typed.text === shown()) return setTyped(null);
    try {
      const read = readWithin(speaker, { field: label, text: typed.text, as, least, most });
      const fault = check?.(read);
      if (fault) return setTyped({ text: typed.text, fault });
      onChange(read);
      setTyped(null);
    } catch (error) {
      if (!(error instanceof FieldProblem)) throw error;
      setTyped({ text: typed.text, fault: error.sentence });
    }
  };
  return (
    <QuantityField
      label={label}
      as={as}
      value={typed?.text ?? shown()}
      onChange={(text) => setTyped({ text, fault: undefined })}
      onBlur={take}
      onSubmit={take}
      fault={typed?.fault}
      hint={assumed && typed === null ? say(speaker, 'rates.assumed') : undefined}
    />
  );
}
