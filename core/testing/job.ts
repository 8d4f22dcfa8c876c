import { computePlan, DEFAULT_BATCH, DEFAULT_CREW, DEFAULT_FIRM, type ChosenPlan, type PlanInput } from '../plan';
import type { Measured } from '../quantity';
import type { Sheet } from '../shelf';
import { catalogue } from '../shelf/catalogue';
import type { CounterInput, CrackInput, ElementInput, FindingInput, SpallInput } from '../survey';
import { rectangle } from '../takeoff';

/** For tests: one dock slab with one spall and the sanded mortar chosen. */
export const typed = (value: number): Measured => ({ value, source: 'typed' });
export const sheetOf = (name: string): Sheet => catalogue.find((sheet) => sheet.class === name)!;

export const element: ElementInput = {
  id: 'e',
  name: 'Dock',
  kind: 'slab',
  outline: rectangle({ length_m: 6, width_m: 4 }),
  thickness: typed(0.15),
  suspended: false,
  exposures: ['frost', 'deicer'],
  moisture: 'damp',
  opens: { to: 'vehicles', after_s: 21600 },
  earlier: 'none',
  causeGoesOn: 'no',
  stops: { rust: 'no', stepOrSettlement: 'no', movement: 'no', carriesBuilding: 'no', tooDeep: 'no' },
};
export const finding: SpallInput = {
  id: 'f',
  elementId: 'e',
  label: 'A',
  kind: 'spall',
  outline: rectangle({ length_m: 1.2, width_m: 0.9 }),
  deepest: typed(0.038),
  shape: 'dish',
  edge: 'cut',
};
export const input: PlanInput = {
  v: 1,
  job: { id: 'j', name: 'Dock' },
  firm: DEFAULT_FIRM,
  elements: [element],
  findings: [finding],
  sheets: catalogue,
  treatments: [{ findingId: 'f', sheetId: sheetOf('sandedRapid').id }],
  conditions: { air_C: typed(26), slab_C: typed(31), powder_C: typed(23), water_C: typed(19), humidity: typed(0.5), wind_ms: typed(1.5), sun: true },
  crew: DEFAULT_CREW,
  batch: DEFAULT_BATCH,
};

/** The one job with another finding, another sheet chosen, its element as moist as the sheet wants it. */
export const jobWith = (finding: FindingInput, sheet: Sheet, more: Partial<PlanInput> = {}): PlanInput => ({
  ...input,
  elements: [{ ...element, moisture: sheet.moisture }],
  findings: [finding],
  treatments: [{ findingId: finding.id, sheetId: sheet.id }],
  sheets: catalogue.some(({ id }) => id === sheet.id) ? catalogue.map((other) => (other.id === sheet.id ? sheet : other)) : [...catalogue, sheet],
  ...more,
});

export const chosenOf = (jobFile: PlanInput): ChosenPlan => computePlan(jobFile).findings[0]!.chosen!;

/** A countertop of two metres, forty millimetres thick, laid over what is there. */
export const counterTop: CounterInput = {
  id: 'f',
  elementId: 'e',
  label: 'A',
  kind: 'counter',
  outline: rectangle({ length_m: 2, width_m: 0.6 }),
  cutouts_m2: [],
  thickness: typed(0.04),
  edges: [],
  stock_m: 2.44,
  kerf_m: 0.003,
};

/** A crack of three metres, four to six millimetres wide. */
export const crack: CrackInput = {
  id: 'f',
  elementId: 'e',
  label: 'A',
  kind: 'crack',
  line: [
    [0, 0],
    [3, 0],
  ],
  profile: 'slot',
  widths: [
    [0, 0.004],
    [3, 0.006],
  ],
  depth: typed(0.05),
  cap_m: 0.006,
  runaway: 0.1,
};
