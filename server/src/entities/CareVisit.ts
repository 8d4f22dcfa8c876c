import { Column, Entity } from 'typeorm';
import { FirmRow } from './FirmRow';

/** Somebody comes back to see what the work does. */
@Entity({ name: 'care_visit' })
export class CareVisit extends FirmRow {
  @Column({ type: 'uuid', name: 'job_id' })
  jobId: string;

  @Column({ type: 'uuid', name: 'finding_id', nullable: true })
  findingId: string | null;

  @Column({ type: 'text', name: 'kind' })
  kind: string;

  @Column({ type: 'text', name: 'due_on' })
  dueOn: string;

  @Column({ type: 'text', name: 'done_on', nullable: true })
  doneOn: string | null;

  @Column({ type: 'text', name: 'note' })
  note: string;
}
