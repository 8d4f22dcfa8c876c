import Ajv from 'ajv';
import addFormats from 'ajv-formats';
import { DEFAULT_BATCH, DEFAULT_CREW, DEFAULT_FIRM } from '@tufa/core/plan';
import { aids, catalogue } from '@tufa/core/shelf/catalogue';
import { emptyFirmData, mergeRows, type Command, type FIELDS, type FirmData } from '../index';

/** For tests: an id by its number. */
export const id = (n: number): string => `0198a000-aaaa-7000-8000-00000000000${n}`;
export const typed = (value: number) => ({ value, source: 'typed' as const });

/** For tests: of every kind of row one that is right and some that are not. */
export const SAMPLES: Record<keyof typeof FIELDS, { good: object; bad: object[] }> = {
  firm: { good: { name: 'Ours', settings: DEFAULT_FIRM }, bad: [{ name: '' }, { name: 'Ours', settings: { ...DEFAULT_FIRM, acceptedChance: 0.9 } }] },
  person: {
    good: { name: 'Mixer', role: 'crew', language: 'es' },
    bad: [
      { name: '', role: 'crew' },
      { name: 'Mixer', role: 'king' },
      { name: 'Mixer', role: 'crew', language: 'xx' },
    ],
  },
  job: {
    good: {
      name: 'Dock',
      customer: '',
      address: '',
      accessNote: '',
      zone: 'Europe/Paris',
      pourOn: '2026-05-12T09:10',
      crew: DEFAULT_CREW,
      batch: DEFAULT_BATCH,
      demonstration: false,
    },
    bad: [
      { name: 'Dock' },
      { name: 'Dock', customer: '', address: '', accessNote: '', zone: 'here!', pourOn: null, crew: DEFAULT_CREW, batch: DEFAULT_BATCH, demonstration: false },
    ],
  },
  element: {
    good: {
      jobId: id(1),
      name: 'Slab',
      kind: 'slab',
      geometry: {
        outline: [
          [0, 0],
          [1, 0],
          [1, 1],
        ],
        thickness: typed(0.1),
      },
      properties: { suspended: false, exposures: ['frost'], moisture: 'dry', opens: { to: 'foot', after_s: 7200 } },
      stops: { rust: 'no' },
    },
    bad: [{ jobId: id(1), name: 'Slab', kind: 'roof', geometry: { outline: [[0, 0]], thickness: typed(0.1) }, properties: {}, stops: {} }],
  },
  finding: {
    good: {
      jobId: id(1),
      elementId: id(2),
      label: 'A',
      kind: 'spall',
      outline: {
        points: [
          [0, 0],
          [1, 0],
          [1, 1],
        ],
      },
      properties: { deepest: typed(0.03), shape: 'pan', edge: 'cut' },
    },
    bad: [{ jobId: id(1), elementId: id(2), label: 'A', kind: 'spall', outline: { points: [] }, properties: { deepest: typed(5), shape: 'pan', edge: 'cut' } }],
  },
  reading: {
    good: { jobId: id(1), elementId: null, findingId: null, kind: 'slab_C', value: typed(31), at: null, takenAt: '2026-05-12T09:10:00Z', subject: null },
    bad: [{ jobId: id(1), elementId: null, findingId: null, kind: 'mood', value: typed(31), at: null, takenAt: '2026-05-12T09:10:00Z', subject: null }],
  },
  forecast: {
    good: {
      jobId: id(1),
      latitude_deg: 37.98,
      longitude_deg: -78.95,
      takenAt: '2026-05-12T09:10:00Z',
      from: '2026-05-12T09:00:00Z',
      hours: [{ air_C: 18, humidity: 0.6, wind10_ms: 3, cloud: 0.2, irradiance_Wm2: null, rainChance: 0.1 }],
      source: 'service',
      invented: true,
    },
    bad: [
      {
        jobId: id(1),
        latitude_deg: 137,
        longitude_deg: 0,
        takenAt: '2026-05-12T09:10:00Z',
        from: '2026-05-12T09:00:00Z',
        hours: [],
        source: 'service',
        invented: true,
      },
    ],
  },
  photograph: {
    good: {
      jobId: id(1),
      elementId: id(2),
      findingId: null,
      batch: null,
      sha256: 'a'.repeat(64),
      bytes: 4000,
      takenAt: '2026-05-12T09:10:00Z',
      strokes: [
        [
          [0, 0],
          [0.5, 1],
        ],
      ],
      before: null,
    },
    bad: [
      {
        jobId: id(1),
        elementId: id(2),
        findingId: null,
        batch: null,
        sha256: 'a'.repeat(64),
        bytes: 40_000_000,
        takenAt: '2026-05-12T09:10:00Z',
        strokes: [],
        before: null,
      },
    ],
  },
  treatment: { good: { jobId: id(1), findingId: id(2), sheetId: id(3), layers: [], edge: null, bond: null, cure: null }, bad: [{ jobId: 'x' }] },
  product: { good: { name: 'Bag in hand', class: 'fineRapid' }, bad: [{ name: 'Bag in hand', class: 'elastic' }] },
  sheet: {
    good: { productId: catalogue[0]!.productId, revision: 1, sheet: catalogue[0]! },
    bad: [
      { productId: catalogue[0]!.productId, revision: 1, sheet: { ...catalogue[0]!, class: 'latex' } },
      { productId: catalogue[0]!.productId, revision: 1, sheet: { ...aids[0]!, unit: 'gallon' } },
      { productId: catalogue[0]!.productId, revision: 1, sheet: { ...catalogue[0]!, movement: 2 } },
    ],
  },
  stockLot: {
    good: { productId: id(1), amount: 11.3, lot: null, openedOn: '2026-05-01', useBy: '2026-09-01' },
    bad: [
      { productId: id(1), amount: -1, lot: null, openedOn: null, useBy: null },
      { productId: id(1), amount: 1, lot: null, openedOn: null, useBy: 'soon' },
    ],
  },
  plan: {
    good: {
      jobId: id(1),
      input: job(),
      hashes: Object.fromEntries(['takeOff', 'layers', 'quantities', 'batches', 'day'].map((stage) => [stage, 'a'.repeat(64)])),
      coreVersion: '0.1.0',
      seed: 1,
      replaces: null,
    },
    bad: [{ jobId: id(1), input: {}, hashes: {}, coreVersion: '0.1.0', seed: 1, replaces: null }],
  },
  careVisit: {
    good: { jobId: id(1), findingId: id(2), kind: 'crack', dueOn: '2026-11-12', doneOn: null, note: '' },
    bad: [
      { jobId: id(1), findingId: null, kind: 'luck', dueOn: '2026-11-12', doneOn: null, note: '' },
      { jobId: id(1), findingId: null, kind: 'look', dueOn: 'soon', doneOn: null, note: '' },
    ],
  },
  crewEntry: {
    good: {
      jobId: id(1),
      productId: id(2),
      batch: '4b',
      person: id(3),
      kind: 'life',
      value: 660,
      temperature_C: 23.5,
      retarder: 1,
      censored: true,
      trial: false,
      aside: false,
      at: '2026-05-12T09:10:00Z',
    },
    bad: [
      {
        jobId: null,
        productId: null,
        batch: null,
        person: id(3),
        kind: 'luck',
        value: 1,
        temperature_C: null,
        retarder: null,
        censored: false,
        trial: true,
        aside: false,
        at: '2026-05-12T09:10:00Z',
      },
      {
        jobId: null,
        productId: null,
        batch: null,
        person: id(3),
        kind: 'rate',
        value: 0,
        temperature_C: null,
        retarder: null,
        censored: false,
        trial: true,
        aside: false,
        at: '2026-05-12T09:10:00Z',
      },
    ],
  },
  rehearsal: {
    good: { person: id(1), scenario: 'sunRound', seed: 3, started: 7, lost: 1, wasted_s: 240, endedAt: '2026-05-12T09:10:00Z' },
    bad: [
      { person: 'lead', scenario: 'sunRound', seed: 3, started: 7, lost: 1, wasted_s: 240, endedAt: '2026-05-12T09:10:00Z' },
      { person: id(1), scenario: 'sunRound', seed: 3, started: 7, lost: -1, wasted_s: 240, endedAt: '2026-05-12T09:10:00Z' },
    ],
  },
  pourEvent: {
    good: {
      jobId: id(1),
      findingId: id(2),
      planId: id(3),
      batch: '4b',
      device: id(4),
      seq: 1,
      deviceAt: '2026-05-12T09:10:00Z',
      clockOffset: 12,
      person: id(5),
      kind: 'start',
      v: 1,
      payload: {},
      undoes: null,
    },
    bad: [
      {
        jobId: id(1),
        findingId: id(2),
        planId: id(3),
        batch: 'four',
        device: id(4),
        seq: 1,
        deviceAt: 'now',
        clockOffset: 12,
        person: id(5),
        kind: 'start',
        v: 1,
        payload: {},
        undoes: null,
      },
    ],
  },
};

/** For tests: a job file, empty but for one sheet. */
export function job() {
  return {
    v: 1,
    job: { id: id(1), name: 'Dock' },
    firm: DEFAULT_FIRM,
    elements: [],
    findings: [],
    sheets: [catalogue[0]],
    treatments: [],
    conditions: { air_C: typed(20), slab_C: typed(20), powder_C: typed(20), water_C: typed(15), humidity: typed(0.5), wind_ms: typed(1), sun: false },
    crew: DEFAULT_CREW,
    batch: DEFAULT_BATCH,
  };
}

export const ajv = addFormats(new Ajv({ strict: false }));

/** For tests: a command as a phone makes it, out of the edge's sight. */
export const command = (kind: Command['kind'], target: string, change: object): Command => ({
  id: id(9),
  v: 1,
  device: id(8),
  seq: 1,
  person: id(7),
  madeAt: '',
  kind,
  target,
  base: null,
  change: change as Command['change'],
});
/** For tests: a firm with nothing yet. */
export const sampleData = (): FirmData =>
  mergeRows(emptyFirmData(), { firm: [{ id: id(5), version: 1, changed: 1, removed: false, ...SAMPLES.firm.good } as never] });
