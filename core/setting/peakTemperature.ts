import { inRange } from '../quantity';
import { SETTING } from './constants';
import type { CourseInput } from './Course';
import { excessTable } from './layerExcess';
import { equivalentAgeCourse } from './milestone';

/** How warm a fill makes itself, and when. */
export interface PeakTemperature {
  readonly peak_C: number;
  /** s from first water */
  readonly after_s: number;
  /** over the course without the heat of reaction, K */
  readonly rise_K: number;
}

const STEPS = 96;

/**
 * The warmest a fill gets by its own heat, for warnings only: the reaction's heat `dT_ad dA`, `A = exp(-tau_h/te)`,
 * each part of it lost to the slab as the layer's own excess is. Times and lives never use it: the sheet's contain it.
 *
 * @param final_s final set at the sheet's reference; tau_h is twice that. *default*, learned
 * @param adiabatic_K 45 rapid, 30 portland. *default*
 * @returns degC, s from first water
 * @throws Problem `outOfRange`
 */
export function peakTemperature({ course, final_s, adiabatic_K }: { course: CourseInput; final_s: number; adiabatic_K: number }): PeakTemperature {
  inRange({ quantity: 'final_s', value: final_s, least: 30, most: 1e7 });
  inRange({ quantity: 'adiabatic_K', value: adiabatic_K, least: 0, most: 120 });
  const { layer = SETTING.mortar, base = SETTING.slab } = course;
  const excess = excessTable({ layer, base });
  const perRoot = Math.sqrt(layer.conductivity_W_mK / layer.heatCapacity_J_m3K) / course.thickness_m;
  const ages = equivalentAgeCourse(course);
  const tau_s = SETTING.hydrationFactor * final_s;
  const step_s = ages.timeToSpend(4 * tau_s) / STEPS;
  const heats = new Float64Array(STEPS + 1);
  let before = 0;
  let best = { peak_C: -Infinity, after_s: 0, rise_K: 0 };
  for (let i = 1; i <= STEPS; i += 1) {
    const t = i * step_s;
    const degree = Math.exp(-tau_s / ages.spentAt(t));
    heats[i] = adiabatic_K * (degree - before);
    before = degree;
    let rise_K = 0;
    for (let j = 1; j <= i; j += 1) rise_K += heats[j]! * excess(perRoot * Math.sqrt((i - j + 0.5) * step_s));
    const now_C = ages.temperature_C(t) + rise_K;
    if (now_C > best.peak_C) best = { peak_C: now_C, after_s: t, rise_K };
  }
  return best;
}
