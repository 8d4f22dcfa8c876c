import { UNKNOWN } from '@tufa/contract/assemble';
import type { Measured } from '@tufa/core/quantity';
import { say } from '@tufa/words';
import { FieldProblem } from '../../parts/ui/fieldProblem';
import { measuredOf } from '../../parts/ui/quantityText';
import type { TypedKind } from './TypedKind';

type Typed = Parameters<TypedKind<'spall'>['wireOf']>[0];

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

/** How wide and how deep a slot is, each unknown where nobody could tell. @throws FieldProblem */
export const slotTyped = ({ speaker, values }: Typed): { width: Measured; depth: Measured } => ({
  width: measuredOf(speaker, { field: 'opening', text: values.opening, as: 'depth', limit: 'crack_m', unknown: UNKNOWN.crackWidth }),
  depth: measuredOf(speaker, { field: 'depth', text: values.depth, as: 'depth', limit: 'crackDepth_m', unknown: UNKNOWN.crackDepth }),
});
