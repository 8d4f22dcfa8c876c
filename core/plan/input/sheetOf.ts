import { Problem } from '../../quantity';
import type { Aid, Sheet } from '../../shelf';

interface Shelves {
  readonly sheets: readonly Sheet[];
  readonly aids?: readonly Aid[] | undefined;
}

/** By id, made once for each shelf: a plan asks for its sheets again and again, of a shelf that may hold thousands. */
const indexes = new WeakMap<readonly { readonly id: string }[], ReadonlyMap<string, unknown>>();

function find<T extends { readonly id: string }>(all: readonly T[], id: string | null | undefined): T | undefined {
  if (id === null || id === undefined) return undefined;
  const index = (indexes.get(all) as ReadonlyMap<string, T> | undefined) ?? new Map(all.map((item) => [item.id, item]));
  indexes.set(all, index);
  return index.get(id);
}

/** A sheet of a job file's shelf; undefined where it is not there. */
export const sheetOf = ({ sheets }: Shelves, id: string | null | undefined): Sheet | undefined => find(sheets, id);

/** What goes with materials, of a job file's shelf; undefined where it is not there. */
export const aidOf = ({ aids = [] }: Shelves, id: string | null | undefined): Aid | undefined => find(aids, id);

/** A sheet that must be there. @throws Problem `unknownSheet` */
export function knownSheet(shelves: Shelves, id: string): Sheet {
  const sheet = sheetOf(shelves, id);
  if (!sheet) throw new Problem('unknownSheet', { id });
  return sheet;
}

/** What goes with materials and must be there. @throws Problem `unknownAid` */
export function knownAid(shelves: Shelves, id: string): Aid {
  const aid = aidOf(shelves, id);
  if (!aid) throw new Problem('unknownAid', { id });
  return aid;
}
