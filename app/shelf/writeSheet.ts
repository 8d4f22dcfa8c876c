import type { SheetFields } from '@tufa/contract/entities';
import { change, write } from '../outbox/useFirm';

/** Puts a sheet on the shelf: of a new product with its product, of one that is there as its next. */
export function writeSheet({ fields, id, known }: { fields: SheetFields; id: string; known: boolean }): Promise<void> {
  const { productId, sheet } = fields;
  return write(change('product', known ? 'change' : 'add', productId, { name: sheet.name, class: sheet.class }), change('sheet', 'add', id, fields));
}
