import { classFigures, fromClass, fromSheet, type Aid, type Sheet, type SheetClass } from '@tufa/core/shelf';
import type { SheetFields } from '@tufa/contract/entities';
import { cellsOf, LABEL_CELLS, LabelFault, readLabel, type LabelCell, type LabelCells } from '@tufa/contract/sheetLabel';
import { isMaterial } from '@tufa/contract/upgradeSheet';
import { sayCoded, isSaid } from '@tufa/words';
import { FieldProblem } from '../parts/ui/fieldProblem';
import type { Speaker } from '@tufa/words/speak';

/** A label as it is typed: every cell, empty where the bag says nothing. */
export type LabelText = Record<LabelCell, string> & { claim: string };

/** What a bag in hand starts from: nothing, a sheet like it, or the sheet it is the next revision of. */
export interface Origin {
  readonly base: Sheet | null;
  readonly changes: boolean;
}

/** What a sheet that is entered starts from. */
export const originOf = (sheet: Sheet | Aid | undefined, as: string | undefined): Origin =>
  sheet && isMaterial(sheet) ? { base: sheet, changes: as === 'change' } : { base: null, changes: false };

const EMPTY = Object.fromEntries(LABEL_CELLS.map((cell) => [cell, ''])) as Record<LabelCell, string>;

/** A copy starts with its class and nothing read; the next revision with what the sheet says. */
export function textOfOrigin(speaker: Speaker, { base, changes }: Origin): LabelText {
  if (!base) return { ...EMPTY, class: 'fineRapid', claim: '' };
  if (!changes) return { ...EMPTY, class: base.class, claim: '' };
  return { ...EMPTY, ...cellsOf(base, speaker.system), claim: '' };
}

/** What stands in for a cell the bag does not fill, as it would be written. */
export const standsIn = (speaker: Speaker, { base }: Origin, name: string): LabelCells =>
  cellsOf((base?.class === name ? base : { ...classFigures(name as SheetClass), name: '', packs: [] }) as Sheet, speaker.system);

/** What is wrong with a cell, in words. */
export const sayLabelFault = (speaker: Speaker, code: string, figures: Readonly<Record<string, unknown>>, field: string): string => {
  const named = isSaid(`shelf.edit.${field}`) ? sayCoded(speaker, `shelf.edit.${field}`) : field;
  return sayCoded(speaker, `problem.${code}`, { ...figures, field: named });
};

/** What is sent for a label. @throws FieldProblem naming the cell */
export function sheetOfText(
  speaker: Speaker,
  { claim: _claim, ...cells }: LabelText,
  origin: Origin,
  ids: { id: string; productId: string; revision: number },
): SheetFields {
  const { base, changes } = origin;
  // A cell that still says what the sheet says is not read again: printing it has rounded it.
  const before = base && changes ? cellsOf(base, speaker.system) : {};
  const kept = Object.fromEntries(
    LABEL_CELLS.map((cell) => [cell, cells[cell] === before[cell] && !['name', 'class', 'pack', 'price', 'pack2', 'price2'].includes(cell) ? '' : cells[cell]]),
  ) as Record<LabelCell, string>;
  // Times that are read anew hold at the temperature the sheet already names.
  if (kept.reference === '' && (kept.works || kept.tools) && before.reference) kept.reference = before.reference;
  try {
    const label = readLabel(kept, { system: speaker.system, base: base ?? undefined });
    const { id, productId, revision } = ids;
    const like = base?.class === label.class ? base : null;
    const sheet = like ? fromSheet({ base: like, label, copied: !changes, id, productId, revision }) : fromClass({ label, id, productId, revision });
    return { productId, revision, sheet };
  } catch (error) {
    if (!(error instanceof LabelFault)) throw error;
    throw new FieldProblem(error.cell, sayLabelFault(speaker, error.code, error.figures, error.cell));
  }
}

/** Which cell a path of the sent sheet is typed in. */
export function cellOf(path: string): LabelCell {
  const found = CELL_OF.find(([start]) => path.startsWith(start));
  return found ? found[1] : 'name';
}

const CELL_OF: readonly (readonly [string, LabelCell])[] = [
  ['sheet.packs.1', 'pack2'],
  ['sheet.packs', 'pack'],
  ['sheet.class', 'class'],
  ['sheet.water', 'waterMost'],
  ['sheet.parts', 'parts'],
  ['sheet.resin.byMass', 'partsByWeight'],
  ['sheet.resin', 'densities'],
  ['sheet.thickness.least', 'thinnest'],
  ['sheet.thickness.lift', 'lift'],
  ['sheet.thickness', 'thickest'],
  ['sheet.grain', 'grain'],
  ['sheet.flow', 'works'],
  ['sheet.finish', 'tools'],
  ['sheet.milestones.initial', 'initial'],
  ['sheet.milestones', 'final'],
  ['sheet.reference', 'reference'],
  ['sheet.limits', 'airMost'],
  ['sheet.shelfLife', 'keeps'],
];
