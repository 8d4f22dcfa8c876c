import type { PlanInput } from '../input/PlanInput';
import { surfaceOf } from '../input/site';

/** A job under a sail or boards; null where no sun is on it. */
export function shadedOf(input: PlanInput): PlanInput | null {
  const surfaces = input.elements.map((element) => ({ element, surface: surfaceOf(element) }));
  const sunny = surfaces.some(({ surface: { exposure } }) => exposure === 'sun' || exposure === 'part');
  if (!input.conditions.sun && !(input.site && sunny)) return null;
  return {
    ...input,
    conditions: { ...input.conditions, sun: false },
    elements: surfaces.map(({ element, surface: { faces_deg, absorptivity, exposure } }) =>
      exposure === 'indoors' ? element : { ...element, sun: { faces_deg, absorptivity, exposure: 'shade' as const } },
    ),
  };
}

/** One step more of retarder, where a chosen sheet allows one: the dose in packets a bag; nothing where none does. */
export const nextDoseOf = (input: PlanInput): number | undefined =>
  input.treatments
    .flatMap(({ sheetId }) => input.sheets.find(({ id }) => id === sheetId)?.retarder.map(([dose]) => dose) ?? [])
    .filter((dose) => dose > input.batch.retarderDose)
    .sort((a, b) => a - b)[0];
