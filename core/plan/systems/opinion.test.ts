import type { Opinion } from '../../survey';
import { crack, element, finding, input } from '../../testing/job';
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
