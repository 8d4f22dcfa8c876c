import fc from 'fast-check';
import { oneStep, twoByTwo } from './conductionSteps';

test('two steps a walk are the same as one after another, to the last bit, through any slab and any flux', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: -20, max: 70, noNaN: true }), { minLength: 3, maxLength: 40 }),
      fc.integer({ min: 1, max: 6 }),
      fc.double({ min: 0, max: 40, noNaN: true }),
      fc.double({ min: -500, max: 900, noNaN: true }),
      fc.constantFrom(0, 8),
      (profile, pairs, loss, heat, behind_Wm2K) => {
        const factors = { share: 0.16, half: 1e-3, behind_Wm2K, air_C: 20, intoFace: (face_C: number) => heat - loss * (face_C - 20) - 0.01 * face_C ** 2 };
        const [walked, stepped] = [Float64Array.from(profile), Float64Array.from(profile)];
        twoByTwo(walked, 2 * pairs, factors);
        for (let i = 0; i < 2 * pairs; i += 1) oneStep(stepped, factors);
        expect([...walked]).toEqual([...stepped]);
      },
    ),
  );
});
