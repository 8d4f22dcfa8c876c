import type { CrackInput, ElementInput, FindingInput, Opinion, SpallInput } from '../../survey';
import { rectangle } from '../../takeoff';
import { crack, element, finding, input, typed } from '../../testing/job';
import { computePlan, type Plan, type PlanInput } from '../index';

const opinion = (...covers: string[]): Opinion => ({ role: 'engineer', on: '2026-05-11', said: 'Cut out, treat the bar, then fill.', covers });
const withStops = (stops: PlanInput['elements'][number]['stops'], findings = input.findings): Plan =>
  computePlan({ ...input, findings, elements: [{ ...element, stops }] });
const rust = { ...element.stops, rust: 'yes' } as const;

test('a licensed opinion lets the plan go on, marked with who said what and when; without it there is no figure', () => {
  const without = withStops(rust);
  expect(without.findings[0]).toMatchObject({ ranking: [], chosen: null });
  expect(without.elements[0]!.stops.map(({ code }) => code)).toEqual(['stop.rust']);
  const withIt = withStops({ ...rust, opinion: opinion('stop.rust') });
  expect(withIt.elements[0]).toMatchObject({ verdict: { code: 'stop' }, stops: [] });
  expect(withIt.findings[0]!.chosen).not.toBeNull();
  expect(withIt.warnings).toContainEqual({
    code: 'opinion.goesOn',
    verdict: 'caution',
    figures: expect.objectContaining({ role: 'engineer', on: '2026-05-11' }),
  });
});

test('it covers what stood when it was given: another question, an unanswered one or a later finding stops again', () => {
  const given = opinion('stop.rust');
  expect(withStops({ ...rust, movement: 'yes', opinion: given }).elements[0]!.stops.map(({ code }) => code)).toEqual(['stop.movement']);
  const { tooDeep: _open, ...open } = rust;
  expect(withStops({ ...open, opinion: opinion('stop.rust', 'stop.tooDeep') }).elements[0]!.stops.map(({ code }) => code)).toEqual(['stop.tooDeep']);
  const stepped = { ...crack, id: 'c', label: 'C', lip_m: 0.004 };
  const found = withStops({ ...rust, opinion: given }, [finding, stepped]).elements[0]!.stops;
  expect(found.map(({ figures }) => 'label' in figures && figures.label)).toEqual(['C']);
  expect(withStops({ ...rust, opinion: opinion('stop.rust', `${found[0]!.code} C`) }, [finding, stepped]).elements[0]!.stops).toEqual([]);
});

test('a letter covers what it saw: deeper, wider, larger, thinner, elsewhere or otherwise answered asks again and says what changed', () => {
  const stepped: CrackInput = { ...crack, id: 'c', label: 'C', lip_m: 0.004 };
  const through: SpallInput = { ...finding, deepest: typed(0.15) };
  const first = withStops(rust, [through, stepped]).elements[0]!;
  const { role, on, said } = opinion();
  const given: Opinion = { role, on, said, covers: Object.keys(first.seen), saw: first.seen };
  const again = (findings: readonly FindingInput[], change: Partial<ElementInput> = {}, stops = rust): string[] =>
    computePlan({ ...input, findings, elements: [{ ...element, ...change, stops: { ...stops, opinion: given } }] })
      .elements[0]!.stops.map(({ code }) => code)
      .filter((code) => code.startsWith('opinion.'));
  expect(again([through, stepped])).toEqual([]);
  // A millimetre of a tape is no change.
  expect(again([{ ...through, deepest: typed(0.151) }, stepped])).toEqual([]);
  expect(again([{ ...through, deepest: typed(0.16) }, stepped])).toEqual(expect.arrayContaining(['opinion.deeper']));
  expect(again([through, { ...stepped, lip_m: 0.006 }])).toEqual(['opinion.wider']);
  expect(again([through, { ...stepped, widths: [[0, 0.009]] }])).toEqual(['opinion.wider']);
  const larger = rectangle({ length_m: 1.5, width_m: 1 });
  expect(again([{ ...through, outline: larger }, stepped])).toEqual(expect.arrayContaining(['opinion.larger']));
  expect(again([{ ...through, outline: through.outline.map(([x, y]) => [x + 2, y] as const) }, stepped])).toEqual(['opinion.moved']);
  expect(again([through, stepped], { thickness: typed(0.12) })).toEqual(['opinion.thinner']);
  expect(again([through, stepped], {}, { ...rust, rust: 'unknown' as never })).toEqual(['opinion.otherAnswer']);
});
