import { assemblePlanInput } from '@tufa/contract/assemble';
import { bestTreatments, compareSystems, computePlan, decide, leversOf, sheetOf, suggestedSystems, windowFor } from '@tufa/core/plan';
import { PLAIN, say } from '@tufa/words';
import { screen, waitFor } from '@testing-library/react';
import { Levers } from '../day/Levers';
import { SystemsScreen } from '../fix/SystemsScreen';
import { systemName } from '../fix/systemName';
import { JobsScreen } from '../jobs/JobsScreen';
import { NowScreen } from '../now/NowScreen';
import { demonstration, firmWith, lastOf, page, press, show, tap, typeIn, written } from './shown';
import { went } from './router';

const dock = demonstration[0]!;
const data = firmWith();
const inputOf = (jobId: string) => assemblePlanInput(data, jobId)!;
const chosenOf = (jobId: string) => computePlan(inputOf(jobId)).findings.find(({ chosen }) => chosen !== null)?.chosen;

describe('systems side by side', () => {
  const open = () => show(<SystemsScreen />, { data, at: { job: dock.job.id } });

  test('say what the core says: the one that it decides for, of those that it suggests', async () => {
    const input = inputOf(dock.job.id);
    const systems = suggestedSystems(input, computePlan(input));
    const outcomes = compareSystems({ input, systems });
    const { winner } = decide(outcomes, input.firm.acceptedChance);
    await open();
    await waitFor(() => expect(page()).not.toContain(say(PLAIN, 'systems.working')));
    expect(document.querySelector('h1, [role=heading]')?.textContent).toContain(systemName(PLAIN, outcomes[winner]!.code));
  });

  test.each(demonstration.map(({ job }) => [job.name, job.id] as const))('of %s the best of the shelf suggests what all of it does', (_, jobId) => {
    const input = inputOf(jobId);
    for (const job of [input, { ...input, treatments: [] }])
      expect(suggestedSystems(job, computePlan(job, { ranked: 'best' }))).toEqual(suggestedSystems(job, computePlan(job)));
  });

  test.each([
    ['1200', 120000],
    ['$1,250.50', 125050],
    ['0', 0],
  ] as const)('%s is the price agreed', async (text, minor) => {
    await open();
    await typeIn(say(PLAIN, 'systems.price'), text);
    expect(await lastOf(1)).toMatchObject({ kind: 'job.change', target: dock.job.id, change: { price_minor: minor } });
  });

  test('a price that cannot be read says so, and is kept as typed', async () => {
    await open();
    const field = await typeIn(say(PLAIN, 'systems.price'), 'a lot');
    await waitFor(() => expect(page()).toContain(say(PLAIN, 'systems.priceFault')));
    expect([field, written()]).toEqual([expect.objectContaining({ value: 'a lot' }), []]);
  });

  test('emptied again, no price is agreed', async () => {
    await open();
    await typeIn(say(PLAIN, 'systems.price'), '900');
    await lastOf(1);
    await waitFor(() => expect(page()).not.toContain(say(PLAIN, 'systems.priceHint')));
    await typeIn(say(PLAIN, 'systems.price'), '');
    expect((await lastOf(2)).change).toEqual({ price_minor: null });
  });

  test('put together by hand begins with the best of each finding', async () => {
    const input = inputOf(dock.job.id);
    await open();
    await waitFor(() => expect(page()).toContain(systemName(PLAIN, 'own')));
    await tap(systemName(PLAIN, 'own'), 'checkbox');
    const best = bestTreatments(input, computePlan(input));
    await waitFor(() => expect(document.querySelectorAll('[role=radio][aria-checked=true]').length).toBeGreaterThanOrEqual(best.length));
  });
});

describe('what gives more time', () => {
  const GRID = [0.125, 0.25, 0.5, 1];
  const askedOf = (jobId: string) => {
    const { window, sheetId } = chosenOf(jobId)!;
    const question = { ...window.question, sheet: sheetOf(inputOf(jobId), sheetId)! };
    const answer = windowFor(question);
    return { question, answer, grid: GRID, levers: leversOf({ question, answer, grid: GRID }) };
  };
  const jobs = demonstration.filter(({ job }) => chosenOf(job.id) && askedOf(job.id).levers.length > 0);

  test('there are jobs with levers to try', () => expect(jobs.length).toBeGreaterThan(2));

  test.each(jobs.map(({ job }) => [job.name, job.id] as const))('for %s each lever is the core’s, and tried changes what it says', async (_, jobId) => {
    const { question, answer, grid, levers } = askedOf(jobId);
    const tried: object[] = [];
    await show(<Levers question={question} answer={answer} grid={grid} onTry={(change) => tried.push(change)} />);
    const buttons = screen.queryAllByText(say(PLAIN, 'day.try'));
    expect(buttons.length).toBeGreaterThanOrEqual(levers.length);
    await press(buttons[0]!);
    expect(tried).toEqual([levers[0]!.change]);
    const then = windowFor({ ...question, ...levers[0]!.change });
    expect(then.chanceLost).toBeLessThanOrEqual(answer.chanceLost + 1e-9);
  });
});

describe('Now and the jobs', () => {
  test('every job of the firm waits with what it waits for, and is one tap away', async () => {
    await show(<NowScreen />, { data });
    for (const { job } of demonstration) expect(page()).toContain(job.name);
    const link = screen.getAllByText(demonstration[2]!.job.name)[0]!.closest('a');
    expect(link?.getAttribute('href')).toMatch(new RegExp(`^/jobs/${demonstration[2]!.job.id}/`));
  });

  test('an empty firm is offered its first job, and a sum to try', async () => {
    await show(<NowScreen />, { data: firmWith([]) });
    expect(page()).toContain(say(PLAIN, 'now.nothing'));
    await tap(say(PLAIN, 'now.newJob'));
    expect(went).toEqual(['/jobs/new']);
  });

  test('the list of jobs finds by any word of a job, and says when none fits', async () => {
    await show(<JobsScreen />, { data });
    for (const { job } of demonstration) expect(page()).toContain(job.name);
    await typeIn(say(PLAIN, 'jobs.search'), ' CISTERN ');
    await waitFor(() => expect(page()).not.toContain(dock.job.name));
    expect(page()).toContain('Rinse cistern');
    await typeIn(say(PLAIN, 'jobs.search'), 'nothing of the kind');
    await waitFor(() => expect(page()).toContain(say(PLAIN, 'jobs.none')));
  });

  test('a removed job is listed nowhere', async () => {
    const gone = { ...data, job: { ...data.job, [dock.job.id]: { ...data.job[dock.job.id]!, removed: true } } };
    await show(<NowScreen />, { data: gone });
    expect(page()).not.toContain(dock.job.name);
    await show(<JobsScreen />, { data: gone });
    expect(page()).not.toContain(dock.job.name);
  });
});
