import fc from 'fast-check';
import { nearestMark } from './nearestMark';

test('the mark is the nearest inside the band, or none is given', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1e-4, max: 0.02, noNaN: true }),
      fc.constantFrom(5e-5, 1e-4, 1.18e-4),
      fc.double({ min: 0, max: 0.2, noNaN: true }),
      (wanted_m3, step_m3, half) => {
        const band = { least_m3: wanted_m3 * (1 - half), most_m3: wanted_m3 * (1 + half) };
        const mark = nearestMark({ wanted_m3, step_m3, ...band });
        const marks = Array.from({ length: 500 }, (_, i) => (i + 1) * step_m3).filter(
          (volume_m3) => volume_m3 >= band.least_m3 * (1 - 1e-9) && volume_m3 <= band.most_m3 * (1 + 1e-9),
        );
        if (marks.length === 0) return expect(mark).toBeNull();
        expect(Math.abs(mark!.mark_m3 - wanted_m3)).toBeCloseTo(Math.min(...marks.map((mark) => Math.abs(mark - wanted_m3))), 12);
        expect(mark!.mark_m3).toBeCloseTo(wanted_m3 * (1 + mark!.difference), 12);
      },
    ),
  );
});

test('a measure past any vessel is refused', () => {
  expect(() => nearestMark({ wanted_m3: 11, step_m3: 1e-4, least_m3: 0, most_m3: 20 })).toThrow();
});
