import erf from '@stdlib/math-base-special-erf';
import { RANGE } from '../../quantity';
import { batchWindow, Course, peakTemperature, SETTING, type BatchWindow, type BatchWindowInput, type PeakTemperature } from '../../setting';
import { isRapid, isResin } from '../../shelf';
import type { WindowQuestion } from './WindowQuestion';
import { basisFor } from './basisFor';
import { curingOf, milestonesOf, type MilestoneTime } from './milestones';

/** One batch's window with everything behind it. */
export interface WindowAnswer {
  readonly question: Omit<WindowQuestion, 'sheet' | 'record'> & { readonly sheetId: string };
  readonly batch: { readonly powder_kg: number; readonly water_kg: number; readonly volume_m3: number; readonly area_m2: number };
  /** temperature of the mix as a thermometer in the pail would read it, degC */
  readonly mix_C: number;
  readonly retarder: number;
  readonly safeShare: number;
  readonly evaporation_kg_m2h: number;
  readonly window: BatchWindow;
  /** the chance that the batch is lost as it is planned: the same in Mix and Day */
  readonly chanceLost: number;
  readonly milestones: readonly MilestoneTime[];
  /** when frost does no harm and when moist curing may end, s from first water; null where the sheet names no strength */
  readonly frostSafe_s: number | null;
  readonly moistCure_s: number | null;
  /** a fill warms itself: the warmest it gets, degC, and when; null for thinner layers */
  readonly peak: PeakTemperature | null;
  /** what the pour's clock needs to follow the batch */
  readonly basis: BatchWindowInput;
}

/** sd of ln life from what is not known of the temperatures: each one's slope by a kelvin either way, times its sd. */
function sdOfTemperatures(question: WindowQuestion): number {
  const spreads = Object.entries(question.spread_K ?? {}) as ['slab_C' | 'air_C' | 'powder_C' | 'water_C', number][];
  const lnLife = (asked: WindowQuestion): number => {
    const { basis } = basisFor(asked);
    const spread_s = basis.pace.mix_s + basis.pace.carry_s;
    const life_s = basis.flow_life_s;
    return Math.log(new Course({ ...basis.course, pail_life_s: life_s, film_life_s: life_s * basis.filmShare, placed_after_s: spread_s }).timeToSpend(1));
  };
  const bare: WindowQuestion = { ...question, spread_K: {} };
  return Math.hypot(
    ...spreads.map(([name, spread]) => {
      const slope = (lnLife({ ...bare, [name]: question[name] + 1 }) - lnLife({ ...bare, [name]: question[name] - 1 })) / 2;
      return (slope * spread) / RANGE.z90;
    }),
  );
}

/** The chance that a batch's life ends before the crew needs it to: what is spent by then against a lognormal life. */
function chanceLostOf({ first, last, placeNeeds_s, finishNeeds_s }: BatchWindow, basis: BatchWindowInput): number {
  const spentBy = (life_s: number, spread_s: number, t: number): number =>
    new Course({ ...basis.course, pail_life_s: life_s, film_life_s: life_s * basis.filmShare, placed_after_s: spread_s }).spentAt(t);
  const spent = Math.max(
    ...[first, last].flatMap(({ spread_s }) => [spentBy(basis.flow_life_s, spread_s, placeNeeds_s), spentBy(basis.finish_life_s, spread_s, finishNeeds_s)]),
  );
  // One life stands behind both budgets, so the worse of the two decides.
  return 0.5 * (1 + erf(Math.log(spent) / basis.sdLn / Math.SQRT2));
}

/**
 * The window of one batch: heat balance, rate, two lives as budgets, safe share, skin and milestones put together.
 *
 * @throws Problem `outOfRange` for a temperature, dose, share or thickness outside its range
 */
export function windowFor(question: WindowQuestion): WindowAnswer {
  const { sheet } = question;
  const { portion, area_m2, retarder, drying_kg_m2h, basis } = basisFor(question);
  const spreads = Object.values(question.spread_K ?? {}).some((spread) => spread > 0);
  const window = batchWindow(spreads ? { ...basis, sdLn: Math.hypot(basis.sdLn, sdOfTemperatures(question)) } : basis);
  const { sheet: _sheet, record: _record, ...asked } = question;
  const course = { ...basis.course, pail_life_s: 1, film_life_s: 1, placed_after_s: window.placeNeeds_s };
  return {
    question: { ...asked, sheetId: sheet.id },
    batch: { powder_kg: portion.powder_kg, water_kg: portion.water_kg, volume_m3: portion.volume_m3, area_m2 },
    mix_C: portion.mix_C,
    retarder,
    safeShare: basis.safeShare,
    evaporation_kg_m2h: drying_kg_m2h,
    window,
    chanceLost: chanceLostOf(window, basis),
    milestones: milestonesOf({ sheet, course, retarder, ...(question.record ? { record: question.record } : {}) }),
    ...curingOf({ sheet, course, retarder }),
    peak:
      question.thickness_m >= SETTING.fillFrom_m && !isResin(sheet) && sheet.milestones.final
        ? peakTemperature({ course, final_s: sheet.milestones.final, adiabatic_K: SETTING.adiabatic_K[isRapid(sheet) ? 'rapid' : 'portland'] })
        : null,
    basis,
  };
}
