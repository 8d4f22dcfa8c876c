import { convert } from 'convert';
import { Problem } from './Problem';

/** The kinds of quantity a field can hold. SI inside: m, m2, m3, kg, s, degC, Pa, and plain numbers. */
export type Kind = 'length' | 'area' | 'volume' | 'mass' | 'duration' | 'temperature' | 'pressure';

/** The library picks its types from literal unit names; ours come from a table, so only its plain shape is used. */
const convertFrom = convert as unknown as (value: number, unit: string) => { to: (unit: string) => number };

/** What the kept unit library calls each kind's SI unit. */
const SI: Record<Exclude<Kind, 'temperature'>, string> = {
  length: 'm',
  area: 'm2',
  volume: 'm3',
  mass: 'kg',
  duration: 's',
  pressure: 'Pa',
};

/** Every spelling the trade writes, by kind, with the unit library's name. US customary volumes and masses. */
const SPELLINGS: Record<Kind, Record<string, string>> = {
  length: {
    mm: 'mm',
    cm: 'cm',
    m: 'm',
    "'": 'ft',
    '\u2032': 'ft',
    ft: 'ft',
    feet: 'ft',
    foot: 'ft',
    '"': 'in',
    '\u2033': 'in',
    in: 'in',
    inch: 'in',
    inches: 'in',
    millimetres: 'mm',
    centimetres: 'cm',
    metres: 'm',
    yd: 'yd',
    km: 'km',
  },
  area: { m2: 'm2', 'm²': 'm2', 'sq ft': 'ft2', sqft: 'ft2', ft2: 'ft2', 'ft²': 'ft2', 'sq in': 'in2', in2: 'in2', cm2: 'cm2', 'sq m': 'm2' },
  volume: {
    m3: 'm3',
    'm³': 'm3',
    l: 'l',
    ml: 'ml',
    gal: 'gal',
    gallon: 'gal',
    gallons: 'gal',
    qt: 'qt',
    quart: 'qt',
    quarts: 'qt',
    pt: 'pt',
    pint: 'pt',
    pints: 'pt',
    litre: 'l',
    litres: 'l',
    liter: 'l',
    liters: 'l',
    cup: 'cup',
    cups: 'cup',
    oz: 'fl oz',
    'fl oz': 'fl oz',
    ounce: 'fl oz',
    ounces: 'fl oz',
    tbsp: 'tbsp',
    tablespoon: 'tbsp',
    tablespoons: 'tbsp',
    tsp: 'tsp',
    teaspoon: 'tsp',
    teaspoons: 'tsp',
    'cu ft': 'ft3',
    ft3: 'ft3',
  },
  mass: { kg: 'kg', g: 'g', lb: 'lb', lbs: 'lb', pound: 'lb', pounds: 'lb', oz: 'oz', ounce: 'oz', ounces: 'oz', t: 't' },
  duration: {
    s: 's',
    sec: 's',
    secs: 's',
    second: 's',
    seconds: 's',
    min: 'min',
    mins: 'min',
    minute: 'min',
    minutes: 'min',
    h: 'h',
    hr: 'h',
    hrs: 'h',
    hour: 'h',
    hours: 'h',
    d: 'd',
    day: 'd',
    days: 'd',
  },
  temperature: { c: 'C', '°c': 'C', '°': '', f: 'F', '°f': 'F', deg: '' },
  pressure: { pa: 'Pa', kpa: 'kPa', mpa: 'MPa', psi: 'psi' },
};

/** Library names whose multiples are not in the library are told here, in SI. */
const OWN: Record<string, number> = { psi: 6894.757293168, kPa: 1e3, MPa: 1e6, t: 1000 };

const factors = new Map<string, number>();

/**
 * How many SI units one `unit` of this kind holds (not for temperatures, which have an offset).
 *
 * @param unit a spelling of SPELLINGS, lower or upper case
 * @throws Problem `unknownUnit`
 * @example siFactor('volume', 'qt') // 0.000946352946
 */
export function siFactor(kind: Exclude<Kind, 'temperature'>, unit: string): number {
  const name = spelling(kind, unit);
  const key = `${kind} ${name}`;
  let factor = factors.get(key);
  if (factor === undefined) {
    factor = OWN[name] ?? convertFrom(1, name).to(SI[kind]);
    factors.set(key, factor);
  }
  return factor;
}

/** The library's name of a unit as the trade spells it. @throws Problem `unknownUnit` with kind and unit */
export function spelling(kind: Kind, unit: string): string {
  const table = SPELLINGS[kind];
  const key = unit.trim().toLowerCase().replace(/\s+/g, ' ').replace(/\.$/, '');
  const name = table[key];
  if (name === undefined) throw new Problem('unknownUnit', { kind, unit });
  return name;
}

/** All spellings of a kind, longest first, for the parser. */
export const spellingsOf = (kind: Kind): string[] => Object.keys(SPELLINGS[kind]).sort((a, b) => b.length - a.length);

/** degF to degC. @example celsiusFromFahrenheit(212) // 100 */
export const celsiusFromFahrenheit = (value_F: number): number => ((value_F - 32) * 5) / 9;

/** degC to degF. @example fahrenheitFromCelsius(100) // 212 */
export const fahrenheitFromCelsius = (value_C: number): number => (value_C * 9) / 5 + 32;
