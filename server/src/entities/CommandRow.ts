import { Column, Entity } from 'typeorm';
import { FirmRow } from './FirmRow';

/** The log of every write and what became of it: the audit trail. */
@Entity({ name: 'command' })
export class CommandRow extends FirmRow {
  @Column({ type: 'uuid', name: 'device' })
  device: string;

  @Column({ type: 'integer', name: 'seq' })
  seq: number;

  @Column({ type: 'uuid', name: 'person' })
  person: string;

  @Column({ type: 'timestamptz', name: 'made_at' })
  madeAt: Date;

  @Column({ type: 'timestamptz', name: 'received_at' })
  receivedAt: Date;

  @Column({ type: 'text', name: 'kind' })
  kind: string;

  @Column({ type: 'uuid', name: 'target' })
  target: string;

  @Column({ type: 'integer', name: 'v' })
  v: number;

  @Column({ type: 'jsonb', name: 'base', nullable: true })
  base: object | null;

  @Column({ type: 'jsonb', name: 'change' })
  change: object;

  @Column({ type: 'jsonb', name: 'result' })
  result: object;
}
