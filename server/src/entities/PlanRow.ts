import { Column, Entity } from 'typeorm';
import { FirmRow } from './FirmRow';

/** An immutable plan: its whole input and a hash of the inputs of each stage. */
@Entity({ name: 'plan' })
export class PlanRow extends FirmRow {
  @Column({ type: 'uuid', name: 'job_id' })
  jobId: string;

  @Column({ type: 'jsonb', name: 'input' })
  input: object;

  @Column({ type: 'jsonb', name: 'hashes' })
  hashes: object;

  @Column({ type: 'text', name: 'core_version' })
  coreVersion: string;

  @Column({ type: 'integer', name: 'seed' })
  seed: number;

  @Column({ type: 'uuid', name: 'replaces', nullable: true })
  replaces: string | null;
}
