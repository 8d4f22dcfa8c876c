import { Column, Entity } from 'typeorm';
import { FirmRow } from './FirmRow';

/** One tap in a pour. Append-only: an undo is an event too. */
@Entity({ name: 'pour_event' })
export class PourEventRow extends FirmRow {
  @Column({ type: 'uuid', name: 'job_id' })
  jobId: string;

  @Column({ type: 'uuid', name: 'finding_id' })
  findingId: string;

  @Column({ type: 'uuid', name: 'plan_id' })
  planId: string;

  @Column({ type: 'text', name: 'batch' })
  batch: string;

  @Column({ type: 'uuid', name: 'device' })
  device: string;

  @Column({ type: 'integer', name: 'seq' })
  seq: number;

  @Column({ type: 'timestamptz', name: 'device_at' })
  deviceAt: Date;

  @Column({ type: 'double precision', name: 'clock_offset' })
  clockOffset: number;

  @Column({ type: 'timestamptz', name: 'received_at' })
  receivedAt: Date;

  @Column({ type: 'uuid', name: 'person' })
  person: string;

  @Column({ type: 'text', name: 'kind' })
  kind: string;

  @Column({ type: 'integer', name: 'v' })
  v: number;

  @Column({ type: 'jsonb', name: 'payload' })
  payload: object;

  @Column({ type: 'uuid', name: 'undoes', nullable: true })
  undoes: string | null;
}
