/**
 * The constants of setting, all class defaults unless said otherwise: a data sheet or the crew's own record replaces
 * those marked *default*. Units are in the names.
 */
export const SETTING = {
  /** Gas constant, J/mol K. CODATA. */
  gasConstant_J_molK: 8.314462618,
  /** Reference temperature where the sheet names none, degC. *default* */
  reference_C: 21,
  /** Specific heats, kJ/kg K (ACI 305R form). */
  heat_powder_kJ_kgK: 0.92,
  heat_water_kJ_kgK: 4.186,
  /** Melting heat of ice, kJ/kg. */
  heat_melting_kJ_kg: 334,
  /** Paddle power by mixed mass, kW/kg, and its ceiling, kW. *default* */
  paddle_kW_kg: 0.015,
  paddleMost_kW: 0.3,
  /** Activation energies, J/mol. *default* by class of binder */
  activation_J_mol: { portland: 40e3, rapid: 55e3, epoxy: 55e3, polyurea: 45e3 },
  activationLeast_J_mol: 15e3,
  activationMost_J_mol: 90e3,
  /** The pail's time constant, s, at a mixed mass of 20 kg; it goes with mass^(1/3). *default* */
  pailTime_s: 9000,
  pailMass_kg: 20,
  /** How much warmer than the air a pail's surroundings are in full sun, K. *default* */
  sunOnPail_K: 8,
  /** Exponents of the mass effect and its clamp. *default* by class */
  massExponent: { resin: -0.25, rapid: -0.05, portland: 0 },
  massFactorLeast: 0.5,
  massFactorMost: 2,
  /** Thermal properties: fresh mortar on a concrete slab. *default* */
  mortar: { conductivity_W_mK: 1.6, heatCapacity_J_m3K: 2.9e6 },
  slab: { conductivity_W_mK: 1.6, heatCapacity_J_m3K: 2.0e6 },
  resin: { conductivity_W_mK: 0.2, heatCapacity_J_m3K: 2.1e6 },
  /** Spread of ln life before a record: one figure on the sheet, only a range, and the noise of a single batch. *default* */
  sdSheet: 0.25,
  sdRange: 0.45,
  sdNoise: 0.2,
  /** Rapid layers thinner than this see their late milestones' equivalent age stretched by the factor. *default* */
  thinLayer_m: 0.012,
  thinFactor: 1.3,
  /** Water temperatures: the least without ice, the most for rapid and resin-modified products, the most otherwise, degC. */
  waterLeast_C: 2,
  waterMostRapid_C: 35,
  waterMost_C: 60,
} as const;
