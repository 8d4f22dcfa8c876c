import fc from 'fast-check';
import { bagOf } from '../../shelf';
import { chosenOf, crack, finding, input, jobWith, sheetOf, typed } from '../../testing/job';
import { rectangle } from '../../takeoff';
import type { FindingInput } from '../../survey';
import { computePlan, type ChosenPlan, type PlanInput } from '../index';
import type { Ticket } from './ticket';

const found = { id: 'f', elementId: 'e', label: 'A' };
const size = (least: number, most: number) => fc.double({ min: least, max: most, noNaN: true });
const area = fc.tuple(size(0.05, 4), size(0.05, 3)).map(([length_m, width_m]) => rectangle({ length_m, width_m }));
/** A base that nothing of these refuses, and the conditions of an ordinary day. */
const at = (value: number): typeof input.conditions.air_C => typed(value);
const EASY: Partial<PlanInput> = { conditions: { ...input.conditions, air_C: at(18), slab_C: at(18), powder_C: at(18), water_C: at(14), sun: false } };
const jobs: fc.Arbitrary<readonly [FindingInput, string]> = fc.oneof(
  fc.tuple(
    fc.tuple(area, size(0.006, 0.06)).map(([outline, deep]): FindingInput => ({ ...finding, outline, deepest: typed(deep) })),
    fc.constantFrom('fineRapid', 'sandedRapid', 'structuralRapid'),
  ),
  fc.tuple(
    fc.tuple(area, size(0.002, 0.006)).map(([outline, thick]): FindingInput => ({ ...found, kind: 'skim', outline, thickness: typed(thick), profile: 4 })),
    fc.constantFrom('broomOverlay', 'fineRapid'),
  ),
  fc.tuple(
    fc.tuple(size(0.1, 6), size(0.02, 0.1)).map(([long, deep]): FindingInput => ({
      ...found,
      kind: 'edge',
      section: 'rectangle',
      length: typed(long),
      across: typed(deep),
      down: typed(deep),
    })),
    fc.constantFrom('edgeMortar', 'fineRapid', 'sandedRapid'),
  ),
  fc.tuple(
    fc.tuple(size(0.3, 9), size(0.001, 0.02)).map(([long, wide]): FindingInput => ({
      ...crack,
      line: [
        [0, 0],
        [long, 0],
      ],
      widths: [[0, wide]],
    })),
    fc.constantFrom('crackResin', 'filledResin'),
  ),
);

/** What of its product a ticket mixes, kg. */
const mixed_kg = ({ lines }: Ticket): number => lines.reduce((sum, line) => sum + (line.code === 'powder' || line.code === 'part' ? line.mass_kg : 0), 0);

/** All batches of a layer as they are mixed, kg. */
const allMixed_kg = ({ batches: { count }, ticket, last }: ChosenPlan): number =>
  mixed_kg(ticket) * (last ? count - 1 : count) + (last ? mixed_kg(last.ticket) : 0);

test('tickets, clocks and order agree to the gram on a thousand jobs, whatever a crew’s shares of a bag are', () => {
  let tried = 0;
  fc.assert(
    fc.property(
      jobs,
      fc.constantFrom<PlanInput['firm']['grid']>([1, 0.5, 1 / 3, 0.25], [1], [0.5, 0.25]),
      size(3e-4, 1e-2),
      ([damage, name], grid, rate_m2_s) => {
        const sheet = sheetOf(name);
        const { elements } = jobWith(damage, sheet);
        const job = jobWith(damage, sheet, {
          elements: elements.map((element) => ({ ...element, opens: null, exposures: [] })),
          ...EASY,
          firm: { ...input.firm, grid },
          crew: { ...input.crew, rate_m2_s },
        });
        const plan = computePlan(job, { ranked: 'chosen' });
        const chosen = plan.findings[0]!.chosen!;
        const { batches, ticket, window, last, quantities } = chosen;
        if (batches.share === null || chosen.refused.length > 0) return;
        tried += 1;
        expect(allMixed_kg(chosen)).toBeCloseTo(quantities.powder.p50, 6);
        expect(plan.orders[0]!.powder.p50).toBeCloseTo(quantities.powder.p50, 9);
        expect(mixed_kg(ticket)).toBeCloseTo(window.batch.powder_kg, 6);
        expect(mixed_kg(ticket)).toBeCloseTo(batches.share * bagOf(sheet).mass_kg, 6);
        if (last) {
          expect(mixed_kg(last.ticket)).toBeCloseTo(last.window.batch.powder_kg, 6);
          // The last is never the largest.
          expect(batches.last!).toBeLessThanOrEqual(batches.share * (1 + 1e-9));
        }
      },
    ),
    { seed: 5, numRuns: 1000 },
  );
  // Most of them are planned and not refused.
  expect(tried).toBeGreaterThan(700);
});

test('ten pop-outs are ten cupfuls, not ten quarters of a bag', () => {
  const pops = Array.from({ length: 10 }, (_, i): FindingInput => ({
    ...finding,
    id: `p${i}`,
    outline: rectangle({ length_m: 0.1, width_m: 0.1 }),
    deepest: typed(0.03),
  }));
  const sheet = sheetOf('sandedRapid');
  const plan = computePlan({ ...input, findings: pops, treatments: pops.map(({ id }) => ({ findingId: id, sheetId: sheet.id })) });
  const chosen = plan.findings.map((each) => each.chosen!);
  expect(chosen.reduce((sum, each) => sum + allMixed_kg(each), 0)).toBeCloseTo(plan.orders[0]!.powder.p50, 6);
  for (const { batches, window } of chosen) {
    expect(batches.count).toBe(1);
    expect(window.batch.area_m2).toBeLessThan(0.012);
  }
});

test('where no share of the grid lives long enough it is mixed by weight, down to a cupful; only then nothing fits', () => {
  const slow = chosenOf({ ...input, firm: { ...input.firm, grid: [1] }, crew: { ...input.crew, rate_m2_s: 1.5e-4 } }).batches;
  expect(slow.share).toBeLessThan(0.25);
  expect(slow.count * slow.share!).toBeCloseTo(slow.last! + (slow.count - 1) * slow.share!, 9);
  const none = chosenOf({ ...input, crew: { ...input.crew, carry_s: 3000 } }).batches;
  expect(none).toMatchObject({ share: null, count: 0 });
});
