import type { Content, TableCell } from 'pdfmake/interfaces';

/** A table with its head on every page it runs over. */
export const table = (head: readonly string[], rows: readonly (readonly TableCell[])[], widths?: readonly (string | number)[]): Content => ({
  table: {
    headerRows: 1,
    dontBreakRows: true,
    widths: widths ? [...widths] : head.map((_, i) => (i === 0 ? 'auto' : '*')),
    body: [head.map((text): TableCell => ({ text, bold: true })), ...rows.map((row) => [...row])],
  },
  layout: 'lightHorizontalLines',
  fontSize: 10,
  margin: [0, 4, 0, 8],
});

export const heading = (text: string): Content => ({ text, style: 'h2' });
