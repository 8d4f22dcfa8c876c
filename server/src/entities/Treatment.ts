import { Column, Entity } from 'typeorm';
import { FirmRow } from './FirmRow';

/** The sheet and layers chosen for a finding. */
@Entity({ name: 'treatment' })
export class Treatment extends FirmRow {
  @Column({ type: 'uuid', name: 'job_id' })
  jobId: string;

  @Column({ type: 'uuid', name: 'finding_id' })
  findingId: string;

  @Column({ type: 'uuid', name: 'sheet_id' })
  sheetId: string;

  @Column({ type: 'jsonb', name: 'layers' })
  layers: object;

  @Column({ type: 'text', name: 'edge', nullable: true })
  edge: string | null;

  @Column({ type: 'text', name: 'bond', nullable: true })
  bond: string | null;

  @Column({ type: 'text', name: 'cure', nullable: true })
  cure: string | null;
}
