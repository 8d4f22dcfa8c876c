import { inRange, Problem } from '../quantity';

/** One step of a flight. */
export interface Step {
  readonly width_m: number;
  readonly going_m: number;
  readonly rise_m: number;
}

const checked = ({ width_m, going_m, rise_m }: Step): void => {
  inRange({ quantity: 'width_m', value: width_m, least: 0.1, most: 100 });
  inRange({ quantity: 'going_m', value: going_m, least: 0.05, most: 3 });
  inRange({ quantity: 'rise_m', value: rise_m, least: 0.02, most: 1 });
};

/**
 * Fill of a rebuilt step: its box less what stays, plus the wedge that gives the tread its pitch.
 *
 * @param stays_m3 sound concrete left in the box
 * @param pitch fall of the tread, rise over run, 0 to 0.1
 * @returns m3
 * @throws Problem `outOfRange`; `nothingToFill` when what stays fills the box
 * @example rebuiltStep({ width_m: 1.2, going_m: 0.3, rise_m: 0.17, stays_m3: 0.04, pitch: 0.02 }) // 0.02228
 */
export function rebuiltStep(input: Step & { readonly stays_m3: number; readonly pitch: number }): number {
  checked(input);
  inRange({ quantity: 'stays_m3', value: input.stays_m3, least: 0, most: 300 });
  inRange({ quantity: 'pitch', value: input.pitch, least: 0, most: 0.1 });
  const { width_m, going_m, rise_m, stays_m3, pitch } = input;
  const volume = width_m * going_m * rise_m - stays_m3 + (pitch * going_m * going_m * width_m) / 2;
  if (volume <= 0) throw new Problem('nothingToFill', { stays_m3 });
  return volume;
}

export interface Flight extends Step {
  readonly steps: number;
  readonly angle_rad: number;
  /** along the nosings, m */
  readonly slope_m: number;
}

/**
 * A flight of even steps for a height: each rise is the height over their number.
 *
 * @param rise_m the whole height; `steps` 1 to 60
 * @throws Problem `outOfRange`
 * @example flightOf({ width_m: 1.2, going_m: 0.28, rise_m: 1.02, steps: 6 }).rise_m // 0.17
 */
export function flightOf({ steps, ...whole }: Step & { readonly steps: number }): Flight {
  inRange({ quantity: 'steps', value: steps, least: 1, most: 60 });
  const step = { ...whole, rise_m: whole.rise_m / steps };
  checked(step);
  return { ...step, steps, angle_rad: Math.atan2(step.rise_m, step.going_m), slope_m: steps * Math.hypot(step.rise_m, step.going_m) };
}
