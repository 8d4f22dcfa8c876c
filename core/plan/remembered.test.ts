import fc from 'fast-check';
import type { FindingInput } from '../survey';
import { rectangle } from '../takeoff';
import { element, input, sheetOf, typed } from '../testing/job';
import { computePlan, layerKey, type PlanInput } from './index';

const patch = (id: string, depth_m: number): FindingInput =>
  ({
    id,
    elementId: 'e',
    label: id,
    kind: 'spall',
    outline: rectangle({ length_m: 0.6, width_m: 0.4 }),
    deepest: typed(depth_m),
    shape: 'pan',
    edge: 'cut',
    cutDepth_m: depth_m,
  }) as FindingInput;
const [mortar, fine] = [sheetOf('sandedRapid'), sheetOf('fineRapid')];
const job: PlanInput = {
  ...input,
  elements: [{ ...element, exposures: [], opens: null, thickness: typed(0.3), moisture: 'damp' }],
  findings: [patch('f', 0.02), patch('g', 0.03), patch('h', 0.04)],
  treatments: ['f', 'g', 'h'].map((findingId) => ({ findingId, sheetId: mortar.id })),
};
const ids = fc.constantFrom('f', 'g', 'h');
const changes = fc.oneof(
  fc.record({ id: ids, consistency: fc.constantFrom('spread' as const, 'screed' as const) }).map(({ id, consistency }) => (of: PlanInput): PlanInput => ({
    ...of,
    batch: { ...of.batch, byLayer: { ...of.batch.byLayer, [layerKey(id, 'fill')]: { consistency } } },
  })),
  fc.integer({ min: 1, max: 4 }).map((hands) => (of: PlanInput): PlanInput => ({ ...of, crew: { ...of.crew, hands } })),
  fc.integer({ min: 5, max: 25 }).map((water) => (of: PlanInput): PlanInput => ({ ...of, conditions: { ...of.conditions, water_C: typed(water) } })),
  ids.map((id) => (of: PlanInput): PlanInput => ({
    ...of,
    treatments: of.treatments.map((row) => (row.findingId === id ? { ...row, sheetId: fine.id } : row)),
  })),
  fc.constant((of: PlanInput): PlanInput => ({ ...of, findings: of.findings.slice(0, 2) })),
  fc.constantFrom(0.25, 0.5).map((share) => (of: PlanInput): PlanInput => ({ ...of, batch: { ...of.batch, share } })),
  fc.constant((of: PlanInput): PlanInput => ({ ...of, house: { ...of.house, retarder: 'always' } })),
  fc.constant((of: PlanInput): PlanInput => ({ ...of, firm: { ...of.firm, pail_m3: 0.008 } })),
);

test('what is remembered of a job is what a job that nobody has seen gives, after any changes', () => {
  fc.assert(
    fc.property(fc.array(changes, { minLength: 1, maxLength: 5 }), (all) => {
      let now = job;
      computePlan(now, { ranked: 'chosen' });
      for (const change of all) {
        now = change(now);
        expect(computePlan(now, { ranked: 'chosen' })).toEqual(computePlan(structuredClone(now), { ranked: 'chosen' }));
      }
    }),
    { numRuns: 25 },
  );
});
