import { Column, Entity } from 'typeorm';
import { FirmRow } from './FirmRow';

/** The identity behind a product's sheets. */
@Entity({ name: 'product' })
export class Product extends FirmRow {
  @Column({ type: 'text', name: 'name' })
  name: string;

  @Column({ type: 'text', name: 'class' })
  class: string;
}
