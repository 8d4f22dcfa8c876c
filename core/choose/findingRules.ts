import { isGoodOn } from '../mix';
import { ceilingOf } from '../quantity';
import { chanceOfLife, either } from '../setting';
import { liftMostFor, movementOf, thicknessFor, wantsStone, type Sheet } from '../shelf';
import { orientationOf } from '../survey';
import { jointWidth } from '../takeoff';
import type { Asks } from './Asks';
import { CHOOSE } from './constants';
import { edgeOf } from './edgeOf';
import { leastForGrain, type HouseMethod } from './houseMethod';
import { reason, type FirstRule, type LifeSpent, type Rule } from './RuleContext';

/** What a product is good for is told, never held against it: only a property refuses it. */
export const madeForRule: FirstRule = ({ sheet, asks: { use, kind } }) => {
  const [first = ''] = sheet.uses;
  if (!sheet.uses.includes(use)) return reason('use.other', 'caution', { use: first, kind });
  return reason(first === use ? 'use.made' : 'use.also', 'yes', { use, first });
};

/** What stays soft fills what moves, and carries nothing. */
export const softRule: FirstRule = ({ sheet, asks: { moving } }) => (gives(sheet) && !moving ? reason('movement.soft', 'no') : []);

/** A riser stands: what only lies runs off it. */
export const standsRule: FirstRule = ({ sheet, asks: { stands } }) =>
  stands && !sheet.orientations.includes('vertical') ? reason('orientation.wrong', 'no', { orientation: 'vertical' }) : [];

/** Under water only what does not wash out. */
export const washOutRule: FirstRule = ({ sheet, asks: { underWater } }) => (underWater && sheet.moisture !== 'wet' ? reason('water.washesOut', 'no') : []);

/** What gives with a movement: a sealant in a joint, never a rigid filling. */
const gives = (sheet: Sheet): boolean => movementOf(sheet) >= CHOOSE.givesFrom;

/** Nothing rigid ties together what moves; what gives needs a joint wide enough for its share of movement. */
export const movementRule: FirstRule = ({ sheet, asks: { moving } }) => {
  if (!moving) return [];
  const { least_m } = sheet.thickness;
  if (moving.of === 'joint' && !moving.moves && moving.isJoint) return gives(sheet) ? [] : reason('movement.rigid', 'no');
  if (!moving.moves) return gives(sheet) ? reason('movement.notNeeded', 'caution', { least_m }) : [];
  if (!gives(sheet)) return reason('movement.rigid', 'no');
  if (moving.of === 'crack') return reason('movement.cutJoint', 'caution', { least_m });
  const { width_m, moves } = moving;
  const share = movementOf(sheet);
  const needs_m = jointWidth({ length_m: moves.between_m, temperatureRange_K: moves.range_K, movementClass: share });
  const figures = { needs_m, width_m, movement_share: share };
  return width_m < needs_m * (1 - 1e-9) ? reason('movement.narrow', 'no', figures) : reason('movement.taken', 'yes', figures);
};

/** How thick a product lies in a finding: a sealant over its rod, half as deep as it is wide; a resin over a bed of sand as its cap; everything else as deep as it goes. */
function layerIn(sheet: Sheet, { moving, deepest_m }: Asks, house: HouseMethod): number {
  if (gives(sheet) && moving?.of === 'joint') return moving.width_m / 2;
  if (moving?.of !== 'crack' || sheet.water || gives(sheet)) return deepest_m;
  const bedded = house.cracks === 'bedAndCap' || (house.cracks === 'byWidth' && moving.width_m > CHOOSE.sandedTo_m);
  return bedded ? Math.min(deepest_m, moving.cap_m) : deepest_m;
}

/** The deepest place must lie inside the sheet's thickness for this use, or inside what stone takes it to; more than one lift is possible but costs a wait. */
export const thicknessRule: FirstRule = ({ sheet, asks, element, house }) => {
  // A moving crack becomes a joint that is cut to the sealant's measure.
  if (gives(sheet) && asks.moving?.of === 'crack') return [];
  const depth_m = layerIn(sheet, asks, house);
  const { least_m, most_m } = thicknessFor(sheet, asks.use);
  const figures = { depth_m, least_m, most_m };
  const stone = wantsStone(sheet, depth_m);
  if (depth_m > most_m * (1 + 1e-9) && !stone) return reason('thickness.over', 'no', figures);
  if (depth_m < least_m * (1 - 1e-9)) return reason('thickness.under', 'no', figures);
  const lift_m = liftMostFor(sheet, { orientation: orientationOf(element.kind), depth_m });
  // A line is filled shot after shot, not lift on lift.
  const lifts = asks.moving ? 1 : ceilingOf(depth_m / lift_m);
  return [
    ...(stone ? reason('stone.reaches', 'caution', { depth_m, neat_m: most_m, stone_share: sheet.extension?.most ?? 0 }) : []),
    ...(lifts > 1 ? reason('thickness.lifts', 'caution', { ...figures, lifts, lift_m }) : stone ? [] : reason('thickness.fits', 'yes', figures)),
  ];
};

/** Never under the sheet's minimum: a feathered rim needs a sheet that feathers. */
export const edgeRule: FirstRule = ({ sheet, asks: { rim, deepest_m }, element, house }) => {
  if (rim === 'runsOut')
    return sheet.thickness.feathers ? reason('edge.feathers', 'yes') : reason('edge.noFeather', 'caution', { least_m: sheet.thickness.least_m });
  if (rim === null) return [];
  const edge = edgeOf({ house, element, rim, deepest_m });
  if (edge === 'shoulder') return reason('edge.cut', 'yes');
  if (sheet.thickness.feathers) return reason('edge.feathers', 'yes');
  const { least_m } = sheet.thickness;
  if (edge === 'keyed') return reason('edge.keyed', 'caution', { least_m });
  return reason('edge.noFeather', house.feathering === 'toZero' ? 'caution' : 'no', { least_m });
};

/** Three grains must fit in the layer, or across a crack, or they bridge it; a skim by the firm's own school. */
export const grainRule: FirstRule = ({ sheet, asks: { use, grainRoom_m: depth_m, rubbedIn }, house }) => {
  const needs_m = leastForGrain(house, sheet, use === 'overlay');
  const figures = { grain_m: sheet.grain_m, needs_m, depth_m };
  // A mortar too coarse for a crack is rubbed in as paste, or the crack is opened for it.
  if (depth_m < needs_m && rubbedIn && sheet.water && sheet.grain_m <= CHOOSE.pasteGrain_m)
    return reason(house.renderCracks === 'open' ? 'grain.open' : 'grain.rubIn', 'caution', figures);
  return depth_m < needs_m ? reason('grain.coarse', 'no', figures) : reason('grain.fits', 'yes', figures);
};

/** What holds back water wants a head its sheet stands. */
export const headRule: FirstRule = ({ sheet, element, asks: { underWater, head_m: asked_m } }) => {
  if (!underWater && !element.exposures.includes('immersion')) return [];
  const head_m = sheet.head_m ?? 0;
  if (asked_m !== null && head_m > 0 && asked_m > head_m) return reason('head.over', 'no', { head_m, asked_m });
  return head_m > 0 ? reason('head.stands', 'yes', { head_m }) : reason('head.none', 'caution');
};

/** Finished as its surroundings are, where somebody asked for that; a line and a hole under water take no texture. */
export const textureRule: FirstRule = ({ sheet, element: { texture }, asks: { takesTexture } }) => {
  if (!texture || !sheet.textures || !takesTexture) return [];
  return sheet.textures.includes(texture) ? reason('texture.takes', 'yes', { texture }) : reason('texture.cannot', 'caution', { texture });
};

/** What lies at the yard is used first, unless it is past its date on the day of the work. */
export const stockRule: FirstRule = ({ stock = [], on }) => {
  if (stock.length === 0) return [];
  const good = stock.filter((lot) => isGoodOn(lot, on));
  if (good.length === 0) return reason('stock.past', 'caution', { day: stock.map(({ useBy = '' }) => useBy).reduce((a, b) => (a > b ? a : b)) });
  return reason('stock.here', 'yes', { mass_kg: good.reduce((sum, { mass_kg }) => sum + mass_kg, 0) });
};

/** The chance that a batch is lost with so much retarder: the worst of its lives, or a skin. */
const chanceLost = ({ spent, skin, sdLn }: LifeSpent, retarder = 1): number =>
  either(chanceOfLife(Math.max(spent.flow, spent.finish, spent.wetEdge) / retarder, sdLn), skin);

/**
 * A batch must be placed, touched and finished while it lives, at the chance the firm accepts. Retarder, shade and an
 * early hour are tried before it is refused; the rest of what helps is Day's to say.
 */
export const lifeRule: Rule = ({ life, house }) => {
  const batch = life();
  if (!batch) return [];
  const { spent, needs_s, safe, accepted } = batch;
  const ends = ['flow', 'finish', 'wetEdge'] as const;
  const worst = ends.reduce((most, end) => (spent[end] > spent[most] ? end : most));
  const figures = { needs_s: needs_s[worst], spent_share: spent[worst], safe_share: safe, chance_share: chanceLost(batch), accepted_share: accepted };
  const slack = 1 + 1e-9;
  if (figures.chance_share <= accepted * slack) return reason('lives.fits', 'yes', figures);
  const retarder = house.retarder === 'never' ? 1 : batch.retarder;
  if (retarder > 1 && chanceLost(batch, retarder) <= accepted * slack) return reason('lives.retard', 'caution', figures);
  if (chanceLost(batch.shaded(), retarder) <= accepted * slack) return reason('lives.shade', 'caution', figures);
  return chanceLost(batch, retarder) <= 0.5 ? reason('lives.close', 'caution', figures) : reason('lives.short', 'no', figures);
};

/** It must carry what is asked when it is asked; within a tenth of the time is too close to promise. */
export const timeToOpenRule: Rule = ({ element, opensAfter }) => {
  if (!element.opens) return [];
  const opening = opensAfter();
  const { to, after_s } = element.opens;
  if (opening === null) return reason('open.unknown', 'no', { to, asked_s: after_s });
  const opensAfter_s = opening.after_s;
  const figures = { to, asked_s: after_s, opens_s: opensAfter_s };
  if (opening.extrapolated && opensAfter_s <= after_s) return reason('open.assumed', 'caution', figures);
  if (opensAfter_s > after_s) return reason('open.late', 'no', figures);
  return opensAfter_s > after_s * CHOOSE.closeToOpen ? reason('open.close', 'caution', figures) : reason('open.inTime', 'yes', figures);
};

/** In the order a person would ask. */
export const FINDING_RULES: readonly FirstRule[] = [
  madeForRule,
  softRule,
  standsRule,
  washOutRule,
  movementRule,
  thicknessRule,
  edgeRule,
  grainRule,
  headRule,
  textureRule,
  stockRule,
];

/** Asked last and only of what nothing else refuses: they take the whole clock of the repair. */
export const LAST_RULES: readonly Rule[] = [lifeRule, timeToOpenRule];
