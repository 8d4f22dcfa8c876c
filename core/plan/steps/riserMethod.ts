import { CHOOSE, type HouseMethod } from '../../choose';

/** How a riser's face can be made. */
export type RiserFace = Exclude<HouseMethod['riserFace'], 'byDepth'>;

/** How a riser's face is made: by its depth, or by the firm's school. */
export function riserMethod({ riserFace }: HouseMethod, depth_m: number): RiserFace {
  if (riserFace !== 'byDepth') return riserFace;
  if (depth_m < CHOOSE.skimUnder_m) return 'skimmed';
  return depth_m <= CHOOSE.trowelTo_m ? 'trowelHeld' : 'formed';
}
