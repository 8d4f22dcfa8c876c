import { significant } from './round';
import { tradeLength } from './tradeLength';
import { fahrenheitFromCelsius, siFactor, spelling, type Kind } from './units';

/** The smaller unit that a larger one is told with, and how many of it make one: 2 qt 8 oz, 12 lb 8 oz, 1 h 20 min. */
const COMPOUND: Readonly<Record<string, readonly [smaller: string, perUnit: number]>> = {
  qt: ['oz', 32],
  lb: ['oz', 16],
  h: ['min', 60],
};

/**
 * A value in the one unit asked for, as the trade writes that unit: feet with inches and sixteenths, inches with
 * sixteenths, quarts and pounds with ounces, hours with minutes, metric lengths to a tenth of a millimetre, everything else
 * as a decimal of five figures.
 *
 * @param value SI; degC for temperatures
 * @param unit a spelling of the kind
 * @throws Problem `unknownUnit`
 * @example printIn({ kind: 'length', value: 2.55, unit: 'ft' }) // `8' 4 3/8"`
 * @example printIn({ kind: 'length', value: 0.0381, unit: 'mm' }) // '38.1 mm'
 */
export function printIn({ kind, value, unit }: { kind: Kind; value: number; unit: string }): string {
  if (kind === 'temperature') return `${plain(spelling(kind, unit) === 'F' ? fahrenheitFromCelsius(value) : value)} °${spelling(kind, unit)}`;
  const amount = value / siFactor(kind, unit);
  if (kind === 'length' && unit === 'ft') return tradeLength({ length_m: value });
  if (kind === 'length' && unit === 'in') {
    const whole = Math.floor(amount + 1e-9);
    const fraction = tradeLength({ length_m: value - whole * siFactor('length', 'in') });
    // A fraction within a thirty-second of the next inch rounds up to it.
    if (fraction === '1 in') return `${whole + 1} in`;
    return fraction === '0 in' ? `${whole} in` : `${whole > 0 ? `${whole} ` : ''}${fraction}`;
  }
  const compound = COMPOUND[unit];
  if (compound && kind !== 'length') {
    const [smaller, perUnit] = compound;
    const smallest = Math.floor(amount * perUnit * 10 + 0.5 + 1e-9) / 10;
    const whole = Math.floor(smallest / perUnit);
    const left = plain(smallest - whole * perUnit);
    if (whole > 0) return left === '0' ? `${whole} ${unit}` : `${whole} ${unit} ${left} ${smaller}`;
  }
  const decimals = DECIMALS[unit];
  return `${kind === 'length' && decimals !== undefined ? Number(amount.toFixed(decimals)) : plain(amount, 5)} ${unit}`;
}

/** A tenth of a millimetre in each metric length: telling an entry anew must not move it. */
const DECIMALS: Readonly<Record<string, number>> = { mm: 1, cm: 2, m: 4 };

const plain = (value: number, figures = 4): string => String(significant(value, figures));
