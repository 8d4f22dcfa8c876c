import fc from 'fast-check';
import { vibrationTime } from '../day';
import { Problem } from '../quantity';
import { bottleMarks, resinSand, resinShot, slurry, strengthRatioForWater, stripLength } from './index';

test('slurry: twice the liquid is twice of everything, and the masses make the volume', () => {
  fc.assert(
    fc.property(fc.double({ min: 1e-4, max: 0.05, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }), (liquid_m3, latexShare) => {
      const made = slurry({ liquid_m3, latexShare });
      const two = slurry({ liquid_m3: 2 * liquid_m3, latexShare });
      expect(two.cement_kg / made.cement_kg).toBeCloseTo(2, 9);
      expect(made.volume_m3).toBeCloseTo(made.latex_kg / 1020 + made.water_kg / 1000 + made.cement_kg / 3150, 12);
      expect((made.latex_kg + made.water_kg) / made.cement_kg).toBeCloseTo(0.4, 9);
    }),
  );
});

test('a shot is at most the bottle, and nothing where mixing takes the whole life; marks rise to it', () => {
  const shot = { bottle_m3: 0.00075, squeeze_m3_s: 6e-6, life_s: 90, safety: 0.8, mixing_s: 12 };
  expect(resinShot({ ...shot, life_s: 9000 })).toBe(0.00075);
  expect(resinShot({ ...shot, life_s: 14 })).toBe(0);
  const marks = bottleMarks({ shot_m3: 0.0003, parts: [2, 1, 1] });
  expect(marks.map((mark) => Math.round(mark * 1e7) / 1e7)).toEqual([0.00015, 0.000225, 0.0003]);
  expect(() => bottleMarks({ shot_m3: 0.0003, parts: [1, 0] })).toThrow(Problem);
});

test('sand in resin: refused past the sheet, refused dry, else both volumes', () => {
  expect(resinSand({ resin_m3: 0.001, sand_kg: 1.2, limitByVolume: 0.5 })).toEqual({ verdict: 'refused', limit: 'sheet' });
  expect(resinSand({ resin_m3: 0.001, sand_kg: 5 })).toEqual({ verdict: 'refused', limit: 'dryGrains' });
  expect(resinSand({ resin_m3: 0.001, sand_kg: 1.06 })).toEqual({ verdict: 'ok', volume_m3: expect.closeTo(0.0014, 9) });
});

test('more water, less strength; the sheet’s own water keeps all of it', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.1, max: 0.25, noNaN: true }), fc.double({ min: 0.005, max: 0.1, noNaN: true }), (waterRatio, more) => {
      expect(strengthRatioForWater({ waterRatio, waterRatioActual: waterRatio })).toBeCloseTo(1, 12);
      const once = strengthRatioForWater({ waterRatio, waterRatioActual: waterRatio + more });
      expect(once).toBeLessThan(1);
      expect(strengthRatioForWater({ waterRatio, waterRatioActual: waterRatio + 2 * more })).toBeLessThan(once);
    }),
  );
});

test('a strip is as long as the time left allows; a shaking tool is held a quarter as long at twice the shake', () => {
  const strip = { handsFactor: 1.7, rate_m2_s: 0.01, safe_s: 600, mix_s: 120, carry_s: 30, finish_s: 90, broom_m: 0.6 };
  expect(stripLength(strip)).toBeCloseTo((1.7 * 0.01 * 360) / 0.6, 9);
  expect(stripLength({ ...strip, safe_s: 200 })).toBe(0);
  expect(vibrationTime({ vibration_ms2: 10 })).toBeCloseTo(vibrationTime({ vibration_ms2: 5 }) / 4, 9);
  expect(vibrationTime({ vibration_ms2: 0.5 })).toBe(86400);
});
