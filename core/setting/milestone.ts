import { Course, type CourseInput } from './Course';
import { rate } from './rate';

/**
 * When a milestone is reached at a constant temperature. A retarder adds `t_ref (r - 1)` of equivalent age to each.
 *
 * @returns s from first water
 * @example milestone({ equivalent_age_s: 1200, life_ref_s: 720, retarder: 2.2, constant_C: 24.8, Ea_J_mol: 55000 }) // 1549
 */
export function milestone(input: {
  readonly equivalent_age_s: number;
  readonly life_ref_s: number;
  readonly retarder: number;
  readonly constant_C: number;
  readonly Ea_J_mol: number;
  readonly reference_C?: number;
}): number {
  const { equivalent_age_s, life_ref_s, retarder, constant_C, Ea_J_mol, reference_C } = input;
  const k = rate({ temperature_C: constant_C, Ea_J_mol, ...(reference_C === undefined ? {} : { reference_C }) });
  return (equivalent_age_s + life_ref_s * (retarder - 1)) / k;
}

/** The clock of equivalent age for a portion's own course of temperatures: lives of one second, no retarder, no mass. */
export function equivalentAgeCourse(input: CourseInput): Course {
  return new Course({ ...input, pail_life_s: 1, film_life_s: 1, retarder: 1, massFactor: 1 });
}
