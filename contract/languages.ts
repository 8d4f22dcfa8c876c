/** Languages that Tufa speaks, the first where nobody has chosen. Another is one line here, one module of words and one line in `words/bring.ts`. */
export const SPOKEN = ['en', 'es'] as const;
export type Spoken = (typeof SPOKEN)[number];

/** What each calls itself. */
export const CALLED: Readonly<Record<Spoken, string>> = { en: 'English', es: 'Español' };
