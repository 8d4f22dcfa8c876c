import { BINDERS, EXPOSURES, MILESTONES, MOISTURES, ORIENTATIONS, SHEET_CLASSES, TASKS } from '@tufa/core/shelf';
import Joi from 'joi';
import { degrees, exactly, id, text } from './common';

const sheetTime = Joi.object({ least_s: Joi.number().min(5).max(1e7).required(), most_s: Joi.number().min(5).max(1e7).required() });
const byName = (names: readonly string[], value: Joi.Schema): Joi.ObjectSchema => Joi.object(Object.fromEntries(names.map((name) => [name, value])));
const pair = Joi.array().items(Joi.number().min(0).max(1e9)).length(2);
const share = Joi.number().min(0).max(1);

/** A data sheet. */
export const sheet = Joi.object({
  id: id.required(),
  productId: id.required(),
  revision: Joi.number().integer().min(1).required(),
  name: text(80).required(),
  class: exactly(SHEET_CLASSES).required(),
  binder: exactly(BINDERS).required(),
  uses: Joi.array()
    .items(exactly(['spall', 'crack', 'overlay']))
    .min(1)
    .required(),
  packs: Joi.array()
    .items(Joi.object({ mass_kg: Joi.number().min(0.05).max(2000).required(), price_minor: Joi.number().integer().min(0).max(1e8).required() }))
    .min(1)
    .max(8)
    .required(),
  thickness: Joi.object({
    least_m: Joi.number().min(0).max(1).required(),
    most_m: Joi.number().min(0.0005).max(2).required(),
    liftMost_m: Joi.number().min(0.0005).max(2).required(),
    feathers: Joi.boolean().required(),
  }).required(),
  grain_m: Joi.number().min(0).max(0.05).required(),
  orientations: Joi.array().items(exactly(ORIENTATIONS)).min(1).required(),
  moisture: exactly(MOISTURES).required(),
  profile: Joi.number().integer().min(1).max(10).required(),
  bond: exactly(['self', 'slurry', 'none']).required(),
  exposures: Joi.array().items(exactly(EXPOSURES)).required(),
  water: Joi.object({ least: share.required(), most: share.required(), byTask: byName(TASKS, share).required() })
    .allow(null)
    .required(),
  parts: Joi.array().items(Joi.number().min(0.1).max(20)).min(2).max(3).allow(null).required(),
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
  mixing: Joi.object({
    time_s: Joi.number().min(5).max(1800).required(),
    portions: Joi.number().integer().min(1).max(10).required(),
    batchMost_kg: Joi.number().min(0.05).max(2000).allow(null).required(),
  }).required(),
  massExponent: Joi.number().min(-1).max(0).allow(null).required(),
  limits: Joi.object({
    airLeast_C: degrees.required(),
    airMost_C: degrees.required(),
    slabLeast_C: degrees.required(),
    slabMost_C: degrees.required(),
  }).required(),
  hazards: Joi.array()
    .items(exactly(['wetCement', 'silica', 'sensitiser', 'heat']))
    .required(),
  colour: Joi.object({ wet: text(40).required(), dry: text(40).required() }).required(),
  shelfLife_days: Joi.number().integer().min(1).max(5000).required(),
  resin: Joi.object({
    densities_kg_m3: Joi.array().items(Joi.number().min(300).max(8000)).min(2).max(3).required(),
    byMass: Joi.array().items(Joi.number().min(0.01).max(1000)).min(2).max(3).allow(null).required(),
    bottle_m3: Joi.number().min(1e-6).max(0.05).required(),
    squeeze_m3_s: Joi.number().min(1e-9).max(1e-3).required(),
    sandLimit: Joi.number().min(0).max(10).allow(null).required(),
    filmShare: Joi.number().min(0.5).max(10).allow(null).required(),
  }),
  flowPoints: Joi.array()
    .items(Joi.array().items(Joi.number().min(-20).max(1e6)).length(2))
    .max(8),
  extension: Joi.object({ most: Joi.number().min(0).max(3).required(), grain_m: Joi.number().min(1e-4).max(0.05).required() }),
  retarderUnit: exactly(['packet', 'citric']),
});
