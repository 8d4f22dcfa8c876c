import type { CourseInput } from '../setting';

/** For tests: a portion with everything at the reference temperature, spread after two and a half minutes. */
export const course21: CourseInput = {
  pail_life_s: 720,
  film_life_s: 720,
  Ea_J_mol: 55000,
  mix_C: 21,
  surroundings_C: 21,
  mass_kg: 14,
  surface_C: 21,
  thickness_m: 0.02,
  placed_after_s: 150,
};
