import type { BatchInput, PlanInput } from '@tufa/core/plan';

/** A fibre of the shelf as a batch takes it: the middle of what its sheet allows. */
interface FibreChoice {
  readonly id: string;
  readonly name: string;
  readonly fibre: NonNullable<BatchInput['fibre']>;
}

/** Fibres of the shelf, each with its usual dose. */
export const fibreAids = ({ aids = [] }: PlanInput): FibreChoice[] =>
  aids.flatMap(({ id, name, dose, packs }) =>
    dose?.kind === 'fibre'
      ? [{ id, name, fibre: { kind: dose.fibre, dose_kg_m3: (dose.least_kg_m3 + dose.most_kg_m3) / 2, bag_kg: packs[0]?.amount ?? 1 } }]
      : [],
  );
