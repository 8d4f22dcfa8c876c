import { inRange } from '../quantity';

/**
 * How long a strip may be that is placed and broomed within one safe life: what the hands place in the time that mixing,
 * carrying and finishing leave, over the broom's width.
 *
 * @returns m; 0 where nothing is left
 * @throws Problem `outOfRange`
 */
export function stripLength(input: {
  handsFactor: number;
  rate_m2_s: number;
  safe_s: number;
  mix_s: number;
  carry_s: number;
  finish_s: number;
  broom_m: number;
}): number {
  inRange({ quantity: 'handsFactor', value: input.handsFactor, least: 0.1, most: 10 });
  inRange({ quantity: 'rate_m2_s', value: input.rate_m2_s, least: 1e-6, most: 1 });
  inRange({ quantity: 'broom_m', value: input.broom_m, least: 0.05, most: 5 });
  const left_s = Math.max(0, input.safe_s - input.mix_s - input.carry_s - input.finish_s);
  return (input.handsFactor * input.rate_m2_s * left_s) / input.broom_m;
}
