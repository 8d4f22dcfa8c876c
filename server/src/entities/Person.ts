import { Column, Entity } from 'typeorm';
import { FirmRow } from './FirmRow';

/** Somebody of the firm. In the demonstration people appear as roles only. */
@Entity({ name: 'person' })
export class Person extends FirmRow {
  @Column({ type: 'text', name: 'name' })
  name: string;

  @Column({ type: 'text', name: 'role' })
  role: string;
}
