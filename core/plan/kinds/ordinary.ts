import type { Asks } from '../../choose';
import type { FindingInput } from '../../survey';
import type { AsksOfKind, Damage } from './Damage';

type Ordinary = Pick<
  Damage<FindingInput>,
  | 'wetEdge'
  | 'work'
  | 'covers'
  | 'reinforceable'
  | 'carries'
  | 'groundFlush'
  | 'open'
  | 'verdict'
  | 'filled'
  | 'crown'
  | 'overlaid'
  | 'thinRun'
  | 'cautions'
  | 'edging'
>;

/** What most kinds have in common: a body on a base, filled portion by portion as it was measured. A kind says only where it differs. */
export const ORDINARY: Ordinary = {
  wetEdge: false,
  work: () => 'fill',
  covers: false,
  reinforceable: true,
  carries: false,
  groundFlush: false,
  open: false,
  verdict: () => [],
  filled: ({ takeOff }) => takeOff,
  crown: () => 0,
  overlaid: () => null,
  thinRun: () => null,
  cautions: () => [],
  edging: () => [],
};

/** What most kinds ask of a sheet: a depth that its grain must fit in, and a face that takes a texture. */
export const ordinaryAsks = (deepest_m: number, more: Partial<Omit<Asks, 'kind' | 'use' | 'deepest_m'>> = {}): AsksOfKind => ({
  deepest_m,
  grainRoom_m: deepest_m,
  rim: null,
  moving: null,
  rubbedIn: false,
  underWater: false,
  takesTexture: true,
  layer: false,
  ...more,
});
