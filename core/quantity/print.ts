import { roundTo, significant } from './round';
import { tradeLength } from './tradeLength';
import { fahrenheitFromCelsius, siFactor, type Kind } from './units';

/** The two systems a firm can print in; typed figures always print back as typed. */
export type UnitSystem = 'us' | 'metric';

/** What a person reads: digits and unit apart, because large figures carry small units. */
export interface Printed {
  readonly digits: string;
  readonly unit: string;
}

const plain = (value: number, digits = 2): string => {
  const rounded = significant(value, value >= 100 ? 3 : digits);
  return String(Number(rounded.toFixed(4)));
};

/** A water or powder measure in the vessel the crew holds: quarts and ounces to the ounce. */
function quartsAndOunces(volume_m3: number): Printed {
  const small = volume_m3 / siFactor('volume', 'oz');
  // Under four ounces the crew takes a small cup: half ounces.
  if (small < 4) return { digits: plain(roundTo(small, 0.5)), unit: 'oz' };
  const ounces = roundTo(small, 1);
  const quarts = Math.floor(ounces / 32);
  const left = ounces - quarts * 32;
  if (quarts === 0) return { digits: String(left), unit: 'oz' };
  return left === 0 ? { digits: String(quarts), unit: 'qt' } : { digits: `${quarts} qt ${left}`, unit: 'oz' };
}

function poundsAndOunces(mass_kg: number): Printed {
  const small = mass_kg / siFactor('mass', 'oz');
  // Fibre and acid go on a small scale: tenths of an ounce.
  if (small < 4) return { digits: plain(roundTo(small, 0.1)), unit: 'oz' };
  const ounces = roundTo(small, 1);
  const pounds = Math.floor(ounces / 16);
  if (pounds === 0) return { digits: String(ounces), unit: 'oz' };
  const left = ounces - pounds * 16;
  return left === 0 ? { digits: String(pounds), unit: 'lb' } : { digits: `${pounds} lb ${left}`, unit: 'oz' };
}

/** Seconds under two minutes, minutes under two hours, then hours and minutes to five; days from two on. */
function time(duration_s: number): Printed {
  if (duration_s < 90) return { digits: String(roundTo(duration_s, 5)), unit: 's' };
  const minutes = roundTo(duration_s / 60, 1);
  if (minutes < 120) return { digits: String(minutes), unit: 'min' };
  if (minutes < 2 * 1440) {
    const fives = roundTo(minutes, 5);
    const rest = fives % 60;
    return rest === 0 ? { digits: String(fives / 60), unit: 'h' } : { digits: `${Math.floor(fives / 60)} h ${rest}`, unit: 'min' };
  }
  return { digits: plain(minutes / 1440), unit: 'd' };
}

/**
 * An SI value in the firm's system, rounded as the trade can use it.
 *
 * @param kind what the value is
 * @param value SI; degC for temperatures
 * @example print({ kind: 'volume', value: 0.0213, system: 'us' }) // { digits: '5.6', unit: 'gal' }
 */
export function print({ kind, value, system, fine = false }: { kind: Kind; value: number; system: UnitSystem; fine?: boolean }): Printed {
  const us = system === 'us';
  switch (kind) {
    case 'length': {
      // Grain and texture under a thirty-second of an inch are told in millimetres on either side of the ocean.
      if (us && (value === 0 || value >= 0.0254 / 32)) {
        const text = tradeLength({ length_m: value, denominator: value < 0.3048 ? 16 : 8 });
        return text.endsWith(' in') ? { digits: text.slice(0, -3), unit: 'in' } : { digits: text, unit: '' };
      }
      return value < 1 ? { digits: plain(value * 1000), unit: 'mm' } : { digits: plain(value, 3), unit: 'm' };
    }
    case 'area':
      return us ? { digits: plain(value / siFactor('area', 'sq ft')), unit: 'sq ft' } : { digits: plain(value), unit: 'm²' };
    case 'volume':
      if (fine) return us ? quartsAndOunces(value) : fineLitres(value);
      return us ? { digits: plain(value / siFactor('volume', 'gal')), unit: 'gal' } : { digits: plain(value * 1000), unit: 'L' };
    case 'mass':
      if (us) return fine ? poundsAndOunces(value) : { digits: plain(value / siFactor('mass', 'lb'), 3), unit: 'lb' };
      return value < 1 ? { digits: String(roundTo(value * 1000, value < 0.1 ? 1 : 5)), unit: 'g' } : { digits: plain(value, 3), unit: 'kg' };
    case 'duration':
      return time(value);
    case 'temperature':
      return us ? { digits: String(roundTo(fahrenheitFromCelsius(value), 1)), unit: '°F' } : { digits: String(roundTo(value, 1)), unit: '°C' };
    case 'pressure':
      return us ? { digits: String(roundTo(value / siFactor('pressure', 'psi'), 10)), unit: 'psi' } : { digits: plain(value / 1e6), unit: 'MPa' };
  }
}

/** Millilitres to the one under a tenth of a litre, to the ten under two litres, then litres to a hundredth: what a jug can show. */
function fineLitres(volume_m3: number): Printed {
  const millilitres = roundTo(volume_m3 * 1e6, volume_m3 < 1e-4 ? 1 : 10);
  return millilitres < 2000 ? { digits: String(millilitres), unit: 'mL' } : { digits: String(millilitres / 1000), unit: 'L' };
}
