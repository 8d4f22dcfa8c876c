import { CARE_KINDS } from '@tufa/core/plan';
import { CREW_FIGURES } from '@tufa/core/setting';
import { EVENT_KINDS } from '@tufa/core/pour';
import { ELEMENT_KINDS } from '@tufa/core/survey';
import Joi from 'joi';
import { exactly, id, instant, optionalText, point, points, text } from './common';
import { elementRowProperties, geometry, stops } from './elementSchemas';
import { FORECAST_SOURCES, READING_KINDS, type EntityName } from './entities';
import { eventPayload } from './eventPayload';
import { FOUND_KINDS } from './kinds';
import { propertiesOf } from './findingSchemas';
import { over, planInput, weatherHours } from './jobFileSchema';
import { batch, coordinates, crew, firmSettings, house } from './settingsSchemas';
import { AID_CLASSES, SHEET_CLASSES } from '@tufa/core/shelf';
import { aid, anySheet, sheet } from './sheetSchema';
import { PHOTO } from './photo';
import { SPOKEN } from './languages';

/** Sizes of a picture that is kept: longest sides in pixels, and bytes. */

export { aid, anySheet, planInput, sheet };

const typed = Joi.object().pattern(/^[a-zA-Z]{1,30}$/, Joi.string().max(60));

const zone = Joi.string()
  .pattern(/^[A-Za-z_+\-0-9]+(\/[A-Za-z_+\-0-9]+)*$/)
  .max(60);
const day = Joi.string().pattern(/^\d{4}-\d\d-\d\d$/);
const localMinute = Joi.string().pattern(/^\d{4}-\d\d-\d\dT\d\d:\d\d$/);
/** Of a day and the two it may run on into, s. */
const daySecond = Joi.number().min(0).max(259_200);
const hash = Joi.string().hex().length(64);

/** What each entity's fields may be. The same schema stands behind the form and the server. */
export const FIELDS: Record<EntityName, Joi.ObjectSchema> = {
  firm: Joi.object({ name: text(80).required(), settings: firmSettings.required() }),
  person: Joi.object({
    name: text(80).required(),
    role: Joi.string().valid('owner', 'lead', 'crew', 'mixer', 'finisher', 'reader').required(),
    language: Joi.string()
      .valid(...SPOKEN)
      .allow(null),
  }),
  job: Joi.object({
    name: text(80).required(),
    customer: optionalText(80).required(),
    address: optionalText(200).required(),
    accessNote: optionalText(400).required(),
    zone: zone.required(),
    pourOn: localMinute.allow(null).required(),
    opensBy: localMinute.allow(null),
    place: Joi.object({ ...coordinates, name: text(40) }).allow(null),
    dayPlan: Joi.object({
      on: localMinute.allow(null).required(),
      pins: Joi.object().pattern(Joi.string().max(80), daySecond).max(400).required(),
      fixed: Joi.array()
        .items(
          Joi.object({
            id: id.required(),
            name: text(40).required(),
            start_s: daySecond.required(),
            duration_s: Joi.number().min(60).max(86_400).required(),
            hands: Joi.number().integer().min(0).max(50).required(),
          }),
        )
        .max(12)
        .required(),
      visit: Joi.number().integer().min(0).max(100).allow(null).required(),
    }).allow(null),
    crew: crew.required(),
    batch: batch.required(),
    demonstration: Joi.boolean().required(),
    asSheet: Joi.boolean(),
    closedOn: day.allow(null),
    house: house.allow(null),
    price_minor: Joi.number().integer().min(0).max(2e9).allow(null),
  }),
  element: Joi.object({
    jobId: id.required(),
    name: text(80).required(),
    kind: exactly(ELEMENT_KINDS).required(),
    geometry: geometry.required(),
    properties: Joi.object(elementRowProperties).required(),
    stops: stops.required(),
  }),
  finding: Joi.object({
    jobId: id.required(),
    elementId: id.required(),
    label: text(12).required(),
    kind: exactly(FOUND_KINDS).required(),
    outline: Joi.object({ points: points.required(), typed }).required(),
    properties: Joi.alternatives()
      .conditional('kind', { switch: FOUND_KINDS.map((kind) => ({ is: kind, then: propertiesOf[kind] })) })
      .required(),
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
    subject: Joi.string().max(400).allow(null).required(),
  }),
  forecast: Joi.object({
    jobId: id.required(),
    ...coordinates,
    takenAt: instant.required(),
    from: instant.required(),
    hours: weatherHours.required(),
    source: exactly(FORECAST_SOURCES).required(),
    invented: Joi.boolean().required(),
  }),
  photograph: Joi.object({
    jobId: id.required(),
    elementId: id.allow(null).required(),
    findingId: id.allow(null).required(),
    batch: Joi.string().max(10).allow(null).required(),
    sha256: hash.required(),
    bytes: Joi.number().integer().min(1).max(PHOTO.mostBytes).required(),
    takenAt: instant.required(),
    strokes: Joi.array()
      .items(
        Joi.array()
          .items(Joi.array().items(Joi.number().min(0).max(1)).length(2))
          .min(2)
          .max(500),
      )
      .max(100)
      .required(),
    before: id.allow(null).required(),
  }),
  treatment: Joi.object({
    jobId: id.required(),
    findingId: id.required(),
    sheetId: id.required(),
    layers: Joi.array()
      .items(Joi.object({ code: text(20).required(), sheetId: id.allow(null).required(), thickness_m: Joi.number().min(0).max(1).required(), over }))
      .max(20)
      .required(),
    edge: exactly(['cut', 'feathered']).allow(null).required(),
    bond: Joi.string().max(40).allow(null).required(),
    cure: Joi.string().max(40).allow(null).required(),
  }),
  product: Joi.object({ name: text(80).required(), class: exactly([...SHEET_CLASSES, ...AID_CLASSES]).required() }),
  sheet: Joi.object({ productId: id.required(), revision: Joi.number().integer().min(1).max(100_000).required(), sheet: anySheet.required() }),
  stockLot: Joi.object({
    productId: id.required(),
    amount: Joi.number().min(0).max(1e5).required(),
    lot: Joi.string().trim().max(40).allow(null).required(),
    openedOn: day.allow(null).required(),
    useBy: day.allow(null).required(),
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
      .pattern(/^\d{1,4}[a-z]{0,2}\d{0,4}(-\d{1,3})?$/)
      .required(),
    device: id.required(),
    seq: Joi.number().integer().min(0).required(),
    deviceAt: instant.required(),
    clockOffset: Joi.number().min(-1e9).max(1e9).required(),
    person: id.required(),
    kind: exactly(EVENT_KINDS).required(),
    v: Joi.number().valid(1).required(),
    payload: eventPayload.required(),
    undoes: id.allow(null).required(),
  }),
  crewEntry: Joi.object({
    jobId: id.allow(null).required(),
    productId: id.allow(null).required(),
    batch: Joi.string().max(10).allow(null).required(),
    person: id.required(),
    kind: exactly(['life', ...CREW_FIGURES]).required(),
    value: Joi.number().min(1e-9).max(1e7).required(),
    temperature_C: Joi.number().min(-20).max(80).allow(null).required(),
    retarder: Joi.number().min(1).max(20).allow(null).required(),
    censored: Joi.boolean().required(),
    trial: Joi.boolean().required(),
    aside: Joi.boolean().required(),
    at: instant.required(),
  }),
  careVisit: Joi.object({
    jobId: id.required(),
    findingId: id.allow(null).required(),
    kind: exactly(CARE_KINDS).required(),
    dueOn: day.required(),
    doneOn: day.allow(null).required(),
    note: optionalText(400).required(),
  }),
  rehearsal: Joi.object({
    person: id.required(),
    scenario: text(40).required(),
    seed: Joi.number().integer().min(0).max(1e9).required(),
    started: Joi.number().integer().min(0).max(2000).required(),
    lost: Joi.number().integer().min(0).max(2000).required(),
    wasted_s: Joi.number().min(0).max(1e7).required(),
    endedAt: instant.required(),
  }),
};
