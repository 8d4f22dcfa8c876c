import { DEFAULT_BATCH, DEFAULT_CREW } from '@tufa/core/plan';
import type { EntityName } from '@tufa/contract/entities';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** A row of the demonstration, its times put in. */
export interface DemoRow {
  readonly name: EntityName;
  readonly id: string;
  readonly fields: Record<string, unknown>;
}

/** A job file of the demonstration: rows by entity, times in minutes from the anchor. */
interface DemoFile {
  readonly job: { readonly id: string } & Record<string, unknown>;
  readonly rows: readonly { readonly name: EntityName; readonly id: string; readonly minutes?: number; readonly fields: Record<string, unknown> }[];
}

/** What of a row says when it was. */
const timesOf = (name: EntityName, at: Date): Record<string, Date> => (name === 'pourEvent' ? { deviceAt: at, receivedAt: at } : { takenAt: at });

/** An instant as local date and minute in a zone, `2026-05-12T09:10`. Swedish writes dates that way round. */
const localMinute = (at: Date, zone: string): string =>
  at.toLocaleString('sv-SE', { timeZone: zone, year: 'numeric', month: '2-digit', day: '2-digit', hour: '2-digit', minute: '2-digit' }).replace(' ', 'T');

/** The demonstration's rows, in an order that respects what refers to what, with the anchor put in. */
export function readDemonstration(folder: string, anchor: Date): DemoRow[] {
  const at = (minutes: number): Date => new Date(anchor.getTime() + minutes * 60_000);
  return readdirSync(folder)
    .filter((file) => file.endsWith('.job.json'))
    .sort()
    .flatMap((file) => {
      const { job, rows } = JSON.parse(readFileSync(join(folder, file), 'utf8')) as DemoFile;
      const { id, poursInMinutes, ...fields } = job;
      const pourOn = typeof poursInMinutes === 'number' ? localMinute(at(poursInMinutes), String(job['zone'])) : null;
      return [
        { name: 'job' as const, id, fields: { crew: DEFAULT_CREW, batch: DEFAULT_BATCH, accessNote: '', demonstration: true, ...fields, pourOn } },
        ...rows.map((row) => ({
          name: row.name,
          id: row.id,
          fields: { ...row.fields, jobId: id, ...(row.minutes === undefined ? {} : timesOf(row.name, at(row.minutes))) },
        })),
      ];
    });
}
