import type { Answer, Phase, StepFace } from '@tufa/core/survey';
import type { CrackProfile, Point, Section, SpallShape } from '@tufa/core/takeoff';
import type { PlanKind } from '@tufa/draw';
import type { COUNTER_SIDES } from '@tufa/contract/kinds/counter';

/** What a side of a top may be. */
export type CounterSide = (typeof COUNTER_SIDES)[number];

/** A finding as it is typed and drawn: what two kinds ask alike stays when another kind is chosen. */
export interface FindingText {
  kind: PlanKind;
  /** an area by its sizes, drawn, a whole face of a flight, or all of the element */
  by: 'face' | 'sizes' | 'corners' | 'whole';
  length: string;
  width: string;
  fromLeft: string;
  fromTop: string;
  corners: Point[];
  deepest: string;
  shape: SpallShape;
  edge: 'cut' | 'feathered';
  cutDepth: string;
  opening: string;
  depth: string;
  profile: CrackProfile;
  moves: Answer;
  lip: string;
  between: string;
  section: Section;
  across: string;
  down: string;
  layer: string;
  /** CSP 1-10 */
  roughness: string;
  run: string;
  rise: string;
  going: string;
  steps: string;
  stays: string;
  /** the joint a ramp lies beside: a finding by its id, none, another by its width; nothing while nobody has said */
  beside: string;
  jointWidth: string;
  made: 'laid' | 'cast';
  /** of a top: what each side is, how round each corner, and its tap holes */
  sides: CounterSide[];
  splashHeight: string;
  splashThick: string;
  radii: string[];
  holes: { left: string; top: string; across: string }[];
  /** of a flight, counted from the bottom; nothing where nobody says */
  stepNumber: string;
  stepFace: StepFace;
  phase: Phase;
  note: string;
}

/** A new finding, nothing typed yet. */
export const EMPTY: FindingText = {
  kind: 'spall',
  by: 'sizes',
  length: '',
  width: '',
  fromLeft: '',
  fromTop: '',
  corners: [],
  deepest: '',
  shape: 'dish',
  edge: 'cut',
  cutDepth: '',
  opening: '',
  depth: '',
  profile: 'slot',
  moves: 'no',
  lip: '',
  between: '',
  section: 'triangle',
  across: '',
  down: '',
  layer: '',
  roughness: '3',
  run: '',
  rise: '',
  going: '',
  steps: '1',
  stays: '0',
  beside: '',
  jointWidth: '',
  made: 'laid',
  sides: [],
  splashHeight: '',
  splashThick: '',
  radii: [],
  holes: [],
  stepNumber: '',
  stepFace: 'riser',
  phase: 'now',
  note: '',
};
