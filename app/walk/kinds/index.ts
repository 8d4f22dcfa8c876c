import type { RepairedKind } from '@tufa/contract/kinds/index';
import type { PlanKind } from '@tufa/draw';
import { counter } from './counter';
import { crack } from './crack';
import { edge } from './edge';
import { joint } from './joint';
import { skim } from './skim';
import { spall } from './spall';
import { step } from './step';
import type { TypedKind } from './TypedKind';
import { voidUnderWater } from './void';
import { wedge } from './wedge';

/** Every kind by the name of its rows: a new kind is one module here, and the type names what is missing. */
const TYPED_KINDS: { readonly [K in RepairedKind]: TypedKind<K> } = { spall, crack, joint, edge, skim, wedge, step, counter, void: voidUnderWater };

/** How a kind is typed; null for a mark, which is only drawn. */
export const typedKind = (kind: PlanKind): TypedKind<RepairedKind> | null =>
  Object.hasOwn(TYPED_KINDS, kind) ? (TYPED_KINDS[kind as RepairedKind] as TypedKind<RepairedKind>) : null;
