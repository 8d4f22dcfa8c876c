import { PLAIN, say } from '@tufa/words';
import { waitFor } from '@testing-library/react';
import { useState } from 'react';
import type { FixedWork } from '@tufa/core/plan';
import { FixedWorkView } from '../day/FixedWorkView';
import { readClock } from '../day/readClock';
import { StripsView } from '../day/StripsView';
import { SunView } from '../day/SunView';
import { PlacesView } from '../firm/PlacesView';
import { jobView } from '../parts/job/useJob';
import { dayHelps, planByHands, planDay } from '../workers/planDay';
import { demonstration, FIRM, firmWith, page, show, tap, typeIn, written } from './shown';

const WALL = '0198a000-de00-7000-8000-000000000040';
const DOCK = '0198a000-de00-7000-8000-000000000001';

test.each([
  ['7', 25_200],
  ['07:30', 27_000],
  ['13.15', 47_700],
  ['9h', 32_400],
  ['24', 86_400],
  ['24:01', null],
  ['25', null],
  ['9:75', null],
  ['soon', null],
  ['', null],
])('a time written as %p is %p s', (text, s) => expect(readClock(text)).toBe(s));

test('another trade is taken into the day once it has a name, a time and a length; what is no time is told and stays as typed', async () => {
  let kept: readonly FixedWork[] = [];
  function Day() {
    const [fixed, setFixed] = useState<readonly FixedWork[]>([]);
    kept = fixed;
    return <FixedWorkView fixed={fixed} onChange={setFixed} />;
  }
  await show(<Day />);
  await typeIn(say(PLAIN, 'dayPlan.fixedName'), 'Pallet of cider');
  const at = await typeIn(say(PLAIN, 'dayPlan.fixedAt'), '25');
  expect(page()).toContain(say(PLAIN, 'dayPlan.fixedFault'));
  expect(at).toHaveProperty('value', '25');
  await tap(say(PLAIN, 'dayPlan.fixedAdd'));
  expect(kept).toEqual([]);
  await typeIn(say(PLAIN, 'dayPlan.fixedAt'), '13:30');
  await typeIn(say(PLAIN, 'dayPlan.fixedFor'), '45');
  await tap(say(PLAIN, 'dayPlan.fixedAdd'));
  expect(kept).toMatchObject([{ name: 'Pallet of cider', start_s: 48_600, duration_s: 2700, hands: 1 }]);
  expect(page()).toContain('13:30 Pallet of cider');
  await tap(say(PLAIN, 'dayPlan.fixedRemove', { name: 'Pallet of cider' }));
  expect(kept).toEqual([]);
});

test('a wall says which way it looks and from when to when it is shaded; a shade that is taken away is no shade', async () => {
  const data = firmWith(demonstration.filter(({ job }) => job.id === WALL));
  const element = Object.values(data.element)[0]!;
  await show((firm) => <SunView data={firm.data} elementId={element.id} />, { data });
  const sun = () => (written().at(-1)?.change['properties'] as { sun: object } | undefined)?.sun;
  await tap(say(PLAIN, 'sun.way.w'), 'radio');
  await waitFor(() => expect(sun()).toMatchObject({ faces_deg: 270 }));
  await typeIn(say(PLAIN, 'sun.from'), '10:30');
  await typeIn(say(PLAIN, 'sun.to'), '14');
  await tap(say(PLAIN, 'sun.keep'));
  await waitFor(() => expect(sun()).toMatchObject({ faces_deg: 270, shaded: { from_h: 10.5, to_h: 14 } }));
  await typeIn(say(PLAIN, 'sun.from'), '');
  await typeIn(say(PLAIN, 'sun.to'), '');
  await tap(say(PLAIN, 'sun.keep'));
  await waitFor(() => expect(sun()).not.toHaveProperty('shaded'));
});

test('places are kept by name: what cannot be read, or is there already, is not taken', async () => {
  await show((firm) => <PlacesView firm={firm.data.firm[FIRM]!} />);
  await tap(say(PLAIN, 'place.add'));
  await typeIn(say(PLAIN, 'place.name'), 'Yard');
  await typeIn(/^Place|^Where/, 'somewhere');
  expect(page()).toContain(say(PLAIN, 'place.unreadable'));
  await tap(say(PLAIN, 'place.keep'));
  expect(written()).toEqual([]);
  await typeIn(/^Place|^Where/, '37.98, -78.95');
  await tap(say(PLAIN, 'place.keep'));
  await waitFor(() => expect(page()).toContain('Yard: '));
  await tap(say(PLAIN, 'place.add'));
  await typeIn(say(PLAIN, 'place.name'), 'Yard');
  expect(page()).toContain(say(PLAIN, 'place.twice'));
  expect(written().at(-1)!.change['settings']).toMatchObject({ places: [{ name: 'Yard', latitude_deg: 37.98, longitude_deg: -78.95 }] });
});

test('a job with nothing broomed says nothing of strips', async () => {
  const data = firmWith(demonstration.filter(({ job }) => job.id === WALL));
  await show((firm) => <StripsView view={jobView(firm, WALL)!} />, { data });
  expect(document.querySelector('[data-testid=strips]')).toBeNull();
});

test('the hands a day is planned for stand beside others as the day itself does, also where a bar was moved; another hand makes it no longer, and is the same help as it is a line of the table', () => {
  const { input } = jobView({ data: firmWith(demonstration.filter(({ job }) => job.id === DOCK)), clockOffset: 0 }, DOCK)!;
  const asked = { ask: { firstWater_s: 9 * 3600, from_s: 5 * 3600, opensBy_s: null }, weather: null, now_ms: 0 };
  const day = planDay(input, asked);
  const outcomes = planByHands(input, asked, [2, 3, 4]);
  expect(outcomes[0]!.done_s).toBe(day.done_s);
  for (const [i, { done_s }] of outcomes.slice(1).entries()) expect(done_s!).toBeLessThanOrEqual(outcomes[i]!.done_s!);
  const hot = {
    ...input,
    batch: { ...input.batch, retarderDose: 0.5 },
    conditions: { ...input.conditions, slab_C: { ...input.conditions.slab_C, value: 34 }, air_C: { ...input.conditions.air_C, value: 31 } },
  };
  const [two, three] = planByHands(hot, asked, [2, 3]);
  expect(dayHelps(hot, asked).find(({ code }) => code === 'hand')).toEqual({
    code: 'hand',
    noneLost: expect.closeTo(1 - three!.chanceLost, 9),
    sooner_s: two!.done_s! - three!.done_s!,
  });
  const [bar] = day.bars.filter(({ hands }) => hands > 0).slice(-1);
  const pins = { [bar!.id]: bar!.start_s + 1800 };
  const moved = { ...asked, ask: { ...asked.ask, pins } };
  expect(planByHands(input, moved, [2])[0]!.done_s).toBe(planDay(input, moved).done_s);
  expect(planDay(input, moved).done_s!).toBeGreaterThan(day.done_s!);
});
