import {
  AID_CLASSES,
  AID_UNITS,
  BINDERS,
  BONDS,
  COVERED,
  EXPOSURES,
  HAZARDS,
  MILESTONES,
  MOISTURES,
  ORIENTATIONS,
  PASSED,
  SHEET_CLASSES,
  SUBSTRATES,
  TASKS,
  TEXTURES,
  USES,
} from '@tufa/core/shelf';
import Joi from 'joi';
import { degrees, exactly, id, text } from './common';

const sheetTime = Joi.object({ least_s: Joi.number().min(5).max(1e7).required(), most_s: Joi.number().min(5).max(1e7).required() });
const byName = (names: readonly string[], value: Joi.Schema): Joi.ObjectSchema => Joi.object(Object.fromEntries(names.map((name) => [name, value])));
const pair = Joi.array().items(Joi.number().min(0).max(1e9)).length(2);
const share = Joi.number().min(0).max(1);
const several = (names: readonly string[]): Joi.ArraySchema => Joi.array().items(exactly(names));
const time = Joi.number().min(0).max(1e9);
const interval = Joi.object({ least_s: time.required(), most_s: time.required() });
/** temperature and time at it */
const timePoints = Joi.array()
  .items(Joi.array().items(Joi.number().min(-20).max(1e7)).length(2))
  .max(8);
const thickness = { least_m: Joi.number().min(0).max(1).required(), most_m: Joi.number().min(0.0005).max(2).required() };
const limits = Joi.object({
  airLeast_C: degrees.required(),
  airMost_C: degrees.required(),
  slabLeast_C: degrees.required(),
  slabMost_C: degrees.required(),
});
const colour = Joi.object({ wet: text(40).required(), dry: text(40).required() });
const storage = Joi.object({ least_C: degrees.required(), most_C: degrees.required() });
const days = Joi.number().integer().min(1).max(5000);
const price_minor = Joi.number().integer().min(0).max(1e8);
const assumed = Joi.array().items(Joi.string().max(40)).max(60);
const identity = { id: id.required(), productId: id.required(), revision: Joi.number().integer().min(1).required(), name: text(80).required() };

/** A data sheet. */
export const sheet = Joi.object({
  ...identity,
  class: exactly(SHEET_CLASSES).required(),
  binder: exactly(BINDERS).required(),
  uses: several(USES).min(1).required(),
  packs: Joi.array()
    .items(Joi.object({ mass_kg: Joi.number().min(0.05).max(2000).required(), price_minor: price_minor.required() }))
    .min(1)
    .max(8)
    .required(),
  thickness: Joi.object({
    ...thickness,
    byUse: byName(USES, Joi.object(thickness)),
    liftMost_m: Joi.number().min(0.0005).max(2).required(),
    feathers: Joi.boolean().required(),
    liftBy: Joi.object({ vertical: Joi.number().min(0.0005).max(2), overhead: Joi.number().min(0.0005).max(2) }),
  }).required(),
  grain_m: Joi.number().min(0).max(0.05).required(),
  orientations: several(ORIENTATIONS).min(1).required(),
  moisture: exactly(MOISTURES).required(),
  profile: Joi.number().integer().min(1).max(10).required(),
  bond: exactly(BONDS).required(),
  substrates: several(SUBSTRATES),
  exposures: several(EXPOSURES).required(),
  head_m: Joi.number().min(0).max(200),
  movement: share,
  water: Joi.object({ least: share.required(), most: share.required(), byTask: byName(TASKS, share).required() })
    .allow(null)
    .required(),
  parts: Joi.array().items(Joi.number().min(0.1).max(20)).min(1).max(3).allow(null).required(),
  powderDensity_kg_m3: Joi.number().min(500).max(8000).required(),
  bulkDensity_kg_m3: Joi.number().min(300).max(4000).required(),
  airShare: Joi.number().min(0).max(0.3).required(),
  yield_m3_kg: Joi.number().min(1e-4).max(0.01).allow(null).required(),
  flow: sheetTime.required(),
  finish: sheetTime.required(),
  reference_C: degrees.required(),
  Ea_J_mol: Joi.number().min(15e3).max(90e3).allow(null).required(),
  milestones: byName(MILESTONES, Joi.number().min(30).max(1e8)).required(),
  strengths: Joi.array().items(pair).max(8).required(),
  strengthFor: byName(MILESTONES, Joi.number().min(0.1).max(200)).required(),
  retarder: Joi.array().items(pair).max(10).required(),
  latexMost: Joi.number().min(0).max(1),
  mixing: Joi.object({
    time_s: Joi.number().min(5).max(1800).required(),
    portions: Joi.number().integer().min(1).max(10).required(),
    batchMost_kg: Joi.number().min(0.05).max(2000).allow(null).required(),
  }).required(),
  massExponent: Joi.number().min(-1).max(0).allow(null).required(),
  limits: limits.required(),
  intervals: Joi.object({ layer: interval.required(), recoat: interval.required() }),
  textures: several(TEXTURES),
  hazards: several(HAZARDS).required(),
  colour: colour.required(),
  storage,
  shelfLife_days: days.required(),
  opened_days: days,
  assumed,
  resin: Joi.object({
    densities_kg_m3: Joi.array().items(Joi.number().min(300).max(8000)).min(1).max(3).required(),
    byMass: Joi.array().items(Joi.number().min(0.01).max(1000)).min(1).max(3).allow(null).required(),
    bottle_m3: Joi.number().min(1e-6).max(0.05).required(),
    squeeze_m3_s: Joi.number().min(1e-9).max(1e-3).required(),
    sandLimit: Joi.number().min(0).max(10).allow(null).required(),
    filmShare: Joi.number().min(0.5).max(10).allow(null).required(),
  }),
  flowPoints: timePoints,
  milestonePoints: byName(MILESTONES, timePoints),
  extension: Joi.object({
    most: Joi.number().min(0).max(3).required(),
    grain_m: Joi.number().min(1e-4).max(0.05).required(),
    most_m: Joi.number().min(0.001).max(2),
    liftMost_m: Joi.number().min(0.001).max(2),
  }),
  retarderUnit: exactly(['packet', 'citric']),
});

const packetTable = Joi.array().items(pair).min(2).max(10);
const dose = Joi.alternatives().conditional('.kind', {
  switch: [
    {
      is: 'retarder',
      then: Joi.object({ kind: exactly(['retarder']).required(), per: exactly(['packet', 'citric']).required(), table: packetTable.required() }),
    },
    {
      is: 'fibre',
      then: Joi.object({
        kind: exactly(['fibre']).required(),
        fibre: exactly(['polypropylene', 'glass']).required(),
        length_m: Joi.number().min(0.001).max(0.1).required(),
        least_kg_m3: Joi.number().min(0).max(100).required(),
        most_kg_m3: Joi.number().min(0.01).max(200).required(),
      }),
    },
    {
      is: 'colour',
      then: Joi.object({
        kind: exactly(['colour']).required(),
        packMass_kg: Joi.number().min(0.001).max(50).required(),
        mostPacks: Joi.number().min(0.1).max(20).required(),
      }),
    },
  ],
  otherwise: Joi.object({ kind: exactly(['retarder', 'fibre', 'colour']).required() }).unknown(),
});

/** What goes with a repair material. */
export const aid = Joi.object({
  ...identity,
  class: exactly(AID_CLASSES).required(),
  unit: exactly(AID_UNITS).required(),
  packs: Joi.array()
    .items(Joi.object({ amount: Joi.number().min(1e-5).max(1e4).required(), price_minor: price_minor.required() }))
    .min(1)
    .max(8)
    .required(),
  coverage_m2: Joi.object({ least_m2: Joi.number().min(1e-3).max(1e6).required(), most_m2: Joi.number().min(1e-3).max(1e6).required() })
    .allow(null)
    .required(),
  dose: dose.allow(null).required(),
  covered: exactly(COVERED).allow(null).required(),
  open: interval.allow(null).required(),
  passed: exactly(PASSED).allow(null).required(),
  film: Joi.boolean().required(),
  underWater: Joi.boolean().required(),
  moisture: exactly(MOISTURES).required(),
  orientations: several(ORIENTATIONS).min(1).required(),
  substrates: several(SUBSTRATES).required(),
  exposures: several(EXPOSURES).required(),
  solids: share.allow(null).required(),
  density_kg_m3: Joi.number().min(300).max(9000).required(),
  times: Joi.object({ dry_s: time, recoatLeast_s: time, recoatMost_s: time, foot_s: time, vehicles_s: time }).required(),
  waits_s: time.required(),
  reference_C: degrees.required(),
  limits: limits.required(),
  hazards: several(HAZARDS).required(),
  colour: colour.required(),
  storage: storage.required(),
  shelfLife_days: days.required(),
  opened_days: days.required(),
  assumed,
});

/** Either: which of the two its class says. */
export const anySheet = Joi.alternatives().conditional('.class', { is: exactly(AID_CLASSES).required(), then: aid, otherwise: sheet });
