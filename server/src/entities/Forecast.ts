import { Column, Entity } from 'typeorm';
import { FirmRow } from './FirmRow';

/** Hourly weather of a job's place as it was told at some moment. Append-only: the newest counts. */
@Entity({ name: 'forecast' })
export class Forecast extends FirmRow {
  @Column({ type: 'uuid', name: 'job_id' })
  jobId: string;

  @Column({ type: 'double precision', name: 'latitude_deg' })
  latitude_deg: number;

  @Column({ type: 'double precision', name: 'longitude_deg' })
  longitude_deg: number;

  @Column({ type: 'timestamptz', name: 'taken_at' })
  takenAt: Date;

  @Column({ type: 'timestamptz', name: 'from_hour' })
  from: Date;

  @Column({ type: 'jsonb', name: 'hours' })
  hours: object;

  @Column({ type: 'text', name: 'source' })
  source: string;

  @Column({ type: 'boolean', name: 'invented' })
  invented: boolean;
}
