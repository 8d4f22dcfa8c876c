import type { Limit } from '@tufa/contract/common';
import { LIMITS } from '@tufa/contract/common';
import { parse, print, Problem, tradeLength, type Kind, type Measured } from '@tufa/core/quantity';
import { say, unitSystem } from '@tufa/words';
import { FieldProblem, sayQuantityProblem } from './useWireForm';

/** The field's own unit for a bare number: what a person of the trade means in that place. */
const OWN: Record<'side' | 'depth' | 'temperature' | 'opens', { kind: Kind; us: string; metric: string }> = {
  side: { kind: 'length', us: 'ft', metric: 'm' },
  depth: { kind: 'length', us: 'in', metric: 'mm' },
  temperature: { kind: 'temperature', us: 'F', metric: 'C' },
  opens: { kind: 'duration', us: 'h', metric: 'h' },
};

export type Typed = keyof typeof OWN;

const inUnits = (kind: Kind, value: number): string => {
  const { digits, unit } = print({ kind, value, system: unitSystem() });
  return unit ? `${digits} ${unit}` : digits;
};

interface Bounds {
  readonly least: number;
  readonly most: number;
}

/** What was typed in a field as an SI value inside its bounds, or a sentence that says what to do. @throws FieldProblem */
export function readWithin({ field, text, as, least, most }: { field: string; text: string; as: Typed } & Bounds): number {
  const { kind } = OWN[as];
  if (text.trim() === '') throw new FieldProblem(field, say('field.required'));
  let value: number;
  try {
    value = parse({ text, kind, unit: OWN[as][unitSystem()] });
  } catch (error) {
    if (error instanceof Problem) throw new FieldProblem(field, sayQuantityProblem(error, kind));
    throw error;
  }
  const slack = 1e-9 * Math.max(1, Math.abs(most));
  if (value < least - slack) throw new FieldProblem(field, say('field.tooSmall', { least: inUnits(kind, least) }));
  if (value > most + slack) throw new FieldProblem(field, say('field.tooLarge', { most: inUnits(kind, most) }));
  return value;
}

/** The same inside a limit that form and server share. @throws FieldProblem */
export const readTyped = ({ limit, ...rest }: { field: string; text: string; as: Typed; limit: Limit }): number => readWithin({ ...rest, ...LIMITS[limit] });

/** A typed figure with what was typed, so that it prints back so. @throws FieldProblem */
export const measuredOf = (input: Parameters<typeof readTyped>[0]): Measured => ({ value: readTyped(input), typed: input.text.trim(), source: 'typed' });

/** What was typed; a figure nobody typed prints in the firm's units. */
export function textOf(measured: Measured, kind: Kind): string {
  if (measured.typed !== undefined) return measured.typed;
  return kind === 'length' && unitSystem() === 'us' ? tradeLength({ length_m: measured.value }) : inUnits(kind, measured.value);
}
