import { CHOOSE } from '../../choose';
import type { Task } from '../../shelf';
import { orientationOf, type FindingInput } from '../../survey';
import type { RiserFace } from '../steps/riserMethod';
import type { AsksOfKind, Damage, TaskAsked } from './Damage';

type Ordinary = Pick<
  Damage<FindingInput>,
  | 'wetEdge'
  | 'work'
  | 'tasks'
  | 'onBase'
  | 'bedded'
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

/** What hangs must hang; what lies with stone in it is screeded, else spread. */
export const layTasks = ({ element, sheet }: TaskAsked): readonly Task[] =>
  orientationOf(element.kind) !== 'horizontal'
    ? ['hang', 'ball', 'spread']
    : sheet.grain_m >= CHOOSE.stoneFrom_m
      ? ['screed', 'spread', 'pour']
      : ['spread', 'screed'];

/** What is made against a face: skimmed wet and brushed, held by the trowel stiff, poured into a form. */
export const faceTasks = (face: RiserFace): readonly Task[] =>
  face === 'skimmed' ? ['brush', 'spread'] : face === 'trowelHeld' ? ['hang', 'spread'] : ['pour', 'screed', 'spread'];

/** What most kinds have in common: a body on a base, filled portion by portion as it was measured. A kind says only where it differs. */
export const ORDINARY: Ordinary = {
  wetEdge: false,
  work: () => 'fill',
  tasks: (_finding, asked) => layTasks(asked),
  onBase: () => true,
  bedded: () => false,
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
export const ordinaryAsks = (deepest_m: number, more: Partial<Omit<AsksOfKind, 'deepest_m'>> = {}): AsksOfKind => ({
  deepest_m,
  grainRoom_m: deepest_m,
  rim: null,
  moving: null,
  rubbedIn: false,
  stands: false,
  underWater: false,
  takesTexture: true,
  layer: false,
  ...more,
});
