import { Column, Entity } from 'typeorm';
import { FirmRow } from './FirmRow';

/** A slab, wall, step ... with its geometry, properties and stop answers as separately merged parts. */
@Entity({ name: 'element' })
export class Element extends FirmRow {
  @Column({ type: 'uuid', name: 'job_id' })
  jobId: string;

  @Column({ type: 'text', name: 'name' })
  name: string;

  @Column({ type: 'text', name: 'kind' })
  kind: string;

  @Column({ type: 'jsonb', name: 'geometry' })
  geometry: object;

  @Column({ type: 'jsonb', name: 'properties' })
  properties: object;

  @Column({ type: 'jsonb', name: 'stops' })
  stops: object;
}
