import { DEFAULT_BATCH, DEFAULT_CREW, DEFAULT_FIRM, type PlanInput } from '@tufa/core/plan';
import type { Measured } from '@tufa/core/quantity';
import { catalogue } from '@tufa/core/shelf/catalogue';
import { rectangle } from '@tufa/core/takeoff';

const typed = (value: number, text: string): Measured => ({ value, typed: text, source: 'typed' });

/** A complete job file: one spalled dock slab with the second sheet of the shelf chosen. */
export function exampleJob(): PlanInput {
  const id = (n: number): string => `0198a000-e0a0-7000-8000-00000000000${n}`;
  return {
    v: 1,
    job: { id: id(1), name: 'Example dock' },
    firm: DEFAULT_FIRM,
    elements: [
      {
        id: id(2),
        name: 'Dock slab',
        kind: 'slab',
        outline: rectangle({ length_m: 6.096, width_m: 3.6576 }),
        thickness: typed(0.1524, '6 in'),
        suspended: false,
        exposures: ['frost', 'deicer', 'wheels'],
        moisture: 'damp',
        opens: { to: 'vehicles', after_s: 21600 },
        stops: { rust: 'no', stepOrSettlement: 'no', movement: 'no', carriesBuilding: 'no', tooDeep: 'no' },
      },
    ],
    findings: [
      {
        id: id(3),
        elementId: id(2),
        label: 'A',
        kind: 'spall',
        outline: rectangle({ length_m: 1.27, width_m: 0.94, at: [1.2, 0.9] }),
        deepest: typed(0.0381, '1 1/2 in'),
        shape: 'dish',
        edge: 'cut',
      },
    ],
    sheets: catalogue,
    treatments: [{ findingId: id(3), sheetId: (catalogue[1] as { id: string }).id }],
    conditions: {
      air_C: typed(25.6, '78 F'),
      slab_C: typed(31.1, '88 F'),
      powder_C: typed(23.3, '74 F'),
      water_C: typed(18.9, '66 F'),
      humidity: { value: 0.5, source: 'assumed' },
      wind_ms: { value: 1.5, source: 'assumed' },
      sun: true,
    },
    crew: DEFAULT_CREW,
    batch: DEFAULT_BATCH,
  };
}
