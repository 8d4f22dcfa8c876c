import type { Language } from './speak';

/** Where the words of a language are, beside those that are always here. */
const MODULES: Readonly<Record<Language, () => Promise<void>>> = {
  en: () => Promise.resolve(),
  es: async () => (await import('./es')).bringSpanish(),
  pseudo: async () => (await import('./pseudo')).bringPseudo(),
};

const brought = new Map<Language, Promise<void>>();

/** Brings the words of a language, once. @throws where they cannot be fetched; the next call tries again */
export function bring(language: Language): Promise<void> {
  const coming = brought.get(language) ?? MODULES[language]();
  brought.set(language, coming);
  coming.catch(() => brought.delete(language));
  return coming;
}
