import { parse, Problem } from '@tufa/core/quantity';
import type { ComponentProps } from 'react';
import { entryFor, type Typed } from '../keypad/entries';
import { Field } from './Field';

/** A field for a figure with its unit: the keypad, *don't know*, and the question about an unclear comma. */
export function QuantityField({
  as,
  onDontKnow = null,
  onDone = null,
  ...field
}: Omit<ComponentProps<typeof Field>, 'numeric'> & { as: Typed; onDontKnow?: (() => void) | null; onDone?: (() => void) | null }) {
  const entry = entryFor(as);
  return <Field {...field} numeric={{ entry, unclear: unclear(field.value, entry), onDontKnow, onDone }} />;
}

function unclear(text: string, { kind, own }: { kind: Parameters<typeof parse>[0]['kind']; own: string }): readonly [string, string] | null {
  try {
    parse({ text, kind, unit: own });
    return null;
  } catch (error) {
    if (!(error instanceof Problem)) throw error;
    const { point, thousands } = error.figures;
    return error.code === 'commaUnclear' ? [String(point), String(thousands)] : null;
  }
}
