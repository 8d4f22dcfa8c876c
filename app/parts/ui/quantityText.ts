import { LIMITS, type Limit } from '@tufa/contract/limits';
import { contradiction, parse, Problem, type Measured } from '@tufa/core/quantity';
import { say } from '@tufa/words';
import { inUnits } from '@tufa/words/survey';
import { entryFor, type Typed } from '../../keypad/entries';
import { originOf } from '../instruments/taken';
import { FieldProblem, sayQuantityProblem } from './fieldProblem';
import type { Speaker } from '@tufa/words/speak';

interface Bounds {
  readonly least: number;
  readonly most: number;
}

/** What was typed in a field as an SI value inside its bounds, or a sentence that says what to do. @throws FieldProblem */
export function readWithin(speaker: Speaker, { field, text, as, least, most }: { field: string; text: string; as: Typed } & Bounds): number {
  const { kind, unit } = entryFor(speaker, as);
  if (text.trim() === '') throw new FieldProblem(field, say(speaker, 'field.required'));
  let value: number;
  const clash = contradiction({ text, kind });
  if (clash) throw new FieldProblem(field, say(speaker, 'keypad.clash', { first: clash[0], second: clash[1] }));
  try {
    value = parse({ text, kind, unit });
  } catch (error) {
    if (error instanceof Problem) throw new FieldProblem(field, sayQuantityProblem(speaker, error, kind));
    throw error;
  }
  const slack = 1e-9 * Math.max(1, Math.abs(most));
  if (value < least - slack) throw new FieldProblem(field, say(speaker, 'field.tooSmall', { least: inUnits(speaker, kind, least) }));
  if (value > most + slack) throw new FieldProblem(field, say(speaker, 'field.tooLarge', { most: inUnits(speaker, kind, most) }));
  return value;
}

/** The same inside a limit that form and server share. @throws FieldProblem */
export const readTyped = (speaker: Speaker, { limit, ...rest }: { field: string; text: string; as: Typed; limit: Limit }): number =>
  readWithin(speaker, { ...rest, ...LIMITS[limit] });

/** A typed figure with what was typed, so that it prints back so; *don't know* stands for the wide figure given. @throws FieldProblem */
export const measuredOf = (speaker: Speaker, { unknown, ...input }: Parameters<typeof readTyped>[1] & { unknown?: Measured }): Measured =>
  unknown && input.text === say(speaker, 'keypad.unknown') ? unknown : measuredBy(readTyped(speaker, input), input);

/** A figure with what was typed, and with the instrument that read it where one did. */
const measuredBy = (value: number, { text, as }: { text: string; as: Typed }): Measured => ({ value, typed: text.trim(), ...originOf(value, as) });
