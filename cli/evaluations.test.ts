import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { computePlan, type PlanInput } from '@tufa/core/plan';
import { workingLife } from '@tufa/core/setting';
import { exampleJob } from './src/example';

let evaluations = 0;

jest.mock('../core/setting/rate', () => {
  const real = jest.requireActual('../core/setting/rate') as { readonly rateOf: (...given: number[]) => number };
  return { ...real, rateOf: (...given: number[]) => ((evaluations += 1), real.rateOf(...given)) };
});

const { evaluations: limits } = JSON.parse(readFileSync(join(__dirname, '../budgets.json'), 'utf8')) as {
  readonly evaluations: Readonly<Record<string, number>>;
};

const counted = (work: () => unknown): number => {
  evaluations = 0;
  work();
  return evaluations;
};

const whole = exampleJob();
/** New weather each time, so that nothing is remembered. */
const through = (input: PlanInput): PlanInput => ({ ...input, site: { ...whole.site!, weather: { ...whole.site!.weather } } });
const { site: _site, ...still } = { ...whole, findings: whole.findings.slice(0, 1), treatments: whole.treatments.slice(0, 1) };

/** What costs most of a plan is how often the rate of setting is evaluated: that is counted, since a machine's time is not to be still. */
const COUNTS: Readonly<Record<string, () => unknown>> = {
  'a working life': () =>
    workingLife({
      pail_life_s: 720,
      film_life_s: 720,
      Ea_J_mol: 55000,
      mix_C: 22,
      surroundings_C: 26,
      mass_kg: 14,
      surface_C: 31,
      thickness_m: 0.02,
      placed_after_s: 150,
    }),
  'a plan of one finding, temperatures held': () => computePlan({ ...still }),
  'a plan of one finding, through a changing day': () => computePlan(through(still)),
  'a plan of ten findings of every kind, through a changing day': () => computePlan(through(whole)),
};

test('every limit is of a count, and every count has one', () => expect(Object.keys(limits).sort()).toEqual(Object.keys(COUNTS).sort()));

test.each(Object.entries(COUNTS))('rate evaluations of %s', (name, work) => {
  const count = counted(work);
  expect(count).toBeGreaterThan(10);
  expect(count).toBeLessThanOrEqual(limits[name]!);
});
