import { HOUSE_QUESTIONS } from '@tufa/core/choose';
import { WORKS } from '@tufa/core/day';
import { TASKS } from '@tufa/core/shelf';
import Joi from 'joi';
import { exactly, id, number, optionalText, text } from './common';

/** What one person does of each kind of work: m2/s, m/s or portions a second. */
const workRates = Joi.object(Object.fromEntries(WORKS.map((work) => [work, Joi.number().min(1e-5).max(10)])));

/** Who works. */
export const crew = Joi.object({
  hands: Joi.number().integer().min(1).max(12).required(),
  rate_m2_s: Joi.number().min(1e-5).max(1).required(),
  carry_s: Joi.number().min(0).max(3600).required(),
  finish_s: Joi.number().min(0).max(7200).required(),
  finishers: Joi.number().integer().min(1).max(12),
  rates: workRates,
});

/** How the batches are mixed. */
export const batch = Joi.object({
  share: number('share').allow(null).required(),
  retarderDose: number('retarderDose').required(),
  // Of jobs from before the work itself said: nobody chose it, and it says nothing.
  task: exactly(TASKS),
  consistency: exactly(TASKS),
  fibre: Joi.object({
    kind: exactly(['polypropylene', 'glass', 'steel']).required(),
    dose_kg_m3: Joi.number().min(0.1).max(80).required(),
    bag_kg: Joi.number().min(0.01).max(1000).required(),
  }),
  iceShare: Joi.number().min(0).max(1),
  colourPacks: Joi.number().min(0).max(20),
  latexShare: Joi.number().min(0).max(1),
  pail_m3: Joi.number().min(1e-4).max(1),
  byLayer: Joi.object()
    .pattern(/^.{1,80}$/, Joi.object({ consistency: exactly(TASKS), waterRatio: Joi.number().min(0.01).max(1) }))
    .max(400),
  stone: Joi.object({
    ratio: Joi.number().min(0).max(3).required(),
    moisture: Joi.number().min(0).max(0.3).required(),
    absorption: Joi.number().min(0).max(0.2).required(),
  }),
});

/** The schools that a firm or a job has set; Tufa's own where nothing is set. */
export const house = Joi.object(Object.fromEntries(Object.entries(HOUSE_QUESTIONS).map(([question, schools]) => [question, exactly(schools)])));

/** A place on the map. */
export const coordinates = { latitude_deg: Joi.number().min(-90).max(90).required(), longitude_deg: Joi.number().min(-180).max(180).required() };

const money = Joi.number().min(0).max(1e8);

/** The firm's ways. */
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
  house,
  shortCost_minor: Joi.number().integer().min(0).max(1e8),
  rates: Joi.object({
    ...Object.fromEntries(['labour_minor_h', 'trip_minor', 'tool_minor_day', 'disposal_minor_kg', 'concrete_minor_m3'].map((rate) => [rate, money])),
    markup: Joi.number().min(0).max(5),
    workday_s: Joi.number().min(3600).max(57600),
  }),
  workRates,
  vessels: Joi.array()
    .items(Joi.object({ name: text(30).required(), volume_m3: Joi.number().min(2e-5).max(1).required(), mark_m3: Joi.number().min(1e-6).max(0.1).required() }))
    .max(12),
  broom_m: Joi.number().min(0.1).max(2),
  places: Joi.array()
    .items(Joi.object({ name: text(40).required(), ...coordinates }))
    .max(30),
  newJob: Joi.object({ crew: crew.required(), batch: batch.required() }),
  hours: Joi.object({
    from_h: Joi.number().min(0).max(23.5).required(),
    to_h: Joi.number().min(0.5).max(24).required(),
    days: Joi.array().items(Joi.number().integer().min(0).max(6)).unique().min(1).max(7).required(),
  }),
  tax: Joi.object({ name: text(20).required(), share: Joi.number().min(0).max(0.5).required() }),
  letterhead: Joi.object({ lines: optionalText(240).required(), logo: id.allow(null).required() }),
});
