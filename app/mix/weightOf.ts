import { aidOf, type Plan, type PlanInput } from '@tufa/core/plan';

/** What an order weighs: in the van, its heaviest pack, and how many packs are carried. Aids by volume count as water. */
export function weightOf(
  input: PlanInput,
  { orders, aids, extras }: Pick<Plan, 'orders' | 'aids' | 'extras'>,
): { mass_kg: number; most_kg: number; count: number } {
  const packs = [
    ...orders.flatMap(({ chosen }) => chosen.packages),
    ...aids.flatMap(({ aidId, packages }) => {
      const aid = aidOf(input, aidId);
      const each_kg = aid?.unit === 'kg' ? 1 : aid?.unit === 'm3' ? aid.density_kg_m3 : 0;
      return packages.map(({ amount, count }) => ({ mass_kg: amount * each_kg, count }));
    }),
  ];
  const loose_kg = extras.reduce((sum, extra) => sum + ('mass_kg' in extra ? Number(extra.mass_kg) : 0), 0);
  return {
    mass_kg: packs.reduce((sum, { mass_kg, count }) => sum + mass_kg * count, loose_kg),
    most_kg: Math.max(0, ...packs.map(({ mass_kg }) => mass_kg)),
    count: packs.reduce((sum, { count }) => sum + count, 0),
  };
}
