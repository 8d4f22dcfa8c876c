import { Column, Entity } from 'typeorm';
import { FirmRow } from './FirmRow';

/** What a batch has shown of the crew's own figures. */
@Entity({ name: 'crew_entry' })
export class CrewEntry extends FirmRow {
  @Column({ type: 'uuid', name: 'job_id', nullable: true })
  jobId: string | null;

  @Column({ type: 'uuid', name: 'product_id', nullable: true })
  productId: string | null;

  @Column({ type: 'text', name: 'batch', nullable: true })
  batch: string | null;

  @Column({ type: 'uuid', name: 'person' })
  person: string;

  @Column({ type: 'text', name: 'kind' })
  kind: string;

  @Column({ type: 'double precision', name: 'value' })
  value: number;

  @Column({ type: 'double precision', name: 'temperature_c', nullable: true })
  temperature_C: number | null;

  @Column({ type: 'double precision', name: 'retarder', nullable: true })
  retarder: number | null;

  @Column({ type: 'boolean', name: 'censored' })
  censored: boolean;

  @Column({ type: 'boolean', name: 'trial' })
  trial: boolean;

  @Column({ type: 'boolean', name: 'aside' })
  aside: boolean;

  @Column({ type: 'timestamptz', name: 'at' })
  at: Date;
}
