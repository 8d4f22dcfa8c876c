import fc from 'fast-check';
import { Problem } from '../quantity';
import { crewPosterior, fitArrhenius, rate } from './index';

const energy = fc.double({ min: 20e3, max: 85e3, noNaN: true });
const time = fc.double({ min: 120, max: 20_000, noNaN: true });

test('a fit gives back the energy and the time that made its points', () => {
  fc.assert(
    fc.property(energy, time, (Ea_J_mol, reference_s) => {
      const points = [8, 15, 21, 33].map((temperature_C) => ({ temperature_C, time_s: reference_s / rate({ temperature_C, Ea_J_mol }) }));
      const fit = fitArrhenius({ points });
      expect(fit.Ea_J_mol / Ea_J_mol).toBeCloseTo(1, 6);
      expect(fit.reference_s / reference_s).toBeCloseTo(1, 6);
    }),
  );
});

test('one temperature, or points no material makes, are refused', () => {
  expect(() =>
    fitArrhenius({
      points: [
        { temperature_C: 21, time_s: 600 },
        { temperature_C: 21, time_s: 700 },
      ],
    }),
  ).toThrow(Problem);
  expect(() =>
    fitArrhenius({
      points: [
        { temperature_C: 10, time_s: 600 },
        { temperature_C: 30, time_s: 700 },
      ],
    }),
  ).toThrow(Problem);
});

const prior = { prior_s: 840, prior_Ea_J_mol: 55e3 };

test('without a record the crew is the sheet; at the reference temperature the record pulls toward itself, never past it', () => {
  const none = crewPosterior({ ...prior, log: [] });
  expect(none.reference_s).toBeCloseTo(840, 6);
  expect(none.Ea_J_mol).toBeCloseTo(55e3, 3);
  expect(none.sdLnReference).toBeCloseTo(0.25, 9);
  expect(crewPosterior({ ...prior, log: [], givesRange: true }).sdLnReference).toBeCloseTo(0.45, 9);
  fc.assert(
    fc.property(fc.double({ min: 300, max: 2000, noNaN: true }), fc.integer({ min: 1, max: 30 }), (life_s, count) => {
      const log = Array.from({ length: count }, () => ({ temperature_C: 21, retarder: 1, life_s }));
      const { reference_s, sdLnReference } = crewPosterior({ ...prior, log });
      expect(reference_s).toBeGreaterThanOrEqual(Math.min(840, life_s) - 1e-6);
      expect(reference_s).toBeLessThanOrEqual(Math.max(840, life_s) + 1e-6);
      expect(sdLnReference).toBeLessThan(0.25);
    }),
  );
});

test('a retarded batch counts as the plain one it stands for', () => {
  const plain = crewPosterior({ ...prior, log: [{ temperature_C: 28, retarder: 1, life_s: 500 }] });
  const retarded = crewPosterior({ ...prior, log: [{ temperature_C: 28, retarder: 1.8, life_s: 900 }] });
  expect(retarded.reference_s).toBeCloseTo(plain.reference_s, 6);
  expect(() => crewPosterior({ ...prior, log: [{ temperature_C: 28, retarder: 0.5, life_s: 900 }] })).toThrow(Problem);
});
