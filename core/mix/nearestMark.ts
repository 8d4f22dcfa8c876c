import { inRange } from '../quantity';

/** A mark of a vessel near what is wanted, m3. */
export interface Mark {
  /** what the vessel can show, m3 */
  readonly mark_m3: number;
  /** relative difference from what was wanted, positive for more */
  readonly difference: number;
}

/**
 * The mark of a graduated vessel nearest to a measure, kept inside the band the sheet allows; null where the band holds
 * no mark, and the measure must then be weighed.
 *
 * @param wanted_m3 over 0
 * @param step_m3 one mark, over 0
 * @param least_m3 the band, both ends included
 * @param most_m3 likewise
 * @throws Problem `outOfRange`
 * @example nearestMark({ wanted_m3: 0.00208, step_m3: 0.0001, least_m3: 0.0019, most_m3: 0.0022 }) // { mark_m3: 0.0021, difference: 0.0096 }
 */
export function nearestMark(input: { wanted_m3: number; step_m3: number; least_m3: number; most_m3: number }): Mark | null {
  const { wanted_m3, step_m3, least_m3, most_m3 } = input;
  inRange({ quantity: 'wanted_m3', value: wanted_m3, least: 1e-9, most: 10 });
  inRange({ quantity: 'step_m3', value: step_m3, least: 1e-9, most: 10 });
  const below = Math.floor(wanted_m3 / step_m3 + 1e-9);
  const marks = [below, below + 1].map((count) => count * step_m3).filter((mark) => mark > 0 && mark >= least_m3 * (1 - 1e-9) && mark <= most_m3 * (1 + 1e-9));
  const [best] = marks.sort((a, b) => Math.abs(a - wanted_m3) - Math.abs(b - wanted_m3));
  return best === undefined ? null : { mark_m3: best, difference: best / wanted_m3 - 1 };
}
