import { type EntityName } from '@tufa/contract/entities';
import { CareVisit } from './CareVisit';
import { CommandRow } from './CommandRow';
import { CrewEntry } from './CrewEntry';
import { Device } from './Device';
import { DocumentRow } from './DocumentRow';
import { Element } from './Element';
import { Finding } from './Finding';
import { Firm } from './Firm';
import type { FirmRow } from './FirmRow';
import { Forecast } from './Forecast';
import { Job } from './Job';
import { Person } from './Person';
import { Photograph } from './Photograph';
import { LetterFile } from './LetterFile';
import { PhotographFile } from './PhotographFile';
import { PlanRow } from './PlanRow';
import { PourEventRow } from './PourEventRow';
import { Product } from './Product';
import { Reading } from './Reading';
import { Rehearsal } from './Rehearsal';
import { SheetRevision } from './SheetRevision';
import { StockLot } from './StockLot';
import { Treatment } from './Treatment';

export { CommandRow, Device, DocumentRow, Firm, Job, Person, PhotographFile, type FirmRow };

/** The class behind each name on the wire. */
export const TABLES: Record<EntityName, new () => FirmRow> = {
  firm: Firm,
  person: Person,
  job: Job,
  element: Element,
  finding: Finding,
  reading: Reading,
  forecast: Forecast,
  photograph: Photograph,
  treatment: Treatment,
  product: Product,
  sheet: SheetRevision,
  stockLot: StockLot,
  plan: PlanRow,
  pourEvent: PourEventRow,
  rehearsal: Rehearsal,
  crewEntry: CrewEntry,
  careVisit: CareVisit,
};

/** Every table. */
export const ENTITIES = [...Object.values(TABLES), Device, PhotographFile, LetterFile, CommandRow, DocumentRow];
