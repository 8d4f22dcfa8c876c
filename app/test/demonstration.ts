import type { EntityName, FirmData } from '@tufa/contract/entities';
import { emptyFirmData } from '@tufa/contract/entities';
import { DEFAULT_BATCH, DEFAULT_CREW, DEFAULT_FIRM } from '@tufa/core/plan';
import { aids, catalogue } from '@tufa/core/shelf/catalogue';

export const LEAD = { id: '0198a000-9e09-7000-8000-000000000001', name: 'Lead' };
export const FIRM = '0198a000-f1f1-7000-8000-000000000001';

interface Demonstration {
  readonly job: { readonly id: string; readonly name: string };
  readonly rows: readonly { readonly name: EntityName; readonly id: string; readonly minutes?: number; readonly fields: object }[];
}

/** The jobs of the demonstration as their files tell them. */
export const demonstration: readonly Demonstration[] = [
  require('../../demo/1-loading-dock.job.json'),
  require('../../demo/2-press-hall-apron.job.json'),
  require('../../demo/3-yard-wall.job.json'),
  require('../../demo/4-press-hall-floor.job.json'),
  require('../../demo/5-cellar-steps.job.json'),
  require('../../demo/6-tasting-counter.job.json'),
  require('../../demo/7-rinse-cistern.job.json'),
  require('../../demo/8-weighbridge-plinth.job.json'),
];

/** What a phone holds that has pulled the firm with these jobs. */
export function firmWith(jobs: readonly Demonstration[] = demonstration): FirmData {
  const data = emptyFirmData() as unknown as Record<EntityName, Record<string, unknown>>;
  const insert = (name: EntityName, id: string, fields: object): void => void (data[name][id] = { id, removed: false, version: 1, changed: 1, ...fields });
  insert('firm', FIRM, { name: 'The firm', settings: DEFAULT_FIRM });
  insert('person', LEAD.id, { name: LEAD.name, role: 'lead' });
  for (const sheet of [...catalogue, ...aids]) insert('sheet', sheet.id, { productId: sheet.productId, revision: sheet.revision, sheet });
  for (const { job, rows } of jobs) {
    insert('job', job.id, { crew: DEFAULT_CREW, batch: DEFAULT_BATCH, pourOn: null, ...job });
    for (const { name, id, minutes = 0, fields } of rows) {
      const takenAt = new Date(Date.UTC(2026, 4, 12) + minutes * 60_000).toISOString();
      const times = name === 'pourEvent' ? { deviceAt: takenAt, receivedAt: takenAt } : name === 'reading' || name === 'photograph' ? { takenAt } : {};
      insert(name, id, { ...fields, jobId: job.id, ...times });
    }
  }
  return data as never;
}
