import { catalogue } from '../shelf/catalogue';
import { sandMost, usedFaults, vesselFor, vesselHolds, vesselsOf, waterDrift, waterRatioUsed, type Used } from './index';

const named = (name: RegExp) => catalogue.find((sheet) => name.test(sheet.name))!;
const mortar = catalogue.find(({ class: of, retarderUnit, retarder }) => of === 'fineRapid' && retarderUnit === 'packet' && retarder.length > 1)!;
const planned = { powder_kg: 10, waterRatio: 0.17, retarderDose: 1, otherWater_kg: 0 };
const codes = (used: Used, sheet = mortar, more: Partial<typeof planned> = {}): string[] =>
  usedFaults({ sheet, used, planned: { ...planned, ...more } }).map(({ code }) => code);

test('water outside the sheet’s band, with what it costs', () => {
  const { least, most } = mortar.water!;
  expect(codes({ water_m3: (10 * most) / 1000 })).toEqual([]);
  expect(codes({ water_m3: (10 * least) / 1000 })).toEqual([]);
  expect(codes({ water_m3: (10 * least) / 1001 })).toEqual(['waterUnder']);
  const [over] = usedFaults({ sheet: mortar, used: { water_m3: (10 * most + 0.5) / 1000 }, planned });
  expect(over).toMatchObject({ code: 'waterOver', figures: { most_m3: expect.closeTo((10 * most) / 1000, 12) } });
  expect(over!.code === 'waterOver' && over!.figures.lost_share).toBeGreaterThan(0.1);
  // Ice and the stone's own water are in it too; latex counts as the water whose place it takes.
  expect(codes({ water_m3: 0.001 }, mortar, { otherWater_kg: 10 * least - 1 })).toEqual([]);
  expect(codes({ water_m3: 0.001, latex_m3: 0.001 })).toEqual([]);
  expect(waterRatioUsed({ packets: 1 }, planned)).toBeNull();
});

test('a packet for half a bag, and past the table', () => {
  const half = { powder_kg: mortar.packs[0]!.mass_kg / 2 };
  expect(codes({ packets: 0.5 }, mortar, half)).toEqual([]);
  expect(codes({ packets: 1 }, mortar, half)).toEqual(['retarderOff']);
  expect(codes({ packets: 4 }, mortar, half)).toEqual(['retarderOver']);
});

test('parts swapped, parts off, sand past what a resin wets', () => {
  const uneven = catalogue.find(({ parts }) => parts?.length === 2 && parts[0] !== parts[1])!;
  const [a, b] = uneven.parts as [number, number];
  const of = (parts_m3: readonly number[]): string[] => codes({ parts_m3 }, uneven, { powder_kg: 0.05 });
  expect(of([a * 1e-5, b * 1e-5])).toEqual([]);
  expect(of([b * 1e-5, a * 1e-5])).toEqual(['partsSwapped']);
  expect(of([a * 1.2e-5, b * 1e-5])).toEqual(['partsOff']);
  const resin = named(/^Pit and crack resin/);
  const parts_m3 = resin.parts!.map((part) => part * 1e-4);
  const most = sandMost(
    resin,
    parts_m3.reduce((sum, part) => sum + part, 0),
  );
  expect(codes({ parts_m3, sand_kg: most * 0.999 }, resin)).toEqual([]);
  expect(codes({ parts_m3, sand_kg: most * 1.001 }, resin)).toEqual(['sandOver']);
});

test('a drift that a jug cannot show is none; wetter is weaker, drier is stronger', () => {
  expect(waterDrift({ first: 0.17, ratio: 0.174 })).toBeNull();
  expect(waterDrift({ first: 0.17, ratio: 0.187 })).toMatchObject({ drift: expect.closeTo(0.1, 9) });
  expect(waterDrift({ first: 0.17, ratio: 0.187 })!.strength).toBeLessThan(1);
  expect(waterDrift({ first: 0.17, ratio: 0.15 })!.strength).toBeGreaterThan(1);
});

test('the firm’s own vessels stand for the ordinary ones, its pail among them', () => {
  const tub = { name: 'Tub', volume_m3: 0.04, mark_m3: 0.001 };
  const cup = { name: 'Old cup', volume_m3: 0.0004, mark_m3: 5e-5 };
  const firm = { pail_m3: 0.0189, vessels: [tub, cup] };
  expect(vesselsOf(firm).map(({ code, name }) => name ?? code)).toEqual(['Old cup', 'pail', 'Tub']);
  const contents = { mixed_m3: 0.0003, bulk_m3: 0.0003 };
  expect(vesselFor(contents, firm)).toMatchObject({ code: 'named', name: 'Old cup', mark_m3: 5e-5 });
  expect(vesselHolds({ volume_m3: 0.0003 }, contents)).toBe(false);
  expect(vesselFor({ mixed_m3: 0.02, bulk_m3: 0.02 }, firm).name).toBe('Tub');
});
