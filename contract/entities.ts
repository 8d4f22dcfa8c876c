import type { FirmSettings, CrewInput, BatchInput, PlanInput, StageHashes } from '@tufa/core/plan';
import type { EventKind } from '@tufa/core/pour';
import type { Measured } from '@tufa/core/quantity';
import type { Exposure, Moisture, Sheet } from '@tufa/core/shelf';
import type { Answer, ElementKind, StopQuestion } from '@tufa/core/survey';
import type { Point, SpallShape } from '@tufa/core/takeoff';

/** What every row on the wire carries beside its own fields. */
export interface Row {
  readonly id: string;
  readonly version: number;
  /** the firm's change counter when the row last changed */
  readonly changed: number;
  readonly removed: boolean;
}

export interface FirmFields {
  readonly name: string;
  readonly settings: FirmSettings;
}

export interface PersonFields {
  readonly name: string;
  readonly role: 'lead' | 'mixer' | 'finisher';
}

export interface JobFields {
  readonly name: string;
  readonly customer: string;
  readonly address: string;
  readonly accessNote: string;
  /** IANA zone of the place */
  readonly zone: string;
  /** local date and time the work is planned for */
  readonly pourOn: string | null;
  readonly crew: CrewInput;
  readonly batch: BatchInput;
  readonly demonstration: boolean;
}

export interface ElementFields {
  readonly jobId: string;
  readonly name: string;
  readonly kind: ElementKind;
  readonly geometry: { readonly outline: readonly Point[]; readonly thickness: Measured; readonly typed?: Readonly<Record<string, string>> };
  readonly properties: {
    readonly suspended: boolean;
    readonly exposures: readonly Exposure[];
    readonly moisture: Moisture;
    readonly opens: { readonly to: 'foot' | 'vehicles'; readonly after_s: number; readonly typed?: string } | null;
  };
  readonly stops: Readonly<Partial<Record<StopQuestion, Answer>>>;
}

export interface FindingFields {
  readonly jobId: string;
  readonly elementId: string;
  readonly label: string;
  readonly kind: 'spall';
  readonly outline: { readonly points: readonly Point[]; readonly typed?: Readonly<Record<string, string>> };
  readonly properties: { readonly deepest: Measured; readonly shape: SpallShape; readonly edge: 'cut' | 'feathered' };
}

export const READING_KINDS = ['air_C', 'slab_C', 'powder_C', 'water_C', 'humidity', 'wind_ms', 'sun', 'depth', 'sounding', 'acknowledged', 'removal'] as const;
export type ReadingKind = (typeof READING_KINDS)[number];

export interface ReadingFields {
  readonly jobId: string;
  readonly elementId: string | null;
  readonly findingId: string | null;
  readonly kind: ReadingKind;
  /** the measured value, SI; 1 and 0 for sun and soundings */
  readonly value: Measured;
  readonly at: Point | null;
  readonly takenAt: string;
  /** the caution acknowledged, or the reading removed */
  readonly subject: string | null;
}

export interface TreatmentFields {
  readonly jobId: string;
  readonly findingId: string;
  readonly sheetId: string;
  readonly layers: readonly { readonly code: string; readonly sheetId: string | null; readonly thickness_m: number }[];
  readonly edge: 'cut' | 'feathered' | null;
  readonly bond: string | null;
  readonly cure: string | null;
}

export interface ProductFields {
  readonly name: string;
  readonly class: string;
}

export interface SheetFields {
  readonly productId: string;
  readonly revision: number;
  readonly sheet: Sheet;
}

export interface PlanFields {
  readonly jobId: string;
  readonly input: PlanInput;
  readonly hashes: StageHashes;
  readonly coreVersion: string;
  readonly seed: number;
  readonly replaces: string | null;
}

export interface PourEventFields {
  readonly jobId: string;
  readonly findingId: string;
  readonly planId: string;
  readonly batch: string;
  readonly device: string;
  readonly seq: number;
  readonly deviceAt: string;
  readonly clockOffset: number;
  readonly receivedAt?: string;
  readonly person: string;
  readonly kind: EventKind;
  readonly v: 1;
  readonly payload: { readonly text?: string };
  readonly undoes: string | null;
}

/** Every kind of row that travels, by its name on the wire. */
export interface EntityFields {
  readonly firm: FirmFields;
  readonly person: PersonFields;
  readonly job: JobFields;
  readonly element: ElementFields;
  readonly finding: FindingFields;
  readonly reading: ReadingFields;
  readonly treatment: TreatmentFields;
  readonly product: ProductFields;
  readonly sheet: SheetFields;
  readonly plan: PlanFields;
  readonly pourEvent: PourEventFields;
}

export const ENTITY_NAMES = ['firm', 'person', 'job', 'element', 'finding', 'reading', 'treatment', 'product', 'sheet', 'plan', 'pourEvent'] as const;
export type EntityName = keyof EntityFields;

export type RowOf<N extends EntityName> = EntityFields[N] & Row;

/** Append-only rows are never changed; a removal or an undo is a row too. */
export const APPEND_ONLY: readonly EntityName[] = ['reading', 'sheet', 'plan', 'pourEvent'];

/** Everything of one firm that a phone holds, by entity and id. */
export type FirmData = { readonly [N in EntityName]: Readonly<Record<string, RowOf<N>>> };

export const emptyFirmData = (): FirmData => ({
  firm: {},
  person: {},
  job: {},
  element: {},
  finding: {},
  reading: {},
  treatment: {},
  product: {},
  sheet: {},
  plan: {},
  pourEvent: {},
});
