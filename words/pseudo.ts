import { addWords, i18n } from './speak';

const MARKED: Readonly<Record<string, string>> = { a: 'à', e: 'é', i: 'î', o: 'ö', u: 'ü', A: 'Å', E: 'É', O: 'Ö', U: 'Û', c: 'ç' };
const MORE = 'lorem ipsum dolor sit amet sed do eiusmod tempor ut labore et magna ';

/** A sentence 40 % longer with marked letters, its figures as they are. @example longer('Place it 8 min') // 'Plàçé ît 8 mîn lorem' */
export function longer(text: string): string {
  const letters = text.replace(/\{\{[^}]*\}\}/g, '').replace(/[^a-z]/gi, '').length;
  if (letters < 3) return text;
  const more = Math.ceil(letters * 0.4);
  // What stands between braces is a figure's name.
  const marked = text.replace(/\{\{[^}]*\}\}|[a-z]/gi, (found) => MARKED[found] ?? found);
  return `${marked} ${MORE.repeat(Math.ceil(more / MORE.length))
    .slice(0, more)
    .trim()}`;
}

const longerAll = (table: object): object =>
  Object.fromEntries(
    Object.entries(table).map(([key, value]: [string, unknown]) => [key, typeof value === 'string' ? longer(value) : longerAll(value as object)]),
  );

/** Brings the pseudo-language, now and with whatever words come later: what a longer language does to the screens shows before anybody translates. */
export function bringPseudo(): void {
  const bring = (): void => addWords('pseudo', longerAll(i18n.getResourceBundle('en', 'translation') as object));
  bring();
  i18n.store.on('added', (language: string) => {
    if (language === 'en') bring();
  });
}
