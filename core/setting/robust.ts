import erfc from '@stdlib/math-base-special-erfc';
import { SETTING } from './constants';

/** ln of the normal survival function at z sds; far into the tail too. */
function lnSurvivalOf(z: number): number {
  return z < 20 ? Math.log(0.5 * erfc(z / Math.SQRT2)) : -0.5 * z * z - Math.log(z * Math.sqrt(2 * Math.PI));
}

/** The survival function is asked for a million times: between knots it is told by a cubic that has its slope too, to 1e-11. */
const FROM = -8;
const TO = 18;
const PER_SD = 128;
/** Four coefficients of each piece, one after the other. */
let pieces: Float64Array | null = null;

function piecesMade(): Float64Array {
  const count = (TO - FROM) * PER_SD + 1;
  const value = Float64Array.from({ length: count }, (_, i) => lnSurvivalOf(FROM + i / PER_SD));
  // d ln S / dz is minus the hazard, for a step of one knot.
  const slope = Float64Array.from({ length: count }, (_, i) => {
    const z = FROM + i / PER_SD;
    return -Math.exp(-0.5 * z * z - 0.5 * Math.log(2 * Math.PI) - value[i]!) / PER_SD;
  });
  const made = new Float64Array(4 * (count - 1));
  for (let i = 0; i + 1 < count; i += 1) {
    const rise = value[i + 1]! - value[i]!;
    made.set([value[i]!, slope[i]!, 3 * rise - 2 * slope[i]! - slope[i + 1]!, slope[i]! + slope[i + 1]! - 2 * rise], 4 * i);
  }
  return made;
}

/** ln that something is over z sds. */
export function lnSurvival(z: number): number {
  if (!(z > FROM && z < TO)) return z <= FROM ? 0 : lnSurvivalOf(z);
  const made = (pieces ??= piecesMade());
  const at = (z - FROM) * PER_SD;
  const whole = at | 0;
  const u = at - whole;
  const i = 4 * whole;
  return ((made[i + 3]! * u + made[i + 2]!) * u + made[i + 1]!) * u + made[i]!;
}

/** ln of a normal likelihood in sds, or of the survival where only "at least so much" is known. */
export const lnLikelihood = (z: number, censored: boolean): number => (censored ? lnSurvival(z) : -0.5 * z * z);

/**
 * How much an entry counts by its residual: `min(1, 2.5 x noise/|residual|)`. One that was used up early says nothing
 * wild by having been short.
 */
export const robustWeight = ({ residual, noise, censored }: { residual: number; noise: number; censored: boolean }): number =>
  censored && residual < 0 ? 1 : Math.min(1, (SETTING.robustAt * noise) / Math.max(Math.abs(residual), 1e-12));
