import type { Use } from '../shelf';
import type { FindingKind, GrooveInput } from '../survey';

/** What of damage moves: a crack that opens and closes or not, a joint of a width that moves or is still. */
export type Moving =
  | { readonly of: 'crack'; readonly moves: boolean; readonly width_m: number; /** of the resin over a bed of sand */ readonly cap_m: number }
  | {
      readonly of: 'joint';
      readonly width_m: number;
      readonly moves: GrooveInput['moves'];
      /** its element is a joint: it moves, whatever nobody has measured */ readonly isJoint: boolean;
    };

/** What damage asks of what fills it, as its kind tells: all that the rules of choice know of a finding. */
export interface Asks {
  readonly kind: FindingKind;
  /** what a sheet must be made for to answer it */
  readonly use: Use;
  /** the deepest or thickest place that a filling must reach, m */
  readonly deepest_m: number;
  /** where the largest grain must pass, m */
  readonly grainRoom_m: number;
  /** its rim as it was found, or that it runs out to nothing by its nature; null for what has none */
  readonly rim: 'cut' | 'feathered' | 'runsOut' | null;
  /** null for what does not move */
  readonly moving: Moving | null;
  /** a mortar too coarse for it is rubbed in as paste, or it is opened for it */
  readonly rubbedIn: boolean;
  /** its face stands though its element lies: a riser */
  readonly stands: boolean;
  readonly underWater: boolean;
  /** water over its deepest place, m; null where nobody has said how high it stands */
  readonly head_m: number | null;
  /** it lies on a base; what is cast in a mould does not */
  readonly onBase: boolean;
  /** its face can be finished as its surroundings are */
  readonly takesTexture: boolean;
  /** laid over what is sound: worn through where it is thin */
  readonly layer: boolean;
}
