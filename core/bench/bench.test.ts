import { problemOf } from '../testing/problemOf';
import { sheetOf } from '../testing/job';
import { catalogue } from '../shelf/catalogue';
import { bagSum, counterSum, coverSum, crackSum, dampSum, slurrySum, strengthSum, waterSum, type Worked } from './index';

const mortar = sheetOf('sandedRapid');
const resin = catalogue.find(({ name }) => /^Bottle resin, one minute/.test(name))!;
const of = ({ answer, lines }: Worked, code: string): Readonly<Record<string, number>> => [answer, ...lines].find((line) => line.code === code)!.figures;
// By hand, for a 22.7 kg bag at w/p 0.155: (1/2750 + 0.155/1000)/0.95 = 0.00054593 m3/kg, 12.393 L a bag.
const BAG_M3 = 22.7 * ((1 / 2750 + 0.155 / 1000) / 0.95);

test.each<[string, () => void]>([
  [
    'Bag: its water, what it makes, how far that goes over a profile of 4 (0.6 mm)',
    () => {
      const sum = bagSum({ sheet: mortar, bags: 2, thickness_m: 0.02 });
      expect(of(sum, 'bag.mixed')['volume_m3']).toBeCloseTo(2 * BAG_M3, 9);
      expect(of(sum, 'bag.water')).toMatchObject({
        water_m3: expect.closeTo(0.045_4 * 0.155, 9),
        least_m3: expect.closeTo(0.0454 * 0.13, 9),
        most_m3: expect.closeTo(0.0454 * 0.18, 9),
      });
      expect(of(sum, 'bag.covers')['area_m2']).toBeCloseTo((2 * BAG_M3) / 0.0206, 9);
    },
  ],
  [
    'Cover: area and thickness to bags, a claim back to its thickness, a claim too thin for the sheet said',
    () => {
      const given = { sheet: mortar, length_m: 3, width_m: 2, thickness_m: 0.02 };
      expect(of(coverSum(given), 'cover.bags')['bags']).toBeCloseTo((6 * 0.0206) / BAG_M3, 2);
      expect(of(coverSum(given), 'cover.bags')['count']).toBe(Math.ceil((6 * 0.0206) / BAG_M3));
      expect(of(coverSum({ ...given, claim_m2: 1 }), 'cover.claim')['claimed_m']).toBeCloseTo(BAG_M3 - 0.0006, 9);
      expect(coverSum({ ...given, claim_m2: 5 }).lines.at(-1)).toMatchObject({ code: 'cover.claimThin', warns: true });
      expect(problemOf(() => coverSum({ ...given, claim_m2: 0 })).code).toBe('outOfRange');
    },
  ],
  [
    'Crack: 4 m of 3 mm, 30 mm deep is 360 mL neat, 58 % of it sand',
    () => {
      const sum = crackSum({ sheet: resin, length_m: 4, width_m: 0.003, depth_m: 0.03 });
      expect(sum.answer.figures['volume_m3']).toBeCloseTo(360e-6, 12);
      expect(of(sum, 'crack.sand')).toMatchObject({ sand_kg: expect.closeTo(360e-6 * 0.58 * 2650, 9), resin_m3: expect.closeTo(360e-6 * 0.42, 12) });
      expect(problemOf(() => crackSum({ sheet: resin, length_m: 4, width_m: 0, depth_m: 0.03 })).code).toBe('outOfRange');
    },
  ],
  [
    'Slurry: a litre of liquid is half a litre each, 2.525 kg of cement, 1.8 L',
    () => {
      const sum = slurrySum({ liquid_m3: 0.001 });
      expect(of(sum, 'slurry.water')['water_m3']).toBeCloseTo(0.0005, 12);
      expect(of(sum, 'slurry.cement')['cement_kg']).toBeCloseTo((0.5 + 0.51) / 0.4, 9);
      expect(sum.answer.figures['volume_m3']).toBeCloseTo(0.001 + 2.525 / 3150, 9);
    },
  ],
  [
    'Counter: 2.4 m by 0.6 m of 40 mm: its weight is powder and water, its form four strips',
    () => {
      const mix = sheetOf('counterMix');
      const sum = counterSum({ sheet: mix, length_m: 2.4, width_m: 0.6, thickness_m: 0.04 });
      const perKg = (1 / 2700 + 0.17 / 1000) / 0.95;
      const powder_kg = (2.4 * 0.6 * 0.04) / perKg;
      expect(of(sum, 'counter.weighs')['mass_kg']).toBeCloseTo(powder_kg * 1.17, 6);
      expect(of(sum, 'counter.bags')['bags']).toBeCloseTo(powder_kg / 22.7, 2);
      expect(of(sum, 'counter.strips')['count']).toBe(3);
      expect(of(counterSum({ sheet: mix, length_m: 3, width_m: 0.6, thickness_m: 0.04 }), 'counter.strips')['count']).toBeGreaterThan(3);
    },
  ],
  [
    'Water: what temperature, or how much ice; what no hose gives is said',
    () => {
      const sum = waterSum({ sheet: mortar, powder_C: 25, tap_C: 18, target_C: 22 });
      const heat = { powder: 22.7 * 0.84, water: 22.7 * 0.155 * 4.186 };
      const water_C = sum.answer.figures['water_C']!;
      expect((heat.powder * 25 + heat.water * water_C) / (heat.powder + heat.water)).toBeCloseTo(22, 0);
      expect(waterSum({ sheet: mortar, powder_C: 38, tap_C: 24, target_C: 18 }).answer).toMatchObject({ code: 'water.waterLeast', warns: true });
      expect(waterSum({ sheet: mortar, powder_C: 20, tap_C: 20, target_C: 25 }).lines.at(-1)!.code).toBe('water.noIce');
      expect(waterSum({ sheet: mortar, powder_C: 60, tap_C: 50, target_C: 2 }).lines.at(-1)!).toMatchObject({ code: 'water.iceOver', warns: true });
    },
  ],
  [
    'Strength: at the sheet’s own temperature its own times, later in the cold',
    () => {
      const at = (slab_C: number): number => strengthSum({ sheet: mortar, slab_C }).answer.figures['after_s']!;
      expect(at(mortar.reference_C)).toBeCloseTo(mortar.milestones.foot!, 6);
      expect(at(8)).toBeGreaterThan(at(20));
      expect(strengthSum({ sheet: { ...mortar, milestones: {} }, slab_C: 20 }).answer.code).toBe('strength.silent');
    },
  ],
  [
    'Damp: at half humidity and 20 degC the dew lies near 9.3; a slab within 3 K of it is too damp for resin',
    () => {
      const sum = dampSum({ air_C: 20, humidity: 0.5, slab_C: 25, wind_ms: 2 });
      expect(of(sum, 'damp.dew')['dew_C']).toBeCloseTo(9.3, 0);
      expect(of(sum, 'damp.over')['over_K']).toBeGreaterThan(3);
      expect(dampSum({ air_C: 20, humidity: 0.9, slab_C: 19, wind_ms: 2 }).lines.at(-1)).toMatchObject({ code: 'damp.under', warns: true });
      expect(sum.answer.figures['every_s']).toBeGreaterThan(0);
    },
  ],
])('%s', (_name, check) => check());
