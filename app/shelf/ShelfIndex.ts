import type { RowOf } from '@tufa/contract/entities';
import { isMaterial } from '@tufa/contract/upgradeSheet';
import { AID_CLASSES, SHEET_CLASSES, thicknessFor } from '@tufa/core/shelf';
import { printFigure, say } from '@tufa/words';
import MiniSearch from 'minisearch';
import type { Speaker } from '@tufa/words/speak';
import type { ShelfFilter } from './ShelfFilter';

type Row = RowOf<'sheet'>;

const CLASS_ORDER: readonly string[] = [...SHEET_CLASSES, ...AID_CLASSES];

/** A shelf made ready to be searched, once for each state of it. */
export class ShelfIndex {
  private readonly search = new MiniSearch<{ id: string; name: string; words: string }>({
    fields: ['name', 'words'],
    searchOptions: { prefix: true, fuzzy: 0.15, boost: { name: 3 }, combineWith: 'AND' },
  });

  readonly rows: readonly Row[];

  constructor(
    speaker: Speaker,
    rows: readonly Row[],
    /** products of which something lies in the yard */
    private readonly inYard: ReadonlySet<string>,
  ) {
    // Materials in the order of the trade's classes, then what goes with them; by name in each.
    this.rows = [...rows].sort((a, b) => CLASS_ORDER.indexOf(a.sheet.class) - CLASS_ORDER.indexOf(b.sheet.class));
    this.search.addAll(rows.map(({ id, sheet }) => ({ id, name: sheet.name, words: wordsOf(speaker, sheet) })));
  }

  /** Which of them are called so. */
  named(text: string): ReadonlySet<string> {
    return new Set(this.search.search(text, { fields: ['name'] }).map(({ id }) => id as string));
  }

  /** What fits, the best answer to the words first. */
  find({ text, use, class: wanted, thickness_m, inStock }: ShelfFilter): Row[] {
    const fits = ({ sheet, productId }: Row): boolean => {
      if (wanted && sheet.class !== wanted) return false;
      if (inStock && !this.inYard.has(productId)) return false;
      if (!isMaterial(sheet)) return thickness_m === null && (use === null || use === 'helps');
      if (use === 'helps' || (use && !sheet.uses.includes(use))) return false;
      if (thickness_m === null) return true;
      return (use ? [use] : sheet.uses).some((purpose) => {
        const { least_m, most_m } = thicknessFor(sheet, purpose);
        return thickness_m >= least_m - 1e-9 && thickness_m <= most_m + 1e-9;
      });
    };
    if (text.trim() === '') return this.rows.filter(fits);
    const byId = new Map(this.rows.map((row) => [row.id, row]));
    return this.search
      .search(text)
      .map(({ id }) => byId.get(id as string))
      .filter((row): row is Row => row !== undefined && fits(row));
  }
}

/** Everything a person might type to find a sheet by, besides its name. */
function wordsOf(speaker: Speaker, sheet: Row['sheet']): string {
  const words = isMaterial(sheet)
    ? [...sheet.uses.map((use) => printFigure(speaker, 'use', use)), ...(sheet.textures ?? []).map((texture) => printFigure(speaker, 'texture', texture))]
    : [];
  return [
    say(speaker, `class.${sheet.class}`),
    ...words,
    ...sheet.exposures.map((exposure) => printFigure(speaker, 'exposure', exposure)),
    ...sheet.orientations.map((orientation) => printFigure(speaker, 'orientation', orientation)),
    sheet.colour.wet,
    sheet.colour.dry,
  ].join(' ');
}
