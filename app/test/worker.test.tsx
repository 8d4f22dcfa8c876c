import './browser';
import { Problem } from '@tufa/core/quantity';
import { PLAIN, say, sayProblem } from '@tufa/words';
import { waitFor } from '@testing-library/react';
import { startWorker, WorkerFailed } from '../workers/startWorker';
import { tried } from '../workers/tried';
import { JobsScreen } from '../jobs/JobsScreen';
import { NowScreen } from '../now/NowScreen';
import { WalkScreen } from '../walk/WalkScreen';
import { memoryRows } from '../rows/RowStore';
import { phoneRows } from '../rows/PhoneRows';
import * as planWorker from '../workers/planWorker';
import { demonstration, firmWith, page, show } from './shown';

/** A worker's outside: it answers nothing until it is told to fail. */
class Silent extends EventTarget {
  ended = false;
  postMessage(): void {}
  terminate(): void {
    this.ended = true;
  }
}

interface Adder {
  add: (a: number, b: number) => number;
}

test.each(['error', 'messageerror'])('a worker that fails (%s) refuses what it was asked, and the next is asked of another', async (how) => {
  const made: Silent[] = [];
  const ask = startWorker<Adder>(() => {
    made.push(new Silent());
    return made.at(-1) as unknown as Worker;
  });
  const asked = ask((worker) => worker.add(1, 2));
  made[0]!.dispatchEvent(new Event(how));
  await expect(asked).rejects.toThrow(WorkerFailed);
  expect(made[0]!.ended).toBe(true);
  void ask((worker) => worker.add(1, 2)).catch(() => undefined);
  expect(made).toHaveLength(2);
});

test('what is asked with a signal has its turn; left before it, it is not begun, and in the middle of it the worker ends', async () => {
  const made: Silent[] = [];
  const ask = startWorker<Adder>(() => {
    made.push(new Silent());
    return made.at(-1) as unknown as Worker;
  });
  const [first, second, third] = [new AbortController(), new AbortController(), new AbortController()];
  const begun: number[] = [];
  const asked = [first, second, third].map(({ signal }, i) => ask((worker) => (begun.push(i), i === 2 ? Promise.resolve(7) : worker.add(i, i)), signal));
  for (const answer of asked) answer.catch(() => undefined);
  await waitFor(() => expect(begun).toEqual([0]));
  second.abort();
  first.abort();
  await expect(asked[0]).rejects.toThrow();
  await expect(asked[1]).rejects.toThrow();
  expect(await asked[2]).toBe(7);
  expect(begun).toEqual([0, 2]);
  expect(made.map(({ ended }) => ended)).toEqual([true, false]);
});

test('a problem of the core keeps its code and its figures on the way; what is none is thrown', () => {
  const figures = { quantity: 'water_C', value: 90, least: 0, most: 60 };
  const { value, problem } = tried(() => {
    throw new Problem('outOfRange', figures);
  });
  expect([value, problem]).toEqual([null, { code: 'outOfRange', figures }]);
  expect(tried(() => 3)).toEqual({ value: 3, problem: null });
  expect(() =>
    tried(() => {
      throw new TypeError('x');
    }),
  ).toThrow(TypeError);
});

test('a large job whose worker fails says so on its screen and is not worked out on this thread', async () => {
  const data = firmWith([demonstration[0]!]);
  const [spall] = Object.values(data.finding);
  const many = Object.fromEntries(
    Array.from({ length: 40 }, (_, i) => {
      const id = `0198a000-eeee-7000-8000-${String(i).padStart(12, '0')}`;
      return [id, { ...spall!, id, label: `F${i}` }];
    }),
  );
  jest.spyOn(planWorker, 'askPlan').mockRejectedValue(new WorkerFailed('gone'));
  await show(<WalkScreen />, { data: { ...data, finding: many }, at: { job: demonstration[0]!.job.id } });
  await waitFor(() => expect(page()).toContain(sayProblem(PLAIN, { code: 'workerFailed', figures: {} })));
  jest.restoreAllMocks();
});

test.each([
  ['Jobs', () => <JobsScreen />],
  ['Now', () => <NowScreen />],
] as const)('%s never says that there are no jobs before the firm is here', async (_, screenOf) => {
  await show(screenOf(), { data: firmWith([]) });
  await phoneRows.of(memoryRows());
  await waitFor(() => expect(page()).not.toContain(say(PLAIN, 'jobs.count', { count: 0 })));
  for (const word of [say(PLAIN, 'jobs.empty'), say(PLAIN, 'now.nothing')]) expect(page()).not.toContain(word);
});
