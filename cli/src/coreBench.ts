import { computePlan } from '@tufa/core/plan';
import { workingLife } from '@tufa/core/setting';
import { exampleJob } from './example';

const timed = (times: number, work: (i: number) => unknown): number => {
  for (let i = 0; i < Math.min(times, 50); i += 1) work(i);
  const begun = performance.now();
  for (let i = 0; i < times; i += 1) work(i);
  return (performance.now() - begun) / times;
};

/** The core's own speed on one core of this machine, as lines of name and value. */
export function coreBench(): [string, string][] {
  const input = exampleJob();
  const plan_ms = timed(50, () => computePlan(input));
  const life_ms = timed(5000, (i) =>
    workingLife({
      pail_life_s: 720,
      film_life_s: 720,
      Ea_J_mol: 55000,
      mix_C: 15 + (i % 20),
      surroundings_C: 26,
      mass_kg: 14,
      surface_C: 31,
      thickness_m: 0.02,
      placed_after_s: 150,
    }),
  );
  return [
    ['a whole job plan, ms', plan_ms.toFixed(2)],
    ['working lives per second on one core', Math.round(1000 / life_ms).toLocaleString('en')],
  ];
}
