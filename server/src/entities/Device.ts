import { Column, Entity } from 'typeorm';
import { FirmRow } from './FirmRow';

/** A phone or a desk that writes; conflicts are judged by it. */
@Entity({ name: 'device' })
export class Device extends FirmRow {
  @Column({ type: 'text', name: 'label' })
  label: string;

  @Column({ type: 'timestamptz', name: 'seen_at' })
  seenAt: Date;
}
