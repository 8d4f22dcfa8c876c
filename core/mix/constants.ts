import { constant, valuesOf } from '../quantity/constant';
import { inRange } from '../quantity/inRange';

/** The constants of mixing, ordering and resins. */
export const MIX_TABLE = {
  water_kg_m3: constant(1000, 'kg/m3', 'water', 'exact'),
  aggregate_kg_m3: constant(2650, 'kg/m3', 'aggregate, sand and filler grains'),
  rapid_kg_m3: constant(2750, 'kg/m3', 'rapid or sanded powder'),
  cement_kg_m3: constant(3150, 'kg/m3', 'portland cement'),
  silicaFume_kg_m3: constant(2200, 'kg/m3', 'silica fume'),
  latex_kg_m3: constant(1020, 'kg/m3', 'latex'),
  resin_kg_m3: constant(1100, 'kg/m3', 'resin parts, unless the sheet says'),
  bottle_m3: constant(0.75e-3, 'm3', 'bottle a shot is squeezed from'),
  squeeze_m3_s: constant(5e-6, 'm3/s', 'how fast it leaves the bottle'),
  fibre_kg_m3: constant({ polypropylene: 910, glass: 2700, steel: 7850 }, 'kg/m3', 'fibres'),
  air: constant({ mortar: 0.05, concrete: 0.03, resin: 0.01 }, '1', 'air share of the whole mix'),
  powderBulk_kg_m3: constant(1350, 'kg/m3', 'loose powder'),
  sandBulk_kg_m3: constant(1550, 'kg/m3', 'dry fine sand, loose'),
  sandPacking: constant(0.58, '1', 'share of solids in packed sand'),
  sandWetted: constant(0.42, '1', 'liquid over packed sand from which the grains are wetted'),
  citricBulk_kg_m3: constant(900, 'kg/m3', 'loose citric acid; 4.4 g a level teaspoon'),
  texture_m: constant([0.0001, 0.0002, 0.0004, 0.0006, 0.0009, 0.0013, 0.0018, 0.0025, 0.0035, 0.006], 'm', 'mean texture of CSP 1-10, +-40 %'),
  textureSpread: constant(0.4, '1', '90 % range of the texture'),
  latexSolids: constant(0.45, '1', 'acrylic latex, solids by mass'),
  liquidToCement: constant(0.4, '1', 'slurry, by mass'),
  latexShare: constant(0.5, '1', "slurry, latex of the liquid's volume"),
  slurryLayer_m: constant(0.001, 'm', 'slurry brushed on'),
  binderShare: constant(0.3, '1', 'binder of a powder, the rest filler'),
  yieldDiffers: constant(0.08, '1', "difference of a sheet's yield to the sum that is said", 'method'),
  partsDiffer: constant(0.05, '1', 'difference of parts by volume and by weight that is said', 'method'),
  medianWaste: constant(0.07, '1', 'median waste of an order'),
  sdYield: constant(0.03, 'ln', 'sd of ln yield'),
  sdWaste: constant(0.04, 'ln', 'sd of ln waste'),
  pailMixedShare: constant(0.75, '1', 'how full a pail may be when mixed', 'method'),
  pailDryShare: constant(0.9, '1', 'how full a pail may be of dry bulk and water', 'method'),
  stone: constant({ moisture: 0, absorption: 0.01 }, '1', 'clean dry stone, by mass'),
  batchLeast_kg: constant(0.25, 'kg', 'the smallest mix that a jug can measure: a cupful'),
  cup_m3: constant(0.25e-3, 'm3', 'a measuring cup', 'method'),
  jug_m3: constant(1e-3, 'm3', 'a measuring jug', 'method'),
  smallPail_m3: constant(8e-3, 'm3', 'a small pail', 'method'),
  byWeightStep: constant(0.8, '1', 'batches by weight are tried so much smaller each time', 'method'),
  broom_m: constant(0.6, 'm', 'width of a finishing broom'),
  handsFactor: constant([1, 1.7, 2.2], '1', 'rate of one, two and three hands on one panel'),
} as const;

/** The figures of mixing, by name. */
export const MIX = valuesOf(MIX_TABLE);

/** Rate factor for so many hands on one panel; more than three are no faster. @throws Problem `outOfRange` */
export const handsFactor = (hands: number): number =>
  MIX.handsFactor[Math.min(Math.round(inRange({ quantity: 'hands', value: hands, least: 1, most: 50 })), 3) - 1]!;

/**
 * Rate factor of a crew at a batch's panel: while a batch follows, whoever mixes that one does not place this one.
 *
 * @throws Problem `outOfRange` for hands beyond 1-50
 */
export const placingFactor = (hands: number, follows: boolean): number => handsFactor(follows ? Math.max(1, hands - 1) : hands);

/** Mean texture of a surface profile, m. CSP 1-10. @throws Problem `outOfRange` */
export const textureOf = (profile: number): number => MIX.texture_m[Math.round(inRange({ quantity: 'profile', value: profile, least: 1, most: 10 })) - 1]!;
