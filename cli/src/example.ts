import { DEFAULT_BATCH, DEFAULT_CREW, DEFAULT_FIRM, type PlanInput } from '@tufa/core/plan';
import type { Measured } from '@tufa/core/quantity';
import { catalogue } from '@tufa/core/shelf/catalogue';
import { rectangle } from '@tufa/core/takeoff';

const typed = (value: number, text: string): Measured => ({ value, typed: text, source: 'typed' });

/** A summer day of hourly weather, the first hour at local midnight: warmest at four, clear, a little wind. */
const hours = Array.from({ length: 48 }, (_, hour) => {
  const warmth = Math.cos(((hour - 16) / 12) * Math.PI);
  return {
    air_C: Math.round((21 + 6 * warmth) * 10) / 10,
    humidity: Math.round((0.6 - 0.15 * warmth) * 100) / 100,
    wind10_ms: 3,
    cloud: 0.2,
    irradiance_Wm2: null,
  };
});

/**
 * A complete job file: a spalled dock slab with soundings and readings, and one finding of every other kind, planned for
 * ten in the morning of a summer's day; with the crew's own batches, stock and what running short costs.
 */
export function exampleJob(): PlanInput {
  const other = (n: number): string => `0198a000-e0a1-7000-8000-00000000000${n}`;
  const sheetOf = (name: string): string => (catalogue.find((sheet) => sheet.class === name) as { id: string }).id;
  const id = (n: number): string => `0198a000-e0a0-7000-8000-00000000000${n}`;
  return {
    v: 1,
    job: { id: id(1), name: 'Example dock' },
    firm: { ...DEFAULT_FIRM, shortCost_minor: 9000 },
    elements: [
      {
        id: id(2),
        name: 'Dock slab',
        kind: 'slab',
        outline: rectangle({ length_m: 6.096, width_m: 3.6576 }),
        thickness: typed(0.1524, '6 in'),
        suspended: false,
        exposures: ['frost', 'deicer', 'wheels'],
        moisture: 'damp',
        opens: { to: 'vehicles', after_s: 21600 },
        stops: { rust: 'no', stepOrSettlement: 'no', movement: 'no', carriesBuilding: 'no', tooDeep: 'no' },
        sun: { exposure: 'part', faces_deg: 180, absorptivity: 0.65 },
        soundings: {
          points: Array.from({ length: 24 }, (_, i): [number, number] => [0.5 + (i % 6), 0.45 + Math.floor(i / 6) * 0.9]),
          hollow: [7, 8, 13],
        },
      },
    ],
    findings: [
      {
        id: id(3),
        elementId: id(2),
        label: 'A',
        kind: 'spall',
        outline: rectangle({ length_m: 1.27, width_m: 0.94, at: [1.2, 0.9] }),
        deepest: typed(0.0381, '1 1/2 in'),
        shape: 'dish',
        edge: 'cut',
      },
      {
        id: other(1),
        elementId: id(2),
        label: 'B',
        kind: 'spall',
        outline: rectangle({ length_m: 0.8, width_m: 0.6, at: [4, 0.5] }),
        deepest: typed(0.03, '30 mm'),
        shape: 'dish',
        edge: 'cut',
        readings: [
          [4.2, 0.7, 0.018],
          [4.6, 0.7, 0.022],
          [4.4, 0.8, 0.03],
          [4.2, 0.95, 0.016],
          [4.6, 0.95, 0.02],
        ],
        cutDepth_m: 0.012,
      },
      {
        id: other(2),
        elementId: id(2),
        label: 'C',
        kind: 'crack',
        line: [
          [0.5, 3],
          [2.2, 3.2],
          [3.6, 2.9],
        ],
        profile: 'vee',
        widths: [
          [0, 0.003],
          [1.5, 0.005],
          [3.1, 0.004],
        ],
        depth: typed(0.05, '2 in'),
        cap_m: 0.006,
        runaway: 0.1,
      },
      {
        id: other(3),
        elementId: id(2),
        label: 'D',
        kind: 'groove',
        line: [
          [3, 0],
          [3, 3.6576],
        ],
        width: typed(0.0095, '3/8 in'),
        depth: typed(0.025, '1 in'),
        blade_m: 0.00635,
        moves: { between_m: 3, range_K: 45, movementClass: 0.25 },
      },
      {
        id: other(4),
        elementId: id(2),
        label: 'E',
        kind: 'edge',
        section: 'triangle',
        length: typed(1.2192, "4'"),
        across: typed(0.0508, '2 in'),
        down: typed(0.0381, '1 1/2 in'),
      },
      {
        id: other(5),
        elementId: id(2),
        label: 'F',
        kind: 'step',
        width: typed(1.2192, "4'"),
        going: typed(0.3048, "1'"),
        rise: typed(0.1778, '7 in'),
        steps: 1,
        stays_m3: 0.035,
        pitch: 0.02,
        propAngle_rad: Math.PI / 4,
      },
      {
        id: other(6),
        elementId: id(2),
        label: 'G',
        kind: 'skim',
        outline: rectangle({ length_m: 1.5, width_m: 1, at: [0.2, 0.2] }),
        thickness: typed(0.003, '1/8 in'),
        profile: 5,
      },
      {
        id: other(7),
        elementId: id(2),
        label: 'H',
        kind: 'wedge',
        run: typed(0.6096, "2'"),
        rise: typed(0.01905, '3/4 in'),
        width: typed(1.524, "5'"),
      },
      {
        id: other(8),
        elementId: id(2),
        label: 'I',
        kind: 'counter',
        outline: rectangle({ length_m: 2.4, width_m: 0.65 }),
        cutouts_m2: [0.19],
        thickness: typed(0.04, '40 mm'),
        edges: [{ length_m: 2.4, across_m: 0.04, down_m: 0.04 }],
        stock_m: 2.44,
        kerf_m: 0.003,
      },
      {
        id: other(9),
        elementId: id(2),
        label: 'J',
        kind: 'void',
        outline: rectangle({ length_m: 0.4, width_m: 0.3, at: [5, 2.5] }),
        deepest: typed(0.04, '40 mm'),
        shape: 'pan',
      },
    ],
    sheets: catalogue,
    treatments: [
      { findingId: id(3), sheetId: sheetOf('sandedRapid') },
      { findingId: other(1), sheetId: sheetOf('sandedRapid') },
      { findingId: other(2), sheetId: sheetOf('crackResin') },
      { findingId: other(4), sheetId: sheetOf('structuralRapid') },
      { findingId: other(5), sheetId: sheetOf('rapidConcrete') },
      { findingId: other(6), sheetId: sheetOf('broomOverlay') },
      { findingId: other(7), sheetId: sheetOf('sandedRapid') },
    ],
    conditions: {
      air_C: typed(25.6, '78 F'),
      slab_C: typed(31.1, '88 F'),
      powder_C: typed(23.3, '74 F'),
      water_C: typed(18.9, '66 F'),
      humidity: { value: 0.5, source: 'assumed' },
      wind_ms: { value: 1.5, source: 'assumed' },
      sun: true,
    },
    crew: DEFAULT_CREW,
    batch: DEFAULT_BATCH,
    site: {
      latitude_deg: 43,
      longitude_deg: -76,
      firstWater: '2026-07-03T14:00:00.000Z',
      weather: { from: '2026-07-02T04:00:00.000Z', hours },
    },
    record: {
      lives: [
        {
          sheetId: sheetOf('sandedRapid'),
          entries: [
            { temperature_C: 24, retarder: 1, life_s: 540 },
            { temperature_C: 27, retarder: 1, life_s: 480 },
            { temperature_C: 19, retarder: 1, life_s: 600, censored: true },
          ],
        },
      ],
      figures: { rate: [{ value: 0.0024 }, { value: 0.0021 }] },
    },
    stock: [{ sheetId: sheetOf('sandedRapid'), mass_kg: 11.3, useBy: '2026-09-01' }],
  };
}
