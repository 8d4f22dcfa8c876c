import { MIX } from '@tufa/core/mix';
import { print, printMoney, significant, typeset, type Kind, type Problem } from '@tufa/core/quantity';
import type { Reason } from '@tufa/core/choose';
import type { KitItem, RepairStep } from '@tufa/core/plan';
import { work } from './work';
import { addWords, isSaid, localeOf, printWith, say, sayCoded, type Speaker } from './speak';

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

/** No line ends between a number and its unit. */
const glued = (text: string): string => text.replaceAll(' ', '\u00a0');

/** A figure printed with its unit, by the unit that ends its name; a word of the data by its place in words/. */
export function printFigure(speaker: Speaker, name: string, value: number | string): string {
  const { system, currency } = speaker;
  if (typeof value === 'string') return isSaid(`word.${name}.${value}`) ? sayCoded(speaker, `word.${name}.${value}`) : value;
  if (name.endsWith('_minor')) return printMoney({ minor: value, currency, locale: localeOf(speaker) });
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

/** A measure in the vessel the crew holds: gallons and quarts down to fractions of an ounce, litres and millilitres. */
export const printMeasure = ({ system }: Speaker, kind: 'volume' | 'mass', value: number): string => {
  const { digits, unit } = print({ kind, value, system, fine: true });
  return `${digits} ${unit}`;
};

/** Mix water as the jug has it; nothing of a resin or a cartridge, of which nobody measures any. */
export const printWater = (speaker: Speaker, water_kg: number): string => (water_kg > 0 ? printMeasure(speaker, 'volume', water_kg / MIX.water_kg_m3) : '');

printWith(printFigure);
addWords('en', work);

/** The sentence of a reason of the core. A stop question speaks with its own words. */
export function sayReason(speaker: Speaker, { code, figures }: Pick<Reason, 'code' | 'figures'>): string {
  // A question speaks with its own words.
  if ('answer' in figures) return say(speaker, 'stop.reason', { question: sayCoded(speaker, code), answer: printFigure(speaker, 'answer', figures.answer) });
  return sayCoded(speaker, `reason.${code}`, figures);
}

/** What is wrong, and what to do about it. */
export const sayProblem = (
  speaker: Speaker,
  { code, figures }: { readonly code: string; readonly figures: Pick<Problem, 'figures'>['figures'] | Readonly<Record<never, never>> },
): string => sayCoded(speaker, `problem.${code}`, figures);

/** A step of a repair. */
export const sayStep = (speaker: Speaker, { code, figures }: RepairStep): string => sayCoded(speaker, `fixStep.${code.slice('step.'.length)}`, figures);

/** A thing to load, with how much of it. */
export const sayKit = (speaker: Speaker, { code, figures }: KitItem): string => sayCoded(speaker, `kit.${code}`, figures);

/** Shares of a bag that have a name. */
const SHARES = { whole: 1, half: 1 / 2, third: 1 / 3, quarter: 1 / 4 } as const;

/** Whether a share of a bag has a name: what has none is weighed. */
export const isNamedShare = (share: number): boolean => Object.values(SHARES).some((value) => Math.abs(value - share) < 1e-6);

/** A share of a bag in words. */
export function sayShare(speaker: Speaker, share: number): string {
  const [name] = typedEntries(SHARES).find(([, value]) => Math.abs(value - share) < 1e-6) ?? [];
  if (name) return say(speaker, `mix.shareWord.${name}`);
  return share < 0.01 ? say(speaker, 'mix.shareWord.little') : say(speaker, 'mix.shareWord.percent', { percent: Math.round(share * 100) });
}

const typedEntries = <K extends string, V>(table: Readonly<Record<K, V>>): [K, V][] => Object.entries(table) as [K, V][];
