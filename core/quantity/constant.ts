/**
 * How firmly a constant stands: `exact` by definition, `method` as its equation's source has it, `default` for a class,
 * to be replaced by a sheet or by the crew's own record.
 */
export type Standing = 'exact' | 'method' | 'default';

/** A figure with its unit, its source and how far it can be trusted. */
export interface Constant<V = unknown> {
  readonly value: V;
  readonly unit: string;
  readonly source: string;
  readonly standing: Standing;
}

/** One row of a topic's table. */
export const constant = <V>(value: V, unit: string, source: string, standing: Standing = 'default'): Constant<V> => ({ value, unit, source, standing });

/** The plain values of a table, by name. The tests that nudge a constant change these. */
export function valuesOf<T extends Readonly<Record<string, Constant>>>(table: T): { readonly [K in keyof T]: T[K]['value'] } {
  return Object.fromEntries(Object.entries(table).map(([name, { value }]) => [name, value])) as { [K in keyof T]: T[K]['value'] };
}
