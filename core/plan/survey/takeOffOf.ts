import { rangedOf } from '../../quantity';
import type { FindingInput } from '../../survey';
import { debrisOf } from '../../takeoff';
import { deepestOf, kindOf, type Learned } from '../kinds';
import type { TakeOff } from './TakeOff';

/**
 * What a finding measures: surface, edge, volume with its P10-P90, what is broken out and carried away, and what its
 * kind adds (sand for a crack, passes for a groove, thrust and props for a step, weight and strips for a countertop,
 * hand portions for a void).
 *
 * @throws Problem `outOfRange` and the outline's own problems
 */
export function takeOffOf(finding: FindingInput, learned: Learned = {}): TakeOff {
  const taken = kindOf(finding).takeOff(finding, learned);
  return {
    area_m2: taken.area_m2,
    perimeter_m: taken.edge_m,
    deepest_m: deepestOf(finding),
    mean_m: taken.volume_m3 / taken.area_m2,
    volume: rangedOf(taken.volume_m3, taken.sigma),
    sigma: taken.sigma,
    rough_m2: taken.rough_m2,
    length_m: taken.length_m ?? null,
    debris: taken.removed_m3 > 0 ? debrisOf(taken.removed_m3) : null,
    more: taken.more ?? {},
    strips: taken.strips ?? [],
  };
}
