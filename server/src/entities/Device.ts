import { Column, Entity } from 'typeorm';
import { FirmRow } from './FirmRow';

/** A phone or a desk that writes; conflicts are judged by it. */
@Entity({ name: 'device' })
export class Device extends FirmRow {
  @Column({ type: 'text', name: 'label' })
  label: string;

  @Column({ type: 'timestamptz', name: 'seen_at' })
  seenAt: Date;

  /** hash of the secret that its cookie holds; null for a device of a release that gave none */
  @Column({ type: 'text', name: 'secret', nullable: true })
  secret: string | null;

  /** who has signed in there: what each made may be sent by whoever holds it now */
  @Column({ type: 'uuid', array: true, name: 'persons' })
  persons: string[];

  /** shut out: `taking` until it comes once more with what it had not sent, `last` while it sends that, `ended` when nothing is taken any more */
  @Column({ type: 'text', name: 'shut', nullable: true })
  shut: 'taking' | 'last' | 'ended' | null;

  /** when it said that it holds nothing of the firm any more */
  @Column({ type: 'timestamptz', name: 'wiped_at', nullable: true })
  wipedAt: Date | null;
}
