import type { TreatmentFields } from '@tufa/contract/entities';
import type { TreatmentInput } from '@tufa/core/plan';
import { v7 as uuid } from 'uuid';
import { change, write, type Change } from '../outbox/useFirm';
import type { JobView } from '../parts/job/useJob';

/** A treatment's own part of its row: what fills it, what lies over it, what bonds, cures and coats it. */
export const treatmentFields = ({ sheetId, overlay, aids }: TreatmentInput): Pick<TreatmentFields, 'sheetId' | 'layers' | 'bond' | 'cure'> => ({
  sheetId,
  layers: [...(overlay ? [{ code: 'overlay', ...overlay }] : []), ...(aids?.coat ? [{ code: 'coat', sheetId: aids.coat, thickness_m: 0 }] : [])],
  bond: aids?.bond ?? null,
  cure: aids?.cure ?? null,
});

/** Writes what was chosen for findings, each over its own earlier choice. */
export function writeTreatments({ data, job }: Pick<JobView, 'data' | 'job'>, treatments: readonly TreatmentInput[]): Promise<unknown> {
  const changes = treatments.map((treatment): Change => {
    const row = Object.values(data.treatment).find(({ findingId, removed }) => findingId === treatment.findingId && !removed);
    const fields = treatmentFields(treatment);
    return row
      ? change('treatment', 'change', row.id, fields)
      : change('treatment', 'add', uuid(), { jobId: job.id, findingId: treatment.findingId, ...fields, edge: null });
  });
  return changes.length > 0 ? write(...changes) : Promise.resolve();
}
