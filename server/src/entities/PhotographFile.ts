import { Column, Entity, PrimaryColumn } from 'typeorm';

/** Sizes in which a picture is kept. */
export const PHOTO_SIZES = ['full', 'thumb'] as const;
export type PhotoSize = (typeof PHOTO_SIZES)[number];

/** The bytes of a picture in one of its sizes. */
@Entity({ name: 'photograph_file' })
export class PhotographFile {
  @PrimaryColumn({ type: 'uuid', name: 'photograph_id' })
  photographId: string;

  @PrimaryColumn({ type: 'text', name: 'size' })
  size: PhotoSize;

  @Column({ type: 'uuid', name: 'firm_id' })
  firmId: string;

  @Column({ type: 'bytea', name: 'bytes' })
  bytes: Buffer;
}
