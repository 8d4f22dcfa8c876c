import { constant, valuesOf, type Constant } from '../quantity/constant';

/** The constants of choosing. */
export const CHOOSE_TABLE = {
  grains: constant(3, 'grains', 'largest grains that must fit in a layer or across a crack'),
  pasteGrain_m: constant(0.003, 'm', 'largest grain of a mortar whose paste is rubbed into a crack'),
  stoneFrom_m: constant(0.005, 'm', 'largest grain from which a mortar holds stone'),
  sandedFrom_m: constant(0.001, 'm', 'largest grain from which a mortar counts as sanded'),
  sandedLeast_m: constant(0.012, 'm', 'a sanded overlay, by the school that starts there', 'method'),
  profileOf: constant({ wash: 1, brush: 2, grind: 3, blast: 5, breakOut: 8 }, 'CSP', 'surface profile that a way of preparing leaves'),
  passes: constant({ wash: 1, brush: 2, grind: 2, blast: 1, breakOut: 1 }, 'passes', 'how often a tool goes over a base, crosswise'),
  discLife_m2: constant(40, 'm2', 'concrete that a cup wheel grinds'),
  bladeLife_m: constant(60, 'm', 'shoulder or groove that a dry blade saws, each pass'),
  anchorEvery_m: constant(0.3, 'm', 'anchors along an edge, to price and load by; how many it takes is the code’s or the engineer’s to say'),
  fibreDose_kg_m3: constant(0.9, 'kg/m3', 'polypropylene fibre by the school that reinforces patches with it'),
  fibreBag_kg: constant(0.45, 'kg', 'a bag of it'),
  profileShort: constant(2, 'CSP', 'a profile short of the asked by more than this is refused'),
  weakPull_Pa: constant(1e6, 'Pa', 'pull-off strength under which a surface is too weak to bond to'),
  sealedDrop_s: constant(120, 's', 'a drop that stands longer says the surface is sealed'),
  dampShare: constant(0.04, '1', 'moisture over which a resin does not hold'),
  crown_m: constant(0.001, 'm', 'how high a fill stands that is ground flush'),
  recordFlush: constant(4, 'batches', 'logged batches after which a crew fills flush'),
  neatUnder_m: constant(0.001, 'm', 'a crack narrower is filled neat'),
  sandedTo_m: constant(0.006, 'm', 'a crack to this width takes sand in the resin; a wider one a bed and a cap'),
  grooveDeep: constant(2, '1', 'depth of a groove opened along a crack, over its width'),
  skimUnder_m: constant(0.012, 'm', 'a riser face thinner is skimmed'),
  trowelTo_m: constant(0.05, 'm', 'a riser face to this depth is held by the trowel; a deeper one is formed'),
  reinforceFrom_m: constant(0.05, 'm', 'patches thinner are not reinforced'),
  shoulderFrom_m: constant(0.006, 'm', 'rigid patches thicker get a cut shoulder'),
  thinUnder_m: constant(0.012, 'm', 'a skin or a ramp thinner than this wears a class sooner'),
  wheels_MPa: constant(30, 'MPa', 'strength under which wheels break a repair; the designer’s figure counts where there is one'),
  givesFrom: constant(0.05, '1', 'share of movement from which a sheet counts as one that gives'),
  closeToLimit_K: constant(2, 'K', 'air or slab nearer to a limit of the sheet is a caution'),
  closeToOpen: constant(0.9, '1', 'share of the time asked past which an opening is too close to promise'),
  lifeYears: constant({ short: [1, 5], middle: [5, 15], long: [15, 30], renewed: [25, 50] }, 'years', 'what a class of expected life stands for') as Constant<
    Readonly<Record<'short' | 'middle' | 'long' | 'renewed', readonly [number, number]>>
  >,
  soonestJudged: constant(4, 'products', 'of a shelf, by their own sheets the first to open, are judged for the system that opens soonest'),
  hotWall_C: constant(25, 'degC', 'a wall is damped from this temperature, by the school that damps hot ones'),
} as const;

/** The figures of choice, by name. */
export const CHOOSE = valuesOf(CHOOSE_TABLE);
