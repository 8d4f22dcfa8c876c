import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import type { TDocumentDefinitions } from 'pdfmake/interfaces';

const FONT = '@expo-google-fonts/atkinson-hyperlegible-next';
const fonts = dirname(createRequire(join(process.cwd(), 'package.json')).resolve(`${FONT}/package.json`));
const face = (name: string): string => join(fonts, name, `AtkinsonHyperlegibleNext_${name}.ttf`);

const FACES = { normal: face('400Regular'), bold: face('700Bold'), italics: face('400Regular_Italic'), bolditalics: face('700Bold_Italic') };
/** The library with its letters, fetched with the first document: a server starts without it. */
async function maker(): Promise<typeof import('pdfmake')> {
  const { default: pdfmake } = await import('pdfmake');
  // Drawings name no font and get the library's own; they too are set in the house's.
  pdfmake.setFonts({ Atkinson: FACES, Roboto: FACES });
  // A document is made of what it is given: nothing is fetched, and no file but the letters is opened.
  pdfmake.setUrlAccessPolicy(() => false);
  pdfmake.setLocalAccessPolicy((path: string) => path.startsWith(fonts));
  return pdfmake;
}

/** The letters have no primes of their own: feet and inches are written as on a typewriter. */
const typewritten = (value: unknown): unknown => {
  if (typeof value === 'string') return value.replace(/\u2032/g, "'").replace(/\u2033/g, '"');
  if (Array.isArray(value)) return value.map(typewritten);
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, inner]) => [
      key,
      key === 'svg'
        ? String(inner)
            .replace(/\u2032/g, "'")
            .replace(/\u2033/g, '&quot;')
        : typewritten(inner),
    ]),
  );
};

/** A document as PDF bytes. */
export async function renderPdf(definition: TDocumentDefinitions): Promise<Buffer> {
  const pdfmake = await maker();
  return pdfmake.createPdf(typewritten(definition) as TDocumentDefinitions).getBuffer();
}
