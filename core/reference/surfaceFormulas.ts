import {
  drySurfaceTarget,
  globalIrradiance,
  presoak,
  surfaceAfterChange,
  surfaceConduction,
  wallIrradiance,
  wetSurfaceTarget,
  type SurfaceStretch,
} from '../weather';

type Conduction = Omit<SurfaceStretch, 'for_s'> & { uniform_C: number; elapsed_s: number; depth_m: number };

/** Sun, surfaces and what they drink, by the names of the reference file. */
export const SURFACE_FORMULAS = {
  globalIrradiance,
  wallIrradiance,
  drySurfaceTarget,
  wetSurfaceTarget,
  surfaceAfterChange,
  surfaceConduction: ({ uniform_C, elapsed_s, depth_m, ...weather }: Conduction) =>
    surfaceConduction({ profile_C: uniform_C, depth_m, stretches: [{ ...weather, for_s: elapsed_s }] })[0],
  presoak: (i: { sorptivity_mm_min05: number; soak_min: number }) =>
    presoak({ sorptivity_m_s05: i.sorptivity_mm_min05 / 1000 / Math.sqrt(60), soak_s: i.soak_min * 60 }),
};
