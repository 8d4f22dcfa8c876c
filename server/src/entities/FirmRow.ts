import { Column, PrimaryColumn, type ValueTransformer } from 'typeorm';

/** bigint columns come as text; the counters of a firm stay far below 2^53. */
const wholeNumber: ValueTransformer = { to: (value: number) => value, from: (value: string | null) => (value === null ? null : Number(value)) };

/** What every row of a firm carries. */
export abstract class FirmRow {
  @PrimaryColumn({ type: 'uuid' })
  id: string;

  @Column({ type: 'uuid', name: 'firm_id' })
  firmId: string;

  @Column({ type: 'integer' })
  version: number;

  /** the firm's change counter when the row last changed */
  @Column({ type: 'bigint', transformer: wholeNumber })
  changed: number;

  @Column({ type: 'boolean' })
  removed: boolean;

  /** which device last set each field */
  @Column({ type: 'jsonb' })
  setters: Record<string, string>;
}
