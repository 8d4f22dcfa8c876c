import './browser';
import { act, fireEvent, waitFor } from '@testing-library/react';
import { assemblePlanInput } from '@tufa/contract/assemble';
import { computePlan, mishapsOf, visitOf } from '@tufa/core/plan';
import { PLAIN, say } from '@tufa/words';
import { isSaid } from '@tufa/words/speak';
import { SCENARIO_CODES, SCENARIOS } from '../rehearse/scenarios';
import { worldOf, dayOfJob } from '../rehearse/world';
import { ScenarioScreen } from '../rehearse/RehearseScreen';
import { RehearsalsScreen } from '../rehearse/RehearsalsScreen';
import { demonstration, firmWith, page, show, written } from './shown';

const BEGINS = Date.parse('2026-05-12T12:30:00Z');

test('twelve days from easy to hard, each with its words, batches to mix and mishaps that can happen, of a firm with nothing of its own', () => {
  expect(SCENARIOS.map(({ code }) => code)).toEqual(SCENARIO_CODES);
  expect(SCENARIOS.map(({ level }) => level)).toEqual([1, 1, 1, 1, 2, 2, 2, 2, 2, 3, 3, 3]);
  for (const scenario of SCENARIOS) {
    expect(isSaid(`rehearse.scenario.${scenario.code}.lead`)).toBe(true);
    const input = assemblePlanInput(worldOf(firmWith([]), scenario, BEGINS)!, scenario.job)!;
    expect(input.conditions.air_C.value).toBe(scenario.conditions.air_C);
    expect(input.crew.hands).toBe(scenario.hands);
    const plan = computePlan(input, { ranked: 'chosen' });
    const { numbers } = visitOf(input, plan);
    const batches = plan.batches.filter(({ number }) => numbers.has(number));
    expect(batches.filter(({ window, fits }) => window && fits).length).toBeGreaterThanOrEqual(2);
    expect(mishapsOf({ plan: { batches }, hands: scenario.hands, codes: scenario.mishaps, seed: 5 })).toHaveLength(scenario.mishaps.length);
  }
});

test('a day of one’s own begins with nothing poured of it', () => {
  const { job } = demonstration[0]!;
  const event = { id: 'e', jobId: job.id, removed: false, version: 1, changed: 1 };
  const data = { ...firmWith([demonstration[0]!]), pourEvent: { e: event as never, other: { ...event, jobId: 'other' } as never } };
  const day = dayOfJob(data, job.id);
  expect([Object.keys(day.pourEvent), day.plan]).toEqual([['other'], {}]);
  expect(day.finding).toBe(data.finding);
});

/** Later by the phone's clock. */
let ahead_ms = 0;
const real = Date.now.bind(Date);
beforeAll(() => void jest.spyOn(Date, 'now').mockImplementation(() => real() + ahead_ms));
afterAll(() => jest.restoreAllMocks());

const button = (name: RegExp): HTMLElement =>
  [...document.querySelectorAll<HTMLElement>('[role=button],[role=radio]')].find((each) =>
    name.test(each.getAttribute('aria-label') ?? each.textContent ?? ''),
  )!;
const pass = async (seconds: number): Promise<void> => {
  ahead_ms += seconds * 1000;
  await act(() => new Promise((resolve) => setTimeout(resolve, 300)));
};

test('a rehearsal is played on the pour’s own screens to its end; nothing is written but how it went, and it is told beside its name', async () => {
  await show(<ScenarioScreen />, { at: { scenario: 'hallFloor' } });
  await waitFor(() => expect(button(/^Begin$/)).toBeTruthy());
  await act(async () => fireEvent.click(button(/^Begin$/)));
  await waitFor(() => expect(page()).toContain('Ready for batch 1'), { timeout: 10_000 });
  expect(page()).toContain('Practice');
  while (button(/^Understood:/)) await act(async () => fireEvent.click(button(/^Understood:/)));
  for (const batch of ['1', '2']) {
    await waitFor(() => expect(button(/: start$|start$|shot/i)).toBeTruthy());
    await act(async () => fireEvent.click(document.querySelector('[data-testid=start-batch]')!));
    await waitFor(() => expect(document.querySelector('[data-testid=running]')).toBeTruthy());
    await waitFor(() => expect(page()).toMatch(new RegExp(`${batch}: (\\d+ %|being)`)), { timeout: 5000 });
    await pass(170);
    expect(page()).not.toMatch(/it went hard/);
    await act(async () => fireEvent.click(document.querySelector('[data-testid=finished],[data-testid=next-shot]')!));
  }
  await waitFor(() => expect(document.querySelector('[data-testid=see-outcome]')).toBeTruthy());
  await act(async () => fireEvent.click(document.querySelector('[data-testid=see-outcome]')!));
  await waitFor(() => expect(page()).toContain('None lost'));
  await waitFor(() => expect(written()).toHaveLength(1));
  const [{ kind, target, change }] = written() as [ReturnType<typeof written>[number]];
  expect([kind, change]).toEqual(['rehearsal.add', expect.objectContaining({ scenario: 'hallFloor', started: 2, lost: 0 })]);
  const row = { id: target, removed: false, version: 1, changed: 2, ...change };
  await show(<RehearsalsScreen />, { data: { ...firmWith(), rehearsal: { [target]: row as never } } });
  expect(page()).toContain('1 of 12 come through');
  expect(page()).toContain(`${say(PLAIN, 'rehearse.tries', { count: 1 })}, best: none lost`);
}, 40_000);
