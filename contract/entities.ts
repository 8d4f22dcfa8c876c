import type { BatchInput, CareKind, CrewInput, FirmSettings, FixedWork, Place, PlanInput, StageHashes } from '@tufa/core/plan';
import type { EventKind, EventPayload } from '@tufa/core/pour';
import type { Measured } from '@tufa/core/quantity';
import type { CrewFigureName } from '@tufa/core/setting';
import type { HouseMethod } from '@tufa/core/choose';
import type { Aid, Exposure, Moisture, Sheet, Texture } from '@tufa/core/shelf';
import type { Answer, CounterStand, Earlier, ElementInput, ElementKind, Flight, StandingWater, Stops } from '@tufa/core/survey';
import type { Point } from '@tufa/core/takeoff';
import type { HourWeather } from '@tufa/core/weather';
import type { FoundKind, PropertiesOf } from './kinds';
import type { Spoken } from './languages';
import type { OpeningHours } from './openingHours';

/** What every row on the wire carries beside its own fields. */
export interface Row {
  readonly id: string;
  readonly version: number;
  /** the firm's change counter when the row last changed */
  readonly changed: number;
  readonly removed: boolean;
}

/** What no plan is made from. */
export interface FirmWays {
  /** with which crew and mixed how a new job begins; ordinary ones where nothing is set */
  readonly newJob?: { readonly crew: CrewInput; readonly batch: BatchInput };
  /** when it works; any hour where nothing is set */
  readonly hours?: OpeningHours;
  /** what an offer adds to the price, by its local name */
  readonly tax?: { readonly name: string; readonly share: number };
  /** what its documents carry beside its name: an address, a licence, a picture by its id */
  readonly letterhead?: { readonly lines: string; readonly logo: string | null };
}

/** A firm and its settings. */
export interface FirmFields {
  readonly name: string;
  readonly settings: FirmSettings & FirmWays;
}

/** Somebody of the firm, by role. */
export interface PersonFields {
  readonly name: string;
  /** an owner has people and prices, a lead plans, a crew (its mixer and finisher too) surveys and logs, a reader reads */
  readonly role: 'owner' | 'lead' | 'crew' | 'mixer' | 'finisher' | 'reader';
  /** in which they are spoken to; the phone's own where nothing is set */
  readonly language?: Spoken | null;
}

/** What somebody has moved of a job's day, and what else is done then: s from the midnight of its day. */
export interface DayChange {
  /** the first water it was moved for: of another day or hour it says nothing */
  readonly on: string | null;
  readonly pins: Readonly<Record<string, number>>;
  readonly fixed: readonly FixedWork[];
  readonly visit: number | null;
}

/** A job: whose, where, when, with which crew. */
export interface JobFields {
  readonly name: string;
  readonly customer: string;
  readonly address: string;
  readonly accessNote: string;
  /** IANA zone of the place */
  readonly zone: string;
  /** local date and time the work is planned for */
  readonly pourOn: string | null;
  /** where it lies on the map; sun and forecast go by it */
  readonly place?: (Place & { readonly name?: string }) | null;
  /** local date and time by which it must be open again */
  readonly opensBy?: string | null;
  /** what somebody has moved of its day and what else is done then; null where nobody has */
  readonly dayPlan?: DayChange | null;
  readonly crew: CrewInput;
  readonly batch: BatchInput;
  readonly demonstration: boolean;
  /** planned as the sheets say, whatever the crew's own figures are */
  readonly asSheet?: boolean;
  /** ISO day on which it was closed; null while it is not */
  readonly closedOn?: string | null;
  /** schools of this job over its firm's */
  readonly house?: Partial<HouseMethod> | null;
  /** what was agreed, minor units; systems are compared at it */
  readonly price_minor?: number | null;
}

/** What an element may be made of. */
export const MATERIALS = ['concrete', 'render', 'brick', 'block', 'stone', 'terrazzo', 'tile', 'laminate', 'timber', 'board'] as const;
export type Material = (typeof MATERIALS)[number];

/** Where an element lies, with what was typed of it. */
export interface ElementGeometry {
  readonly outline: readonly Point[];
  readonly thickness: Measured;
  readonly typed?: Readonly<Record<string, string>>;
  /** how it was told: by two sides, as an L, or corner by corner */
  readonly shape?: 'rectangle' | 'ell' | 'polygon' | 'flight';
  /** taped sides and diagonals of a polygon, as typed */
  readonly tapes?: readonly { readonly from: number; readonly to: number; readonly length_m: number; readonly typed: string }[];
  readonly openings?: readonly (readonly Point[])[];
  /** a flight of steps, whose outline is the flight laid flat */
  readonly flight?: Flight;
  /** where north lies, degrees clockwise from the top of the drawing */
  readonly north_deg?: number | null;
}

/** What is looked at, its parts merged one by one. */
export interface ElementFields {
  readonly jobId: string;
  readonly name: string;
  readonly kind: ElementKind;
  readonly geometry: ElementGeometry;
  readonly properties: {
    readonly suspended?: boolean;
    readonly exposures: readonly Exposure[];
    readonly moisture?: Moisture;
    readonly opens: { readonly to: 'foot' | 'vehicles'; readonly after_s: number; readonly typed?: string } | null;
    readonly material?: Material;
    readonly texture?: Texture;
    readonly colour?: string;
    readonly age_y?: number | null;
    readonly earlier?: Earlier;
    readonly causeGoesOn?: Answer;
    /** what carries a top, and the floor under that */
    readonly stand?: CounterStand;
    /** water that stands in it while the work is done */
    readonly water?: StandingWater;
    /** what lies beside it and must be covered */
    readonly neighbours?: string;
    /** how much it falls and towards which side of the drawing, degrees from its top, clockwise */
    readonly fall?: { readonly slope: number; readonly towards_deg: number; readonly typed?: string } | null;
    readonly sun?: NonNullable<ElementInput['sun']>;
  };
  readonly stops: Stops;
}

interface FoundFields<K extends FoundKind> {
  readonly jobId: string;
  readonly elementId: string;
  readonly label: string;
  readonly kind: K;
  /** an outline, or a line for a crack, a joint, an edge, a ramp, steps and a fall */
  readonly outline: { readonly points: readonly Point[]; readonly typed?: Readonly<Record<string, string>> };
  readonly properties: PropertiesOf[K];
}

/** A finding, its properties known by its kind. */
export type FindingFields = { [K in FoundKind]: FoundFields<K> }[FoundKind];

/** What may be read, tapped, tested or acknowledged; a removal is a reading too. */
export const READING_KINDS = [
  'air_C',
  'slab_C',
  'powder_C',
  'water_C',
  'humidity',
  'wind_ms',
  'sun',
  'rain_s',
  'depth',
  'width',
  'sounding',
  'scratch',
  'drop_s',
  'pull_Pa',
  'strength_Pa',
  'moisture',
  'acknowledged',
  /** a sum of the bench that somebody kept with the job */
  'sum',
  'removal',
] as const;
export type ReadingKind = (typeof READING_KINDS)[number];

/** One reading: an append-only row. */
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

/** Where a forecast came from: the service behind the server, a text somebody pasted, or figures typed by hand. */
export const FORECAST_SOURCES = ['service', 'pasted', 'typed'] as const;

/** Hourly weather of a job's place as it was told at some moment: an append-only row, the newest of which counts. */
export interface ForecastFields extends Place {
  readonly jobId: string;
  readonly takenAt: string;
  /** the instant of its first hour */
  readonly from: string;
  readonly hours: readonly HourWeather[];
  readonly source: (typeof FORECAST_SOURCES)[number];
  /** made up for the demonstration */
  readonly invented: boolean;
}

/** A picture's description; its bytes travel by a queue of their own. */
export interface PhotographFields {
  readonly jobId: string;
  readonly elementId: string | null;
  readonly findingId: string | null;
  readonly batch: string | null;
  /** of the full size's bytes */
  readonly sha256: string;
  readonly bytes: number;
  readonly takenAt: string;
  /** lines drawn on it, each place as a share of its width and height */
  readonly strokes: readonly (readonly Point[])[];
  /** the picture whose viewpoint it repeats */
  readonly before: string | null;
}

/** What was chosen for a finding. */
export interface TreatmentFields {
  readonly jobId: string;
  readonly findingId: string;
  readonly sheetId: string;
  /** over the fill: an overlay with what it covers, a coat by its aid */
  readonly layers: readonly { readonly code: string; readonly sheetId: string | null; readonly thickness_m: number; readonly over?: 'patch' | 'element' }[];
  readonly edge: 'cut' | 'feathered' | null;
  /** the aids that bond and cure it, by their sheets */
  readonly bond: string | null;
  readonly cure: string | null;
}

/** A product's identity; its sheets are revisions. */
export interface ProductFields {
  readonly name: string;
  readonly class: string;
}

/** One immutable revision of a product's sheet. */
export interface SheetFields {
  readonly productId: string;
  readonly revision: number;
  readonly sheet: Sheet | Aid;
}

/** Packs of one delivery on the firm's shelf, whole and part. */
export interface StockLotFields {
  readonly productId: string;
  /** in what its packs are counted in: kg, m3 or pieces */
  readonly amount: number;
  readonly lot: string | null;
  /** ISO days */
  readonly openedOn: string | null;
  readonly useBy: string | null;
}

/** A plan that was used: its whole input, never changed. */
export interface PlanFields {
  readonly jobId: string;
  readonly input: PlanInput;
  readonly hashes: StageHashes;
  readonly coreVersion: string;
  readonly seed: number;
  readonly replaces: string | null;
}

/** What was tapped in a pour: an append-only row. */
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
  readonly payload: EventPayload;
  readonly undoes: string | null;
}

/** What a batch or a day has shown of the crew's own figures, as somebody has taken it up. */
export interface CrewEntryFields {
  /** of which job it came; null for a trial piece */
  readonly jobId: string | null;
  /** whose life it is; null for what is of no product */
  readonly productId: string | null;
  /** as it was chalked */
  readonly batch: string | null;
  readonly person: string;
  readonly kind: 'life' | CrewFigureName;
  /** a life in s, a rate in m2/s and person, waste and skin as shares, soak in m */
  readonly value: number;
  /** of a life: how warm it was in effect, degC, and how much it was retarded */
  readonly temperature_C: number | null;
  readonly retarder: number | null;
  /** it would have been at least so much */
  readonly censored: boolean;
  /** a piece made to try it, not a batch of a job */
  readonly trial: boolean;
  /** set aside by a person: it says nothing */
  readonly aside: boolean;
  readonly at: string;
}

/** Somebody comes back to see what the work does: a crack's width again, a joint, a coat. */
export interface CareVisitFields {
  readonly jobId: string;
  /** null where the whole job is looked at */
  readonly findingId: string | null;
  readonly kind: CareKind;
  /** ISO days by the clocks of the place; null while nobody has been there */
  readonly dueOn: string;
  readonly doneOn: string | null;
  readonly note: string;
}

/** How a rehearsal went: an append-only row. Nothing else is kept of it. */
export interface RehearsalFields {
  /** who played it */
  readonly person: string;
  /** which scenario; a job's own day by the job's id */
  readonly scenario: string;
  readonly seed: number;
  readonly started: number;
  readonly lost: number;
  readonly wasted_s: number;
  readonly endedAt: string;
}

/** Every kind of row that travels, by its name on the wire. */
export interface EntityFields {
  readonly firm: FirmFields;
  readonly person: PersonFields;
  readonly job: JobFields;
  readonly element: ElementFields;
  readonly finding: FindingFields;
  readonly reading: ReadingFields;
  readonly forecast: ForecastFields;
  readonly photograph: PhotographFields;
  readonly treatment: TreatmentFields;
  readonly product: ProductFields;
  readonly sheet: SheetFields;
  readonly stockLot: StockLotFields;
  readonly plan: PlanFields;
  readonly pourEvent: PourEventFields;
  readonly rehearsal: RehearsalFields;
  readonly crewEntry: CrewEntryFields;
  readonly careVisit: CareVisitFields;
}

/** Every entity that crosses the wire. */
export const ENTITY_NAMES = [
  'firm',
  'person',
  'job',
  'element',
  'finding',
  'reading',
  'forecast',
  'photograph',
  'treatment',
  'product',
  'sheet',
  'stockLot',
  'plan',
  'pourEvent',
  'rehearsal',
  'crewEntry',
  'careVisit',
] as const;
export type EntityName = keyof EntityFields;

/** A row of an entity, with its version. */
export type RowOf<N extends EntityName> = EntityFields[N] & Row;

/** Append-only rows are never changed; a removal or an undo is a row too. */
export const APPEND_ONLY: readonly EntityName[] = ['reading', 'forecast', 'sheet', 'plan', 'pourEvent', 'rehearsal'];

/** Everything of one firm that a phone holds, by entity and id. */
export type FirmData = { readonly [N in EntityName]: Readonly<Record<string, RowOf<N>>> };

/** A firm of which nothing has come yet. */
export const emptyFirmData = (): FirmData => ({
  firm: {},
  person: {},
  job: {},
  element: {},
  finding: {},
  reading: {},
  forecast: {},
  photograph: {},
  treatment: {},
  product: {},
  sheet: {},
  stockLot: {},
  plan: {},
  pourEvent: {},
  rehearsal: {},
  crewEntry: {},
  careVisit: {},
});
