import type { Command } from './commands';
import type { EntityName, FirmData, Row } from './entities';

/** The entity and verb of a command's kind, without loading the schemas. */
const split = (kind: string): [EntityName, string] => kind.split('.') as [EntityName, string];

/** The entity that a command is of. */
export const entityOf = ({ kind }: Pick<Command, 'kind'>): EntityName => split(kind)[0];

/**
 * What the phone shows before the firm has answered: the data with one command laid over it. Nothing is validated here;
 * the form did and the server will.
 */
export function applyCommand(data: FirmData, command: Command): FirmData {
  const [name, verb] = split(command.kind);
  const table = data[name] as Record<string, Row>;
  const present = table[command.target];
  if (verb !== 'add' && !present) return data;
  const row = { ...(present ?? { id: command.target, version: 0, changed: 0 }), ...command.change, removed: verb === 'remove' };
  return { ...data, [name]: { ...table, [command.target]: row } };
}

/** Rows fetched from the firm laid over what the phone holds: the same data where nothing came, so that nothing is worked out anew. */
export function mergeRows(data: FirmData, rows: Partial<Record<EntityName, readonly Row[]>>): FirmData {
  if (Object.values(rows).every((list) => list.length === 0)) return data;
  const next = { ...data } as Record<EntityName, Record<string, Row>>;
  for (const [name, list] of Object.entries(rows) as [EntityName, readonly Row[]][]) {
    if (list.length === 0) continue;
    next[name] = { ...next[name], ...Object.fromEntries(list.map((row) => [row.id, row])) };
  }
  return next as unknown as FirmData;
}
