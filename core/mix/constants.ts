/** The constants of mixing; those a sheet states replace them. Densities kg/m3. */
export const MIX = {
  water_kg_m3: 1000,
  aggregate_kg_m3: 2650,
  latex_kg_m3: 1020,
  cement_kg_m3: 3150,
  /** mean texture of a surface profile, m, CSP 1-10. *default*, +-40 % */
  texture_m: [0.0001, 0.0002, 0.0004, 0.0006, 0.0009, 0.0013, 0.0018, 0.0025, 0.0035, 0.006],
  /** median waste, and the sds of ln for waste and yield. *default* */
  medianWaste: 0.07,
  sdWaste: 0.04,
  sdYield: 0.03,
  /** how full a pail may be: mixed, and dry bulk plus water */
  pailMixedShare: 0.75,
  pailDryShare: 0.9,
  /** what more hands on one panel multiply the rate by */
  handsFactor: [1, 1.7, 2.2],
} as const;

/** Rate factor for so many hands on one panel; more than three are no faster. */
export const handsFactor = (hands: number): number => MIX.handsFactor[Math.min(Math.max(Math.round(hands), 1), 3) - 1] as number;

/** Mean texture of a surface profile, m. CSP 1-10. */
export const textureOf = (profile: number): number => MIX.texture_m[Math.min(Math.max(Math.round(profile), 1), 10) - 1] as number;
