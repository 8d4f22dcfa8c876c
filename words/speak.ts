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

/** A sentence by its code, its figures printed for people. `count` picks the plural. */
export function say(code: string, figures: Readonly<Record<string, unknown>> = {}): string {
  const printed: Record<string, unknown> = {};
  for (const [name, value] of Object.entries(figures)) {
    printed[name] = name === 'count' || (typeof value !== 'number' && typeof value !== 'string') ? value : printer(name, value);
  }
  return i18n.t(code as never, printed as never) as unknown as string;
}
