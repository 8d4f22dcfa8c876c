import { outsiders } from '@tufa/core/takeoff';
import Joi from 'joi';
import { readingsOf } from './assemble';
import { exactly, id, optionalText, text } from './common';
import { LIMITS, type Limit } from './limits';
import type { ElementFields, FindingFields, FirmData, ReadingFields, ReadingKind, Row, RowOf } from './entities';
import { FIELDS } from './schemas';
import { senseOf } from './sense';
import type { Fault } from './Fault';
import { check } from './validate';

/** Readings that travel in a file: what was measured on an element, not the weather and not what was understood. */
export const FILED = ['depth', 'width', 'sounding', 'scratch', 'drop_s', 'pull_Pa', 'strength_Pa', 'moisture'] as const satisfies readonly ReadingKind[];

/** Columns of readings as a table, in their order. */
export const READING_COLUMNS = ['element', 'finding', 'kind', 'x_m', 'y_m', 'value', 'typed', 'taken_at'] as const;
/** A row of that table, as text. */
export type ReadingRow = Readonly<Partial<Record<(typeof READING_COLUMNS)[number], string>>>;

const elementsOf = (data: FirmData, jobId: string): RowOf<'element'>[] =>
  Object.values(data.element).filter((element) => element.jobId === jobId && !element.removed);
const findingsOf = (data: FirmData, jobId: string): RowOf<'finding'>[] =>
  Object.values(data.finding).filter((finding) => finding.jobId === jobId && !finding.removed);
const filed = (data: FirmData, jobId: string): (ReadingFields & Row)[] =>
  readingsOf(data, jobId).filter(({ kind }) => (FILED as readonly string[]).includes(kind));

/** The readings of a job as rows of a table, SI, elements by name and findings by letter. */
export function readingRows(data: FirmData, jobId: string): Required<ReadingRow>[] {
  return filed(data, jobId).map(({ elementId, findingId, kind, at, value, takenAt }) => ({
    element: data.element[elementId ?? '']?.name ?? '',
    finding: data.finding[findingId ?? '']?.label ?? '',
    kind,
    x_m: at ? String(at[0]) : '',
    y_m: at ? String(at[1]) : '',
    value: String(value.value),
    typed: value.typed ?? '',
    taken_at: takenAt,
  }));
}

const row = Joi.object({
  element: text(80).required(),
  finding: optionalText(12),
  kind: Joi.string()
    .valid(...FILED)
    .required(),
  x_m: Joi.number().min(-LIMITS.side_m.most).max(LIMITS.side_m.most).empty(''),
  y_m: Joi.number().min(-LIMITS.side_m.most).max(LIMITS.side_m.most).empty(''),
  value: Joi.number().required(),
  typed: optionalText(60),
  taken_at: Joi.string().isoDate().raw().required(),
}).unknown();

/** What is wrong with a row, counted from 1. */
export interface RowFault extends Fault {
  /** counted from 1, without the head of the table */
  readonly row: number;
}

/** Rows of a table as readings of a job; what is wrong with a row is named by row and field, and nothing is left out silently. */
export function readingsFromRows(rows: readonly ReadingRow[], data: FirmData, jobId: string): { readings: ReadingFields[]; faults: RowFault[] } {
  const readings: ReadingFields[] = [];
  const faults: RowFault[] = [];
  rows.forEach((given, i) => {
    const fail = (fault: Fault): number => faults.push({ ...fault, row: i + 1 });
    const { value: good, fault } = check<{
      element: string;
      finding?: string;
      kind: ReadingKind;
      x_m?: number;
      y_m?: number;
      value: number;
      typed?: string;
      taken_at: string;
    }>(row, given);
    if (fault) return fail(fault);
    const limit = LIMITS[good.kind as Limit];
    if (good.value < limit.least) return fail({ field: 'value', code: 'field.number.min', figures: { limit: limit.least } });
    if (good.value > limit.most) return fail({ field: 'value', code: 'field.number.max', figures: { limit: limit.most } });
    const element = elementsOf(data, jobId).find(({ name }) => name === good.element);
    if (!element) return fail({ field: 'element', code: 'unknownName', figures: { name: good.element } });
    const finding = findingsOf(data, jobId).find(({ label, elementId }) => label === good.finding && elementId === element.id);
    if (good.finding && !finding) return fail({ field: 'finding', code: 'unknownName', figures: { name: good.finding } });
    const placed = good.x_m !== undefined && good.y_m !== undefined;
    if (!placed && (good.kind === 'sounding' || good.kind === 'depth' || good.kind === 'width'))
      return fail({ field: 'x_m', code: 'field.any.required', figures: {} });
    if (placed && outsiders([[good.x_m!, good.y_m!]], element.geometry.outline).length > 0)
      return fail({ field: 'x_m', code: 'outsideElement', figures: { name: element.name } });
    readings.push({
      jobId,
      elementId: element.id,
      findingId: finding?.id ?? null,
      kind: good.kind,
      value: { value: good.value, source: 'typed', ...(good.typed ? { typed: good.typed } : {}) },
      at: placed ? [good.x_m!, good.y_m!] : null,
      takenAt: good.taken_at,
      subject: null,
    });
    return 0;
  });
  return { readings, faults };
}

/** A survey as a file: elements, findings and readings of one job, each with its id. */
export interface SurveyFile {
  readonly v: 1;
  readonly elements: readonly ({ id: string } & Omit<ElementFields, 'jobId'>)[];
  readonly findings: readonly ({ id: string } & Omit<FindingFields, 'jobId'>)[];
  readonly readings: readonly ({ id: string } & Omit<ReadingFields, 'jobId'>)[];
}

const item = (fields: Joi.ObjectSchema): Joi.ObjectSchema => fields.fork(['jobId'], (schema) => schema.optional().strip()).append({ id: id.required() });

/** The survey file's schema, from the same fields as the rows it becomes. */
export const surveyFile = Joi.object({
  v: Joi.number().valid(1).required(),
  elements: Joi.array().items(item(FIELDS.element)).max(200).required(),
  findings: Joi.array().items(item(FIELDS.finding)).max(1000).required(),
  // What was understood or taken back belongs to the job it was said in.
  readings: Joi.array()
    .items(item(FIELDS.reading).keys({ kind: exactly(FILED).required() }))
    .max(20_000)
    .required(),
});

const bare = <R extends Row & { jobId: string }>({ version: _v, changed: _c, removed: _r, jobId: _j, ...rest }: R) => rest;

/** A job's survey as a file. */
export const surveyFileOf = (data: FirmData, jobId: string): SurveyFile =>
  ({
    v: 1,
    elements: elementsOf(data, jobId).map(bare),
    findings: findingsOf(data, jobId).map(bare),
    readings: filed(data, jobId).map(bare),
  }) as unknown as SurveyFile;

/** A file's text as a survey. @returns the fault with its path, where it is none */
export function readSurveyFile(content: string): { file: SurveyFile; fault: null } | { file: null; fault: Fault } {
  let parsed: unknown;
  try {
    parsed = JSON.parse(content);
  } catch {
    return { file: null, fault: { field: '', code: 'notJson', figures: {} } };
  }
  const { value, fault } = check<SurveyFile>(surveyFile, parsed);
  if (fault) return { file: null, fault };
  const nonsense = senseOfFile(value);
  return nonsense ? { file: null, fault: nonsense } : { file: value, fault: null };
}

/** What the schema cannot see: outlines that cross, readings past their kind's limits, and what refers to nothing in the file. */
function senseOfFile({ elements, findings, readings }: SurveyFile): Fault | null {
  const placed = new Set<string | null>([...elements, ...findings].map((element) => element.id));
  for (const [list, rows] of Object.entries({ elements, findings, readings }))
    for (const [i, row] of rows.entries()) {
      const fault = senseOf(row as unknown as Record<string, unknown>);
      if (fault) return { ...fault, field: `${list}.${i}.${fault.field}` };
      for (const field of ['elementId', 'findingId'] as const) {
        const refers = (row as { elementId?: string | null; findingId?: string | null })[field] ?? null;
        if (refers !== null && !placed.has(refers)) return { field: `${list}.${i}.${field}`, code: 'refersToUnknown', figures: {} };
      }
    }
  return null;
}
