import { CHANCE_CASES, chancesKept } from '../../reference/chancesKept';

test.each(CHANCE_CASES)('%s: of simulated batches the accepted chance is lost at the stop, and the shown range holds four in five', (_name, question) => {
  const { told, lost, inRange, kept } = chancesKept(question, { seed: 11, draws: 25_000 });
  expect(told).toBeCloseTo(0.1, 3);
  expect(Math.abs(lost - 0.1)).toBeLessThan(0.02);
  expect(inRange).toBeGreaterThan(0.76);
  expect(inRange).toBeLessThan(0.84);
  expect(kept).toBe(true);
});
