import { EVENT_KINDS } from '@tufa/core/pour';
import { BINDERS, EXPOSURES, MILESTONES, MOISTURES, ORIENTATIONS, SHEET_CLASSES, TASKS } from '@tufa/core/shelf';
import { ANSWERS, ELEMENT_KINDS, STOP_QUESTIONS } from '@tufa/core/survey';
import { SHAPES } from '@tufa/core/takeoff';
import Joi from 'joi';
import { id, instant, measured, number, optionalText, outline, point, text } from './common';
import { READING_KINDS, type EntityName } from './entities';

const exactly = (values: readonly string[]): Joi.StringSchema => Joi.string().valid(...values);
const typed = Joi.object().pattern(/^[a-zA-Z]{1,30}$/, Joi.string().max(60));

export const crew = Joi.object({
  hands: Joi.number().integer().min(1).max(12).required(),
  rate_m2_s: Joi.number().min(1e-5).max(1).required(),
  carry_s: Joi.number().min(0).max(3600).required(),
  finish_s: Joi.number().min(0).max(7200).required(),
});

export const batch = Joi.object({
  share: number('share').allow(null).required(),
  retarderDose: number('retarderDose').required(),
  task: exactly(TASKS).required(),
});

export const firmSettings = Joi.object({
  system: exactly(['us', 'metric']).required(),
  currency: Joi.string().length(3).uppercase().required(),
  acceptedChance: Joi.number().min(0.001).max(0.5).required(),
  orderQuantile: Joi.number().min(0.5).max(0.99).required(),
  medianWaste: Joi.number().min(0).max(1).required(),
  grid: Joi.array().items(Joi.number().min(0.05).max(1)).min(1).max(12).required(),
  pail_m3: Joi.number().min(0.001).max(1).required(),
  emptyPail_kg: Joi.number().min(0).max(20).required(),
  drill_kg: Joi.number().min(1).max(1000).allow(null).required(),
  lift_kg: Joi.number().min(1).max(1000).allow(null).required(),
});

const opens = Joi.object({ to: exactly(['foot', 'vehicles']).required(), after_s: number('opens_s').required(), typed: Joi.string().max(60) });

const stops = Joi.object(Object.fromEntries(STOP_QUESTIONS.map((question) => [question, exactly(ANSWERS)])));

const elementProperties = {
  suspended: Joi.boolean().required(),
  exposures: Joi.array().items(exactly(EXPOSURES)).unique().required(),
  moisture: exactly(MOISTURES).required(),
  opens: opens.allow(null).required(),
};

const findingProperties = {
  deepest: measured('depth_m').required(),
  shape: exactly(SHAPES).required(),
  edge: exactly(['cut', 'feathered']).required(),
};

const sheetTime = Joi.object({ least_s: Joi.number().min(5).max(1e7).required(), most_s: Joi.number().min(5).max(1e7).required() });
const byName = (names: readonly string[], value: Joi.Schema): Joi.ObjectSchema => Joi.object(Object.fromEntries(names.map((name) => [name, value])));
const pair = Joi.array().items(Joi.number().min(0).max(1e9)).length(2);
const share = Joi.number().min(0).max(1);
const degrees = Joi.number().min(-30).max(80);

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
});

const conditions = Joi.object({
  air_C: measured('air_C').required(),
  slab_C: measured('slab_C').required(),
  powder_C: measured('powder_C').required(),
  water_C: measured('water_C').required(),
  humidity: measured('humidity').required(),
  wind_ms: measured('wind_ms').required(),
  sun: Joi.boolean().required(),
});

/** The job file. */
export const planInput = Joi.object({
  v: Joi.number().valid(1).required(),
  job: Joi.object({ id: id.required(), name: text(80).required() }).required(),
  firm: firmSettings.required(),
  elements: Joi.array()
    .items(
      Joi.object({
        id: id.required(),
        name: text(80).required(),
        kind: exactly(ELEMENT_KINDS).required(),
        outline: outline.required(),
        thickness: measured('thickness_m').required(),
        ...elementProperties,
        stops: stops.required(),
      }),
    )
    .max(200)
    .required(),
  findings: Joi.array()
    .items(
      Joi.object({
        id: id.required(),
        elementId: id.required(),
        label: text(12).required(),
        kind: exactly(['spall']).required(),
        outline: outline.required(),
        ...findingProperties,
      }),
    )
    .max(1000)
    .required(),
  sheets: Joi.array().items(sheet).max(2000).required(),
  treatments: Joi.array()
    .items(Joi.object({ findingId: id.required(), sheetId: id.required() }))
    .max(1000)
    .required(),
  conditions: conditions.required(),
  crew: crew.required(),
  batch: batch.required(),
});

const zone = Joi.string()
  .pattern(/^[A-Za-z_+\-0-9]+(\/[A-Za-z_+\-0-9]+)*$/)
  .max(60);
const hash = Joi.string().hex().length(64);

/** What each entity's fields may be. The same schema stands behind the form and the server. */
export const FIELDS: Record<Exclude<EntityName, 'person' | 'product' | 'sheet'>, Joi.ObjectSchema> = {
  firm: Joi.object({ name: text(80).required(), settings: firmSettings.required() }),
  job: Joi.object({
    name: text(80).required(),
    customer: optionalText(80).required(),
    address: optionalText(200).required(),
    accessNote: optionalText(400).required(),
    zone: zone.required(),
    pourOn: Joi.string()
      .pattern(/^\d{4}-\d\d-\d\dT\d\d:\d\d$/)
      .allow(null)
      .required(),
    crew: crew.required(),
    batch: batch.required(),
    demonstration: Joi.boolean().required(),
  }),
  element: Joi.object({
    jobId: id.required(),
    name: text(80).required(),
    kind: exactly(ELEMENT_KINDS).required(),
    geometry: Joi.object({ outline: outline.required(), thickness: measured('thickness_m').required(), typed }).required(),
    properties: Joi.object(elementProperties).required(),
    stops: stops.required(),
  }),
  finding: Joi.object({
    jobId: id.required(),
    elementId: id.required(),
    label: text(12).required(),
    kind: exactly(['spall']).required(),
    outline: Joi.object({ points: outline.required(), typed }).required(),
    properties: Joi.object(findingProperties).required(),
  }),
  reading: Joi.object({
    jobId: id.required(),
    elementId: id.allow(null).required(),
    findingId: id.allow(null).required(),
    kind: exactly(READING_KINDS).required(),
    value: Joi.object({
      value: Joi.number().min(-50).max(1e6).required(),
      typed: Joi.string().max(60),
      source: exactly(['typed', 'instrument', 'assumed', 'sheet', 'class', 'crew']).required(),
      spread: Joi.number().min(0).max(3),
      at: instant,
      by: Joi.string().max(60),
    }).required(),
    at: point.allow(null).required(),
    takenAt: instant.required(),
    subject: Joi.string().max(60).allow(null).required(),
  }),
  treatment: Joi.object({
    jobId: id.required(),
    findingId: id.required(),
    sheetId: id.required(),
    layers: Joi.array()
      .items(Joi.object({ code: text(20).required(), sheetId: id.allow(null).required(), thickness_m: Joi.number().min(0).max(1).required() }))
      .max(20)
      .required(),
    edge: exactly(['cut', 'feathered']).allow(null).required(),
    bond: Joi.string().max(40).allow(null).required(),
    cure: Joi.string().max(40).allow(null).required(),
  }),
  plan: Joi.object({
    jobId: id.required(),
    input: planInput.required(),
    hashes: Joi.object({
      takeOff: hash.required(),
      layers: hash.required(),
      quantities: hash.required(),
      batches: hash.required(),
      day: hash.required(),
    }).required(),
    coreVersion: text(20).required(),
    seed: Joi.number().integer().min(0).required(),
    replaces: id.allow(null).required(),
  }),
  pourEvent: Joi.object({
    jobId: id.required(),
    findingId: id.required(),
    planId: id.required(),
    batch: Joi.string()
      .pattern(/^\d{1,4}[a-z]?\d{0,4}$/)
      .required(),
    device: id.required(),
    seq: Joi.number().integer().min(0).required(),
    deviceAt: instant.required(),
    clockOffset: Joi.number().min(-1e9).max(1e9).required(),
    person: id.required(),
    kind: exactly(EVENT_KINDS).required(),
    v: Joi.number().valid(1).required(),
    payload: Joi.object({ text: Joi.string().max(500) }).required(),
    undoes: id.allow(null).required(),
  }),
};
