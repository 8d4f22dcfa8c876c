import { bagOf, resinDensity, resinOf, type Sheet } from '../shelf';
import { MIX } from './constants';
import { resinSand } from './resinSand';
import { strengthRatioForWater } from './strengthRatioForWater';

/** What really went into a batch, as far as somebody measured it. */
export interface Used {
  readonly powder_kg?: number;
  readonly water_m3?: number;
  readonly latex_m3?: number;
  readonly packets?: number;
  /** of a resin, part by part */
  readonly parts_m3?: readonly number[];
  readonly sand_kg?: number;
}

/** What is wrong with what went in: each is a sentence. */
export type UsedFault =
  | { readonly code: 'waterOver'; readonly figures: { readonly most_m3: number; readonly lost_share: number } }
  | { readonly code: 'waterUnder'; readonly figures: { readonly least_m3: number } }
  | { readonly code: 'retarderOver'; readonly figures: { readonly dose: number; readonly most: number } }
  | { readonly code: 'retarderOff'; readonly figures: { readonly dose: number; readonly wanted: number } }
  | { readonly code: 'partsSwapped'; readonly figures: Readonly<Record<never, never>> }
  | { readonly code: 'partsOff'; readonly figures: { readonly off_share: number } }
  | { readonly code: 'sandOver'; readonly figures: { readonly most_kg: number } };

/** What a batch's ticket asks for, as far as it is held against what went in. */
export interface Planned {
  readonly powder_kg: number;
  readonly waterRatio: number;
  /** packets a bag */
  readonly retarderDose: number;
  /** water that nobody pours: ice, and what the stone holds, kg */
  readonly otherWater_kg: number;
}

/** Water to powder as it really went in; null where nobody measured it. */
export function waterRatioUsed({ water_m3, latex_m3 = 0, powder_kg }: Used, planned: Planned): number | null {
  const powder = powder_kg ?? planned.powder_kg;
  return water_m3 === undefined || powder <= 0 ? null : ((water_m3 + latex_m3) * MIX.water_kg_m3 + planned.otherWater_kg) / powder;
}

/** Parts this far from their ratio cure soft or brittle. */
const PARTS_OFF = 0.05;

/** Shares of a whole. */
const sharesOf = (parts: readonly number[]): number[] => {
  const whole = parts.reduce((sum, part) => sum + part, 0);
  return parts.map((part) => part / whole);
};
const furthest = (a: readonly number[], b: readonly number[]): number => Math.max(...a.map((share, i) => Math.abs(share / (b[i] ?? share) - 1)));

/** The most sand that so much resin takes: by the sheet, else until the grains stay dry, kg. */
export const sandMost = (sheet: Sheet, resin_m3: number): number => {
  const { sandLimit } = resinOf(sheet);
  return Math.min(
    sandLimit === null ? Infinity : sandLimit * resin_m3 * MIX.sandBulk_kg_m3,
    (resin_m3 / MIX.sandWetted) * MIX.sandPacking * MIX.aggregate_kg_m3,
  );
};

/**
 * What is wrong with what goes into a batch, as it is typed: water outside the sheet's band with the strength that costs,
 * retarder past its table or not the batch's share of a packet, parts swapped or off their ratio, sand past its limit.
 *
 * @returns nothing where all of it is as it should be, or is not known
 */
export function usedFaults({ sheet, used, planned }: { readonly sheet: Sheet; readonly used: Used; readonly planned: Planned }): UsedFault[] {
  const faults: UsedFault[] = [];
  const powder_kg = used.powder_kg ?? planned.powder_kg;
  const ratio = waterRatioUsed(used, planned);
  if (sheet.water && ratio !== null) {
    const { least, most } = sheet.water;
    // What may still be poured of it.
    const left = (share: number): number => Math.max(0, (share * powder_kg - planned.otherWater_kg) / MIX.water_kg_m3 - (used.latex_m3 ?? 0));
    const inReach = Math.min(1, Math.max(0.01, ratio));
    if (ratio > most * (1 + 1e-9))
      faults.push({
        code: 'waterOver',
        figures: {
          most_m3: left(most),
          lost_share: 1 - strengthRatioForWater({ waterRatio: planned.waterRatio, waterRatioActual: inReach }),
        },
      });
    else if (ratio * (1 + 1e-9) < least) faults.push({ code: 'waterUnder', figures: { least_m3: left(least) } });
  }
  if (used.packets !== undefined && sheet.retarderUnit !== 'citric' && powder_kg > 0) {
    const dose = (used.packets * bagOf(sheet).mass_kg) / powder_kg;
    const most = Math.max(0, ...sheet.retarder.map(([packets]) => packets));
    if (dose > most * (1 + 1e-9)) faults.push({ code: 'retarderOver', figures: { dose, most } });
    else if (Math.abs(dose - planned.retarderDose) > 0.1) faults.push({ code: 'retarderOff', figures: { dose, wanted: planned.retarderDose } });
  }
  const { parts_m3 } = used;
  if (sheet.parts && sheet.parts.length > 1 && parts_m3?.length === sheet.parts.length && parts_m3.every((part) => part > 0)) {
    const asked = sharesOf(sheet.parts);
    const poured = sharesOf(parts_m3);
    const off_share = furthest(poured, asked);
    const turned = furthest(poured, [asked[1]!, asked[0]!, ...asked.slice(2)]);
    if (off_share > PARTS_OFF) faults.push(turned < off_share / 2 ? { code: 'partsSwapped', figures: {} } : { code: 'partsOff', figures: { off_share } });
  }
  const resin_m3 = parts_m3?.reduce((sum, part) => sum + part, 0) ?? planned.powder_kg / resinDensity(sheet);
  if (used.sand_kg !== undefined && used.sand_kg > 0 && sheet.parts && resin_m3 > 1e-7) {
    const limitByVolume = resinOf(sheet).sandLimit ?? Infinity;
    if (resinSand({ resin_m3, sand_kg: Math.min(1000, used.sand_kg), limitByVolume }).verdict === 'refused')
      faults.push({ code: 'sandOver', figures: { most_kg: sandMost(sheet, resin_m3) } });
  }
  return faults;
}
