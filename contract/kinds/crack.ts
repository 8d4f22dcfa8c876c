import type { Measured } from '@tufa/core/quantity';
import { ANSWERS, type Answer, type CrackInput } from '@tufa/core/survey';
import { CRACK_PROFILES, TAKEOFF, type CrackProfile } from '@tufa/core/takeoff';
import { LINE_LEAST_M, type RowKind, type Said } from './RowKind';

/** What a crack is like beside its line. */
export interface CrackProperties extends Said {
  readonly profile: CrackProfile;
  /** where no width was read along it */
  readonly width: Measured;
  readonly depth: Measured;
  readonly moves: Answer;
  readonly lip: Measured | null;
}

/** A crack. */
export const crack: RowKind<CrackProperties, CrackInput> = {
  kind: 'crack',
  lineLeast_m: LINE_LEAST_M,
  properties: ({ exactly, measured }) => ({
    profile: exactly(CRACK_PROFILES).required(),
    width: measured('crack_m').required(),
    depth: measured('crackDepth_m').required(),
    moves: exactly(ANSWERS).required(),
    lip: measured('lip_m').allow(null).required(),
  }),
  fields: ({ Joi, exactly, measured, line, size, widths }) => ({
    line: line.required(),
    profile: exactly(CRACK_PROFILES).required(),
    widths: widths.required(),
    depth: measured('depth_m').required(),
    cap_m: size(2).required(),
    runaway: size(5).required(),
    moves: exactly(ANSWERS),
    lip_m: size(1),
    visits: Joi.array()
      .items(Joi.object({ at_s: Joi.number().required(), widths: widths.required() }))
      .max(200),
  }),
  inputOf({ outline, properties: { profile, width, depth, moves, lip } }, seen) {
    const visits = seen.visits();
    return {
      kind: 'crack',
      line: outline.points,
      profile,
      widths: visits.at(-1)?.widths ?? [[0, width.value]],
      depth,
      cap_m: Math.min(depth.value, TAKEOFF.cap_m),
      runaway: 0,
      moves,
      ...(lip ? { lip_m: lip.value } : {}),
      ...(visits.length > 0 ? { visits } : {}),
    };
  },
};
