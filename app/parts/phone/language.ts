import { SPOKEN, type Spoken } from '@tufa/contract/languages';
import { bring } from '@tufa/words/bring';
import type { Language } from '@tufa/words/speak';
import { spokenOf } from './speaker';

const KEY = 'tufa-language';

/** The language this phone is spoken to in now: what is asked of the firm is answered in it too. */
let spoken: Language = SPOKEN[0];
export const spokenNow = (): Spoken => spokenOf({ language: spoken });

const isSpoken = (text: string | null | undefined): text is Spoken => SPOKEN.some((language) => language === text);

/** Where nobody has chosen: the first of the browser's own languages that is spoken. */
const ofBrowser = (): Spoken => navigator.languages.map((tag) => tag.split('-')[0]).find(isSpoken) ?? SPOKEN[0];

function wanted(): Language {
  try {
    const chosen = localStorage.getItem(KEY);
    if (chosen === 'pseudo' || isSpoken(chosen)) return chosen;
  } catch {
    // A browser that refuses storage speaks its own.
  }
  return ofBrowser();
}

/** Speaks a language from now on, and at the next start. @returns it, or the first of all where its words cannot be fetched now */
export async function speakIn(language: Language): Promise<Language> {
  spoken = await bring(language).then(
    () => language,
    () => SPOKEN[0],
  );
  document.documentElement.lang = spokenNow();
  try {
    localStorage.setItem(KEY, language);
  } catch {
    // It is asked again at the next start.
  }
  return spoken;
}

/** The language that was spoken here last, or the browser's. */
export const phoneLanguage = (): Promise<Language> => speakIn(wanted());
