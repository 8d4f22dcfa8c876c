import { constant, valuesOf } from '../quantity/constant';

/** The constants of planning: what a crew can do about a window, and what each costs in trouble. */
export const PLAN_TABLE = {
  coolerPowder_K: constant(5, 'K', 'how much under the air bags kept in the shade and damp cloth come to'),
  warmPowder_C: constant(15, 'degC', 'bags colder than this are not cooled further'),
  screenedWind_ms: constant(0.5, 'm/s', 'wind left behind a screen'),
  iceMixLeast_C: constant(5, 'degC', 'a mix is not iced below it'),
  shadeFor_s: constant(3600, 's', 'a slab is shaded so long before the work'),
  wetFor_s: constant(1800, 's', 'a slab is kept wet so long before the work'),
  soak_s: constant(3600, 's', 'a dry slab is soaked so long'),
  pailsMost: constant(6, 'pails', 'as many as are carried to a job; the rest are washed between batches', 'method'),
  films: constant(3, '1', 'times it is damped again before it is covered'),
  rinse_m3: constant(2e-3, 'm3', 'water to rinse pail and paddle after each batch'),
  handsMost: constant(3, '1', 'hands on one panel', 'method'),
  hourReach_h: constant(8, 'h', 'hours looked at before and after the planned one'),
  levers: constant(
    {
      shadePail: 1,
      coolWater: 1,
      smallerBatch: 2,
      retarder: 2,
      wetSlab: 2,
      shadeSlab: 3,
      coolPowder: 3,
      stopWind: 3,
      ice: 4,
      hour: 5,
      anotherHand: 6,
    },
    '1',
    'how much trouble each lever is, the least first',
  ),
  noticeable_s: constant(15, 's', 'a lever that gives less is left out'),
  stripReplaced_s: constant(86400, 's', 'forms stay on a new slab, at the reference temperature'),
  footReplaced_s: constant(86400, 's', 'a new slab carries people, at the reference temperature'),
  vehiclesReplaced_s: constant(604800, 's', 'a new slab carries vehicles, at the reference temperature'),
  lorryLeast_m3: constant(1, 'm3', 'mixed concrete is paid for from this volume'),
  replaceTools: constant(3, '1', 'powered tools that breaking out a slab takes'),
  chanceDiffers: constant(0.05, '1', 'chances of losing a batch closer than this decide nothing'),
  opensDiffer_s: constant(1800, 's', 'openings closer than this decide nothing'),
  labourSpread: constant(0.3, '1', '90 % range of the hours of a job'),
  nearlySame: constant(0.03, '1', 'totals closer than this decide nothing'),
  hotFill_C: constant(60, 'degC', 'a fill that warms itself past it is a caution'),
} as const;

/** The figures of planning, by name. */
export const PLAN = valuesOf(PLAN_TABLE);
