/**
 * A length as the trade prints it: to the nearest 1/denominator inch, halves up, fraction reduced; under 12 in as
 * `3/16 in`, from 12 in as `3' 3 3/8"`, zero inches left out (`2'`), zero as `0 in`.
 *
 * @param length_m m, 0 or more
 * @param denominator 2, 4, 8, 16 or 32
 * @example tradeLength({ length_m: 1, denominator: 16 }) // `3' 3 3/8"`
 */
export function tradeLength({ length_m, denominator = 16 }: { length_m: number; denominator?: number }): string {
  // 1e-9 of slack so that an exact half stays a half on every engine.
  const parts = Math.floor((length_m / 0.0254) * denominator + 0.5 + 1e-9);
  const perFoot = 12 * denominator;
  const feet = Math.floor(parts / perFoot);
  const left = parts - feet * perFoot;
  const whole = Math.floor(left / denominator);
  let over = left - whole * denominator;
  let under = denominator;
  while (over > 0 && over % 2 === 0 && under > 1) {
    over /= 2;
    under /= 2;
  }
  const inches = [whole > 0 ? String(whole) : '', over > 0 ? `${over}/${under}` : ''].filter(Boolean).join(' ');
  if (feet === 0) return `${inches || '0'} in`;
  return inches === '' ? `${feet}'` : `${feet}' ${inches}"`;
}
