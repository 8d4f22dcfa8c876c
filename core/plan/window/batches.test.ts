import { batchesAgree, generatedJobs } from '../../reference/batchesAgree';
import { chosenOf, finding, input, sheetOf, typed } from '../../testing/job';
import { rectangle } from '../../takeoff';
import type { FindingInput } from '../../survey';
import { computePlan } from '../index';

test('tickets, clocks and order agree to the gram on a thousand jobs, whatever a crew’s shares of a bag are', () => {
  const all = generatedJobs(5, 1000).map(batchesAgree);
  expect(Math.max(...all.map(({ apart_kg }) => apart_kg))).toBeLessThan(0.001);
  // Most of them are planned and not refused.
  expect(all.filter(({ layers }) => layers > 0).length).toBeGreaterThan(700);
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
  expect(chosen.reduce((sum, { window }) => sum + window.batch.powder_kg, 0)).toBeCloseTo(plan.orders[0]!.powder.p50, 6);
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
