/** The constants of drying, class defaults that a record replaces. */
export const WEATHER = {
  /** share of the mix water whose loss ends a layer (5-20 %, learned) */
  skinShare: 0.1,
  /** water a damp surface holds, kg/m2 */
  film_kg_m2: 0.12,
  redampMost_s: 1800,
  /** drying alarms, kg/m2 h: thin, polymer-modified and rapid; others */
  dryingRapid: { caution: 0.25, act: 0.5 },
  dryingOther: { caution: 0.5, act: 1.0 },
  /** what is assumed where nobody read it */
  assumedHumidity: 0.5,
  assumedWind_ms: 1.5,
  /** a resin or coating wants its surface dry and this far above the dew point, K */
  dewMargin_K: 3,
} as const;
