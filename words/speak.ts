import { SPOKEN, type Spoken } from '@tufa/contract/languages';
import type { UnitSystem } from '@tufa/core/quantity';
import i18next from 'i18next';
import { first } from './first';
import type { Code, Given } from './sentences';

/** What is spoken, and for the tests of long words a language 40 % longer. */
export const LANGUAGES = [...SPOKEN, 'pseudo'] as const;
export type Language = Spoken | 'pseudo';

/** Locale of a language's dates, numbers and voices: figures keep the point that the firm's scales and jugs have. */
const LOCALES: Readonly<Record<Language, string>> = { en: 'en-US', es: 'es-US', pseudo: 'en-US' };
export const localeOf = ({ language }: { readonly language: Language }): string => LOCALES[language];

/** Who is spoken to and how: language, units, money and the zone of the clock. Handed down, never kept: two firms are spoken to in one process. */
export interface Speaker {
  readonly language: Language;
  readonly system: UnitSystem;
  /** ISO 4217 */
  readonly currency: string;
  /** IANA */
  readonly zone: string;
}

/** Nobody has said otherwise. */
export const PLAIN: Speaker = { language: 'en', system: 'us', currency: 'USD', zone: 'UTC' };

/** The kept translation library with every language's sentences; who speaks is told at each call. */
export const i18n = i18next.createInstance();
void i18n.init({
  lng: 'en',
  fallbackLng: 'en',
  resources: { en: { translation: first } },
  interpolation: { escapeValue: false },
  initAsync: false,
});

type Printer = (speaker: Speaker, name: string, value: number | string) => string;

let printer: Printer = (_speaker, _name, value) => String(value);

/** Figures are printed with units once the printer of `figures` is here; the first screens need none. */
export function printWith(other: Printer): void {
  printer = other;
}

/** Sentences already made, by speaker, code and printed figures: a screen says the same things at every tap. */
let said = new WeakMap<Speaker, Map<string, string>>();
const MOST = 2000;

/** Whether codes have words: a screen asks of the same ones at every tap, and the library looks through all its languages. */
const known = new Map<string, boolean>();

/** After more words came. */
function forgetSaid(): void {
  said = new WeakMap();
  known.clear();
}

/** Sentences of a language come, over those that are there. */
export function addWords(language: Language, table: object): void {
  i18n.addResourceBundle(language, 'translation', table, true, true);
  forgetSaid();
}

function saidBy(speaker: Speaker): Map<string, string> {
  const made = said.get(speaker) ?? new Map<string, string>();
  said.set(speaker, made);
  return made;
}

/** A sentence by its code, its figures printed for people. `count` picks the plural. A figure that is missing or of another type does not compile. */
export function say<C extends Code>(speaker: Speaker, code: C, ...[figures]: Given<C>): string {
  return sayCoded(speaker, code, figures);
}

/** The same where code and figures come together from the core, whose types hold them to their words. */
export function sayCoded(speaker: Speaker, code: string, figures: object = {}): string {
  const printed: Record<string, unknown> = {};
  let key = code;
  for (const [name, value] of Object.entries(figures)) {
    printed[name] = name === 'count' || (typeof value !== 'number' && typeof value !== 'string') ? value : printer(speaker, name, value);
    key += `\u0000${name}\u0000${String(printed[name])}`;
  }
  const made = saidBy(speaker);
  const before = made.get(key);
  if (before !== undefined) return before;
  const text = i18n.t(code, { lng: speaker.language, ...printed });
  // A code that has no words yet is asked again: they may come with the work chunk.
  if (text === code) return text;
  if (made.size >= MOST) made.clear();
  made.set(key, text);
  return text;
}

/** Whether there are words for a code that was put together. */
export function isSaid(code: string): code is Code {
  const before = known.get(code);
  if (before !== undefined) return before;
  const exists = i18n.exists(code);
  // Names of people and places are asked after too: there is no end to them.
  if (known.size >= MOST) known.clear();
  known.set(code, exists);
  return exists;
}
