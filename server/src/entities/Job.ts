import { Column, Entity } from 'typeorm';
import { FirmRow } from './FirmRow';

/** One piece of work for a customer at a place. */
@Entity({ name: 'job' })
export class Job extends FirmRow {
  @Column({ type: 'text', name: 'name' })
  name: string;

  @Column({ type: 'text', name: 'customer' })
  customer: string;

  @Column({ type: 'text', name: 'address' })
  address: string;

  @Column({ type: 'text', name: 'access_note' })
  accessNote: string;

  @Column({ type: 'text', name: 'zone' })
  zone: string;

  @Column({ type: 'text', name: 'pour_on', nullable: true })
  pourOn: string | null;

  @Column({ type: 'jsonb', name: 'place', nullable: true })
  place: object | null;

  @Column({ type: 'text', name: 'opens_by', nullable: true })
  opensBy: string | null;

  @Column({ type: 'boolean', name: 'as_sheet', nullable: true })
  asSheet: boolean | null;

  @Column({ type: 'text', name: 'closed_on', nullable: true })
  closedOn: string | null;

  @Column({ type: 'jsonb', name: 'day_plan', nullable: true })
  dayPlan: object | null;

  @Column({ type: 'jsonb', name: 'house', nullable: true })
  house: object | null;

  @Column({ type: 'integer', name: 'price_minor', nullable: true })
  price_minor: number | null;

  @Column({ type: 'jsonb', name: 'crew' })
  crew: object;

  @Column({ type: 'jsonb', name: 'batch' })
  batch: object;

  @Column({ type: 'boolean', name: 'demonstration' })
  demonstration: boolean;
}
