import fc from 'fast-check';
import { DAY, daysOnSite, type WorkTask } from './index';

const task = (person_s: number, wait_s = 0, places = false): WorkTask => ({ person_s, wait_s, places });
const site = (chains: WorkTask[][], hands = 1) => daysOnSite({ chains, hands });

test('work on site: what is ready first, a short wait sat out, a long one left for, the day ended and begun anew', () => {
  expect(site([[task(3600, 0, true)]])).toEqual({
    hand_s: DAY.setUp_s + 3600,
    waited_s: 0,
    days: 1,
    trips: 1,
    placed_s: DAY.setUp_s + 3600,
    end_s: DAY.setUp_s + 3600,
  });
  // The other chain's work fills the wait.
  expect(site([[task(600), task(600, 1800)], [task(1800)]])).toMatchObject({ waited_s: 0, trips: 1, hand_s: DAY.setUp_s + 3000 });
  expect(site([[task(600), task(600, 7200)]])).toMatchObject({ waited_s: 7200, trips: 1, days: 1 });
  expect(site([[task(600), task(600, 7201)]])).toMatchObject({ waited_s: 0, trips: 2, days: 1, hand_s: 2 * DAY.setUp_s + 1200 });
  expect(site([[task(600), task(600, 8 * 3600)]])).toMatchObject({ waited_s: 0, trips: 2, days: 2, end_s: 86400 + DAY.setUp_s + 600 });
  expect(site([[task(10 * 3600)]])).toMatchObject({ days: 2, trips: 2, hand_s: 10 * 3600 + 2 * DAY.setUp_s });
  expect(site([])).toMatchObject({ trips: 1, placed_s: 0 });
});

test('nothing is lost on the way: every hour of work is paid, and no chain is done before its own hours and waits', () => {
  const chain = fc.array(fc.record({ person_s: fc.integer({ min: 1, max: 40000 }), wait_s: fc.integer({ min: 0, max: 90000 }), places: fc.boolean() }), {
    minLength: 1,
    maxLength: 5,
  });
  fc.assert(
    fc.property(fc.array(chain, { minLength: 1, maxLength: 4 }), (chains) => {
      const days = site(chains);
      const work_s = chains.flat().reduce((sum, { person_s }) => sum + person_s, 0);
      expect(days.hand_s).toBeCloseTo(work_s + days.waited_s + days.trips * DAY.setUp_s, 3);
      expect(days.days).toBeLessThanOrEqual(days.trips);
      expect(days.placed_s).toBeLessThanOrEqual(days.end_s);
      const longest = Math.max(...chains.map((all) => all.reduce((sum, { person_s, wait_s }) => sum + person_s + wait_s, 0)));
      expect(days.end_s).toBeGreaterThanOrEqual(longest);
    }),
    { seed: 7, numRuns: 60 },
  );
});

test('what waits for others begins when the last of them is done, with its own wait; an empty one is done already', () => {
  const [fill, other, over] = [[task(600, 0, true)], [task(1800, 0, true)], [task(300, 900, true)]];
  const after = (waitsFor: number[][]) => daysOnSite({ chains: [fill, other, over], waitsFor, hands: 1 });
  expect(after([[], [], [0]]).waited_s).toBe(0);
  expect(after([[], [], [0, 1]])).toMatchObject({ waited_s: 900, placed_s: DAY.setUp_s + 600 + 1800 + 900 + 300 });
  // None waits for itself or for what comes after it, so that no two wait for each other.
  expect(after([[2], [1], [0, 1]])).toEqual(after([[], [], [0, 1]]));
  expect(daysOnSite({ chains: [[], fill], waitsFor: [[], [0]], hands: 1 })).toEqual(site([fill]));
});
