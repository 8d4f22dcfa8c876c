import type { Aid } from './Aid';

/** What is read from the label of an agent, a cure, a coat: its name, its packs, what one covers, how long it may wait. */
export type AidLabel = Pick<Aid, 'name' | 'packs'> & Partial<Pick<Aid, 'coverage_m2' | 'open' | 'waits_s'>>;

/** Names that no label needs to say: they are the product's, not figures. */
const NAMES: readonly (keyof Aid)[] = ['id', 'productId', 'revision', 'name', 'class', 'unit', 'assumed'];

/**
 * A whole sheet of an aid from what its label says: one like it stands in for the rest.
 *
 * @param changes the next revision of the same product: what was read before stays read
 */
export function fromAid({ base, label, changes, ...ids }: Pick<Aid, 'id' | 'productId' | 'revision'> & { base: Aid; label: AidLabel; changes: boolean }): Aid {
  const given = Object.fromEntries(Object.entries(label).filter(([, value]) => value !== undefined)) as unknown as AidLabel;
  const before = changes ? (base.assumed ?? []) : (Object.keys(base) as (keyof Aid)[]).filter((name) => !NAMES.includes(name));
  return { ...base, ...given, ...ids, assumed: before.filter((name) => !(name in given)) };
}
