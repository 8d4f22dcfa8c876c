import type { Measured } from '@tufa/core/quantity';
import type { EdgeInput, OnStep } from '@tufa/core/survey';
import { lineLength, SECTIONS, type Section } from '@tufa/core/takeoff';
import { drawn, LINE_LEAST_M, onStepOf, type RowKind, type Said } from './RowKind';

/** What a broken edge is like beside its line. */
export interface EdgeProperties extends Said {
  readonly section: Section;
  readonly across: Measured;
  readonly down: Measured;
  readonly onStep?: OnStep;
}

/** A broken edge or nosing. */
export const edge: RowKind<EdgeProperties, EdgeInput> = {
  kind: 'edge',
  lineLeast_m: LINE_LEAST_M,
  properties: ({ exactly, measured, onStep }) => ({
    onStep,
    section: exactly(SECTIONS).required(),
    across: measured('depth_m').required(),
    down: measured('depth_m').required(),
  }),
  fields: ({ exactly, measured, onStep }) => ({
    onStep,
    section: exactly(SECTIONS).required(),
    length: measured('side_m').required(),
    across: measured('depth_m').required(),
    down: measured('depth_m').required(),
  }),
  inputOf: ({ outline, properties: { section, across, down, ...more } }) => ({
    kind: 'edge',
    section,
    length: drawn(lineLength(outline.points)),
    across,
    down,
    ...onStepOf(more),
  }),
};
