import { Column, Entity, PrimaryColumn } from 'typeorm';

/** The bytes of a letter as it was handed over. */
@Entity({ name: 'letter_file' })
export class LetterFile {
  @PrimaryColumn({ type: 'uuid', name: 'letter_id' })
  letterId: string;

  @Column({ type: 'uuid', name: 'firm_id' })
  firmId: string;

  @Column({ type: 'bytea', name: 'bytes' })
  bytes: Buffer;
}
