import { assemblePlanInput } from '@tufa/contract/assemble';
import { emptyFirmData, type EntityName } from '@tufa/contract/entities';
import { DEFAULT_BATCH, DEFAULT_CREW, DEFAULT_FIRM } from '@tufa/core/plan';
import { aids, catalogue } from '@tufa/core/shelf/catalogue';

interface Rows {
  readonly job: Readonly<Record<string, unknown>> & { readonly id: string };
  readonly rows: readonly { readonly name: EntityName; readonly id: string; readonly minutes?: number; readonly fields: Readonly<Record<string, unknown>> }[];
}

/** Whether a file is a job of the demonstration: rows to be seeded rather than one plan input. */
export const isDemonstration = (file: unknown): file is Rows => typeof file === 'object' && file !== null && 'job' in file && 'rows' in file;

/** The plan input of a job of the demonstration, with the shipped shelf and the firm's defaults, as the server would seed it. */
export function fromDemonstration({ job, rows }: Rows): unknown {
  const data = emptyFirmData() as unknown as Record<EntityName, Record<string, unknown>>;
  const insert = (name: EntityName, id: string, fields: object): void => void (data[name][id] = { id, removed: false, version: 1, changed: 1, ...fields });
  insert('firm', 'firm', { name: '', settings: DEFAULT_FIRM });
  for (const sheet of [...catalogue, ...aids]) insert('sheet', sheet.id, { productId: sheet.productId, revision: sheet.revision, sheet });
  insert('job', job.id, { crew: DEFAULT_CREW, batch: DEFAULT_BATCH, ...job });
  // Only the order of readings matters to a plan: minutes from the anchor give it.
  for (const { name, id, minutes = 0, fields } of rows) insert(name, id, { ...fields, jobId: job.id, takenAt: new Date(minutes * 60_000).toISOString() });
  return assemblePlanInput(data as never, job.id);
}
