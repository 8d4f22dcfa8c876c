import { rectangle } from '../../takeoff';
import { crack, finding, input, jobWith, sheetOf, typed } from '../../testing/job';
import { computePlan, kitOf, type KitItem, type PlanInput } from '../index';

const kit = (jobFile: PlanInput): KitItem[] => kitOf(jobFile, computePlan(jobFile));
const codes = (jobFile: PlanInput): string[] => kit(jobFile).map(({ code }) => code);

test('what is loaded follows what is done: nothing for an unchosen job, each thing once, products as they are ordered', () => {
  expect(kit({ ...input, treatments: [] })).toEqual([]);
  const treatments = ['f', 'g'].map((findingId) => ({ findingId, sheetId: sheetOf('sandedRapid').id }));
  const two = { ...input, findings: [finding, { ...finding, id: 'g', label: 'B' }], treatments };
  const items = kit(two);
  expect(new Set(items.map(({ key }) => key)).size).toBe(items.length);
  const { chosen } = computePlan(two).orders[0]!;
  const packs = chosen.packages.reduce((sum, { count }) => sum + count, 0);
  expect(items[0]).toMatchObject({ code: 'product', figures: { mass_kg: chosen.bought_kg, count: packs } });
  const wanted = ['breaker', 'saw', 'vacuum', 'drill', 'scale', 'respirator', 'ears', 'boots', 'water', 'power', 'washBin', 'tape'];
  expect(items.map(({ code }) => code)).toEqual(expect.arrayContaining(wanted));
});

test('a resin wants bottles, sand and nitrile, and no water; a school its own tool', () => {
  const resin = codes(jobWith({ ...crack, widths: [[0, 0.008]] }, sheetOf('crackResin')));
  expect(resin).toEqual(expect.arrayContaining(['squeezeBottles', 'drySand', 'nitrile', 'measuringBottles']));
  expect(resin).not.toContain('water');
  expect(resin).not.toContain('boots');
  const jobFile = jobWith(crack, sheetOf('crackResin'));
  const { shots } = computePlan(jobFile).findings[0]!.chosen!;
  expect(kit(jobFile).find(({ code }) => code === 'squeezeBottles')!.figures).toEqual({ count: shots!.count });
  expect(codes({ ...input, house: { measuring: 'volume', preparation: 'wash', edge: 'keyed' } })).toEqual(
    expect.arrayContaining(['jugs', 'washer', 'chisels']),
  );
  expect(codes({ ...input, house: { measuring: 'volume' } })).not.toContain('scale');
});

test.each([
  [0.02, 0.3, 2],
  [0.05, 4, 6],
])('a spall %s m deep and %s m long takes %s pails', (deepest, length_m, count) => {
  const jobFile = { ...input, findings: [{ ...finding, deepest: typed(deepest), outline: rectangle({ length_m, width_m: 1 }) }] };
  expect(kit(jobFile).find(({ code }) => code === 'pails')!.figures['count']).toBe(count);
});
