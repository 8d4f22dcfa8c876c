import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { computePlan, DEFAULT_CREW, DEFAULT_FIRM, type ChosenPlan, type Plan, type PlanInput } from '../plan';
import { mixedOf } from '../plan/systems/mixedOf';
import type { Ticket } from '../plan/window/ticket';
import type { Measured } from '../quantity';
import type { SheetClass } from '../shelf';
import { catalogue } from '../shelf/catalogue';
import type { ElementInput, FindingInput } from '../survey';
import { rectangle } from '../takeoff';

/** What of its product a ticket mixes, kg. */
const ticket_kg = ({ lines }: Ticket): number =>
  lines.reduce((sum, line) => sum + (line.code === 'powder' || line.code === 'part' || line.code === 'ready' ? line.mass_kg : 0), 0);

/** All batches of a layer, as their tickets mix them and as their clocks run, kg. */
function allOf({ batches: { count }, ticket, window, last }: ChosenPlan): { tickets_kg: number; clocks_kg: number } {
  const rest = last ? count - 1 : count;
  return {
    tickets_kg: ticket_kg(ticket) * rest + (last ? ticket_kg(last.ticket) : 0),
    clocks_kg: window.batch.powder_kg * rest + (last ? last.powder_kg : 0),
  };
}

/** How far tickets, clocks and order of a job's layers are apart. */
export interface Agreement {
  readonly layers: number;
  /** the most that tickets, clocks and what is needed differ by in a layer, and all layers of a product from its order, kg */
  readonly apart_kg: number;
}

/** Holds the tickets and the clocks of every layer of a job against what it takes, and the batch list against each layer and each order. */
export function batchesAgree(input: PlanInput): Agreement {
  const plan = computePlan(input, { ranked: 'chosen' });
  const layers = plan.findings
    .flatMap(({ chosen }) => (chosen && chosen.refused.length === 0 ? mixedOf(chosen) : []))
    .filter(({ batches }) => batches.share !== null);
  const apart = layers.flatMap((layer) => {
    const { tickets_kg, clocks_kg } = allOf(layer);
    const need_kg = layer.quantities.powder.p50;
    return [Math.abs(tickets_kg - need_kg), Math.abs(clocks_kg - need_kg)];
  });
  // The job's own list: every layer served once and whole, and what its batches hold is the order's line in the batches.
  const listed = (of: (batch: Plan['batches'][number]) => number): number => plan.batches.reduce((sum, batch) => sum + of(batch), 0);
  const orders = plan.orders.map(({ sheetId, powder }) => Math.abs(powder.p50 - listed((batch) => (batch.productId === sheetId ? batch.amount : 0))));
  const served = plan.findings.flatMap(({ findingId, chosen }) =>
    chosen && chosen.refused.length === 0
      ? mixedOf(chosen).map((layer) => {
          const role = layer === chosen ? 'fill' : 'overlay';
          const into = (batch: Plan['batches'][number]): number =>
            batch.serves.reduce((sum, part) => sum + (part.findingId === findingId && part.role === role ? part.amount : 0), 0);
          return Math.abs(listed(into) - layer.quantities.powder.p50);
        })
      : [],
  );
  const tickets = plan.batches.flatMap(({ ticket, shots, amount }) => (ticket ? [Math.abs(ticket_kg(ticket) * (shots?.count ?? 1) - amount)] : []));
  return { layers: layers.length, apart_kg: Math.max(0, ...apart, ...orders, ...served, ...tickets) };
}

const read = (value: number): Measured => ({ value, source: 'typed' });

/** Jobs of one finding, drawn: patches, skims, edges and cracks of every size, with crews quick and slow and their own shares of a bag. */
export function generatedJobs(seed: number, count: number): PlanInput[] {
  const generator = xoroshiro128plus(seed);
  const uniform = (): number => ((generator.next() >>> 0) + 0.5) / 4294967296;
  const between = (least: number, most: number): number => least + (most - least) * uniform();
  const oneOf = <T>(all: readonly T[]): T => all[Math.floor(uniform() * all.length)]!;
  const found = { id: 'f', elementId: 'e', label: 'A' };
  const outline = (): ReturnType<typeof rectangle> => rectangle({ length_m: between(0.05, 4), width_m: between(0.05, 3) });
  const line = (): readonly (readonly [number, number])[] => [
    [0, 0],
    [between(0.3, 9), 0],
  ];
  const drawn = (): readonly [FindingInput, SheetClass] =>
    oneOf<() => readonly [FindingInput, SheetClass]>([
      () => [
        {
          ...found,
          kind: 'spall',
          outline: outline(),
          deepest: read(between(0.006, 0.06)),
          shape: oneOf(['cone', 'dish', 'pan']),
          edge: oneOf(['cut', 'feathered']),
        },
        oneOf(['fineRapid', 'sandedRapid', 'structuralRapid']),
      ],
      () => [{ ...found, kind: 'skim', outline: outline(), thickness: read(between(0.002, 0.006)), profile: 4 }, oneOf(['broomOverlay', 'fineRapid'])],
      () => {
        const deep = between(0.02, 0.1);
        return [
          { ...found, kind: 'edge', section: 'rectangle', length: read(between(0.1, 6)), across: read(deep), down: read(deep) },
          oneOf(['edgeMortar', 'fineRapid', 'sandedRapid']),
        ];
      },
      () => [
        { ...found, kind: 'crack', line: line(), profile: 'slot', widths: [[0, between(0.001, 0.02)]], depth: read(0.05), cap_m: 0.006, runaway: 0 },
        oneOf(['crackResin', 'filledResin']),
      ],
    ])();
  const conditions = { air_C: read(18), slab_C: read(18), powder_C: read(18), water_C: read(14), humidity: read(0.5), wind_ms: read(1.5), sun: false };
  const stops = { rust: 'no', stepOrSettlement: 'no', movement: 'no', carriesBuilding: 'no', tooDeep: 'no' } as const;
  return Array.from({ length: count }, (_, i): PlanInput => {
    const [finding, name] = drawn();
    const sheet = catalogue.find((each) => each.class === name)!;
    const element: ElementInput = {
      id: 'e',
      name: 'Slab',
      kind: 'slab',
      outline: rectangle({ length_m: 12, width_m: 12 }),
      thickness: read(0.3),
      suspended: false,
      exposures: [],
      moisture: sheet.moisture,
      opens: null,
      earlier: 'none',
      causeGoesOn: 'no',
      stops,
    };
    return {
      v: 1,
      job: { id: `j${i}`, name: 'Drawn' },
      firm: { ...DEFAULT_FIRM, grid: oneOf([[1, 0.5, 1 / 3, 0.25], [1], [0.5, 0.25]]) },
      elements: [element],
      findings: [finding],
      sheets: catalogue,
      treatments: [{ findingId: 'f', sheetId: sheet.id }],
      conditions,
      crew: { ...DEFAULT_CREW, rate_m2_s: between(3e-4, 1e-2) },
      batch: { share: null, retarderDose: 0 },
    };
  });
}
