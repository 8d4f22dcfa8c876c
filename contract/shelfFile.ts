import { AID_CLASSES, fromClass, type Aid, type LabelFigures, type Sheet } from '@tufa/core/shelf';
import Joi from 'joi';
import type { FirmData, ProductFields, RowOf, SheetFields } from './entities';
import { wholeShelfOf } from './assemble';
import { anySheet } from './sheetSchema';
import { senseOf } from './sense';
import { cellsOf, LABEL_CELLS, LabelFault, readLabel, type LabelCells } from './sheetLabel';
import type { RowFault } from './surveyFile';
import { isMaterial } from './upgradeSheet';
import { check } from './validate';

/** Sheets as a file: materials and what goes with them, each a whole sheet in SI. */
export interface ShelfFile {
  readonly v: 1;
  readonly sheets: readonly (Sheet | Aid)[];
}

/** The shelf file's schema. Sheets are checked one by one, so that each one's faults are told. */
export const shelfFile = Joi.object({ v: Joi.number().valid(1).required(), sheets: Joi.array().items(anySheet).max(5000).required() });

const frame = Joi.object({ v: Joi.number().valid(1).required(), sheets: Joi.array().items(Joi.object().unknown()).max(5000).required() });

/** The shelf as a file. */
export const shelfFileOf = (data: FirmData): ShelfFile => ({ v: 1, sheets: wholeShelfOf(data).map(({ sheet }) => sheet) });

/** The materials of a shelf as rows of a table: what a bag says, metric, each figure with its unit. */
export const shelfRows = (data: FirmData): LabelCells[] =>
  wholeShelfOf(data).flatMap(({ sheet }) =>
    isMaterial(sheet) ? [{ ...Object.fromEntries(LABEL_CELLS.map((cell) => [cell, ''])), ...cellsOf(sheet, 'metric') }] : [],
  );

/** Whether a class goes with a material and is none. */
export const isAidClass = (name: unknown): boolean => (AID_CLASSES as readonly unknown[]).includes(name);

/** What a file would put on the shelf, under ids of its own, and what is wrong with the rest of it. */
export interface ShelfPreview {
  readonly products: readonly { readonly id: string; readonly fields: ProductFields | null; readonly sheetId: string; readonly sheet: SheetFields }[];
  /** row 0 is the file itself */
  readonly faults: readonly RowFault[];
}

/** The product of the same name and class that a sheet is the next revision of, or a new one. */
function placed(sheet: Sheet | Aid, shelved: readonly RowOf<'sheet'>[], newId: () => string): ShelfPreview['products'][number] {
  const known = shelved.find((row) => row.sheet.name === sheet.name && row.sheet.class === sheet.class);
  const id = known?.productId ?? newId();
  const sheetId = newId();
  const revision = (known?.revision ?? 0) + 1;
  return {
    id,
    fields: known ? null : { name: sheet.name, class: sheet.class },
    sheetId,
    sheet: { productId: id, revision, sheet: { ...sheet, id: sheetId, productId: id, revision } },
  };
}

/** A file of whole sheets as what it would write; nothing is written here. */
export function previewOfShelf({ content, data, newId }: { content: string; data: FirmData; newId: () => string }): ShelfPreview {
  let parsed: unknown;
  try {
    parsed = JSON.parse(content);
  } catch {
    return { products: [], faults: [{ row: 0, field: '', code: 'notJson', figures: {} }] };
  }
  const { value, fault } = check<ShelfFile>(frame, parsed);
  if (fault) return { products: [], faults: [{ ...fault, row: 0 }] };
  const shelved = wholeShelfOf(data);
  const products: ShelfPreview['products'][number][] = [];
  const faults: RowFault[] = [];
  value.sheets.forEach((given, i) => {
    const whole = check<Sheet | Aid>(anySheet, given);
    const sense = whole.fault ?? senseOf({ productId: whole.value.productId, revision: 1, sheet: whole.value });
    if (whole.fault || sense) faults.push({ ...((whole.fault ?? sense) as RowFault), row: i + 1 });
    else products.push(placed(whole.value, shelved, newId));
  });
  return { products, faults };
}

/** Rows of labels as what they would write; what is wrong with a row is named by row and cell. */
export function previewOfLabels({ rows, data, newId }: { rows: readonly LabelCells[]; data: FirmData; newId: () => string }): ShelfPreview {
  const shelved = wholeShelfOf(data);
  const products: ShelfPreview['products'][number][] = [];
  const faults: RowFault[] = [];
  rows.forEach((cells, i) => {
    try {
      const label: LabelFigures = readLabel(cells, { system: null });
      const sheet = fromClass({ id: newId(), productId: newId(), revision: 1, label });
      const whole = check<Sheet>(anySheet, sheet);
      const fault = whole.fault ?? senseOf({ productId: sheet.productId, revision: 1, sheet });
      if (fault) faults.push({ ...fault, row: i + 1 });
      else products.push(placed(sheet, shelved, newId));
    } catch (error) {
      if (!(error instanceof LabelFault)) throw error;
      faults.push({ row: i + 1, field: error.cell, code: error.code, figures: error.figures });
    }
  });
  return { products, faults };
}
