import { MARKS, PHASES } from '@tufa/core/survey';
import Joi from 'joi';
import { blocks } from './blocks';
import { exactly, id, optionalText, points, text } from './common';
import { FOUND_KINDS, ROW_KINDS, type FoundKind, type RepairedKind } from './kinds';

const phase = exactly(PHASES);
const said = { phase, note: optionalText(500) };
const REPAIRED = FOUND_KINDS.filter((kind): kind is RepairedKind => kind !== 'mark');

/** What each kind of row says beside where it lies. */
export const propertiesOf: Readonly<Record<FoundKind, Joi.ObjectSchema>> = {
  ...(Object.fromEntries(REPAIRED.map((kind) => [kind, Joi.object({ ...ROW_KINDS[kind].properties(blocks), ...said })])) as Record<
    RepairedKind,
    Joi.ObjectSchema
  >),
  mark: Joi.object({ what: exactly(MARKS).required(), ...said }),
};

/** What of an element is seen beside its damage, in a job file. */
export const marks = Joi.array()
  .items(Joi.object({ id: id.required(), label: text(12).required(), what: exactly(MARKS).required(), points: points.required() }))
  .max(1000);

const base = { id: id.required(), elementId: id.required(), label: text(12).required(), phase };

/** A finding is checked by its kind, so that a fault is named where it is. */
const finding = Joi.alternatives().conditional('.kind', {
  switch: REPAIRED.map((name) => {
    const { kind, fields } = ROW_KINDS[name];
    return { is: kind, then: Joi.object({ ...base, kind: exactly([kind]).required(), ...fields(blocks) }) };
  }),
});

/** Findings of a job file. */
export const findings = Joi.array().items(finding);
