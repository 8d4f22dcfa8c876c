import { Course, type CourseInput } from './Course';

/**
 * Working life of a portion through pail and layer: when its budget of 1 is spent.
 *
 * @returns s from first water
 * @throws Problem `outOfRange`
 */
export const workingLife = (input: CourseInput): number => new Course(input).timeToSpend(1);
