import { computePlan } from '../plan';
import { chosenOf, element, finding, jobWith, sheetOf, typed } from '../testing/job';
import { rectangle } from '../takeoff';
import { standingOn, waterLine, waterReasons, type ElementInput, type VoidInput, type WedgeInput } from '.';

const wall: ElementInput = { ...element, kind: 'wall', outline: rectangle({ length_m: 3, width_m: 2 }), water: { level: typed(0.8), access: 'outside' } };
const hole = (y: number): VoidInput => ({
  id: 'f',
  elementId: 'e',
  label: 'A',
  kind: 'void',
  outline: rectangle({ length_m: 0.3, width_m: 0.2, at: [1, y] }),
  deepest: typed(0.05),
  shape: 'dish',
});

test('water reaches up a wall from its foot, and stands over the whole of a floor', () => {
  expect(waterLine(wall)).toBeCloseTo(1.2, 12);
  expect(standingOn(wall, hole(1.5).outline)).toEqual({ lies: 'under', head_m: expect.closeTo(0.5, 12) as number });
  expect(standingOn(wall, hole(1.1).outline)).toEqual({ lies: 'crosses', head_m: expect.closeTo(0.1, 12) as number });
  expect(standingOn(wall, hole(0.5).outline)).toEqual({ lies: 'above', head_m: 0 });
  expect(standingOn({ ...wall, kind: 'slab' }, hole(0.5).outline)).toEqual({ lies: 'under', head_m: 0.8 });
  expect([standingOn(element, hole(0.5).outline), standingOn(wall, [])]).toEqual([null, null]);
});

const codes = (of: Parameters<typeof waterReasons>): string[] => waterReasons(...of).map(({ code }) => code);

test('what lies over the water, past an arm, or under it without being a void is told; who may go in stops', () => {
  expect(codes([wall, [hole(1.5)]])).toEqual([]);
  expect(codes([wall, [hole(0.5)]])).toEqual(['verdict.aboveWater']);
  expect(codes([{ ...wall, water: { level: typed(1.8), access: 'outside' } }, [hole(1.5)]])).toEqual(['verdict.pastReach']);
  expect(codes([wall, [{ ...finding, outline: hole(1.5).outline }]])).toEqual(['verdict.notVoid']);
  expect(codes([{ ...wall, water: { level: typed(0.8), access: 'inside' } }, [hole(1.5)]])).toEqual(['verdict.entry']);
  expect(codes([element, [finding]])).toEqual([]);
});

test('a sheet that stands less water than is over the place is refused with both figures', () => {
  const sheet = { ...sheetOf('antiWashout'), head_m: 0.3 };
  const ranked = computePlan({ ...jobWith(hole(1.5), sheet), elements: [{ ...wall, moisture: sheet.moisture }] }).findings[0]!.ranking;
  expect(ranked.find(({ sheetId }) => sheetId === sheet.id)!.reasons).toContainEqual({
    code: 'head.over',
    verdict: 'no',
    figures: { head_m: 0.3, asked_m: expect.closeTo(0.5, 9) as number },
  });
});

test('a ramp beside a joint has its rod first and keeps it open; beside none nothing is said of one', () => {
  const ramp = (joint: WedgeInput['joint']): WedgeInput => ({
    id: 'f',
    elementId: 'e',
    label: 'A',
    kind: 'wedge',
    run: typed(0.6),
    rise: typed(0.02),
    width: typed(1.5),
    ...(joint === undefined ? {} : { joint }),
  });
  const first = (joint: WedgeInput['joint']) => chosenOf(jobWith(ramp(joint), sheetOf('fineRapid'))).steps[0]!;
  expect(first(undefined).code).toBe('step.jointOpen');
  expect(first({ label: 'B', width_m: 0.012 })).toMatchObject({ code: 'step.jointRodOf', figures: { label: 'B', rod_m: expect.closeTo(0.015, 12) as number } });
  expect(first({ label: null, width_m: 0.012 }).code).toBe('step.jointRod');
  expect(first(null).code).not.toMatch(/joint/);
  const rod = computePlan(jobWith(ramp({ label: 'B', width_m: 0.012 }), sheetOf('fineRapid'))).extras.find(({ code }) => code === 'rod');
  expect(rod).toMatchObject({ length_m: 1.5 });
});
