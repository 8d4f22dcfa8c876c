import { UNKNOWN } from '@tufa/contract/assemble';
import type { Measured } from '@tufa/core/quantity';
import { say } from '@tufa/words';
import { FieldProblem } from '../../parts/ui/fieldProblem';
import { measuredOf } from '../../parts/ui/quantityText';
import type { TypedKind } from './TypedKind';

export type Typed = Parameters<TypedKind<'spall'>['wireOf']>[0];

/** How deep it goes, never deeper than its element is thick. @throws FieldProblem */
export function depthTyped({ speaker, values, thickness_m }: Typed, field: 'deepest' | 'cutDepth' | 'down'): Measured {
  const value = measuredOf(speaker, {
    field,
    text: values[field],
    as: 'depth',
    limit: 'depth_m',
    ...(field === 'deepest' ? { unknown: UNKNOWN.deepest } : {}),
  });
  if (value.source === 'typed' && value.value > thickness_m) throw new FieldProblem(field, say(speaker, 'walk.tooDeep', { thickness_m }));
  return value;
}
