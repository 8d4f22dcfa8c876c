import type { RepairedKind } from '@tufa/contract/kinds/index';
import type { RowOf } from '@tufa/contract/entities';
import { counter } from './counter';
import { crack } from './crack';
import { edge } from './edge';
import { joint } from './joint';
import type { SaidKind } from './SaidKind';
import { skim } from './skim';
import { spall } from './spall';
import { step } from './step';
import { voidUnderWater } from './void';
import { wedge } from './wedge';

/** Every kind by the name of its rows: a new kind is one module here, and the type names what is missing. */
const SAID_KINDS: { readonly [K in RepairedKind]: SaidKind<K> } = { spall, crack, joint, edge, skim, wedge, step, counter, void: voidUnderWater };

type Repaired = Extract<RowOf<'finding'>, { readonly kind: RepairedKind }>;

/** What a finding's kind says of it. */
export const saidKind = ({ kind }: Repaired): SaidKind<Repaired['kind']> => SAID_KINDS[kind] as SaidKind<Repaired['kind']>;
