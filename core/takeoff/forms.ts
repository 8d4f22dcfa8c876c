import { inRange } from '../quantity';
import { TAKEOFF } from './constants';

interface Fill {
  readonly density_kg_m3: number;
  readonly depth_m: number;
}

const checked = ({ density_kg_m3, depth_m }: Fill): void => {
  inRange({ quantity: 'density_kg_m3', value: density_kg_m3, least: 500, most: 4000 });
  inRange({ quantity: 'depth_m', value: depth_m, least: 1e-3, most: 5 });
};

/** Pressure at the foot of a form, `rho g d`. @returns Pa @throws Problem `outOfRange` */
export function formPressure(fill: Fill): number {
  checked(fill);
  return fill.density_kg_m3 * TAKEOFF.gravity_m_s2 * fill.depth_m;
}

/** Thrust on a form's face, `rho g d^2/2 L`, a third of the depth up. @returns N @throws Problem `outOfRange` */
export function formThrust(input: Fill & { readonly length_m: number }): number {
  return (formPressure(input) / 2) * input.depth_m * inRange({ quantity: 'length_m', value: input.length_m, least: 1e-3, most: 200 });
}

/**
 * What must stand on a form so that it does not slide, with half as much again: `1.5 rho d^2 L / (2 mu)`.
 *
 * @returns kg
 * @throws Problem `outOfRange`
 */
export function formBallast(input: Fill & { readonly length_m: number; readonly friction?: number }): number {
  const { friction = TAKEOFF.formFriction } = input;
  inRange({ quantity: 'friction', value: friction, least: 0.05, most: 1 });
  return (TAKEOFF.ballastSafety * formThrust(input)) / (TAKEOFF.gravity_m_s2 * friction);
}

/** Force along a prop at an angle from the thrust. @param angle_rad 0 to under a right angle @returns N @throws Problem `outOfRange` */
export function propForce({ thrust_N, angle_rad }: { thrust_N: number; angle_rad: number }): number {
  inRange({ quantity: 'thrust_N', value: thrust_N, least: 0, most: 1e7 });
  return thrust_N / Math.cos(inRange({ quantity: 'angle_rad', value: angle_rad, least: 0, most: 1.5 }));
}

/** Uplift on a lid under a head of fresh material, `rho g h A`. @returns N @throws Problem `outOfRange` */
export function lidUplift(input: Fill & { readonly area_m2: number }): number {
  return formPressure(input) * inRange({ quantity: 'area_m2', value: input.area_m2, least: 0, most: 1e4 });
}
