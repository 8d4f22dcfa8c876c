import type { FindingInput, MarkKind } from '@tufa/core/survey';
import { counter, type CounterProperties } from './counter';
import { crack, type CrackProperties } from './crack';
import { edge, type EdgeProperties } from './edge';
import { joint, type JointProperties } from './joint';
import type { RowKind, Said } from './RowKind';
import { skim, type SkimProperties } from './skim';
import { spall, type SpallProperties } from './spall';
import { step, type StepProperties } from './step';
import { voidUnderWater, type VoidProperties } from './void';
import { wedge, type WedgeProperties } from './wedge';

/** What a mark marks. */
export interface MarkProperties extends Said {
  readonly what: MarkKind;
}

/** What each kind of finding says beside where it lies. */
export interface PropertiesOf {
  readonly spall: SpallProperties;
  readonly crack: CrackProperties;
  readonly joint: JointProperties;
  readonly edge: EdgeProperties;
  readonly skim: SkimProperties;
  readonly wedge: WedgeProperties;
  readonly step: StepProperties;
  readonly counter: CounterProperties;
  readonly void: VoidProperties;
  readonly mark: MarkProperties;
}

/** What may be found on an element. */
export const FOUND_KINDS = ['spall', 'crack', 'joint', 'edge', 'skim', 'wedge', 'step', 'counter', 'void', 'mark'] as const satisfies readonly FoundKind[];
export type FoundKind = keyof PropertiesOf;

/** What is repaired, and not only seen. */
export type RepairedKind = Exclude<FoundKind, 'mark'>;

/** What the core calls it. */
type InputOf<K extends RepairedKind> = Extract<FindingInput, { readonly kind: K extends 'joint' ? 'groove' : K }>;

/** Every kind by the name of its rows: a new kind is one module here, and the type names what is missing. */
export const ROW_KINDS: { readonly [K in RepairedKind]: RowKind<PropertiesOf[K], InputOf<K>> } = {
  spall,
  crack,
  joint,
  edge,
  skim,
  wedge,
  step,
  counter,
  void: voidUnderWater,
};
