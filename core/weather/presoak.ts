import { inRange } from '../quantity';
import { WEATHER } from './constants';

/**
 * Water a dry substrate drinks before it is covered: `S sqrt(t)` (sorptivity, ASTM C1585).
 *
 * @param sorptivity_m_s05 m/s^0.5; 0.15 mm/min^0.5 where nobody knows. *default*
 * @param soak_s 0 to a day
 * @returns m3 for each m2
 * @throws Problem `outOfRange`
 */
export function presoak({ sorptivity_m_s05 = WEATHER.sorptivity_m_s05, soak_s }: { sorptivity_m_s05?: number; soak_s: number }): number {
  inRange({ quantity: 'sorptivity_m_s05', value: sorptivity_m_s05, least: 0, most: 1e-3 });
  inRange({ quantity: 'soak_s', value: soak_s, least: 0, most: 86400 });
  return sorptivity_m_s05 * Math.sqrt(soak_s);
}
