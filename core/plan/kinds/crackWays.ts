import { CHOOSE, houseOf, type HouseMethod } from '../../choose';
import { MIX } from '../../mix';
import { movementOf, resinOf, type Sheet } from '../../shelf';
import type { CrackInput } from '../../survey';
import { crackResin, debrisOf, meanWidth, TAKEOFF, type Crack } from '../../takeoff';
import type { Context } from '../input/Context';
import type { TakeOff } from '../survey/TakeOff';
import type { CrackWay } from './CrackWay';
import type { Of } from './Damage';

/** How a crack is filled with resin: by its width, or by the firm's school. */
function crackMethod({ cracks }: HouseMethod, width_m: number): Exclude<HouseMethod['cracks'], 'byWidth'> {
  if (cracks !== 'byWidth') return cracks;
  if (width_m < CHOOSE.neatUnder_m) return 'neat';
  return width_m <= CHOOSE.sandedTo_m ? 'sandInResin' : 'bedAndCap';
}

/** The way of a crack with a sheet: mortar by its grain, a sealant by a joint, a resin by the crack's width, or each by the firm's school. */
export function crackWay({ house, sheet, finding }: { house: HouseMethod; sheet: Sheet; finding: CrackInput }): CrackWay {
  const width_m = meanWidth(finding.widths);
  if (sheet.water) {
    const rub = house.renderCracks === 'rub' || (house.renderCracks === 'byGrain' && width_m < CHOOSE.grains * sheet.grain_m && finding.moves !== 'yes');
    return rub ? 'rubIn' : 'openGroove';
  }
  return movementOf(sheet) > 0 ? 'joint' : crackMethod(house, width_m);
}

/** How wide and deep it is, and of what shape: a saw leaves a slot where it is opened or cut; what is only filled stays as it was found. */
export function crackOpened({ sheet, finding, way }: { sheet: Sheet; finding: CrackInput; way: CrackWay }): Pick<Crack, 'width_m' | 'depth_m' | 'profile'> {
  const width_m = meanWidth(finding.widths);
  const depth_m = finding.depth.value;
  if (way === 'joint') return { width_m: Math.max(width_m, 2 * sheet.thickness.least_m), depth_m, profile: 'slot' };
  if (way !== 'openGroove') return { width_m, depth_m, profile: finding.profile };
  const opened_m = Math.max(width_m, CHOOSE.grains * sheet.grain_m);
  return { width_m: opened_m, depth_m: Math.min(depth_m, CHOOSE.grooveDeep * opened_m), profile: 'slot' };
}

/** Loose sand that a resin takes, over its own volume: the sheet's limit, never more than it wets. */
const sandTaken = (sheet: Sheet): number =>
  Math.min(resinOf(sheet).sandLimit ?? 0, (MIX.sandPacking * MIX.aggregate_kg_m3) / (MIX.sandWetted * MIX.sandBulk_kg_m3));

/** The resin in a room that it fills with so much loose sand over its own volume, m3. */
const liquidOf = (full_m3: number, sand: number): number => full_m3 / (1 + (sand * MIX.sandBulk_kg_m3) / MIX.aggregate_kg_m3);

/** A line as it was surveyed, with another volume of liquid in it. */
function withVolume(takeOff: TakeOff, volume_m3: number): TakeOff {
  const by = volume_m3 / takeOff.volume.p50;
  const { p10, p50, p90 } = takeOff.volume;
  return { ...takeOff, volume: { p10: p10 * by, p50: p50 * by, p90: p90 * by }, mean_m: volume_m3 / takeOff.area_m2 };
}

/** A line of so much room filled with resin, with the sand its sheet takes where it takes any. */
export function sanded(takeOff: TakeOff, sheet: Sheet, full_m3: number, wide: boolean): TakeOff {
  const sand = wide ? sandTaken(sheet) : 0;
  const volume_m3 = liquidOf(full_m3, sand);
  return {
    ...withVolume(takeOff, volume_m3),
    more: { ...takeOff.more, ...(sand > 0 ? { sand_kg: volume_m3 * sand * MIX.sandBulk_kg_m3 } : {}) },
  };
}

/**
 * What a crack takes of one sheet, by the way it is filled. Bed and cap is what the survey counts; the rest fill it whole,
 * sand taking its share of the room, a groove as it is opened, a joint as it is cut.
 */
export function crackFilled({ input, finding, takeOff, sheet }: Of<CrackInput, Pick<Context, 'input' | 'finding' | 'takeOff' | 'sheet'>>): TakeOff {
  const way = crackWay({ house: houseOf(input.house), sheet, finding });
  if (way === 'bedAndCap') return { ...takeOff, more: { ...takeOff.more, sand_kg: (takeOff.more['sand_m3'] ?? 0) * MIX.aggregate_kg_m3 * MIX.sandPacking } };
  const opened = crackOpened({ sheet, finding, way });
  const length_m = takeOff.length_m!;
  const whole = (crown_m: number): number => crackResin({ length_m, ...opened, cap_m: opened.depth_m, crown_m, porosity: 0 }) * (1 + finding.runaway);
  const crowned = way === 'neat' || way === 'sandInResin' || way === 'filler';
  // A sealant fills half of its joint's width in depth, over a rod.
  const full_m3 = way === 'joint' ? length_m * opened.width_m * opened.width_m * TAKEOFF.sealantDepthShare : whole(crowned ? TAKEOFF.crown_m : 0);
  const sand = way === 'sandInResin' || way === 'filler' ? sandTaken(sheet) : 0;
  const volume_m3 = liquidOf(full_m3, sand);
  // What is opened or cut wider than it was found is carried away.
  const asFound_m3 = crackResin({ length_m, ...crackOpened({ sheet, finding, way: 'neat' }), cap_m: finding.depth.value, crown_m: 0, porosity: 0 });
  const cut_m3 = way === 'joint' || way === 'openGroove' ? length_m * opened.width_m * opened.depth_m - asFound_m3 : 0;
  return {
    ...withVolume(takeOff, volume_m3),
    debris: cut_m3 > 0 ? debrisOf(cut_m3) : takeOff.debris,
    more: { width_m: opened.width_m, sand_m3: volume_m3 * sand, sand_kg: volume_m3 * sand * MIX.sandBulk_kg_m3 },
  };
}
