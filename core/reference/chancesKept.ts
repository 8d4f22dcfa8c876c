import { DEFAULT_CREW } from '../plan/input/PlanInput';
import { courseFor, skinOf } from '../plan/window/basisFor';
import { windowFor } from '../plan/window/windowFor';
import type { SpreadTemperature, WindowQuestion } from '../plan/window/WindowQuestion';
import { Course, normals, sdWithoutRecord, SETTING } from '../setting';
import { givesRange, type SheetClass } from '../shelf';
import { catalogue } from '../shelf/catalogue';
import { WEATHER } from '../weather';

const NAMES = ['slab_C', 'air_C', 'powder_C', 'water_C'] as const satisfies readonly SpreadTemperature[];
const known = (sd_K: number): Record<SpreadTemperature, number> => ({ slab_C: sd_K, air_C: sd_K, powder_C: sd_K, water_C: sd_K });
const READ = known(SETTING.sdRead_K);
const ASSUMED = known(SETTING.sdAssumed_K);

const batchOf = (name: SheetClass, change: Partial<WindowQuestion>): WindowQuestion => ({
  sheet: catalogue.find((sheet) => sheet.class === name)!,
  task: 'spread',
  share: 0.5,
  retarderDose: 0,
  thickness_m: 0.02,
  air_C: 21,
  slab_C: 21,
  powder_C: 21,
  water_C: 21,
  humidity: 0.9,
  wind_ms: 0,
  sun: false,
  crew: DEFAULT_CREW,
  acceptedChance: 0.1,
  ...change,
});

/** Batches that true lives and temperatures are drawn for: a fill, a thin overlay in wind, batches that meet wet. */
export const CHANCE_CASES: readonly (readonly [name: string, question: WindowQuestion])[] = [
  ['a fill, every temperature read', batchOf('sandedRapid', { spread_K: READ, slab_C: 31, air_C: 26 })],
  ['a fill, every temperature assumed', batchOf('sandedRapid', { spread_K: ASSUMED, slab_C: 31, air_C: 26 })],
  ['a thin overlay in wind, read', batchOf('broomOverlay', { thickness_m: 0.003, spread_K: READ, humidity: 0.4, wind_ms: 3 })],
  ['batches that meet wet, assumed', batchOf('sandedRapid', { spread_K: ASSUMED, panel: true, follows: true, crew: { ...DEFAULT_CREW, hands: 1 } })],
];

/** How far from the accepted chance, and from four in five, counts as kept. */
const KEPT = { lost: 0.02, inRange: 0.04 } as const;

/** The slowest crew that still fits: its batch ends where the plan stops. */
function atTheStop(question: WindowQuestion): WindowQuestion {
  let [fast, slow] = [1e-2, 1e-8];
  while (fast / slow > 1.0001) {
    const place_m3_s = Math.sqrt(fast * slow);
    if (windowFor({ ...question, place_m3_s }).window.fits) fast = place_m3_s;
    else slow = place_m3_s;
  }
  return { ...question, place_m3_s: fast };
}

/**
 * Of batches worked until the plan's stop, how many are lost when true lives, skins and temperatures are drawn, and how
 * often the shown range of life holds the true one.
 *
 * @param draws 1 to a million, seeded
 */
export function chancesKept(
  asked: WindowQuestion,
  { seed, draws }: { seed: number; draws: number },
): { told: number; lost: number; inRange: number; kept: boolean } {
  const question = atTheStop(asked);
  const { window, basis } = windowFor(question);
  const draw = normals(seed);
  const sdLn = sdWithoutRecord(givesRange(question.sheet));
  const { pace } = basis;
  const first_s = pace.mix_s + pace.carry_s;
  const skin_s = skinOf(question, courseFor(question));
  let [lost, inside] = [0, 0];
  for (let i = 0; i < draws; i += 1) {
    const moved = Object.fromEntries(NAMES.map((name) => [name, question[name] + draw() * (question.spread_K?.[name] ?? 0)]));
    const { course } = courseFor({ ...question, ...moved });
    const of = (placed_after_s: number): Course => new Course({ ...course, pail_life_s: 1, film_life_s: basis.filmShare, placed_after_s });
    const [first, last] = [of(first_s), of(window.placeNeeds_s)];
    const life = Math.exp(draw() * sdLn);
    const spent = (t: number, life_s: number): number => Math.max(first.spentAt(t), last.spentAt(t)) / life_s;
    const skinned = window.finishNeeds_s - first_s > skin_s * Math.exp(draw() * WEATHER.skinSd);
    const gone =
      spent(window.placeNeeds_s, basis.flow_life_s) > life ||
      spent(window.finishNeeds_s, basis.finish_life_s) > life ||
      (basis.wetEdge && last.spentAt(window.wetEdge.touches_s) / basis.flow_life_s > life);
    if (gone || skinned) lost += 1;
    const ends_s = (window.first.flow_s <= window.last.flow_s ? first : last).timeToSpend(life * basis.flow_life_s);
    if (ends_s >= window.flowLife.p10 && ends_s <= window.flowLife.p90) inside += 1;
  }
  const [lostShare, insideShare] = [lost / draws, inside / draws];
  const kept = Math.abs(lostShare - asked.acceptedChance) < KEPT.lost && Math.abs(insideShare - 0.8) < KEPT.inRange;
  return { told: window.chanceLost, lost: lostShare, inRange: insideShare, kept };
}
