import { element, input, sheetOf, typed } from '../../testing/job';
import { rectangle } from '../../takeoff';
import { computePlan, stripsOf, type PlanInput } from '../index';

const overlay = (hands: number, broom_m?: number): PlanInput => ({
  ...input,
  firm: { ...input.firm, ...(broom_m === undefined ? {} : { broom_m }) },
  elements: [{ ...element, exposures: [], opens: null }],
  findings: [{ id: 'f', elementId: 'e', label: 'A', kind: 'skim', outline: rectangle({ length_m: 5, width_m: 3.6 }), thickness: typed(0.003), profile: 3 }],
  treatments: [{ findingId: 'f', sheetId: sheetOf('broomOverlay').id }],
  crew: { ...input.crew, hands },
  conditions: { ...input.conditions, air_C: typed(20), slab_C: typed(20), sun: false },
});
const strips = (of: PlanInput) => stripsOf(of, computePlan(of, { ranked: 'chosen' }));

test('what is broomed goes on in strips two brooms wide that cover the batch, none longer than the hands reach in time', () => {
  for (const hands of [1, 2, 3]) {
    const of = overlay(hands);
    const plan = computePlan(of, { ranked: 'chosen' });
    const made = stripsOf(of, plan);
    expect(made.length).toBeGreaterThan(0);
    for (const { number, width_m, length_m, count } of made) {
      const { area_m2, window } = plan.batches.find((batch) => batch.number === number)!;
      expect(width_m).toBeCloseTo(1.2, 9);
      expect(count * width_m * length_m).toBeGreaterThan(area_m2! - 1e-9);
      const { pace } = window!.basis;
      // Laid at its rate by these hands, mixed and broomed, one strip is done inside the safe part.
      const laying_s = (width_m * length_m * pace.place_s) / area_m2!;
      expect(laying_s).toBeLessThan(window!.window.finishBy_s - pace.mix_s - pace.carry_s - pace.finish_s + 1);
    }
  }
  expect(strips(overlay(1, 0.9))[0]!.width_m).toBeCloseTo(1.8, 9);
  expect(stripsOf(input, computePlan(input, { ranked: 'chosen' }))).toEqual([]);
});
