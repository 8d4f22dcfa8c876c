import i18next from 'i18next';
import { first } from './first';

/** The one instance of the kept translation library. */
export const i18n = i18next.createInstance();
void i18n.init({ lng: 'en', fallbackLng: 'en', resources: { en: { translation: first } }, interpolation: { escapeValue: false }, initAsync: false });

type Printer = (name: string, value: number | string) => string;

let printer: Printer = (_name, value) => String(value);

/** Figures speak with units once the printer of `figures` is here; the first screens need none. */
export function printWith(other: Printer): void {
  printer = other;
}

/** Sentences already made, by code and printed figures: a screen says the same things at every tap. */
const said = new Map<string, string>();
const MOST = 2000;

/** After more words came, or another language. */
export const forgetSaid = (): void => said.clear();

/** A sentence by its code, its figures printed for people. `count` picks the plural. */
export function say(code: string, figures: object = {}): string {
  const printed: Record<string, unknown> = {};
  let key = code;
  for (const [name, value] of Object.entries(figures)) {
    printed[name] = name === 'count' || (typeof value !== 'number' && typeof value !== 'string') ? value : printer(name, value);
    key += `\u0000${name}\u0000${String(printed[name])}`;
  }
  const held = said.get(key);
  if (held !== undefined) return held;
  const text = i18n.t(code as never, printed as never) as unknown as string;
  // A code that has no words yet is asked again: they may come with the work chunk.
  if (text === code) return text;
  if (said.size >= MOST) said.clear();
  said.set(key, text);
  return text;
}
