import { crack, finding, input, sheetOf } from '../../testing/job';
import type { FindingInput } from '../../survey';
import type { PlanInput } from '../input/PlanInput';
import { computePlan } from '../computePlan';
import { careVisits } from './careVisits';

const resin = sheetOf('crackResin');
const sanded = sheetOf('sandedRapid');
const sealer = { id: 'coat' };

const of = (findings: readonly FindingInput[], treatments: PlanInput['treatments'], more: Partial<PlanInput> = {}): ReturnType<typeof careVisits> => {
  const job: PlanInput = { ...input, findings, sheets: [resin, sanded], treatments, ...more };
  const plan = computePlan(job);
  // A coat is asked for by its treatment alone: which one it is matters to the shelf, not to the calendar.
  return careVisits({ ...job, treatments: treatments.map((each) => (each.findingId === 'coated' ? { ...each, aids: { coat: sealer.id } } : each)) }, plan);
};
const treated = (findingId: string, sheetId: string) => ({ findingId, sheetId });

test('a crack is looked at through both seasons, a coat after two years, in the order of time', () => {
  const findings = [
    { ...crack, id: 'c' },
    { ...finding, id: 'coated', label: 'B' },
  ];
  expect(of(findings, [treated('c', resin.id), treated('coated', sanded.id)])).toEqual([
    { findingId: 'c', kind: 'crack', after_months: 6 },
    { findingId: 'c', kind: 'crack', after_months: 12 },
    { findingId: 'coated', kind: 'coating', after_months: 24 },
  ]);
});

test('two cracks of one day stand in the order of their ids', () => {
  const findings = [
    { ...crack, id: 'd', label: 'D' },
    { ...crack, id: 'c' },
  ];
  const visits = of(findings, [treated('c', resin.id), treated('d', resin.id)]);
  expect(visits.map(({ findingId, after_months }) => `${findingId} ${after_months}`)).toEqual(['c 6', 'd 6', 'c 12', 'd 12']);
});

test('a joint is looked at after a year; what has nothing of its own, is not chosen or stands on a stopped element once, as a whole', () => {
  const groove: FindingInput = {
    ...crack,
    id: 'g',
    kind: 'groove',
    width: { value: 0.01, source: 'typed' },
    depth: { value: 0.025, source: 'typed' },
    blade_m: 0.006,
    moves: null,
  } as never;
  expect(of([groove], [treated('g', resin.id)])).toEqual([{ findingId: 'g', kind: 'joint', after_months: 12 }]);
  const whole = [{ findingId: null, kind: 'look', after_months: 12 }];
  expect(of([finding], [treated(finding.id, sanded.id)])).toEqual(whole);
  expect(of([{ ...crack, id: 'c' }], [])).toEqual(whole);
  const stopped = input.elements.map((element) => ({ ...element, stops: { ...element.stops, carriesBuilding: 'yes' as const } }));
  expect(of([{ ...crack, id: 'c' }], [treated('c', resin.id)], { elements: stopped as never })).toEqual(whole);
});
