import fc from 'fast-check';
import { sheetOf } from '../../testing/job';
import { questionOf } from '../../testing/question';
import { courseFor } from './basisFor';
import { lifeSpent } from './lifeSpent';
import { windowFor } from './windowFor';

const CLASSES = ['fineRapid', 'sandedRapid', 'portlandTopping', 'crackResin'] as const;

test('the lives spent are those of the window: inside the safe share exactly where both ends are kept', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...CLASSES),
      fc.double({ min: 5, max: 38, noNaN: true }),
      fc.double({ min: 5, max: 38, noNaN: true }),
      fc.double({ min: 60, max: 1500, noNaN: true }),
      (name, slab_C, air_C, place_s) => {
        const question = questionOf({ sheet: sheetOf(name), slab_C, air_C, place_s });
        const spent = lifeSpent(question, courseFor(question));
        const { window, safeShare } = windowFor(question);
        const { first, last } = window;
        expect(spent.safe).toBe(safeShare);
        const kept = (needs_s: number, ...ends: number[]): boolean => needs_s <= Math.min(...ends);
        const near = (share: number): boolean => Math.abs(share / safeShare - 1) < 1e-6;
        if (!near(spent.placed)) expect(spent.placed <= safeShare).toBe(kept(window.placeNeeds_s, first.flowSafe_s, last.flowSafe_s));
        if (!near(spent.finished)) expect(spent.finished <= safeShare).toBe(kept(window.finishNeeds_s, first.finishSafe_s, last.finishSafe_s));
      },
    ),
  );
});

test('what retarder is left to give shrinks with what is in', () => {
  const table = [
    [0, 1],
    [1, 1.5],
    [2, 2.4],
  ] as const;
  const sheet = { ...sheetOf('sandedRapid'), retarder: table };
  const left = (retarderDose: number): number => {
    const question = questionOf({ sheet, retarderDose });
    return lifeSpent(question, courseFor(question)).retarder;
  };
  expect([left(0), left(1), left(2)]).toEqual([2.4, 2.4 / 1.5, 1]);
  const bare = questionOf({ sheet: { ...sheet, retarder: [] } });
  expect(lifeSpent(bare, courseFor(bare)).retarder).toBe(1);
});
