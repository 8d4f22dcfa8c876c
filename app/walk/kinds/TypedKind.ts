import type { PropertiesOf, RepairedKind } from '@tufa/contract/kinds/index';
import type { Measured } from '@tufa/core/quantity';
import type { Speaker } from '@tufa/words/speak';
import type { Point } from '@tufa/core/takeoff';
import type { ComponentType } from 'react';
import type { FindingFieldProps } from '../findingFields';
import type { FindingText } from '../TypedFinding';

/** A joint that was found, with how wide it is. */
export interface FoundJoint {
  readonly id: string;
  readonly label: string;
  readonly width: Measured;
}

/** What is asked of one kind beside where it lies. */
export type KindFieldProps = FindingFieldProps & {
  readonly onGauge: () => void;
  /** its outline as it is told so far; nothing while nothing is */
  readonly points: readonly Point[];
  /** joints of its element */
  readonly joints: readonly FoundJoint[];
};

/** What a typed figure is held against: the element's sizes, and what was read in it. */
export interface FoundIn {
  readonly thickness_m: number;
  /** the shorter of its sides */
  readonly across_m: number;
  /** where it lies, as it was told */
  readonly points?: readonly Point[];
  /** joints of its element */
  readonly joints?: readonly FoundJoint[];
  /** the deepest that was read of it; absent without a reading */
  readonly read_m?: number;
}

/** How one kind of finding is typed. Every kind is one such module. */
export interface TypedKind<K extends RepairedKind> {
  /** told by sizes, drawn, or all of its element, the usual way first; empty where it can only be drawn */
  readonly ways: readonly FindingText['by'][];
  /** what is read along it with a gauge; null where nothing is */
  readonly read: 'depth' | 'width' | null;
  /** where each sent property is typed */
  readonly fieldOf: Readonly<Partial<Record<keyof PropertiesOf[K] & string, keyof FindingText>>>;
  /** what a row says, as it would be typed; `points` are where it lies */
  textOf(speaker: Speaker, properties: PropertiesOf[K], points: readonly Point[]): Partial<FindingText>;
  /** what is sent of what was typed, beside what all say. @throws FieldProblem */
  wireOf(typed: { readonly speaker: Speaker; readonly values: FindingText } & FoundIn): PropertiesOf[K];
  readonly Fields: ComponentType<KindFieldProps>;
}
