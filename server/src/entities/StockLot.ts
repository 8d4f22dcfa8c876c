import { Column, Entity } from 'typeorm';
import { FirmRow } from './FirmRow';

/** Bags of one delivery, whole and part. */
@Entity({ name: 'stock_lot' })
export class StockLot extends FirmRow {
  @Column({ type: 'uuid', name: 'product_id' })
  productId: string;

  @Column({ type: 'double precision', name: 'amount' })
  amount: number;

  @Column({ type: 'text', name: 'lot', nullable: true })
  lot: string | null;

  @Column({ type: 'text', name: 'opened_on', nullable: true })
  openedOn: string | null;

  @Column({ type: 'text', name: 'use_by', nullable: true })
  useBy: string | null;
}
