import { constant, valuesOf } from '../quantity/constant';

/** The constants of a survey. */
export const SURVEY_TABLE = {
  hollowCaution: constant(0.2, '1', 'share that rings hollow from which a repair is borderline', 'method'),
  hollowMost: constant(0.5, '1', 'share that rings hollow from which replacing is the question', 'method'),
  lip_m: constant(0.001, 'm', 'a step across a crack that is more than its rough rims', 'method'),
  widthError_m: constant(0.0001, 'm', 'one reading of a crack with a gauge card'),
  dormantAfter_s: constant(180 * 86400, 's', 'two visits this far apart have seen two seasons', 'method'),
  widthPair_m: constant(0.1, 'm', 'widths of two visits this near are of one place', 'method'),
  atEdge_m: constant(0.1, 'm', 'a crack that comes this near an edge reaches it', 'method'),
  panelOverThickness: constant(30, '1', 'a panel longer than this many thicknesses wants a joint'),
  suspendedDepthShare: constant(1 / 3, '1', 'depth over thickness of a suspended member that a licensed engineer decides'),
  halfDepthShare: constant(0.5, '1', 'depth over thickness from which a repair is borderline', 'method'),
  sameWithin: constant(1.01, '1', 'a figure over this many times what an opinion saw is more', 'method'),
  samePlace_m: constant(0.05, 'm', 'what lies further from where an opinion saw it is another place', 'method'),
  unevenRise_m: constant(0.005, 'm', 'risers of a flight further apart than this are felt by a foot: told, and left to the local code', 'method'),
  unevenGoing_m: constant(0.01, 'm', 'goings of a flight further apart than this are told', 'method'),
  riseRead_m: constant(0.005, 'm', 'one riser read with a tape', 'method'),
  pitchLeast: constant(0.01, '1', 'a tread that falls less holds water'),
  pitchMost: constant(0.02, '1', 'a tread that falls more is told'),
  armReach_m: constant(0.6, 'm', 'how deep under water an arm reaches', 'method'),
  squareWithin_rad: constant((5 * Math.PI) / 180, 'rad', 'a corner drawn so near to square is meant square', 'method'),
} as const;

/** The figures of the survey, by name. */
export const SURVEY = valuesOf(SURVEY_TABLE);
