import type { Measured } from '@tufa/core/quantity';
import type { FindingInput, OnStep, Phase, WidthVisit } from '@tufa/core/survey';
import type { DepthReading, Point } from '@tufa/core/takeoff';
import type { PartialSchemaMap } from 'joi';
import type { Blocks } from '../blocks';

/** What every finding may say of itself. */
export interface Said {
  readonly phase?: Phase;
  readonly note?: string;
}

/** Where it lies and what it says of itself, as a row has it. */
export interface Row<P extends Said> {
  readonly id: string;
  readonly outline: { readonly points: readonly Point[] };
  readonly properties: P;
}

/** What was read of it, and what lies around it. */
export interface Seen {
  /** depths inside its outline */
  readonly depths: () => readonly DepthReading[];
  /** widths along its line, a day's as one visit, in the order of time */
  readonly visits: () => readonly WidthVisit[];
  /** openings of its element */
  readonly openings: readonly (readonly Point[])[];
}

/** What the core is told of it beside its name and place. */
export type Told<F extends FindingInput> = F extends FindingInput ? Omit<F, 'id' | 'elementId' | 'label' | 'phase'> : never;

/** How one kind of finding crosses the wire and stands in a file. Every kind is one such module. */
export interface RowKind<P extends Said, F extends FindingInput> {
  /** what a job file calls it */
  readonly kind: F['kind'];
  /** how short its line may be, m; null for an area */
  readonly lineLeast_m: number | null;
  /** what a row says beside where it lies and what all say */
  properties(blocks: Blocks): PartialSchemaMap;
  /** how a job file describes it */
  fields(blocks: Blocks): PartialSchemaMap;
  /** as the core measures it */
  inputOf(row: Row<P>, seen: Seen): Told<F>;
}

/** Shorter than this nothing was drawn, m. */
export const LINE_LEAST_M = 1e-3;

/** A length that was drawn. */
export const drawn = (value: number): Measured => ({ value, source: 'typed' });

/** Which step of a flight it is on, where that was told. */
export const onStepOf = ({ onStep }: { readonly onStep?: OnStep }): { readonly onStep?: OnStep } => (onStep ? { onStep } : {});
