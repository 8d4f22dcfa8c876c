import { Column, Entity } from 'typeorm';
import { FirmRow } from './FirmRow';

/** One immutable revision of a product's data sheet. */
@Entity({ name: 'sheet' })
export class SheetRevision extends FirmRow {
  @Column({ type: 'uuid', name: 'product_id' })
  productId: string;

  @Column({ type: 'integer', name: 'revision' })
  revision: number;

  @Column({ type: 'jsonb', name: 'sheet' })
  sheet: object;
}
