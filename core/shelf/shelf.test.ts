import fc from 'fast-check';
import { mixedVolume } from '../mix';
import { impliedOf } from '../plan';
import { problemOf } from '../testing/problemOf';
import { aids, catalogue } from './catalogue';
import {
  movementOf,
  resinDensity,
  fromAid,
  AID_CLASSES,
  bagOf,
  classFigures,
  contradictions,
  flowOf,
  fromClass,
  fromSheet,
  SHEET_CLASSES,
  timeOf,
  type LabelFigures,
  type Sheet,
  type SheetClass,
} from './index';

const first = (name: SheetClass): Sheet => catalogue.find((sheet) => sheet.class === name)!;
const fine = first('fineRapid');

test('the shelf ships several products of every class of material and of what goes with it, each complete and none against itself', () => {
  expect(catalogue.length + aids.length).toBeGreaterThanOrEqual(40);
  for (const name of SHEET_CLASSES) expect([name, catalogue.filter((sheet) => sheet.class === name).length >= 2]).toEqual([name, true]);
  for (const name of AID_CLASSES) expect([name, aids.filter((aid) => aid.class === name).length >= 1]).toEqual([name, true]);
  for (const sheet of catalogue) {
    expect([sheet.name, contradictions(sheet)]).toEqual([sheet.name, []]);
    for (const field of ['substrates', 'movement', 'head_m', 'intervals', 'textures', 'storage', 'opened_days'] as const)
      expect([sheet.name, field, sheet[field] !== undefined]).toEqual([sheet.name, field, true]);
    // Cement wants its strengths, water or parts; what is coarse cannot be thin.
    expect([sheet.name, (sheet.water === null) !== (sheet.parts === null)]).toEqual([sheet.name, true]);
    expect([sheet.name, sheet.strengths.length > 0 && sheet.milestones.final !== undefined]).toEqual([sheet.name, true]);
  }
  const all = [...catalogue, ...aids];
  expect(new Set(all.map(({ id }) => id)).size).toBe(all.length);
  expect(new Set(all.map(({ name }) => name)).size).toBe(all.length);
});

const label = (change: Partial<LabelFigures> = {}): LabelFigures => ({
  name: 'Bag in hand',
  class: 'fineRapid',
  packs: [{ mass_kg: 20, price_minor: 2000 }],
  ...change,
});
const made = (change: Partial<LabelFigures> = {}): Sheet => fromClass({ id: 'i', productId: 'p', revision: 1, label: label(change) });

test('a bag that says nothing but its class is its class, every figure marked assumed', () => {
  for (const name of SHEET_CLASSES) {
    const sheet = made({ class: name });
    expect(sheet).toMatchObject(classFigures(name));
    expect([...sheet.assumed!].sort()).toEqual(
      Object.keys(classFigures(name))
        .filter((field) => field !== 'class')
        .sort(),
    );
    expect([name, contradictions(sheet)]).toEqual([name, []]);
  }
});

test('whatever working time a bag states, its class comes with it and never contradicts it', () => {
  fc.assert(
    fc.property(fc.constantFrom(...SHEET_CLASSES), fc.integer({ min: 30, max: 20_000 }), fc.double({ min: 1, max: 3, noNaN: true }), (name, least_s, wide) => {
      const sheet = made({ class: name, flow: { least_s, most_s: Math.round(least_s * wide) } });
      const slower = timeOf(sheet.flow) / timeOf(classFigures(name).flow);
      expect(sheet.assumed).not.toContain('flow');
      expect(sheet.milestones.final! / classFigures(name).milestones.final!).toBeCloseTo(slower, 1);
      // A range much wider than its class's reaches past the set on its own account; nothing else may.
      if (wide < 1.3) expect(contradictions(sheet).filter(({ code }) => code !== 'lifeAfterSet' && code !== 'flowAfterFinish')).toEqual([]);
    }),
  );
});

test('water said of what takes none, and a sheet copied without its class figures, stay as they are said', () => {
  const odd = made({ class: 'crackResin', water: { least: 0.1, most: 0.2, byTask: {} } });
  expect(odd.water).toEqual({ least: 0.1, most: 0.2, byTask: {} });
  const next = fromSheet({ id: 'n', productId: 'p', revision: 2, base: made(), label: label({ grain_m: 0.002 }), copied: false });
  expect(next.assumed).not.toContain('grain_m');
  const { assumed: _none, ...plain } = made();
  expect(fromSheet({ id: 'n', productId: 'p', revision: 2, base: plain, label: label(), copied: false }).assumed).toEqual([]);
  expect(fromSheet({ id: 'n', productId: 'q', revision: 1, base: plain, label: label(), copied: true }).assumed).toContain('grain_m');
});

test('a band of water moves the tasks with it, and a thin bag its lift', () => {
  const sheet = made({ water: { least: 0.2, most: 0.26, byTask: {} }, thickness: { least_m: 0.001, most_m: 0.02, liftMost_m: 0.04, feathers: true } });
  expect(sheet.water).toEqual({ least: 0.2, most: 0.26, byTask: { hang: 0.205, screed: 0.21, spread: 0.22, brush: 0.25 } });
  expect(sheet.thickness.liftMost_m).toBe(0.02);
  expect(contradictions(sheet)).toEqual([]);
});

test.each<[string, Partial<Sheet>, string, string]>([
  ['a life longer than its set', { flow: { least_s: 1200, most_s: 1200 }, finish: { least_s: 1300, most_s: 1300 } }, 'flow.most_s', 'lifeAfterSet'],
  ['a finish longer than final set', { finish: { least_s: 1600, most_s: 1600 } }, 'finish.most_s', 'lifeAfterSet'],
  ['it flows after it takes the tool', { finish: { least_s: 500, most_s: 500 } }, 'finish.most_s', 'flowAfterFinish'],
  ['a band the wrong way round', { limits: { ...fine.limits, airLeast_C: 40 } }, 'limits.airMost_C', 'bandReversed'],
  ['a thickness the wrong way round', { thickness: { ...fine.thickness, least_m: 0.08 } }, 'thickness.most_m', 'bandReversed'],
  ['a lift over the whole', { thickness: { ...fine.thickness, liftMost_m: 0.09 } }, 'thickness.liftMost_m', 'liftOverWhole'],
  ['final before initial', { milestones: { ...fine.milestones, final: 1000 } }, 'milestones.final', 'milestonesOutOfOrder'],
  ['water outside its band', { water: { least: 0.15, most: 0.21, byTask: { hang: 0.14 } } }, 'water.byTask.hang', 'waterOutside'],
  [
    'a strength that falls with age',
    {
      strengths: [
        [86400, 30],
        [2419200, 20],
      ],
    },
    'strengths',
    'strengthsFall',
  ],
  ['a strength for no milestone', { milestones: { initial: 1080, final: 1560 } }, 'strengthFor.foot', 'noMilestone'],
  [
    'lifts that may not follow',
    { intervals: { layer: { least_s: 20, most_s: 10 }, recoat: { least_s: 1, most_s: 2 } } },
    'intervals.layer.most_s',
    'bandReversed',
  ],
  [
    'coats that may not follow',
    { intervals: { layer: { least_s: 1, most_s: 2 }, recoat: { least_s: 20, most_s: 10 } } },
    'intervals.recoat.most_s',
    'bandReversed',
  ],
  ['a store that is too cold and too hot', { storage: { least_C: 30, most_C: 5 } }, 'storage.most_C', 'bandReversed'],
  ['a band of water the wrong way', { water: { least: 0.2, most: 0.1, byTask: {} } }, 'water.most', 'bandReversed'],
  [
    'a use thinner than it is thick',
    { thickness: { ...fine.thickness, byUse: { overlay: { least_m: 0.02, most_m: 0.01 } } } },
    'thickness.byUse.overlay.most_m',
    'bandReversed',
  ],
  ['neither water nor parts', { water: null }, 'water', 'neitherWaterNorParts'],
])('a sheet against itself: %s', (_name, change, field, code) => {
  expect(contradictions({ ...fine, ...change })).toContainEqual({ field, code, figures: expect.anything() });
});

test('parts by weight and by volume may differ by a twentieth through their densities, not more', () => {
  const resin = first('crackResin');
  const stated = (byMass: readonly number[]) => contradictions({ ...resin, resin: { ...resin.resin!, byMass } }).map(({ code }) => code);
  expect(stated([100, 100])).toEqual([]);
  expect(stated([100, 109])).toEqual([]);
  expect(stated([100, 112])).toEqual(['partsDiffer']);
  expect(contradictions({ ...resin, resin: { ...resin.resin!, densities_kg_m3: [1100] } }).map(({ code }) => code)).toEqual(['partsUneven']);
});

test('a milestone at another temperature tells the activation energy as a working time there does', () => {
  const cold = 2;
  const plain: Sheet = { ...fine, flowPoints: [[10, 540 * cold]] };
  const { flowPoints: _none, ...bare } = fine;
  const later: Sheet = { ...bare, milestonePoints: { initial: [[10, 1080 * cold]], final: [[10, 1560 * cold]] } };
  expect(flowOf(later).Ea_J_mol).toBeCloseTo(flowOf(plain).Ea_J_mol, 6);
  expect(flowOf({ ...bare, milestonePoints: { foot: [[10, 1]] } })).toEqual(flowOf(bare));
});

test('what the entries imply: lives by the rate, a bag by its volumes, a claimed coverage by the roughness it fills', () => {
  const { lives, bag_m3, bag_kg, covers, claimed } = impliedOf(fine, { area_m2: 6 });
  expect(lives.map(({ temperature_C }) => temperature_C)).toEqual([10, 21, 32]);
  expect(lives[1]).toMatchObject({ flow_s: expect.closeTo(540, 9), finish_s: expect.closeTo(840, 9), milestones: { initial: expect.closeTo(1080, 9) } });
  // 55 kJ/mol: 2.395 times as long at 10 degC as at 21.
  expect(lives[0]!.flow_s / 540).toBeCloseTo(Math.exp((55_000 / 8.314462618) * (1 / 283.15 - 1 / 294.15)), 9);
  expect(bag_kg).toBe(bagOf(fine).mass_kg);
  expect(bag_m3).toBeCloseTo(mixedVolume({ powder_kg: 22.7, powder_density: 2750, water_kg: 22.7 * 0.17, air: 0.05 }), 12);
  // CSP 3 drinks 0.4 mm.
  expect(claimed!.thickness_m).toBeCloseTo(bag_m3 / 6 - 0.0004, 12);
  expect(claimed!.holds).toBe(true);
  expect(impliedOf(fine, { area_m2: 100 }).claimed!.holds).toBe(false);
  for (const { thickness_m, area_m2 } of covers) expect(area_m2 * (thickness_m + 0.0004)).toBeCloseTo(bag_m3, 12);
  expect(problemOf(() => impliedOf(fine, { area_m2: 0 })).code).toBe('outOfRange');
  for (const sheet of catalogue) expect([sheet.name, impliedOf(sheet).lives.every(({ flow_s }) => flow_s > 0)]).toEqual([sheet.name, true]);
});

test('an aid from its label: what it says is read, what it does not say is assumed; its next sheet keeps what was read', () => {
  const base = aids.find((aid) => aid.class === 'epoxyBond')!;
  const label = { name: 'Coat in hand', packs: [{ amount: 0.004, price_minor: 7950 }], open: { least_s: 600, most_s: 1800 } };
  const first = fromAid({ base, label, changes: false, id: 'a', productId: 'p', revision: 1 });
  expect(first).toMatchObject({ ...label, id: 'a', class: 'epoxyBond', coverage_m2: base.coverage_m2 });
  expect(first.assumed).toEqual(expect.arrayContaining(['coverage_m2', 'waits_s', 'limits']));
  expect(first.assumed).not.toEqual(expect.arrayContaining(['open']));
  expect(first.assumed!.some((name) => ['id', 'name', 'class', 'unit'].includes(name))).toBe(false);
  const next = fromAid({
    base: first,
    label: { ...label, coverage_m2: { least_m2: 2000, most_m2: 3000 } },
    changes: true,
    id: 'b',
    productId: 'p',
    revision: 2,
  });
  expect(next.assumed).not.toContain('coverage_m2');
  expect(next.assumed).toContain('limits');
  expect(fromAid({ base, label, changes: true, id: 'c', productId: 'p', revision: 2 }).assumed).toEqual([]);
});

test('what a sheet is silent of is read as its class has it: no movement, one part, a density of resins', () => {
  const resin = catalogue.find(({ name }) => /^Bottle resin, one minute/.test(name))!;
  const { movement: _movement, ...still } = resin;
  expect(movementOf(still)).toBe(0);
  expect(resinDensity({ ...resin, parts: null })).toBeGreaterThan(0);
  expect(resinDensity({ ...resin, parts: [1, 1, 1] })).toBeGreaterThan(0);
});
