import { ELEMENT_KINDS } from '@tufa/core/survey';
import { AID_ROLES } from '@tufa/core/plan';
import { SUBSTRATES } from '@tufa/core/shelf';
import Joi from 'joi';
import { degrees, exactly, id, instant, measured, number, outline, text } from './common';
import { elementProperties, flight, openings, soundings, stops } from './elementSchemas';
import { findings, marks } from './findingSchemas';
import { batch, coordinates, crew, firmSettings, house } from './settingsSchemas';
import { aid, sheet } from './sheetSchema';

const conditions = Joi.object({
  air_C: measured('air_C').required(),
  slab_C: measured('slab_C').required(),
  powder_C: measured('powder_C').required(),
  water_C: measured('water_C').required(),
  humidity: measured('humidity').required(),
  wind_ms: measured('wind_ms').required(),
  sun: Joi.boolean().required(),
  rain_s: number('rain_s'),
});

/** Hourly weather, one hour after the other. */
export const weatherHours = Joi.array()
  .items(
    Joi.object({
      air_C: number('air_C').required(),
      humidity: number('humidity').required(),
      wind10_ms: Joi.number().min(0).max(60).required(),
      cloud: Joi.number().min(0).max(1).required(),
      irradiance_Wm2: Joi.number().min(0).max(1500).allow(null).required(),
      rainChance: Joi.number().min(0).max(1),
      rain_m: Joi.number().min(0).max(0.5),
    }),
  )
  .min(1)
  .max(480);

const site = Joi.object({
  ...coordinates,
  clock_h: Joi.number().min(-15).max(15),
  firstWater: instant.required(),
  weather: Joi.object({ from: instant.required(), hours: weatherHours.required() }).required(),
});

const recordEntry = Joi.object({
  temperature_C: degrees.required(),
  retarder: Joi.number().min(1).max(20).required(),
  life_s: Joi.number().min(1).max(1e7).required(),
  massFactor: Joi.number().min(0.5).max(2),
  censored: Joi.boolean(),
});
const figureLog = Joi.array()
  .items(Joi.object({ value: Joi.number().greater(0).max(1e6).required(), censored: Joi.boolean() }))
  .max(500);

/** What an overlay covers. */
export const over = exactly(['patch', 'element']);

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
        soundings,
        openings,
        flight,
        marks,
        material: exactly(SUBSTRATES),
        surface: Joi.object({
          pull_Pa: number('pull_Pa'),
          drop_s: number('drop_s'),
          moisture: number('moisture'),
          scratch: number('scratch'),
        }),
      }),
    )
    .max(200)
    .required(),
  findings: findings.max(1000).required(),
  sheets: Joi.array().items(sheet).max(2000).required(),
  aids: Joi.array().items(aid).max(200),
  treatments: Joi.array()
    .items(
      Joi.object({
        findingId: id.required(),
        sheetId: id.required(),
        overlay: Joi.object({ sheetId: id.required(), thickness_m: Joi.number().min(0.0005).max(0.1).required(), over: over.required() }),
        aids: Joi.object(Object.fromEntries(AID_ROLES.map((role) => [role, id]))),
      }),
    )
    .max(1000)
    .required(),
  conditions: conditions.required(),
  crew: crew.required(),
  batch: batch.required(),
  site,
  record: Joi.object({
    lives: Joi.array()
      .items(Joi.object({ sheetId: id.required(), entries: Joi.array().items(recordEntry).max(5000).required() }))
      .max(2000)
      .required(),
    figures: Joi.object({ rate: figureLog, waste: figureLog, soakDepth: figureLog, skinShare: figureLog }).required(),
  }),
  stock: Joi.array()
    .items(
      Joi.object({
        sheetId: id.required(),
        mass_kg: Joi.number().min(0).max(1e5).required(),
        useBy: Joi.string().pattern(/^\d{4}-\d\d-\d\d$/),
      }),
    )
    .max(2000),
  house,
  wanted_s: Joi.number().min(0).max(86400),
  poured: Joi.array()
    .items(
      Joi.object({
        layer: Joi.string().max(120).required(),
        amount: Joi.number().min(0).max(1e6).required(),
        batches: Joi.number().integer().min(0).max(10000).required(),
        last: Joi.string().max(20).required(),
      }),
    )
    .max(4000),
});
