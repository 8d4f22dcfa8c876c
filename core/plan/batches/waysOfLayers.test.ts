import { catalogue } from '../../shelf/catalogue';
import type { FindingInput } from '../../survey';
import { rectangle, type Point } from '../../takeoff';
import { element, input, sheetOf, typed } from '../../testing/job';
import { computePlan, layerKey, type Batch, type BatchInput, type PlanInput, type TicketLine } from '../index';

const named = (name: RegExp) => catalogue.find((sheet) => name.test(sheet.name))!;
const found = { id: 'f', elementId: 'e', label: 'A' };
const patch = (id: string): FindingInput =>
  ({
    ...found,
    id,
    kind: 'spall',
    outline: rectangle({ length_m: 0.5, width_m: 0.4 }),
    deepest: typed(0.03),
    shape: 'pan',
    edge: 'cut',
    cutDepth_m: 0.03,
  }) as FindingInput;
const job = (findings: readonly FindingInput[], sheetId: string, batch: Partial<BatchInput> = {}, more: Partial<PlanInput> = {}): PlanInput => ({
  ...input,
  elements: [{ ...element, exposures: [], opens: null, thickness: typed(0.3), moisture: 'damp', outline: rectangle({ length_m: 6, width_m: 2 }) }],
  findings,
  treatments: findings.filter(({ kind }) => kind !== 'groove').map(({ id }) => ({ findingId: id, sheetId })),
  batch: { share: null, retarderDose: 0, ...batch },
  ...more,
});
const line = <C extends TicketLine['code']>({ lines }: Batch, code: C): Extract<TicketLine, { code: C }> | undefined =>
  lines.find((each): each is Extract<TicketLine, { code: C }> => each.code === code);
const mortar = sheetOf('sandedRapid');
const shareOfWater = (batch: Batch): number => (line(batch, 'water')!.volume_m3 * 1000) / batch.amount;

test('one layer mixed stiffer or with water of its own leaves the others as they are, and is not pooled with them', () => {
  const findings = [patch('f'), patch('g')];
  const plain = computePlan(job(findings, mortar.id)).batches;
  expect(plain.some(({ serves }) => serves.length > 1)).toBe(true);
  const stiff = computePlan(job(findings, mortar.id, { byLayer: { [layerKey('g', 'fill')]: { consistency: 'screed' } } })).batches;
  const of = (list: readonly Batch[], id: string): Batch[] => list.filter(({ serves }) => serves.some(({ findingId }) => findingId === id));
  expect(new Set(of(stiff, 'g').map(({ task }) => task))).toEqual(new Set(['screed']));
  expect(of(stiff, 'f').every(({ task, serves }) => task === plain[0]!.task && serves.length === 1)).toBe(true);
  for (const batch of of(stiff, 'g')) expect(shareOfWater(batch)).toBeCloseTo(mortar.water!.byTask.screed!, 9);
  const ratio = mortar.water!.most - 0.005;
  const wet = computePlan(job(findings, mortar.id, { byLayer: { [layerKey('g', 'fill')]: { waterRatio: ratio } } }));
  for (const batch of of(wet.batches, 'g')) {
    expect(shareOfWater(batch)).toBeCloseTo(ratio, 9);
    expect(batch.ticket!.moreWater_m3 * 1000).toBeCloseTo(batch.amount * 0.005, 9);
  }
  for (const batch of of(wet.batches, 'f')) expect(shareOfWater(batch)).toBeCloseTo(mortar.water!.byTask[batch.task!]!, 9);
});

test('water of its own past the sheet is refused, and nothing of that layer is mixed or ordered', () => {
  const byLayer = { [layerKey('f', 'fill')]: { waterRatio: mortar.water!.most + 0.01 } };
  const { findings, batches, orders } = computePlan(job([patch('f')], mortar.id, { byLayer }));
  expect(findings[0]!.chosen!.refused.map(({ code }) => code)).toEqual(['water.outside']);
  expect([batches, orders]).toEqual([[], []]);
});

test('latex takes the room of water where the sheet allows it, is bought, and is refused past the sheet', () => {
  const counter = named(/^Countertop mix, white/);
  const top = {
    ...found,
    kind: 'counter',
    outline: rectangle({ length_m: 1, width_m: 0.5 }),
    cutouts_m2: [],
    thickness: typed(0.04),
    cast: true,
    edges: [],
    stock_m: 2.44,
    kerf_m: 0.003,
  } as FindingInput;
  const air = { ...input.conditions, air_C: typed(20), slab_C: typed(19), powder_C: typed(20) };
  const mixed = (latexShare: number) => computePlan(job([top], counter.id, { latexShare }, { conditions: air }));
  const [plain, half] = [mixed(0), mixed(0.5)];
  expect(half.batches.length).toBeGreaterThan(0);
  half.batches.forEach((batch, i) => {
    const [water, latex] = [line(batch, 'water')!, line(batch, 'latex')!];
    expect(latex.volume_m3).toBeCloseTo(water.volume_m3, 12);
    expect(latex.level_m3).toBeCloseTo(line(plain.batches[i]!, 'water')!.volume_m3, 12);
    expect(latex.mass_kg).toBeCloseTo(latex.volume_m3 * 1020, 12);
  });
  const bought = half.extras.find(({ code }) => code === 'latex');
  expect(bought && 'mass_kg' in bought && bought.mass_kg).toBeCloseTo(
    half.batches.reduce((sum, batch) => sum + line(batch, 'latex')!.mass_kg, 0),
    9,
  );
  expect(mixed(0.6).findings[0]!.chosen!.refused.map(({ code }) => code)).toContain('latex.over');
  // A sheet that says nothing of latex takes none.
  expect(computePlan(job([patch('f')], mortar.id, { latexShare: 0.5 })).batches.some((batch) => line(batch, 'latex'))).toBe(false);
});

test('a thin layer ends at the joints that run from rim to rim, the far panel first, each served whole', () => {
  const overlay = named(/^Broom overlay, rapid/);
  const top: FindingInput = { ...found, kind: 'skim', outline: rectangle({ length_m: 6, width_m: 2 }), thickness: typed(0.003), profile: 3 };
  const joint = (id: string, x: number, to = 2): FindingInput => {
    const line: Point[] = [
      [x, 0],
      [x, to],
    ];
    return { ...found, id, kind: 'groove', line, width: typed(0.01), depth: typed(0.02), blade_m: 0.003, moves: null };
  };
  const { batches } = computePlan(job([top, joint('j', 2), joint('k', 5), joint('s', 3, 1)], overlay.id));
  const panels = batches.flatMap(({ serves }) => serves).filter(({ findingId }) => findingId === 'f');
  // The joint that ends in the middle cuts nothing.
  expect(new Set(panels.map(({ panel }) => panel!.of))).toEqual(new Set([3]));
  expect(panels.map(({ panel }) => panel!.nth)).toEqual([...panels.map(({ panel }) => panel!.nth)].sort());
  const whole = panels.reduce((sum, { amount }) => sum + amount, 0);
  const shares = [1, 2, 3].map((nth) => panels.filter(({ panel }) => panel!.nth === nth).reduce((sum, { amount }) => sum + amount, 0) / whole);
  [1 / 6, 1 / 2, 1 / 3].forEach((share, i) => expect(shares[i]).toBeCloseTo(share, 9));
  // No batch begins a panel that it does not end, but where it serves that panel alone.
  for (const { serves } of batches) if (serves.length > 1) expect(serves.every(({ part }) => part === 'whole')).toBe(true);
  for (const { nth, of } of panels) expect(nth).toBeLessThanOrEqual(of);
});
