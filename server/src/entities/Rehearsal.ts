import { Column, Entity } from 'typeorm';
import { FirmRow } from './FirmRow';

/** How somebody's rehearsal went. Append-only. */
@Entity({ name: 'rehearsal' })
export class Rehearsal extends FirmRow {
  @Column({ type: 'uuid', name: 'person' })
  person: string;

  @Column({ type: 'text', name: 'scenario' })
  scenario: string;

  @Column({ type: 'integer', name: 'seed' })
  seed: number;

  @Column({ type: 'integer', name: 'started' })
  started: number;

  @Column({ type: 'integer', name: 'lost' })
  lost: number;

  @Column({ type: 'double precision', name: 'wasted_s' })
  wasted_s: number;

  @Column({ type: 'timestamptz', name: 'ended_at' })
  endedAt: Date;
}
