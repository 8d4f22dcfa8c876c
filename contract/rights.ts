import type { Verb, Writable } from './commands';
import type { FirmFields, PersonFields } from './entities';

/** Who somebody is to the firm: the trades of a crew have a crew's rights. */
export type Role = PersonFields['role'];
export const ROLES = ['owner', 'lead', 'crew', 'mixer', 'finisher', 'reader'] as const satisfies readonly Role[];

/** How much a role may do: whoever stands higher may what those below may. */
const RANK: Readonly<Record<Role, number>> = { reader: 0, crew: 1, mixer: 1, finisher: 1, lead: 2, owner: 3 };

/** What is done beside the rows of the firm. */
export const ACTS = {
  /** a document of a job is made, stopped, or shown to a customer */
  documents: 'lead',
  /** bytes of pictures, letters and voices are sent */
  files: 'crew',
  /** the firm is taken out whole, or brought in */
  archive: 'owner',
  /** people come and go, devices are shut out, what was done is read */
  doors: 'owner',
} as const satisfies Readonly<Record<string, Role>>;
export type Act = keyof typeof ACTS;

/** The least role that writes rows of an entity: a reader reads, a crew surveys and logs, a lead plans, an owner has the people and the prices. */
const LEAST: Readonly<Record<Writable, Role>> = {
  firm: 'lead',
  person: 'owner',
  job: 'lead',
  element: 'crew',
  finding: 'crew',
  reading: 'crew',
  forecast: 'crew',
  photograph: 'crew',
  treatment: 'lead',
  product: 'lead',
  sheet: 'lead',
  stockLot: 'crew',
  // What is poured names its plan, and a crew plans on where a plan breaks.
  plan: 'crew',
  pourEvent: 'crew',
  rehearsal: 'reader',
  crewEntry: 'lead',
  careVisit: 'crew',
};

/** What a crew changes of a job where a plan breaks at the pail: its hands and how it mixes. */
const OF_CREW: ReadonlySet<string> = new Set(['crew', 'batch']);
/** What of the firm's settings is its owner's: what it costs. */
const OF_OWNER = ['currency', 'rates', 'shortCost_minor', 'tax'] as const satisfies readonly (keyof FirmFields['settings'])[];

/** Whether two values are the same on the wire. The first screen knows rights: nothing larger is read for it. */
function same(a: unknown, b: unknown): boolean {
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return (a ?? null) === (b ?? null);
  const [left, right] = [a, b] as Readonly<Record<string, unknown>>[];
  return [...new Set([...Object.keys(left!), ...Object.keys(right!)])].every((key) => same(left![key], right![key]));
}

const reaches = (role: Role, least: Role): boolean => RANK[role] >= RANK[least];

/** Whether somebody may do what is no row. */
export const mayAct = (role: Role, act: Act): boolean => reaches(role, ACTS[act]);

/** What a change of the firm needs: its name and its prices are the owner's, where they change at all. */
function leastForFirm(change: Readonly<Record<string, unknown>>, row: Readonly<Record<string, unknown>> | undefined): Role {
  if (change['name'] !== undefined && change['name'] !== row?.['name']) return 'owner';
  const [wanted, present] = [change['settings'], row?.['settings']] as (Readonly<Record<string, unknown>> | undefined)[];
  return wanted && OF_OWNER.some((key) => !same(wanted[key], present?.[key])) ? 'owner' : LEAST.firm;
}

/** What is changed, where that decides. */
export interface Changing {
  /** its fields; absent where only the kind is asked about */
  readonly change?: Readonly<Record<string, unknown>> | undefined;
  /** the row as it stands */
  readonly row?: Readonly<Record<string, unknown>> | undefined;
  /** whether the row is the person's own */
  readonly self?: boolean;
}

/** The least role that may write a change. */
export function neededFor(kind: string, { change, row, self = false }: Changing = {}): Role {
  const [name, verb] = kind.split('.') as [Writable, Verb];
  if (verb !== 'change' || !change) return LEAST[name];
  const fields = Object.keys(change);
  if (name === 'job' && fields.every((field) => OF_CREW.has(field))) return 'crew';
  // Which language one is spoken to in is one's own affair.
  if (name === 'person' && self && fields.every((field) => field === 'language')) return 'reader';
  return name === 'firm' ? leastForFirm(change, row) : LEAST[name];
}

/** Whether somebody may write a change. */
export const mayWrite = (role: Role, kind: string, changing: Changing = {}): boolean => reaches(role, neededFor(kind, changing));
