import { SETTING, waterMost, type Ending } from '../../setting';
import { bagOf, type Sheet } from '../../shelf';
import { windowFor, type WindowAnswer } from './windowFor';
import type { WindowQuestion } from './WindowQuestion';

/** What can be set across the strata. */
export const STRATA_QUANTITIES = ['slab_C', 'air_C', 'powder_C', 'water_C', 'thickness_m', 'share', 'retarderDose'] as const;
export type StrataQuantity = (typeof STRATA_QUANTITIES)[number];

/** From where to where a quantity is shown, and in which steps. */
export interface StrataDomain {
  readonly least: number;
  readonly most: number;
  /** one press of the stepper or an arrow key */
  readonly step: number;
}

/** One step of a dose: half a packet, or a sixth of the most acid. */
export const doseStep = (sheet: Sheet): number => (sheet.retarderUnit === 'citric' ? Math.max(0, ...sheet.retarder.map(([dose]) => dose)) / 6 : 0.5);

/** How far a quantity reaches for a sheet; null where the sheet leaves nothing to set. */
export function strataDomain(sheet: Sheet, quantity: StrataQuantity): StrataDomain | null {
  switch (quantity) {
    case 'slab_C':
      return { least: 2, most: 50, step: 1 };
    case 'air_C':
    case 'powder_C':
      return { least: 2, most: 42, step: 1 };
    case 'water_C':
      return { least: SETTING.waterLeast_C, most: waterMost(sheet.binder), step: 1 };
    case 'thickness_m':
      return { least: Math.max(0.002, sheet.thickness.least_m), most: sheet.thickness.liftMost_m, step: 0.001 };
    case 'share':
      return { least: Math.max(0.1, 1 / bagOf(sheet).mass_kg), most: 1, step: 0.05 };
    case 'retarderDose': {
      const most = Math.max(0, ...sheet.retarder.map(([dose]) => dose));
      return most > 0 ? { least: 0, most, step: doseStep(sheet) / 2 } : null;
    }
  }
}

/** The boundaries of the strata at one value, s from first water, for the portion that ends first. */
export interface StrataColumn {
  readonly at: number;
  /** to the safe share of whichever ends first */
  readonly flows_s: number;
  readonly finishes_s: number;
  readonly sets_s: number;
  /** what ends placing and finishing there */
  readonly flowEnding: Ending;
  readonly finishEnding: Ending;
  /** the whole life of the flow, which half of all batches reach */
  readonly flowLife_s: number;
}

/** One column of the strata: when each band ends at a value of the quantity, s. */
export const columnOf = (at: number, { window, milestones }: WindowAnswer): StrataColumn => {
  const sets_s = milestones.find(({ name }) => name === 'initial')?.after_s ?? window.finishBy_s;
  return {
    at,
    flows_s: window.placeBy_s,
    finishes_s: Math.max(window.placeBy_s, window.finishBy_s),
    sets_s: Math.max(sets_s, window.finishBy_s),
    flowEnding: window.placeEnding,
    finishEnding: window.finishEnding,
    flowLife_s: Math.min(window.first.flow_s, window.last.flow_s),
  };
};

/**
 * The bands across one quantity, the others held: flows, finishes, stiffens, set.
 *
 * @param samples columns across the domain, 2 or more
 */
export function strataOf(input: { question: WindowQuestion; quantity: StrataQuantity; domain: StrataDomain; samples?: number }): StrataColumn[] {
  const { question, quantity, domain, samples = 33 } = input;
  return Array.from({ length: samples }, (_, i) => {
    const at = domain.least + ((domain.most - domain.least) * i) / (samples - 1);
    return columnOf(at, windowFor({ ...question, [quantity]: at }));
  });
}
