import { Column, Entity } from 'typeorm';
import { FirmRow } from './FirmRow';

/** What is wrong with an element. */
@Entity({ name: 'finding' })
export class Finding extends FirmRow {
  @Column({ type: 'uuid', name: 'job_id' })
  jobId: string;

  @Column({ type: 'uuid', name: 'element_id' })
  elementId: string;

  @Column({ type: 'text', name: 'label' })
  label: string;

  @Column({ type: 'text', name: 'kind' })
  kind: string;

  @Column({ type: 'jsonb', name: 'outline' })
  outline: object;

  @Column({ type: 'jsonb', name: 'properties' })
  properties: object;
}
