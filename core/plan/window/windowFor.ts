import { batchWindow, peakTemperature, SETTING, type BatchWindow, type BatchWindowInput, type PeakTemperature } from '../../setting';
import { isRapid, isResin } from '../../shelf';
import type { WindowQuestion } from './WindowQuestion';
import { basisFor, type Portion } from './basisFor';
import { curingOf, milestonesOf, placedCourse, type MilestoneTime } from './milestones';

/** One batch's window with everything behind it. */
export interface WindowAnswer {
  readonly question: Omit<WindowQuestion, 'sheet' | 'record'> & { readonly sheetId: string };
  readonly batch: Pick<Portion, 'powder_kg' | 'water_kg' | 'ice_kg' | 'latex_m3' | 'volume_m3'> & { readonly area_m2: number };
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

/**
 * The window of one batch: heat balance, rate, two lives as budgets, safe share, skin and milestones put together.
 *
 * @throws Problem `outOfRange` for a temperature, dose, share or thickness outside its range
 */
export function windowFor(question: WindowQuestion): WindowAnswer {
  const { sheet } = question;
  const {
    portion: { powder_kg, water_kg, ice_kg, latex_m3, volume_m3, mix_C },
    area_m2,
    retarder,
    drying_kg_m2h,
    basis,
    courses,
  } = basisFor(question);
  const window = batchWindow(basis, courses);
  const { sheet: _sheet, record: _record, ...asked } = question;
  const course = placedCourse(basis.course, window.placeNeeds_s);
  return {
    question: { ...asked, sheetId: sheet.id },
    batch: { powder_kg, water_kg, ice_kg, latex_m3, volume_m3, area_m2 },
    mix_C,
    retarder,
    safeShare: basis.safeShare,
    evaporation_kg_m2h: drying_kg_m2h,
    window,
    chanceLost: window.chanceLost,
    milestones: milestonesOf({ sheet, course, retarder, ...(question.record ? { record: question.record } : {}) }),
    ...curingOf({ sheet, course, retarder }),
    peak:
      question.thickness_m >= SETTING.fillFrom_m && !isResin(sheet) && sheet.milestones.final
        ? peakTemperature({ course, final_s: sheet.milestones.final, adiabatic_K: SETTING.adiabatic_K[isRapid(sheet) ? 'rapid' : 'portland'] })
        : null,
    basis,
  };
}
