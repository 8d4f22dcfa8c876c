import { print, printMoney, significant, typeset, type Figures, type Kind, type UnitSystem } from '@tufa/core/quantity';
import { work } from './work';
import { forgetSaid, i18n, printWith, say } from './speak';

/** Kinds by the unit that ends a figure's name. */
const KINDS: readonly (readonly [string, Kind])[] = [
  ['_m2', 'area'],
  ['_m3', 'volume'],
  ['_kg', 'mass'],
  ['_m', 'length'],
  ['_s', 'duration'],
  ['_C', 'temperature'],
  ['_MPa', 'pressure'],
];

let system: UnitSystem = 'us';
let currency = 'USD';

/** The firm's system of units and currency, for every sentence from now on. */
export function speakIn(settings: { system: UnitSystem; currency: string }): void {
  ({ system, currency } = settings);
  forgetSaid();
}

export const unitSystem = (): UnitSystem => system;

/** No line ends between a number and its unit. */
const glued = (text: string): string => text.replaceAll(' ', '\u00a0');

/** A figure printed with its unit, by the unit that ends its name; a word of the data by its place in words/. */
export function printFigure(name: string, value: number | string): string {
  if (typeof value === 'string') return i18n.exists(`word.${name}.${value}`) ? i18n.t(`word.${name}.${value}` as never) : value;
  if (name.endsWith('_minor')) return printMoney({ minor: value, currency });
  if (name.endsWith('_kg_m2h')) return glued(`${significant(value)} kg/m²h`);
  // A little is not nothing.
  if (name.endsWith('_share')) return glued(value > 0 && value < 0.005 ? '< 1 %' : `${Math.round(value * 100)} %`);
  // A difference of temperatures has no zero: only the size of the degree changes.
  if (name.endsWith('_K')) return glued(system === 'us' ? `${Math.round(value * 1.8)} °F` : `${Math.round(value)} °C`);
  const found = KINDS.find(([suffix]) => name.endsWith(suffix));
  if (!found) return String(significant(value, 3));
  const { digits, unit } = print({ kind: found[1], value: found[1] === 'pressure' ? value * 1e6 : value, system });
  return glued(typeset(unit ? `${digits} ${unit}` : digits));
}

printWith(printFigure);
i18n.addResourceBundle('en', 'translation', work, true, true);
forgetSaid();

/** The sentence of a reason of the core. A stop question speaks with its own words. */
export function sayReason({ code, figures }: { code: string; figures: Figures }): string {
  if (code.startsWith('stop.')) return say('stop.reason', { question: say(code), answer: printFigure('answer', figures['answer'] ?? '') });
  if (code.startsWith('verdict.')) return say(code, figures);
  return say(`reason.${code}`, figures);
}

/** A share of a bag in words. */
export function sayShare(share: number): string {
  const named: [number, string][] = [
    [1, 'whole'],
    [1 / 2, 'half'],
    [1 / 3, 'third'],
    [1 / 4, 'quarter'],
  ];
  const found = named.find(([value]) => Math.abs(value - share) < 1e-6);
  return found ? say(`mix.shareWord.${found[1]}`) : say('mix.shareWord.percent', { percent: Math.round(share * 100) });
}
