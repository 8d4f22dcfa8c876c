import fc from 'fast-check';
import { Problem } from '../quantity';
import { drySurfaceTarget, globalIrradiance, presoak, surfaceAfterChange, surfaceConduction, wallIrradiance, wetSurfaceTarget } from './index';

const weather = { air_C: 24, humidity: 0.5, wind_ms: 2, irradiance_Wm2: 600, cloud: 0.2, absorptivity: 0.65, exposure: 1, sky: 1 };

test('the sun: none at night, less behind cloud, most overhead; a wall in the sun gets more than one turned away', () => {
  expect(globalIrradiance({ zenith_deg: 95, cloud: 0 })).toBe(0);
  fc.assert(
    fc.property(fc.double({ min: 0, max: 80, noNaN: true }), fc.double({ min: 0, max: 0.9, noNaN: true }), (zenith_deg, cloud) => {
      const here = globalIrradiance({ zenith_deg, cloud });
      expect(globalIrradiance({ zenith_deg: zenith_deg + 5, cloud })).toBeLessThan(here);
      expect(globalIrradiance({ zenith_deg, cloud: cloud + 0.1 })).toBeLessThan(here);
      const wall = (wallAzimuth_deg: number): number => wallIrradiance({ zenith_deg: zenith_deg + 5, cloud, sunAzimuth_deg: 180, wallAzimuth_deg });
      expect(wall(180)).toBeGreaterThan(wall(0));
    }),
  );
  expect(() => globalIrradiance({ zenith_deg: 30, cloud: 1.2 })).toThrow(Problem);
});

test('surfaces: a wet one is cooler than a dry one, shade and wind cool, and a wet one never under the dry air’s reach', () => {
  const dry = drySurfaceTarget(weather);
  expect(wetSurfaceTarget(weather)).toBeLessThan(dry);
  expect(drySurfaceTarget({ ...weather, exposure: 0.1 })).toBeLessThan(dry);
  expect(drySurfaceTarget({ ...weather, wind_ms: 8 })).toBeLessThan(dry);
  expect(() => wetSurfaceTarget({ ...weather, air_C: -18, irradiance_Wm2: 0, wind_ms: 40 })).toThrow(Problem);
});

test('conduction: an even slab in even weather stays; the sun warms the face first; long weather ends at the steady target', () => {
  const indoors = { ...weather, irradiance_Wm2: 0, exposure: 0, sky: 0, wet: false };
  const still = surfaceConduction({ profile_C: 24, depth_m: 0.1, stretches: [{ ...indoors, for_s: 3600 }] });
  for (const surface_C of still) expect(surface_C).toBeCloseTo(24, 9);
  const sunny = surfaceConduction({ profile_C: 24, depth_m: 0.1, stretches: [{ ...weather, wet: false, for_s: 1800 }] });
  for (let i = 1; i < sunny.length; i += 1) expect(sunny[i]!).toBeLessThan(sunny[i - 1]! + 1e-9);
  const loss = 5.7 + 3.8 * 2 + 5.5;
  const settled = surfaceConduction({ profile_C: 24, depth_m: 0.05, stretches: [{ ...weather, wet: false, for_s: 2 * 86400 }] });
  expect(settled[0]!).toBeCloseTo(24 + (0.65 * 600 - 60 * 0.8) / loss, 2);
  // A wall loses through its back too.
  const wall = surfaceConduction({ profile_C: 24, depth_m: 0.05, back: 'air', stretches: [{ ...weather, wet: false, for_s: 2 * 86400 }] });
  expect(wall[0]!).toBeLessThan(settled[0]!);
  // A profile goes on where it was left.
  const half = surfaceConduction({ profile_C: 24, depth_m: 0.1, stretches: [{ ...weather, wet: false, for_s: 900 }] });
  const rest = surfaceConduction({ profile_C: [...half], depth_m: 0.1, stretches: [{ ...weather, wet: false, for_s: 900 }] });
  expect(rest[0]!).toBeCloseTo(sunny[0]!, 9);
});

test('the first hour after a change follows the conduction within 1.5 K', () => {
  const before = surfaceConduction({ profile_C: 30, depth_m: 0.4, stretches: [{ ...weather, wet: false, for_s: 6 * 3600 }] });
  const face = before[0]!;
  const shaded = { ...weather, exposure: 0.1, wet: false };
  const flux = (exposure: number): number => 0.65 * exposure * 600 - 60 * 0.8 * exposure;
  for (const elapsed_s of [300, 1200, 3600]) {
    const modelled = surfaceConduction({ profile_C: [...before], depth_m: 0.4, stretches: [{ ...shaded, for_s: elapsed_s }] })[0]!;
    const closed = surfaceAfterChange({ before_C: face, jump_Wm2: flux(0.1) - flux(1), H_Wm2K: 5.7 + 7.6 + 5.5, elapsed_s });
    expect(Math.abs(closed - modelled)).toBeLessThan(1.5);
  }
  expect(surfaceAfterChange({ before_C: 30, jump_Wm2: -200, H_Wm2K: 900, elapsed_s: 3600 })).toBeCloseTo(
    30 - (200 / 900) * (1 - 1 / (30.17 * Math.sqrt(Math.PI))),
    3,
  );
});

test('a substrate drinks with the square root of time', () => {
  expect(presoak({ sorptivity_m_s05: 2e-5, soak_s: 1600 })).toBeCloseTo(2 * presoak({ sorptivity_m_s05: 2e-5, soak_s: 400 }), 12);
});
