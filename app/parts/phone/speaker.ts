import { SPOKEN, type Spoken } from '@tufa/contract/languages';
import { PLAIN, type Language, type Speaker } from '@tufa/words/speak';
import { createContext, useContext } from 'react';

/** Who is spoken to: the firm's units and money, the person's language, the phone's clock. */
export const SpeakerContext = createContext<Speaker>(PLAIN);

/** The speaker of this screen: the first argument of everything that says or prints. */
export const useSpeaker = (): Speaker => useContext(SpeakerContext);

/** Speaks another language from now on: whoever is signed in has their own. */
export const SpeakInContext = createContext<(language: Language) => void>(() => undefined);

/** The spoken language behind the tests' longer one. */
export const spokenOf = ({ language }: Pick<Speaker, 'language'>): Spoken => (language === 'pseudo' ? SPOKEN[0] : language);
