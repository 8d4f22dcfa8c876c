import type { ElementFields, FindingFields, FirmData, JobFields, RowOf } from '@tufa/contract/entities';
import { v7 as uuid } from 'uuid';
import { change, type Change } from '../outbox/useFirm';

const finding = ({ label, kind, outline, properties }: RowOf<'finding'>, to: { jobId: string; elementId: string; label?: string }): Change =>
  change('finding', 'add', uuid(), { label, kind, outline, properties, ...to } as Partial<FindingFields>);

/** The same finding beside itself, under another letter. */
export const copyOfFinding = (row: RowOf<'finding'>, label: string): Change => finding(row, { jobId: row.jobId, elementId: row.elementId, label });

/** The element with its findings; what was read of it stays with it. */
export function copyOfElement(data: FirmData, element: RowOf<'element'>, name: string, jobId = element.jobId): Change[] {
  const id = uuid();
  // What was said of one element is not said of its copy.
  const {
    kind,
    geometry,
    properties,
    stops: { opinion: _opinion, ...stops },
  } = element;
  const fields: ElementFields = { jobId, name, kind, geometry, properties, stops };
  const findings = Object.values(data.finding).filter((finding) => finding.elementId === element.id && !finding.removed);
  return [change('element', 'add', id, fields), ...findings.map((row) => finding(row, { jobId, elementId: id }))];
}

/** The job with its elements and findings, without its day, its readings and its pours. */
export function copyOfJob(data: FirmData, job: RowOf<'job'>, name: string): { id: string; changes: Change[] } {
  const id = uuid();
  const { customer, address, accessNote, zone, crew, batch } = job;
  const fields: JobFields = { name, customer, address, accessNote, zone, pourOn: null, crew, batch, demonstration: false };
  const elements = Object.values(data.element).filter((element) => element.jobId === job.id && !element.removed);
  return { id, changes: [change('job', 'add', id, fields), ...elements.flatMap((element) => copyOfElement(data, element, element.name, id))] };
}
