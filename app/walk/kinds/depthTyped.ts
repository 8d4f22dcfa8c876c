import { UNKNOWN } from '@tufa/contract/assemble';
import type { Measured } from '@tufa/core/quantity';
import { say } from '@tufa/words';
import { FieldProblem } from '../../parts/ui/fieldProblem';
import { measuredOf } from '../../parts/ui/quantityText';
import type { TypedKind } from './TypedKind';

/** A tape and a gauge may differ by so much. */
const SAME_M = 0.001;

export type Typed = Parameters<TypedKind<'spall'>['wireOf']>[0];

/** How deep it goes, never deeper than its element is thick, nor less deep than was read in it. @throws FieldProblem */
export function depthTyped({ speaker, values, thickness_m, read_m }: Typed, field: 'deepest' | 'cutDepth' | 'down'): Measured {
  const value = measuredOf(speaker, {
    field,
    text: values[field],
    as: 'depth',
    limit: 'depth_m',
    ...(field === 'deepest' ? { unknown: UNKNOWN.deepest } : {}),
  });
  if (value.source === 'typed' && value.value > thickness_m) throw new FieldProblem(field, say(speaker, 'walk.tooDeep', { thickness_m }));
  // What was read deeper stands: one of the two is wrong.
  if (field === 'deepest' && value.source === 'typed' && read_m !== undefined && value.value < read_m - SAME_M)
    throw new FieldProblem(field, say(speaker, 'walk.underReading', { read_m }));
  return value;
}
