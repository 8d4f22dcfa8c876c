import fc from 'fast-check';
import { problemOf } from '../testing/problemOf';
import {
  vesselFor,
  bestQuantile,
  bottleMarks,
  chanceShort,
  evenBatches,
  extend,
  fibreFor,
  fromStock,
  handsFactor,
  largestPortion,
  mixedVolume,
  orderQuantile,
  packagesLeastCost,
  partsByMass,
  portionOf,
  quantileOf,
  resinSand,
  slurry,
  textureOf,
  vesselLimit,
  type PortionLimit,
} from './index';

const stone = { powder_kg: 25, waterRatio: 0.12, powder_kg_m3: 2750, air: 0.03, aggregate_kg: 12, moisture: 0.01, absorption: 0.01, grain_m: 0.01 };

test('stone adds its own volume; its free water comes off the dose and what it drinks goes on', () => {
  const surfaceDry = extend(stone);
  expect(surfaceDry.water_kg).toBeCloseTo(3, 12);
  expect(surfaceDry.volume_m3).toBeCloseTo((25 / 2750 + 3 / 1000 + 12 / 2650) / 0.97, 12);
  expect(surfaceDry.gain).toBeCloseTo(12 / 2650 / (25 / 2750 + 0.003), 9);
  expect(surfaceDry.least_m).toBeCloseTo(0.03, 12);
  expect(surfaceDry.heat_kJ_K).toBeCloseTo(12 * 0.92, 12);
  const dry_kg = 12 / 1.01;
  expect(extend({ ...stone, moisture: 0.05 }).water_kg).toBeCloseTo(3 - dry_kg * 0.04, 12);
  expect(extend({ ...stone, moisture: 0 }).water_kg).toBeCloseTo(3 + dry_kg * 0.01, 12);
  expect(problemOf(() => extend({ ...stone, aggregate_kg: 60, moisture: 0.2 })).figures).toMatchObject({ quantity: 'water_kg' });
});

test('fibre by the volume: mass, room and whole bags', () => {
  const glass = fibreFor({ kind: 'glass', volume_m3: 0.5, dose_kg_m3: 2.7, bag_kg: 0.5 });
  expect(glass.mass_kg).toBeCloseTo(1.35, 12);
  expect(glass.volume_m3).toBeCloseTo(0.0005, 12);
  expect(glass.bags).toBe(3);
  expect(fibreFor({ kind: 'polypropylene', volume_m3: 1, dose_kg_m3: 0.91, bag_kg: 1 }).volume_m3).toBeCloseTo(0.001, 12);
  expect(fibreFor({ kind: 'steel', volume_m3: 1, dose_kg_m3: 78.5, bag_kg: 20 }).volume_m3).toBeCloseTo(0.01, 12);
});

test('parts by volume and by weight agree through their densities, or the difference is told', () => {
  const told = partsByMass({ byVolume: [2, 1], densities_kg_m3: [1150, 1000], byMass: [100, 45] });
  expect(told.shares[0]).toBeCloseTo(2300 / 3300, 12);
  expect(told.difference).toBeCloseTo(45 / 145 / (1000 / 3300) - 1, 12);
  expect(partsByMass({ byVolume: [1, 1, 2], densities_kg_m3: [1000, 1000, 1000], byMass: null })).toEqual({ shares: [0.25, 0.25, 0.5], difference: 0 });
  expect(problemOf(() => partsByMass({ byVolume: [1, 1], densities_kg_m3: [1000], byMass: null })).code).toBe('partsUneven');
  expect(problemOf(() => partsByMass({ byVolume: [1, 1], densities_kg_m3: [1000, 1000], byMass: [1] })).code).toBe('partsUneven');
  expect(bottleMarks({ shot_m3: 0.0004, parts: [1, 1, 2] })).toEqual([0.0001, 0.0002, 0.0004]);
});

test('stock: what expires first, then part bags; what is past its date stays on the shelf', () => {
  const lots = [{ mass_kg: 22.7 }, { mass_kg: 6 }, { mass_kg: 10, useBy: '2026-08-01' }, { mass_kg: 50, useBy: '2026-01-01' }];
  const { taken, used_kg, buy_kg } = fromStock({ need_kg: 30, lots, on: '2026-07-03' });
  expect(taken).toEqual([
    { lot: 2, mass_kg: 10 },
    { lot: 1, mass_kg: 6 },
    { lot: 0, mass_kg: 14 },
  ]);
  expect([used_kg, buy_kg]).toEqual([30, 0]);
  expect(fromStock({ need_kg: 100, lots: lots.slice(0, 2) }).buy_kg).toBeCloseTo(71.3, 9);
  expect(fromStock({ need_kg: 5, lots }).taken[0]).toEqual({ lot: 3, mass_kg: 5 });
  expect(fromStock({ need_kg: 5, lots: [] })).toEqual({ taken: [], used_kg: 0, buy_kg: 5 });
  fc.assert(
    fc.property(fc.double({ min: 0, max: 200, noNaN: true }), fc.array(fc.double({ min: 0, max: 50, noNaN: true }), { maxLength: 6 }), (need_kg, masses) => {
      const found = fromStock({ need_kg, lots: masses.map((mass_kg) => ({ mass_kg })) });
      expect(found.used_kg + found.buy_kg).toBeCloseTo(need_kg, 9);
      expect(found.taken.every(({ lot, mass_kg }) => mass_kg <= masses[lot]!)).toBe(true);
    }),
  );
});

test('the order: median with waste, wider for surer, worth as much as being short costs', () => {
  expect(orderQuantile({ nominal: 100, sigma_log: [0.2, 0.03, 0.04], quantile: 0.5 })).toBeCloseTo(107, 9);
  const sigma = Math.sqrt(0.2 ** 2 + 0.03 ** 2 + 0.04 ** 2);
  expect(orderQuantile({ nominal: 100, sigma_log: [0.2, 0.03, 0.04], quantile: 0.9 })).toBeCloseTo(107 * Math.exp(1.2815515655446004 * sigma), 6);
  expect(quantileOf({ p50: 10, sigma: 0.3, quantile: 0.1 })).toBeCloseTo(10 * Math.exp(-1.2815515655446004 * 0.3), 9);
  expect(bestQuantile({ short_minor: 9000, leftOver_minor: 1000 })).toBeCloseTo(0.9, 12);
  expect(chanceShort({ median_kg: 50, bought_kg: 0, sdLn: 0.2 })).toBe(1);
  expect(chanceShort({ median_kg: 50, bought_kg: 50, sdLn: 0.2 })).toBeCloseTo(0.5, 12);
  expect(problemOf(() => packagesLeastCost({ need_kg: 5, packs: [] })).code).toBe('noPacks');
  expect(problemOf(() => mixedVolume({ powder_kg: 0, powder_density: 2750, water_kg: 0, air: 0.05 })).code).toBe('nothingMixed');
});

const open = { pail_m3: 0.02, drill_kg: null, lift_kg: null, emptyPail_kg: 1, batchMost_kg: null };
const portion = portionOf({ powder_kg: 20, waterRatio: 0.15, powder_density: 2750, bulk_density: 1350, air: 0.05 });

test.each<[PortionLimit | null, Partial<typeof open> | Record<string, number>]>([
  [null, {}],
  ['pailMixed', { pail_m3: 0.01 }],
  ['pailDry', { pail_m3: 0.0195 }],
  ['drill', { drill_kg: 22 }],
  ['lift', { lift_kg: 23.5 }],
  ['packMost', { batchMost_kg: 22 }],
])('a portion is kept back by %s', (limit, change) => expect(vesselLimit(portion, { ...open, ...change })).toBe(limit));

test('the pail is three quarters mixed or nine tenths dry, to the gram', () => {
  expect(portion.volume_m3).toBeCloseTo((20 / 2750 + 3 / 1000) / 0.95, 12);
  expect(portion.bulk_m3).toBeCloseTo(20 / 1350 + 0.003, 12);
  expect(vesselLimit(portion, { ...open, pail_m3: portion.bulk_m3 / 0.9 })).toBeNull();
  expect(vesselLimit(portion, { ...open, pail_m3: (portion.bulk_m3 / 0.9) * 0.999 })).toBe('pailDry');
  const heavy = { ...portion, bulk_m3: 0 };
  expect(vesselLimit(heavy, { ...open, pail_m3: portion.volume_m3 / 0.75 })).toBeNull();
  expect(vesselLimit(heavy, { ...open, pail_m3: (portion.volume_m3 / 0.75) * 0.999 })).toBe('pailMixed');
});

test('the largest share that breaks nothing, and even batches before a small last one', () => {
  const grid = [1, 0.5, 1 / 3, 0.25];
  expect(largestPortion({ grid, limitOf: (share) => (share > 0.4 ? 'drill' : null) })).toEqual({ share: 1 / 3, limit: 'drill' });
  expect(largestPortion({ grid, limitOf: () => 'lift' })).toEqual({ share: null, limit: 'lift' });
  expect(evenBatches({ need_bags: 1.1, largest: 0.5, grid })).toEqual({ share: 0.5, count: 3 });
  expect(evenBatches({ need_bags: 0.7, largest: 0.5, grid })).toEqual({ share: 0.5, count: 2 });
  expect(evenBatches({ need_bags: 0.2, largest: 1, grid })).toEqual({ share: 0.25, count: 1 });
});

test('sand a resin wets: to the sheet’s limit, to the last grain, by hand', () => {
  const most_kg = (0.001 / 0.42) * 0.58 * 2650;
  expect(resinSand({ resin_m3: 0.001, sand_kg: most_kg })).toEqual({ verdict: 'ok', volume_m3: 0.001 + most_kg / 2650 });
  expect(resinSand({ resin_m3: 0.001, sand_kg: most_kg * 1.001 })).toEqual({ verdict: 'refused', limit: 'dryGrains' });
  expect(resinSand({ resin_m3: 0.001, sand_kg: 1.55 * 1.2 * 1.001, limitByVolume: 1.2 })).toEqual({ verdict: 'refused', limit: 'sheet' });
  expect(resinSand({ resin_m3: 0.001, sand_kg: 1.55 * 1.2, limitByVolume: 1.2 }).verdict).toBe('ok');
});

test('slurry of a litre of liquid, half latex: by hand', () => {
  const mixed = slurry({ liquid_m3: 0.001 });
  expect(mixed.latex_kg).toBeCloseTo(0.51, 12);
  expect(mixed.water_kg).toBeCloseTo(0.5, 12);
  expect(mixed.cement_kg).toBeCloseTo(1.01 / 0.4, 12);
  expect(mixed.volume_m3).toBeCloseTo(0.001 + 1.01 / 0.4 / 3150, 12);
});

test('hands and textures come from their tables', () => {
  expect([1, 2, 3, 4].map(handsFactor)).toEqual([1, 1.7, 2.2, 2.2]);
  expect([1, 2, 3, 4, 5, 6, 7, 8, 9, 10].map(textureOf)).toEqual([0.0001, 0.0002, 0.0004, 0.0006, 0.0009, 0.0013, 0.0018, 0.0025, 0.0035, 0.006]);
});

test.each([
  [0.0001, 0.0002, 'cup', 0.25e-3],
  [0.0003, 0.0004, 'jug', 1e-3],
  [0.003, 0.005, 'smallPail', 8e-3],
  [0.005, 0.0079, 'pail', 0.0189],
  [0.05, 0.06, 'pail', 0.0189],
] as const)('%d m3 mixed of %d m3 dry goes into a %s', (mixed_m3, bulk_m3, code, volume_m3) => {
  expect(vesselFor({ mixed_m3, bulk_m3 }, { pail_m3: 0.0189 })).toEqual({ code, volume_m3 });
  // A firm whose pail is smaller than a vessel has no such vessel.
  expect(vesselFor({ mixed_m3, bulk_m3 }, { pail_m3: 0.0002 }).code).toBe('pail');
});

test('stock without a day is used last, the smaller opened lot first; of packages that cost the same the one with less left over is bought', () => {
  const lots = [{ mass_kg: 9 }, { mass_kg: 4, useBy: '2027-02-01' }, { mass_kg: 3 }, { mass_kg: 5, useBy: '2027-01-01' }, { mass_kg: 3 }];
  expect(fromStock({ need_kg: 16, lots }).taken).toEqual([
    { lot: 3, mass_kg: 5 },
    { lot: 1, mass_kg: 4 },
    { lot: 2, mass_kg: 3 },
    { lot: 4, mass_kg: 3 },
    { lot: 0, mass_kg: 1 },
  ]);
  const packs = [
    { mass_kg: 10, price_minor: 1000 },
    { mass_kg: 6, price_minor: 500 },
  ];
  expect(packagesLeastCost({ need_kg: 10, packs })).toEqual([{ mass_kg: 10, price_minor: 1000, count: 1 }]);
});
