import type { RowOf } from '@tufa/contract/entities';
import type { Content } from 'pdfmake/interfaces';

/** The picture that a firm's documents carry, by its id. */
export const logoOf = (firm: RowOf<'firm'> | undefined): string | null => firm?.settings.letterhead?.logo ?? null;

/** The firm at the head of a document: its name, what it says beside it, its picture. */
export function letterhead(firm: RowOf<'firm'> | undefined, pictures: ReadonlyMap<string, string>): Content[] {
  const lines = firm?.settings.letterhead?.lines ?? '';
  const logo = pictures.get(logoOf(firm) ?? '');
  const told: Content[] = [{ text: firm?.name ?? '', bold: true }, ...(lines === '' ? [] : [{ text: lines, style: 'small' } as Content])];
  return logo
    ? [
        {
          columns: [
            { stack: told, width: '*' },
            { image: logo, fit: [140, 56], alignment: 'right', width: 140 },
          ],
          columnGap: 12,
        },
      ]
    : told;
}
