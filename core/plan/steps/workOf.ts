import { houseOf, preparationTool } from '../../choose';
import { DAY, type WorkTask } from '../../day';
import { TAKEOFF } from '../../takeoff';
import type { Context } from '../input/Context';
import type { RepairStep } from '../Plan';
import { PLAN } from '../constants';
import { anchorCount } from './anchorCount';
import { perCode, startsWith } from './perCode';

interface Worked extends Context {
  readonly batches: number;
}

type Time = (context: Worked, step: RepairStep) => number;

const area = ({ takeOff }: Context): number => takeOff.area_m2;
const length = ({ takeOff }: Context): number => takeOff.length_m ?? takeOff.perimeter_m;
const perArea =
  (rate_m2_s: number): Time =>
  (context) =>
    area(context) / rate_m2_s;
const perLength =
  (rate_m_s: number): ((context: Context) => number) =>
  (context) =>
    length(context) / rate_m_s;
const sawn: Time = (context, { figures }) => (length(context) * (typeof figures['passes'] === 'number' ? figures['passes'] : 1)) / DAY.saw_m_s;
const placing: Time = (context) => area(context) / context.input.crew.rate_m2_s;
const nothing: Time = () => 0;

/** How long one person takes for a step, by the code it starts with; the first that fits counts. */
const TIMES: readonly (readonly [start: string, time: Time])[] = [
  [
    'step.breakOut',
    ({ takeOff }) => (takeOff.debris ? takeOff.debris.bulk_m3 / TAKEOFF.debrisBulk / DAY.breakOut_m3_s + takeOff.debris.bags * DAY.carryBag_s : 0),
  ],
  ['step.prepare', ({ takeOff, input, sheet }) => (takeOff.rough_m2 || takeOff.area_m2) / DAY.prepare_m2_s[preparationTool(houseOf(input.house), sheet)]],
  // By hand and machine, as fast as a wire brush.
  ['step.ready', perArea(DAY.prepare_m2_s.brush)],
  ['step.vacuum', perArea(DAY.vacuum_m2_s)],
  ['step.vacuumDry', perArea(DAY.vacuum_m2_s)],
  ['step.overlayReady', perArea(DAY.vacuum_m2_s)],
  ['step.soak', perArea(DAY.vacuum_m2_s)],
  ['step.dustDamp', perArea(DAY.vacuum_m2_s)],
  ['step.bond', perArea(DAY.brush_m2_s)],
  ['step.cure', perArea(DAY.brush_m2_s)],
  // A coat is counted where one has been chosen; without, it is a door left open.
  ['step.coat', (context, { sheetId }) => (sheetId ? area(context) / DAY.brush_m2_s : 0)],
  ['step.scrape', perLength(DAY.line_m_s)],
  ['step.loose', perArea(DAY.brush_m2_s)],
  ['step.shoulder', sawn],
  ['step.cutToe', sawn],
  ['step.cutJoint', sawn],
  ['step.groove', sawn],
  ['step.keyed', perLength(DAY.chisel_m_s)],
  ['step.anchors', (context) => anchorCount(context.takeOff) * DAY.anchor_s],
  ['step.measure', ({ batches, sheet }) => batches * (DAY.batch_s + sheet.mixing.time_s)],
  ['step.riser.formed', ({ finding }) => (finding.kind === 'step' ? finding.steps : 1) * DAY.form_s],
  ['step.openGroove', (context) => perLength(DAY.saw_m_s)(context) + perLength(DAY.line_m_s)(context)],
  ['step.lift', placing],
  ['step.spread', placing],
  ['step.pressIn', placing],
  ['step.rubIn', perLength(DAY.line_m_s)],
  ['step.fillJoint', perLength(DAY.line_m_s)],
  ['step.rod', perLength(DAY.line_m_s)],
  ['step.sealant', perLength(DAY.line_m_s)],
  ['step.dam', perLength(DAY.line_m_s)],
  ['step.sandBed', perLength(DAY.line_m_s)],
  ['step.crack', perLength(DAY.line_m_s)],
  ['step.grindFlush', perLength(DAY.grindLine_m_s)],
  ['step.rubFlush', perArea(DAY.rub_m2_s)],
  ['step.texture', ({ batches, input }) => batches * input.crew.finish_s],
  ['step.finish', ({ batches, input }) => batches * input.crew.finish_s],
];

const PLACES = ['step.lift', 'step.spread', 'step.pressIn', 'step.crack', 'step.rubIn', 'step.openGroove', 'step.fillJoint', 'step.sealant'];
const timeOfStep = perCode((code) => TIMES.find(([start]) => startsWith(code, start))?.[1] ?? nothing);
const placesOfStep = perCode((code) => PLACES.some((start) => startsWith(code, start)));

/** The steps of one system as work for hands, with the waits the material asks for. Steps that take nobody's time are left out, their waits with them. */
export function workOf(context: Worked, steps: readonly RepairStep[]): WorkTask[] {
  let soaked_s = 0;
  return steps.flatMap((step): WorkTask[] => {
    const person_s = timeOfStep(step.code)(context, step);
    const wait_s = Math.max(step.after?.least_s ?? 0, soaked_s);
    if (person_s <= 0) return [];
    soaked_s = step.code === 'step.soak' ? PLAN.soak_s : 0;
    return [{ person_s, wait_s, places: placesOfStep(step.code) }];
  });
}
