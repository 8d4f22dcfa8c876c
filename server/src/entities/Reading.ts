import { Column, Entity } from 'typeorm';
import { FirmRow } from './FirmRow';

/** One measurement, sounding or acknowledgement. Append-only: a removal is a reading too. */
@Entity({ name: 'reading' })
export class Reading extends FirmRow {
  @Column({ type: 'uuid', name: 'job_id' })
  jobId: string;

  @Column({ type: 'uuid', name: 'element_id', nullable: true })
  elementId: string | null;

  @Column({ type: 'uuid', name: 'finding_id', nullable: true })
  findingId: string | null;

  @Column({ type: 'text', name: 'kind' })
  kind: string;

  @Column({ type: 'jsonb', name: 'value' })
  value: object;

  @Column({ type: 'jsonb', name: 'at', nullable: true })
  at: object | null;

  @Column({ type: 'timestamptz', name: 'taken_at' })
  takenAt: Date;

  @Column({ type: 'text', name: 'subject', nullable: true })
  subject: string | null;
}
