import erfc from '@stdlib/math-base-special-erfc';
import { SETTING } from './constants';

/** ln of a normal likelihood in sds, or of the survival where only "at least so much" is known; far into the tail too. */
export function lnLikelihood(z: number, censored: boolean): number {
  if (!censored) return -0.5 * z * z;
  return z < 20 ? Math.log(0.5 * erfc(z / Math.SQRT2)) : -0.5 * z * z - Math.log(z * Math.sqrt(2 * Math.PI));
}

/**
 * How much an entry counts by its residual: `min(1, 2.5 x noise/|residual|)`. One that was used up early says nothing
 * wild by having been short.
 */
export const robustWeight = ({ residual, noise, censored }: { residual: number; noise: number; censored: boolean }): number =>
  censored && residual < 0 ? 1 : Math.min(1, (SETTING.robustAt * noise) / Math.max(Math.abs(residual), 1e-12));
