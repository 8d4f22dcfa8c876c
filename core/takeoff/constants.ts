import { constant, valuesOf } from '../quantity/constant';

/** The constants of take-off. */
export const TAKEOFF_TABLE = {
  gravity_m_s2: constant(9.80665, 'm/s2', 'standard gravity', 'exact'),
  z95: constant(1.959963984540054, '1', "Wilson's 95 % interval", 'exact'),
  shapeShare: constant({ cone: 1 / 3, dish: 1 / 2, pan: 0.8 }, '1', 'area x deepest depth, by the shape of the bottom'),
  dimensionSpread: constant(0.1, '1', '90 % range of a volume from taped sizes'),
  crackSpread: constant(0.3, '1', '90 % range of a filling whose depth was probed in places'),
  maskingStrip_m: constant(0.5, 'm', 'strip of neighbours covered beside an edge'),
  fresh_kg_m3: constant(2300, 'kg/m3', 'fresh mortar behind a form'),
  shapeSpread: constant(0.3, '1', '90 % range of a volume from one depth'),
  readingsLeastRange: constant(0.05, '1', 'a volume from readings is never told narrower', 'method'),
  crown_m: constant(0.0015, 'm', 'crown over a filled crack'),
  lap_m: constant(0.003, 'm', 'lap of the crown on either side'),
  porosity: constant(0.42, '1', 'pores of dry sand'),
  soakDepth_m: constant(0.03, 'm', 'how far resin soaks into dry sand; learned'),
  formFriction: constant(0.4, '1', 'friction of a form on its base'),
  ballastSafety: constant(1.5, '1', 'ballast over what just holds', 'method'),
  cap_m: constant(0.01, 'm', 'resin cap over the sand of a crack, where a firm has set no other', 'method'),
  blade_m: constant(0.003, 'm', 'width of the blade that cuts a groove, where a firm has set no other', 'method'),
  treadPitch: constant(0.015, '1', 'fall of a rebuilt tread, so that no water stands', 'method'),
  propAngle_rad: constant(Math.PI / 4, 'rad', 'between a prop and the thrust it takes, where a firm has set no other', 'method'),
  formStock_m: constant(2.44, 'm', 'lengths that form strips come in, where a firm has set no other', 'method'),
  formKerf_m: constant(0.003, 'm', 'what the saw eats of a strip', 'method'),
  seasons_K: constant(50, 'K', 'how much warmer a joint gets than cold between seasons', 'method'),
  sealantMovement: constant(0.25, '1', 'share of its width a sealant may move, where no sheet says otherwise'),
  washOut: constant(0.1, '1', 'lost under water'),
  handPortion_m3: constant(0.35e-3, 'm3', 'one hand portion under water'),
  debrisBulk: constant(1.5, '1', 'bulk of debris over its solid volume', 'method'),
  debris_kg_m3: constant(2300, 'kg/m3', 'mass of debris by solid volume', 'method'),
  debrisBagMost_kg: constant(20, 'kg', 'one bag of debris at most', 'method'),
  expansion_1_K: constant(10e-6, '1/K', 'concrete'),
  rodOverJoint: constant(1.25, '1', 'backer rod over joint width', 'method'),
  sealantDepthShare: constant(0.5, '1', 'sealant depth over joint width', 'method'),
} as const;

/** The figures of taking off, by name. */
export const TAKEOFF = valuesOf(TAKEOFF_TABLE);
