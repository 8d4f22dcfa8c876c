import { type CrewFigureName, type CrewRecord, type FigureEntry, crewFigure, crewRecord } from '../../setting';
import { type Sheet, flowOf, givesRange } from '../../shelf';
import type { WorkRates } from '../../day';
import type { PlanInput, RecordInput } from './PlanInput';
import { rateOf } from './rateOf';

/** Records already worked out, by the input they came from: the same input gives the same record. */
const records = new WeakMap<RecordInput['lives'], Map<Sheet, CrewRecord>>();

/** The crew's own record of one sheet, or nothing. */
export function recordOf(input: PlanInput, sheet: Sheet): CrewRecord | undefined {
  const lives = input.record?.lives;
  const entries = lives?.find(({ sheetId }) => sheetId === sheet.id)?.entries ?? [];
  if (!lives || entries.length === 0) return undefined;
  const ofSheets = records.get(lives) ?? new Map<Sheet, CrewRecord>();
  records.set(lives, ofSheets);
  const found = ofSheets.get(sheet);
  if (found) return found;
  const { reference_s, Ea_J_mol } = flowOf(sheet);
  const record = crewRecord({ prior_s: reference_s, prior_Ea_J_mol: Ea_J_mol, log: entries, reference_C: sheet.reference_C, givesRange: givesRange(sheet) });
  ofSheets.set(sheet, record);
  return record;
}

/** The crew's own figure in place of a default, by the median of what they logged; the default without a log. */
export function learnedFigure(input: PlanInput, name: CrewFigureName, prior: number): number {
  const log = input.record?.figures[name];
  if (!log || log.length === 0 || prior <= 0) return prior;
  const ofLog = figures.get(log);
  if (ofLog?.name === name && ofLog.prior === prior) return ofLog.p50;
  const { p50 } = crewFigure({ name, prior, log });
  figures.set(log, { name, prior, p50 });
  return p50;
}

/** Figures already worked out, by the log they came from: a ranking asks for each product. */
const figures = new WeakMap<readonly FigureEntry[], { readonly name: CrewFigureName; readonly prior: number; readonly p50: number }>();

declare const PREPARED: unique symbol;

/** A job file with the crew's own figures taken up: only `prepared` makes one, so that nothing takes them up twice or forgets to. */
export type PreparedInput = PlanInput & { readonly [PREPARED]: true };

/** The input with the crew's own rate and waste in place of what was assumed. Prepared again, it stays as it is. */
export function prepared(given: PlanInput): PreparedInput {
  const { pail_m3 } = given.batch;
  const input = pail_m3 === undefined || pail_m3 === given.firm.pail_m3 ? given : { ...given, firm: { ...given.firm, pail_m3 } };
  const { rate, waste, ...rest } = input.record?.figures ?? {};
  if (!rate && !waste) return input as PreparedInput;
  const { crew, firm } = input;
  const fill = rateOf(input, 'fill');
  // A crew whose days show it quicker is as much quicker at everything.
  const pace = learnedFigure(input, 'rate', fill) / fill;
  const paced = (rates: Partial<WorkRates>): Partial<WorkRates> => Object.fromEntries(Object.entries(rates).map(([work, value]) => [work, value * pace]));
  return {
    ...input,
    firm: { ...firm, medianWaste: learnedFigure(input, 'waste', firm.medianWaste), ...(firm.workRates ? { workRates: paced(firm.workRates) } : {}) },
    crew: { ...crew, rate_m2_s: crew.rate_m2_s * pace, ...(crew.rates ? { rates: paced(crew.rates) } : {}) },
    record: { lives: input.record?.lives ?? [], figures: rest },
  } as PreparedInput;
}
