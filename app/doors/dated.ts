import type { Speaker } from '@tufa/words/speak';

/** How an instant is written for a person: day and minute, by their language and this phone's clock. */
export const dated = ({ language }: Speaker): ((iso: string) => string) => {
  const format = new Intl.DateTimeFormat(language === 'pseudo' ? 'en' : language, { dateStyle: 'medium', timeStyle: 'short' });
  return (iso) => format.format(new Date(iso));
};
