import type { Spoken } from '@tufa/contract/languages';
import type { Speaker } from './speak';

/** Who has read the cautions of a translation, speaks its language and knows the work, and stands for them: who, and when. */
interface Signature {
  readonly by: string;
  /** ISO date */
  readonly on: string;
}

/** English is what they were written in. */
const SIGNED: Readonly<Record<Exclude<Spoken, 'en'>, Signature | null>> = { es: null };

/** Whether somebody competent stands for the cautions that are read to this speaker: until then they are marked, and the English stands beside. */
export const areSigned = ({ language }: Speaker): boolean => language === 'en' || language === 'pseudo' || SIGNED[language] !== null;
