import { checkCommand } from '@tufa/contract/validate';
import { parts, type Command, type CommandResult, type FieldConflict, type Verb, type Writable } from '@tufa/contract/commands';
import type { EntityName, PersonFields } from '@tufa/contract/entities';
import { mayWrite, neededFor, type Changing, type Role } from '@tufa/contract/rights';
import { canonical } from '@tufa/core/plan';
import { validate as isUuid } from 'uuid';
import { QueryFailedError, type DataSource, type EntityManager } from 'typeorm';
import { nextChange, withFirm } from '../data/withFirm';
import { CommandRow, TABLES, type FirmRow } from '../entities';
import { HttpProblem, problemDetails } from '../http/HttpProblem';
import { doorsOf } from '../doors/doorsOf';
import { instantsOf } from './instantsOf';
import { tableOf, wireRow } from './rows';

/** For whom commands are applied, and by which clock. */
export interface CommandContext {
  readonly source: DataSource;
  readonly firmId: string;
  /** the session's own device, and who is signed in there */
  readonly deviceId: string;
  readonly personId: string;
  /** a device that is shut out sends what it had not sent: by an owner's word, whoever made it and is gone since */
  readonly last?: boolean;
  readonly clock: () => Date;
  /** the version that whoever sent a single command has seen, as its `If-Match` names it */
  readonly seen?: string | undefined;
}

const same = (a: unknown, b: unknown): boolean => canonical(a ?? null) === canonical(b ?? null);

/** Foreign keys and checks that only the database can see, as words for the user. */
const REFUSED_BY_DATABASE = /^(23503|23505|23514|22P02|22P05|22021|22003)$/;

/**
 * Applies commands in order, each with its effect in one transaction. A repeat returns the stored result; a conflict or
 * a refusal is that command's own result and the rest go on.
 */
export async function applyCommands(context: CommandContext, commands: readonly unknown[]): Promise<CommandResult[]> {
  const results: CommandResult[] = [];
  for (const sent of commands) results.push(await applyOne(context, sent));
  return results;
}

async function applyOne(context: CommandContext, sent: unknown): Promise<CommandResult> {
  const { id: told } = (sent ?? {}) as { id?: unknown };
  // Whatever came in its place is told back to nobody.
  const id = typeof told === 'string' ? told : '';
  const { value: command, fault } = checkCommand(sent);
  if (fault) return { id, result: 'refused', problem: problemDetails({ status: 422, code: fault.code, field: fault.field, figures: fault.figures }) };
  try {
    return await withFirm(context.source, context.firmId, (tx) => applyInside(tx, context, command));
  } catch (error) {
    if (error instanceof HttpProblem) return { id, result: 'refused', problem: error.details };
    if (error instanceof QueryFailedError && REFUSED_BY_DATABASE.test(String((error.driverError as { code?: string }).code)))
      return { id, result: 'refused', problem: problemDetails({ status: 422, code: 'refersToUnknown', field: 'change' }) };
    throw error;
  }
}

/** Whoever a command comes from: the session's device, and of the two people it names who is still of the firm. */
interface Sender {
  readonly persons: readonly string[];
  readonly roles: ReadonlyMap<string, Role>;
}

async function senderOf(tx: EntityManager, { deviceId, personId, last = false }: CommandContext, person: string): Promise<Sender> {
  const found = await tx.query<{ persons: string[]; id: string | null; role: Role }[]>(
    'select d.persons, p.id, p.role from device d left join person p on p.id = any($2) and (not p.removed or $4) where d.id = $1 and (d.shut is null or d.shut = $3)',
    [deviceId, [personId, person], last ? 'last' : null, last],
  );
  const [first] = found;
  if (!first) throw new HttpProblem({ status: 403, code: 'shutOut' });
  return { persons: first.persons, roles: new Map(found.flatMap(({ id, role }) => (id ? [[id, role]] : []))) };
}

/** Who a command says it comes from, held against who is signed in there. A phone that changes hands sends what each has made. */
function strangerIn({ persons, roles }: Sender, deviceId: string, { device, person, kind, change }: Command): { code: string; field: string } | null {
  const told = kind === 'pourEvent.add' ? (change as { device?: string; person?: string }) : null;
  if (device !== deviceId) return { code: 'notThisDevice', field: 'device' };
  if (told && told.device !== deviceId) return { code: 'notThisDevice', field: 'change.device' };
  if (!persons.includes(person) || !roles.has(person)) return { code: 'notSignedInHere', field: 'person' };
  return told && told.person !== undefined && !persons.includes(told.person) ? { code: 'notSignedInHere', field: 'change.person' } : null;
}

/** What a role may not do is refused; and what somebody made who may do more than whoever is signed in now waits for them to sign in: a shared phone lends nobody's rights. */
function refuseBeyond({ roles }: Sender, { personId, last = false }: CommandContext, command: Command, row: Changing['row']): void {
  const may = (id: string): boolean => {
    const role = roles.get(id);
    return role !== undefined && mayWrite(role, command.kind, { ...changing, self: id === command.target });
  };
  const changing = { change: command.change as Changing['change'], row };
  if (!may(command.person)) throw new HttpProblem({ status: 403, code: 'notAllowed', figures: { least: neededFor(command.kind, changing) } });
  if (!last && !may(personId)) throw new HttpProblem({ status: 403, code: 'notSignedInHere', field: 'person' });
}

async function applyInside(tx: EntityManager, context: CommandContext, command: Command): Promise<CommandResult> {
  const sender = await senderOf(tx, context, command.person);
  const stranger = strangerIn(sender, context.deviceId, command);
  if (stranger) throw new HttpProblem({ status: 403, ...stranger });
  // The counter's row lock puts the commands of a firm in one line, so a repeat in flight waits and then sees the first.
  const changed = await nextChange(tx, context.firmId);
  const stored = await tx.getRepository(CommandRow).findOneBy({ id: command.id });
  if (stored) return stored.result as CommandResult;
  const result = await effect(tx, { ...context, sender }, command, changed);
  await tx.getRepository(CommandRow).insert({
    id: command.id,
    firmId: context.firmId,
    version: 1,
    changed,
    removed: false,
    setters: {},
    device: command.device,
    seq: command.seq,
    person: command.person,
    madeAt: new Date(command.madeAt),
    receivedAt: context.clock(),
    kind: command.kind,
    target: command.target,
    v: command.v,
    base: command.base as object,
    change: command.change as object,
    result: result as object,
  } as never);
  await tx.query(`select pg_notify('tufa_news', $1)`, [`${context.firmId} ${changed}`]);
  return result;
}

/** What a command wants otherwise than its sender saw it: what a form sends as it stood is not its doing, and leaves what somebody else has made of it. */
function wantedOf({ base, change }: Command, verb: Verb): Record<string, unknown> {
  const seen = base as Record<string, unknown> | null;
  if (verb !== 'change' || !seen) return change as Record<string, unknown>;
  return Object.fromEntries(Object.entries(change).filter(([field, value]) => !(field in seen) || !same(value, seen[field])));
}

/** Wire fields as columns, and the server's own time where a row keeps it. */
function columns(name: Writable, change: Record<string, unknown>, clock: () => Date): Record<string, unknown> {
  return { ...instantsOf(change), ...(name === 'pourEvent' ? { receivedAt: clock() } : {}) };
}

/** Which row a field of any entity names. */
const REFERENCES: Readonly<Record<string, EntityName>> = {
  jobId: 'job',
  elementId: 'element',
  findingId: 'finding',
  sheetId: 'sheet',
  productId: 'product',
  planId: 'plan',
  replaces: 'plan',
  undoes: 'pourEvent',
  before: 'photograph',
};

interface Reference {
  readonly field: string;
  readonly entity: EntityName;
  readonly id: unknown;
}

/** Every row that a change names: by its fields, and a treatment's by its layers and what goes with them. */
function referencesOf(change: Record<string, unknown>): Reference[] {
  const layers = Array.isArray(change['layers']) ? (change['layers'] as { sheetId: unknown }[]) : [];
  const named = [
    ...Object.entries(REFERENCES).map(([field, entity]): Reference => ({ field, entity, id: change[field] })),
    ...layers.map(({ sheetId }, i): Reference => ({ field: `layers.${i}.sheetId`, entity: 'sheet', id: sheetId })),
    ...['bond', 'cure'].map((field): Reference => ({ field, entity: 'sheet', id: change[field] })),
  ];
  // Of what bonds and cures an earlier release kept a word.
  return named.filter(({ id }) => typeof id === 'string' && isUuid(id));
}

/** What names a row of another firm is answered as if that were not there: the database's own check looks across firms. */
async function checkReferences(tx: EntityManager, change: Record<string, unknown>): Promise<void> {
  const references = referencesOf(change);
  if (references.length === 0) return;
  const lacking = references.map(({ entity }, i) => `select ${i} as i where not exists (select 1 from ${tableOf(entity)} where id = $${i + 1})`);
  const [missing] = await tx.query<{ i: number }[]>(
    `${lacking.join(' union all ')} order by i limit 1`,
    references.map(({ id }) => id),
  );
  if (missing) throw new HttpProblem({ status: 422, code: 'refersToUnknown', field: `change.${references[missing.i]?.field}` });
}

async function effect(tx: EntityManager, context: CommandContext & { readonly sender: Sender }, command: Command, changed: number): Promise<CommandResult> {
  const { name, verb } = parts(command.kind);
  const table = tx.getRepository(TABLES[name]);
  const row = (await table.findOneBy({ id: command.target })) as (FirmRow & Record<string, unknown>) | null;
  refuseBeyond(context.sender, context, command, row ?? undefined);
  if (row && context.seen !== undefined && context.seen !== `"${row.version}"`)
    throw new HttpProblem({ status: 412, code: 'stale', field: 'target', figures: { yours: command.change, theirs: wireRow(row) } });
  const change = columns(name, wantedOf(command, verb), context.clock);
  if (verb !== 'remove') await checkReferences(tx, command.change as Record<string, unknown>);
  if (verb === 'add') {
    if (row) throw new HttpProblem({ status: 409, code: 'alreadyThere', field: 'target' });
    const setters = Object.fromEntries(Object.keys(change).map((field) => [field, command.device]));
    await table.insert({ id: command.target, firmId: context.firmId, version: 1, changed, removed: false, setters, ...change } as never);
    return { id: command.id, result: 'done', version: 1 };
  }
  if (!row) throw new HttpProblem({ status: 404, code: 'notFound', field: 'target' });
  // Where a finding lies and what it says are read by its kind.
  if (name === 'finding' && change['kind'] !== undefined && change['kind'] !== row['kind'])
    throw new HttpProblem({ status: 422, code: 'kindFixed', field: 'change.kind' });
  const conflicts = verb === 'remove' ? [] : clashes(row, command, change);
  if (conflicts.length > 0) return { id: command.id, result: 'conflict', version: row.version, conflicts };
  if (name === 'person') await doorsOf(tx, row as unknown as FirmRow & PersonFields, { removed: verb === 'remove', role: change['role'] as Role | undefined });
  const setters = { ...row.setters, ...Object.fromEntries(Object.keys(change).map((field) => [field, command.device])) };
  await table.update({ id: command.target }, { ...change, setters, version: row.version + 1, changed, removed: verb === 'remove' } as never);
  // An edit beats a deletion, and says so.
  return { id: command.id, result: 'done', version: row.version + 1, ...(row.removed && verb === 'change' ? { restored: true as const } : {}) };
}

/** Fields whose present value is neither what the sender saw nor what it wants; two pages of one phone clash like two phones. */
function clashes(row: FirmRow & Record<string, unknown>, command: Command, change: Record<string, unknown>): FieldConflict[] {
  const base = (command.base ?? {}) as Record<string, unknown>;
  return Object.keys(change).flatMap((field) => {
    const present = row[field];
    if (same(present, base[field]) || same(present, change[field])) return [];
    return [{ field, yours: change[field], theirs: present }];
  });
}
