import { Column, Entity } from 'typeorm';
import type { PersonFields } from '@tufa/contract/entities';
import { FirmRow } from './FirmRow';

/** Somebody of the firm, with what they may do there. In the demonstration people appear as roles only. */
@Entity({ name: 'person' })
export class Person extends FirmRow {
  @Column({ type: 'text', name: 'name' })
  name: string;

  @Column({ type: 'text', name: 'role' })
  role: PersonFields['role'];

  /** in which they are spoken to; null where nobody has said */
  @Column({ type: 'text', name: 'language', nullable: true })
  language: string | null;
}
