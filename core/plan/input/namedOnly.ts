import type { PlanInput } from './PlanInput';

/** A job file with just the sheets and aids that its treatments name: what a plan that is kept was made from, without the rest of the shelf. */
export function namedOnly(input: PlanInput): PlanInput {
  const named = new Set(input.treatments.flatMap(({ sheetId, overlay, aids = {} }) => [sheetId, overlay?.sheetId, ...Object.values(aids)]));
  const kept = <T extends { readonly id: string }>(all: readonly T[]): T[] => all.filter(({ id }) => named.has(id));
  const { record } = input;
  return {
    ...input,
    sheets: kept(input.sheets),
    ...(input.aids ? { aids: kept(input.aids) } : {}),
    ...(record ? { record: { ...record, lives: record.lives.filter(({ sheetId }) => named.has(sheetId)) } } : {}),
  };
}
