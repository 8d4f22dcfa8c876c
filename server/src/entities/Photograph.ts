import { Column, Entity } from 'typeorm';
import { FirmRow } from './FirmRow';

/** A picture's description; its bytes have a queue of their own. */
@Entity({ name: 'photograph' })
export class Photograph extends FirmRow {
  @Column({ type: 'uuid', name: 'job_id' })
  jobId: string;

  @Column({ type: 'uuid', name: 'element_id', nullable: true })
  elementId: string | null;

  @Column({ type: 'uuid', name: 'finding_id', nullable: true })
  findingId: string | null;

  @Column({ type: 'text', name: 'batch', nullable: true })
  batch: string | null;

  @Column({ type: 'text', name: 'sha256' })
  sha256: string;

  @Column({ type: 'integer', name: 'bytes' })
  bytes: number;

  @Column({ type: 'timestamptz', name: 'taken_at' })
  takenAt: Date;

  @Column({ type: 'jsonb', name: 'strokes' })
  strokes: object;

  @Column({ type: 'uuid', name: 'before', nullable: true })
  before: string | null;
}
