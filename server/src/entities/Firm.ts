import { Column, Entity } from 'typeorm';
import { FirmRow } from './FirmRow';

/** The contractor; every other row carries its id. */
@Entity({ name: 'firm' })
export class Firm extends FirmRow {
  @Column({ type: 'text', name: 'name' })
  name: string;

  @Column({ type: 'jsonb', name: 'settings' })
  settings: object;
}
