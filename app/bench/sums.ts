import { bagSum, counterSum, coverSum, crackSum, dampSum, slurrySum, strengthSum, waterSum, type Worked } from '@tufa/core/bench';
import type { Sheet } from '@tufa/core/shelf';
import type { Typed } from '../keypad/entries';

/** A field of a sum: how it is typed, what it begins at, between what it lies, SI. */
export interface SumField {
  /** a plain number where nothing is named */
  readonly as?: Typed;
  /** a plain number's unit in m2, percent or a wind */
  readonly unit?: 'area' | 'percent' | 'wind';
  /** in feet and pounds, and in metres and kilograms: a round figure in either; null for what may stay empty */
  readonly begins: readonly [us: number, metric: number] | null;
  readonly least: number;
  readonly most: number;
}

/** A sum of the bench: its fields, what it needs of the shelf, how it is worked out. */
export interface Sum {
  readonly fields: Readonly<Record<string, SumField>>;
  readonly needs: ((sheet: Sheet) => boolean) | null;
  /** `values` holds every field that has a value */
  readonly work: (values: Readonly<Record<string, number>>, sheet: Sheet) => Worked;
}

const isPowder = ({ water }: Sheet): boolean => water !== null;
const isResinKit = ({ parts }: Sheet): boolean => (parts?.length ?? 0) > 1;
const FT = 0.3048;
const IN = 0.0254;
const side = (ft: number, m: number): SumField => ({ as: 'side', begins: [ft * FT, m], least: 0.01, most: 200 });
const depth = (inches: number, mm: number, least: number, most: number): SumField => ({ as: 'depth', begins: [inches * IN, mm / 1000], least, most });
const temperature = (F: number, C: number): SumField => ({ as: 'temperature', begins: [((F - 32) * 5) / 9, C], least: -10, most: 60 });

/** The sums of the bench beside Window and Convert, in the order in which they are asked for. */
export const SUMS = {
  bag: {
    fields: { bags: { begins: [1, 1], least: 0.01, most: 200 }, thickness_m: depth(0.75, 20, 0.001, 0.3) },
    needs: isPowder,
    work: ({ bags = 1, thickness_m = 0.02 }, sheet) => bagSum({ sheet, bags, thickness_m }),
  },
  cover: {
    fields: {
      length_m: side(10, 3),
      width_m: side(4, 1),
      thickness_m: depth(0.375, 10, 0.001, 0.3),
      claim_m2: { unit: 'area', begins: null, least: 0.01, most: 200 },
    },
    needs: isPowder,
    work: ({ length_m = 3, width_m = 1, thickness_m = 0.01, claim_m2 }, sheet) =>
      coverSum({ sheet, length_m, width_m, thickness_m, ...(claim_m2 === undefined ? {} : { claim_m2 }) }),
  },
  crack: {
    fields: { length_m: side(10, 3), width_m: depth(0.125, 3, 1e-4, 0.1), depth_m: depth(1.25, 30, 0.001, 0.5) },
    needs: isResinKit,
    work: ({ length_m = 3, width_m = 0.003, depth_m = 0.03 }, sheet) => crackSum({ sheet, length_m, width_m, depth_m }),
  },
  slurry: {
    fields: { liquid_m3: { as: 'volume', begins: [0.000946352946, 0.001], least: 5e-5, most: 0.1 } },
    needs: null,
    work: ({ liquid_m3 = 0.001 }) => slurrySum({ liquid_m3 }),
  },
  counter: {
    fields: { length_m: side(8, 2.4), width_m: side(2, 0.6), thickness_m: depth(1.5, 40, 0.01, 0.2) },
    needs: isPowder,
    work: ({ length_m = 2.4, width_m = 0.6, thickness_m = 0.04 }, sheet) => counterSum({ sheet, length_m, width_m, thickness_m }),
  },
  water: {
    fields: { powder_C: temperature(80, 25), tap_C: temperature(65, 18), target_C: temperature(70, 21) },
    needs: isPowder,
    work: ({ powder_C = 25, tap_C = 18, target_C = 21 }, sheet) => waterSum({ sheet, powder_C, tap_C, target_C }),
  },
  strength: {
    fields: { slab_C: temperature(60, 15) },
    needs: ({ milestones }) => Object.keys(milestones).length > 0,
    work: ({ slab_C = 15 }, sheet) => strengthSum({ sheet, slab_C }),
  },
  damp: {
    fields: {
      air_C: temperature(70, 20),
      humidity: { unit: 'percent', begins: [0.5, 0.5], least: 0.01, most: 1 },
      slab_C: temperature(70, 20),
      wind_ms: { unit: 'wind', begins: [4 * 0.44704, 5 / 3.6], least: 0, most: 30 },
    },
    needs: null,
    work: ({ air_C = 20, humidity = 0.5, slab_C = 20, wind_ms = 1.5 }) => dampSum({ air_C, humidity, slab_C, wind_ms }),
  },
} as const satisfies Readonly<Record<string, Sum>>;

export type SumCode = keyof typeof SUMS;
export const SUM_CODES = Object.keys(SUMS) as SumCode[];
export const isSum = (code: string | undefined): code is SumCode => code !== undefined && code in SUMS;
