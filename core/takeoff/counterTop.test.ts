import { counter } from '../plan/kinds/counter';
import type { CounterInput, CounterStand } from '../survey';
import { chosenOf, counterTop, element, jobWith, sheetOf } from '../testing/job';
import { rectangle, roundedOutline, seamsOf, TAKEOFF, type Point } from '.';

const top = rectangle({ length_m: 3, width_m: 0.6 });

test('a rounded corner shortens its sides, takes its share of the area and wants a flexible strip; an inner one gives back', () => {
  const { sides_m, curves_m, lost_m2 } = roundedOutline({ outline: top, radii: [{ corner: 0, radius_m: 0.1 }, { corner: 3, radius_m: 0.05 }] }); // prettier-ignore
  [2.9, 0.6, 2.95, 0.45].forEach((side, i) => expect(sides_m[i]).toBeCloseTo(side, 12));
  expect(curves_m[0]).toBeCloseTo((Math.PI / 2) * 0.1, 12);
  expect(lost_m2).toBeCloseTo((1 - Math.PI / 4) * (0.1 ** 2 + 0.05 ** 2), 12);
  const ell: Point[] = [[0, 0], [2, 0], [2, 1], [1, 1], [1, 2], [0, 2]]; // prettier-ignore
  expect(roundedOutline({ outline: ell, radii: [{ corner: 3, radius_m: 0.2 }] }).lost_m2).toBeCloseTo(-(1 - Math.PI / 4) * 0.04, 12);
  expect(roundedOutline({ outline: [...ell].reverse(), radii: [{ corner: 2, radius_m: 0.2 }] }).lost_m2).toBeCloseTo(-(1 - Math.PI / 4) * 0.04, 12);
  expect(() => roundedOutline({ outline: top, radii: [{ corner: 1, radius_m: 0.7 }] })).toThrow(expect.objectContaining({ code: 'radiusTooLarge' }));
});

test('a top is cast in as few pieces as two people carry, as even as can be, and never through its sink', () => {
  const light = seamsOf({ outline: top, holes: [], mass_kg: 40, carry_kg: 50 });
  expect(light).toEqual({ pieces: 1, at_m: [], heaviest_kg: 40 });
  const three = seamsOf({ outline: top, holes: [], mass_kg: 140, carry_kg: 50 });
  expect(three.pieces).toBe(3);
  expect(three.heaviest_kg).toBeCloseTo(140 / 3, 6);
  expect(three.at_m[0]).toBeCloseTo(1, 6);
  const sink = rectangle({ length_m: 0.5, width_m: 0.4, at: [1.3, 0.1] });
  for (const mass_kg of [60, 90, 140, 200]) {
    const { pieces, at_m, heaviest_kg } = seamsOf({ outline: top, holes: [sink], mass_kg, carry_kg: 50 });
    expect(heaviest_kg).toBeLessThanOrEqual(50);
    expect(at_m.length).toBe(pieces - 1);
    at_m.forEach((at) => expect(at <= 1.3 - 0.075 + 1e-9 || at >= 1.8 + 0.075 - 1e-9).toBe(true));
  }
  // Upright it is cut the other way.
  expect(seamsOf({ outline: rectangle({ length_m: 0.6, width_m: 3 }), holes: [], mass_kg: 90, carry_kg: 50 }).at_m[0]).toBeCloseTo(1.5, 6);
});

test('what stands up at the wall is cast and cut too, and what is laid over an old top is never cut in pieces', () => {
  const splash = { lengths_m: [2], height_m: 0.1, thick_m: 0.02 };
  const plain = counter.takeOff({ ...counterTop, cast: true }, {});
  const standing = counter.takeOff({ ...counterTop, cast: true, splash }, {});
  expect(standing.volume_m3 - plain.volume_m3).toBeCloseTo(2 * 0.1 * 0.02, 12);
  expect(standing.strips!.flat().reduce((sum, piece) => sum + piece, 0) - plain.strips!.flat().reduce((sum, piece) => sum + piece, 0)).toBeCloseTo(4.2, 9);
  expect(standing.more!['pieces']).toBe(plain.more!['pieces']! + 1);
  expect(plain.more!['heaviest_kg']).toBeLessThanOrEqual(TAKEOFF.twoCarry_kg);
  expect(counter.takeOff(counterTop, {}).more!['pieces']).toBe(1);
});

const codes = (more: Partial<CounterInput>): string[] =>
  chosenOf(jobWith({ ...counterTop, cast: true, ...more }, sheetOf('counterMix'))).steps.map(({ code }) => code);

test('the steps of a cast top name its flexible strip, its seams and its pieces, and only where it has them', () => {
  const plain = codes({});
  expect(plain).toContain('step.mould');
  expect(plain.filter((code) => code === 'step.flexible' || code === 'step.pieces')).toEqual([]);
  expect(codes({ radii: [{ corner: 1, radius_m: 0.05 }] })).toContain('step.flexible');
  const small = rectangle({ length_m: 0.8, width_m: 0.5 });
  expect(codes({ outline: small, splash: { lengths_m: [0.8], height_m: 0.1, thick_m: 0.02 } })).toContain('step.pieces');
  expect(codes({ outline: rectangle({ length_m: 3, width_m: 0.7 }), holes: [rectangle({ length_m: 0.5, width_m: 0.4, at: [1.3, 0.1] })] })).toContain(
    'step.seams',
  );
  expect(chosenOf(jobWith({ ...counterTop, radii: [{ corner: 0, radius_m: 0 }] }, sheetOf('counterMix'))).steps.map(({ code }) => code)).toContain(
    'step.formsAround',
  );
});

test('what a top weighs on what carries it is told until somebody competent has confirmed both', () => {
  const said = (stand: CounterStand | undefined) =>
    counter
      .verdict(counterTop, { element: { ...element, kind: 'counter', ...(stand ? { stand } : {}) }, findings: [] })
      .map(({ code, figures }) => [code, figures]);
  const mass_kg = 2 * 0.6 * 0.04 * TAKEOFF.fresh_kg_m3;
  expect(said({ on: 'cabinets', floor: 'timber', confirmed: false })).toEqual([
    ['verdict.counterLoad', { label: 'A', mass_kg: expect.closeTo(mass_kg, 9) as number, stand: 'cabinets', floor: 'timber' }],
  ]);
  expect([said({ on: 'cabinets', floor: 'timber', confirmed: true }), said(undefined)]).toEqual([[], []]);
});
