/** What no database keeps in a text: NUL, which comes with what is pasted from some programs, and half of a pair of characters. */
const UNKEPT = /\0|\p{Surrogate}/gu;
/** Nothing that is sent is nested deeper; what goes through it would end on the way. */
const DEEPEST = 60;

type Tree = Readonly<Record<string, unknown>>;

const without = (text: string): string => text.replace(UNKEPT, '');

/** The first place of a value that could not be kept as it is, as a path with dots; null where there is none. Keys count too. */
export function unkeptAt(
  value: unknown,
  path: readonly string[] = [],
): { readonly field: string; readonly code: 'field.string.unkept' | 'field.object.deep' } | null {
  if (typeof value === 'string') return without(value) === value ? null : { field: path.join('.'), code: 'field.string.unkept' };
  if (typeof value !== 'object' || value === null) return null;
  if (path.length > DEEPEST) return { field: path.slice(0, 3).join('.'), code: 'field.object.deep' };
  for (const [key, part] of Object.entries(value as Tree)) {
    const at = [...path, without(key)];
    const found = without(key) === key ? unkeptAt(part, at) : { field: at.join('.'), code: 'field.string.unkept' as const };
    if (found) return found;
  }
  return null;
}

/** The same with all its texts as they can be kept. */
export function keepable<T>(value: T): T {
  if (unkeptAt(value)?.code !== 'field.string.unkept') return value;
  if (typeof value === 'string') return without(value) as T;
  if (Array.isArray(value)) return value.map(keepable) as T;
  return Object.fromEntries(Object.entries(value as Tree).map(([key, part]) => [without(key), keepable(part)])) as T;
}
