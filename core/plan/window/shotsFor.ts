import { bottleMarks, MIX, partsByMass, resinShot } from '../../mix';
import { ceilingOf, Problem } from '../../quantity';
import { Course, massFactor } from '../../setting';
import { massEffectOf, resinDensity, resinOf } from '../../shelf';
import { basisFor } from './basisFor';
import type { WindowQuestion } from './WindowQuestion';

/** A resin squeezed from a bottle: the largest shot, where its marks are, and how many it takes. */
export interface Shots {
  readonly shot_m3: number;
  /** what keeps it from being larger */
  readonly limit: 'bottle' | 'life';
  /** life of that shot in the bottle, s, and the part of it that is used */
  readonly life_s: number;
  readonly safe_s: number;
  readonly count: number;
  /** cumulative marks on the bottle, part after part, m3 */
  readonly marks_m3: readonly number[];
  /** the same weighed, kg */
  readonly masses_kg: readonly number[];
  /** how far the sheet's parts by weight contradict those by volume; over 0.05 it is said */
  readonly partsDifference: number;
  /** dry sand one shot wets and the sheet allows, kg */
  readonly sandMost_kg: number;
}

/** Volumes are found to a hundredth of a millilitre. */
const NEAR_M3 = 1e-8;
/** Less than a thimble is no shot. */
const LEAST_M3 = 2e-6;

/**
 * Shots of a resin for a volume of its liquids: the bottle, or what leaves it within the safe part of its life, found by bisection
 * because a larger shot heats itself and lives shorter.
 *
 * @returns nothing when mixing alone outlasts the life
 * @throws Problem `noParts` for a sheet that is not a resin; `outOfRange`
 */
export function shotsFor(question: WindowQuestion, need_m3: number): Shots | null {
  const { sheet } = question;
  if (!sheet.parts) throw new Problem('noParts', { sheet: sheet.name });
  const { bottle_m3, squeeze_m3_s, densities_kg_m3, byMass, sandLimit } = resinOf(sheet);
  const density = resinDensity(sheet);
  const { basis } = basisFor(question);
  const lifeOf = (volume_m3: number, share: number): number => {
    const mass_kg = volume_m3 * density;
    const factor = massFactor({ mass_kg, ...massEffectOf(sheet) });
    const inBottle = { pail_life_s: basis.flow_life_s, film_life_s: basis.flow_life_s, placed_after_s: Infinity };
    return new Course({ ...basis.course, ...inBottle, mass_kg, massFactor: factor }).timeToSpend(share);
  };
  const shotOf = (volume_m3: number): number =>
    resinShot({
      bottle_m3,
      squeeze_m3_s,
      life_s: lifeOf(volume_m3, basis.safeShare),
      // The life asked for is already its safe part.
      safety: 1,
      mixing_s: sheet.mixing.time_s,
    });
  let [low, high] = [LEAST_M3, bottle_m3];
  if (shotOf(low) < low) return null;
  const whole = shotOf(high) >= high;
  while (!whole && high - low > NEAR_M3) {
    const middle = (low + high) / 2;
    if (shotOf(middle) >= middle) low = middle;
    else high = middle;
  }
  // Even shots, of what is needed: a crack that takes half a bottle is one half a bottle.
  const most_m3 = whole ? bottle_m3 : low;
  const count = Math.max(1, ceilingOf(need_m3 / most_m3));
  const shot_m3 = Math.min(most_m3, need_m3 / count);
  const parts = partsByMass({ byVolume: sheet.parts, densities_kg_m3, byMass });
  return {
    shot_m3,
    limit: whole ? 'bottle' : 'life',
    life_s: lifeOf(shot_m3, 1),
    safe_s: lifeOf(shot_m3, basis.safeShare),
    count,
    marks_m3: bottleMarks({ shot_m3, parts: sheet.parts }),
    masses_kg: parts.shares.map((share) => share * shot_m3 * density),
    partsDifference: parts.difference,
    sandMost_kg: Math.min(
      sandLimit === null ? Infinity : sandLimit * shot_m3 * MIX.sandBulk_kg_m3,
      (shot_m3 / MIX.sandWetted) * MIX.sandPacking * MIX.aggregate_kg_m3,
    ),
  };
}
