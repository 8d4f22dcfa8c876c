import { Site } from '../input/site';
import type { PlanInput, SiteInput } from '../input/PlanInput';
import { leversOf, type Lever } from '../levers';
import { windowFor, type WindowAnswer } from '../window';
import type { WindowQuestion } from '../window/WindowQuestion';
import type { Measured } from '../../quantity';
import { readAt, type WeekAsk } from './weekOf';

/** A batch at one hour with all that is behind it, and what would give it time there. */
export interface HourLooked {
  readonly question: WindowQuestion;
  readonly answer: WindowAnswer;
  readonly levers: readonly Lever[];
}

/** An older reading says nothing of an hour, ms. */
const READ_BEFORE_MS = 12 * 3_600_000;

/**
 * One hour looked at closely: the strata's question, its window and its levers.
 *
 * @throws Problem `outOfRange` for weather outside its range
 */
export function hourOf(input: PlanInput, ask: WeekAsk, weather: Omit<SiteInput, 'firstWater'>, at_ms: number): HourLooked {
  // What was read at another hour, or nobody knows when, is no reading of this one.
  const stands = (reading: Measured): Measured => {
    const read_ms = readAt(reading, at_ms - READ_BEFORE_MS);
    return read_ms !== null && read_ms <= at_ms ? reading : { ...reading, source: 'assumed' };
  };
  const { air_C: air, slab_C: slab } = input.conditions;
  const conditions = { ...input.conditions, air_C: stands(air), slab_C: stands(slab) };
  const site = new Site({ ...weather, firstWater: new Date(at_ms).toISOString() }, ask.element, conditions);
  const { sheetId: _id, ...asked } = ask.window.question;
  const { air_C, slab_C, humidity, wind_ms, airDrift, slabDrift } = site.hour();
  const question: WindowQuestion = { ...asked, sheet: ask.sheet, air_C, slab_C, humidity, wind_ms, airDrift, slabDrift };
  const answer = windowFor(question);
  return { question, answer, levers: leversOf({ question, answer, grid: input.firm.grid, site }) };
}
