import { PLAIN, type Language, type Speaker } from '@tufa/words/speak';
import { createContext, useContext } from 'react';

/** Who is spoken to: the firm's units and money, the phone's language and clock. */
export const SpeakerContext = createContext<Speaker>(PLAIN);

/** The speaker of this screen: the first argument of everything that says or prints. */
export const useSpeaker = (): Speaker => useContext(SpeakerContext);

const KEY = 'tufa-language';

/** English, or for the tests of long words the pseudo-language, which is brought first. */
export async function phoneLanguage(): Promise<Language> {
  try {
    if (localStorage.getItem(KEY) !== 'pseudo') return 'en';
    (await import('@tufa/words/pseudo')).bringPseudo();
    return 'pseudo';
  } catch {
    // A browser that refuses storage speaks English.
    return 'en';
  }
}
