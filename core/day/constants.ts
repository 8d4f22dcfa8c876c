import { constant, valuesOf, type Constant } from '../quantity/constant';
import type { WorkRates } from './WORKS';

/** The constants of the day. */
export const DAY_TABLE = {
  vibrationAction_ms2: constant(2.5, 'm/s2', 'daily action value, ISO 5349-1', 'method'),
  vibrationLimit_ms2: constant(5, 'm/s2', 'daily limit, ISO 5349-1', 'method'),
  vibrationDay_s: constant(28800, 's', 'eight hours of ISO 5349-1', 'exact'),
  vibration_ms2: constant(
    { breaker: 15, grinder: 7, saw: 5, sander: 5, drillBits: 12 },
    'm/s2',
    'what a tool gives the hand, where its own sheet is not at hand',
  ),
  triggerShare: constant(0.5, '1', 'share of a tool’s work with the trigger pulled'),
  workday_s: constant(28800, 's', 'work on site in a day, setting up and clearing away included'),
  setUp_s: constant(2700, 's', 'unloading, barriers, washing out and loading again, each trip'),
  waitMost_s: constant(7200, 's', 'a longer wait is not sat out on site: the crew goes and comes back'),
  beginLeast_s: constant(5400, 's', 'nobody comes out for less than this before the day ends'),
  stripShare: constant(1 / 3, '1', 'taking forms off, over setting them'),
  breakOut_m3_s: constant(0.05 / 3600, 'm3/s', 'sound concrete one person breaks out in a patch'),
  demolish_m3_s: constant(0.25 / 3600, 'm3/s', 'slab or wall one person breaks up whole'),
  carryBag_s: constant(120, 's', 'a bag of debris to the skip'),
  prepare_m2_s: constant(
    { wash: 60 / 3600, brush: 12 / 3600, grind: 8 / 3600, blast: 10 / 3600, breakOut: 3 / 3600 },
    'm2/s',
    'surface one person prepares, by the tool',
  ),
  workRates: constant(
    {
      overlay: 0.3 / 60,
      overlayObstacles: 0.18 / 60,
      fill: 0.12 / 60,
      skim: 0.06 / 60,
      render: 0.05 / 60,
      broom: 1.5 / 60,
      crackResin: 0.5 / 60,
      sealant: 0.8 / 60,
      handPortions: 2 / 60,
      slurry: 0.8 / 60,
    },
    'm2/s, m/s, 1/s',
    'what one person does, by the kind of work; asked of the firm and learned',
  ) as Constant<WorkRates>,
  vacuum_m2_s: constant(60 / 3600, 'm2/s', 'surface vacuumed, rinsed or wetted by one person'),
  brush_m2_s: constant(20 / 3600, 'm2/s', 'bond, cure or coat that one person brushes or rolls on'),
  rub_m2_s: constant(6 / 3600, 'm2/s', 'fill rubbed or ground flush by one person'),
  saw_m_s: constant(15 / 3600, 'm/s', 'one pass of the saw, set out and cut'),
  chisel_m_s: constant(4 / 3600, 'm/s', 'rim keyed by hand'),
  line_m_s: constant(30 / 3600, 'm/s', 'crack or joint cleaned, rodded, sanded or filled by one person, each'),
  grindLine_m_s: constant(12 / 3600, 'm/s', 'crown ground flush along a line'),
  anchor_s: constant(360, 's', 'one anchor drilled, cleaned and set'),
  batch_s: constant(240, 's', 'measuring and washing up for each batch, beside the mixing'),
  form_s: constant(2700, 's', 'a form cut, released, set and propped'),
  formLine_m_s: constant(4 / 3600, 'm/s', 'edge form set by one person'),
  place_m3_s: constant(1.2 / 3600, 'm3/s', 'concrete one person places from a barrow'),
  finish_m2_s: constant(10 / 3600, 'm2/s', 'new slab one person screeds, floats and trowels'),
} as const;

/** The figures of the day's work, by name. */
export const DAY = valuesOf(DAY_TABLE);
