import type { HouseMethod } from '../../choose';
import type { Context } from '../input/Context';
import type { AidPlan } from '../Plan';

/** What the steps are told beside the finding: lifts, aids, the slab's temperature and how fast the sheet's times follow it. */
export interface Stepped extends Context {
  readonly house: HouseMethod;
  readonly lifts: number;
  readonly slab_C: number;
  readonly Ea_J_mol: number;
  readonly aids: readonly AidPlan[];
  /** an overlay follows: it is cured and coated in place of this */
  readonly covered: boolean;
}
