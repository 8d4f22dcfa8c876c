import { inRange } from '../quantity';

interface Wedge {
  readonly run_m: number;
  readonly rise_m: number;
}

const checked = ({ run_m, rise_m }: Wedge): void => {
  inRange({ quantity: 'run_m', value: run_m, least: 1e-3, most: 100 });
  inRange({ quantity: 'rise_m', value: rise_m, least: 1e-4, most: 2 });
};

/**
 * A wedge for a height difference: `run x rise / 2 x width`.
 *
 * @returns m3
 * @throws Problem `outOfRange`
 */
export function wedgeVolume(input: Wedge & { readonly width_m: number }): number {
  checked(input);
  return ((input.run_m * input.rise_m) / 2) * inRange({ quantity: 'width_m', value: input.width_m, least: 1e-3, most: 100 });
}

/**
 * How far from its toe a wedge is thinner than its product allows: `run x minimum / rise`, at most the run.
 *
 * @returns m
 * @throws Problem `outOfRange`
 */
export function wedgeThinRun(input: Wedge & { readonly minimum_m: number }): number {
  checked(input);
  inRange({ quantity: 'minimum_m', value: input.minimum_m, least: 0, most: 1 });
  return Math.min(input.run_m, (input.run_m * input.minimum_m) / input.rise_m);
}

/**
 * What a toe cut to the least thickness takes beyond the wedge itself: `r (minimum - rise r / run / 2) x width`, r the thin run.
 *
 * @returns m3, cut out and filled
 * @throws Problem `outOfRange`
 */
export function wedgeToe(input: Wedge & { readonly minimum_m: number; readonly width_m: number }): number {
  const r = wedgeThinRun(input);
  return r * (input.minimum_m - (input.rise_m * r) / input.run_m / 2) * input.width_m;
}
