import fc from 'fast-check';
import { chanceOfLife, either } from '../../setting';
import { sheetOf } from '../../testing/job';
import { questionOf } from '../../testing/question';
import { lifeSpent } from './lifeSpent';
import { windowFor } from './windowFor';

const CLASSES = ['fineRapid', 'sandedRapid', 'portlandTopping', 'crackResin'] as const;

test('a ranking sees the very chance that the window tells: flow, finish, skin and wet edge', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...CLASSES),
      fc.double({ min: 5, max: 38, noNaN: true }),
      fc.double({ min: 0.2, max: 0.9, noNaN: true }),
      fc.double({ min: 1e-6, max: 1e-4, noNaN: true }),
      fc.boolean(),
      (name, slab_C, humidity, place_m3_s, follows) => {
        const question = questionOf({ sheet: sheetOf(name), slab_C, humidity, wind_ms: 2, place_m3_s, follows, spread_K: { slab_C: 4, air_C: 1 } });
        const { spent, skin, sdLn, accepted } = lifeSpent(question);
        const { window } = windowFor(question);
        const chance = either(chanceOfLife(Math.max(spent.flow, spent.finish, spent.wetEdge), sdLn), skin);
        expect(chance).toBeCloseTo(window.chanceLost, 9);
        if (Math.abs(chance / accepted - 1) < 1e-3) return;
        // What fits is exactly what no stop forbids.
        expect(chance <= accepted).toBe(window.fits);
        const { placeNeeds_s, placeBy_s, finishNeeds_s, finishBy_s, wetEdge } = window;
        expect(window.fits).toBe(placeNeeds_s <= placeBy_s && finishNeeds_s <= finishBy_s && (!wetEdge.asked || wetEdge.holds));
      },
    ),
    { numRuns: 300 },
  );
});

test('what retarder is left to give shrinks with what is in; in shade nothing lives shorter', () => {
  const table = [
    [0, 1],
    [1, 1.5],
    [2, 2.4],
  ] as const;
  const sheet = { ...sheetOf('sandedRapid'), retarder: table };
  const left = (retarderDose: number): number => lifeSpent(questionOf({ sheet, retarderDose })).retarder;
  expect([left(0), left(1), left(2)]).toEqual([2.4, 2.4 / 1.5, 1]);
  const hot = lifeSpent(questionOf({ sheet: { ...sheet, retarder: [] }, slab_C: 44, air_C: 28, sun: true }));
  expect(hot.retarder).toBe(1);
  expect(hot.shaded().spent.flow).toBeLessThan(hot.spent.flow);
});
