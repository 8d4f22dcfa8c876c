import { Column, Entity, PrimaryColumn } from 'typeorm';

export const DOCUMENT_STATES = ['making', 'done', 'stopped', 'failed', 'erased'] as const;
export type DocumentState = (typeof DOCUMENT_STATES)[number];

/** A document of a job: what it was made from, and once it is made its bytes, which never change. */
@Entity({ name: 'document' })
export class DocumentRow {
  @PrimaryColumn({ type: 'uuid', name: 'id' })
  id: string;

  @Column({ type: 'uuid', name: 'firm_id' })
  firmId: string;

  @Column({ type: 'uuid', name: 'job_id' })
  jobId: string;

  @Column({ type: 'text', name: 'kind' })
  kind: string;

  /** running through the firm */
  @Column({ type: 'text', name: 'number' })
  number: string;

  @Column({ type: 'timestamptz', name: 'made_at' })
  madeAt: Date;

  @Column({ type: 'uuid', name: 'person' })
  person: string;

  @Column({ type: 'text', name: 'state' })
  state: DocumentState;

  @Column({ type: 'integer', name: 'done' })
  done: number;

  @Column({ type: 'integer', name: 'total' })
  total: number;

  /** of its bytes; null until they are there */
  @Column({ type: 'text', name: 'sha256', nullable: true })
  sha256: string | null;

  /** release, core and the hashes of the plan it came from */
  @Column({ type: 'jsonb', name: 'versions' })
  versions: object;

  @Column({ type: 'bytea', name: 'bytes', nullable: true, select: false })
  bytes: Buffer | null;
}
