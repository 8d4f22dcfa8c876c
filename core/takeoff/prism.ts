import { inRange } from '../quantity';

/** Shapes of a broken edge across. */
export const SECTIONS = ['rectangle', 'triangle'] as const;
export type Section = (typeof SECTIONS)[number];

/**
 * Volume of a broken edge or nosing: its section along its length.
 *
 * @param across_m how far it reaches into the tread or top, `down_m` down the face
 * @returns m3
 * @throws Problem `outOfRange`
 * @example prismVolume({ section: 'triangle', length_m: 1.2, across_m: 0.05, down_m: 0.04 }) // 0.0012
 */
export function prismVolume({ section, length_m, across_m, down_m }: { section: Section; length_m: number; across_m: number; down_m: number }): number {
  inRange({ quantity: 'length_m', value: length_m, least: 1e-3, most: 1e3 });
  inRange({ quantity: 'across_m', value: across_m, least: 5e-4, most: 2 });
  inRange({ quantity: 'down_m', value: down_m, least: 5e-4, most: 2 });
  return length_m * across_m * down_m * (section === 'triangle' ? 0.5 : 1);
}
