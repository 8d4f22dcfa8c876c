import type { Measured } from '../quantity';
import type { Exposure, Moisture, Orientation } from '../shelf';
import type { Point, SpallShape } from '../takeoff';

export const ELEMENT_KINDS = ['slab', 'wall', 'step', 'counter', 'soffit'] as const;
export type ElementKind = (typeof ELEMENT_KINDS)[number];

/** The five questions whose yes, or don't know, stops the plan and sends the user to a licensed engineer. */
export const STOP_QUESTIONS = ['rust', 'stepOrSettlement', 'movement', 'carriesBuilding', 'tooDeep'] as const;
export type StopQuestion = (typeof STOP_QUESTIONS)[number];
export const ANSWERS = ['no', 'yes', 'unknown'] as const;
export type Answer = (typeof ANSWERS)[number];

/** What is looked at: a slab, a wall ... with its outline in its own plane, m. */
export interface ElementInput {
  readonly id: string;
  readonly name: string;
  readonly kind: ElementKind;
  readonly outline: readonly Point[];
  readonly thickness: Measured;
  /** carried on supports rather than on the ground */
  readonly suspended: boolean;
  readonly exposures: readonly Exposure[];
  readonly moisture: Moisture;
  /** how long after the pour it must carry what is asked, s; null where nobody asks */
  readonly opens: { readonly to: 'foot' | 'vehicles'; readonly after_s: number } | null;
  readonly stops: Readonly<Partial<Record<StopQuestion, Answer>>>;
}

/** What is wrong with it. */
export interface FindingInput {
  readonly id: string;
  readonly elementId: string;
  readonly label: string;
  readonly kind: 'spall';
  readonly outline: readonly Point[];
  readonly deepest: Measured;
  readonly shape: SpallShape;
  readonly edge: 'cut' | 'feathered';
}

/** How an element of a kind lies. */
export const orientationOf = (kind: ElementKind): Orientation => (kind === 'wall' ? 'vertical' : kind === 'soffit' ? 'overhead' : 'horizontal');
