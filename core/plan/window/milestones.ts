import { Problem, rangedOf, type Ranged } from '../../quantity';
import {
  equivalentAgeCourse,
  permissionAge,
  SETTING,
  strengthAt,
  strengthCurve,
  type BatchWindowInput,
  type Course,
  type CourseInput,
  type CrewRecord,
} from '../../setting';
import { activationOf, isRapid, MILESTONES, timeOf, type MilestoneName, type Sheet } from '../../shelf';

/** When a milestone is reached, s from first water, with its P10-P90. */
export interface MilestoneTime {
  readonly name: MilestoneName;
  /** s from first water */
  readonly after_s: number;
  /** the same with its P10 and P90, where they are asked for */
  readonly range?: Ranged;
  /** by the class's strength, or further than the sheet's own strengths reach: never promised without a test */
  readonly extrapolated?: true;
}

/** No repair material is stronger. */
const STRENGTH_MOST_MPA = 300;

/** Milestones whose time the crew's own ratio scales, so that a life never outlasts the set that ends it. What is permitted later is only ever moved later. */
const SCALED: readonly MilestoneName[] = ['holdsForm', 'initial', 'final'];

export interface Clocked {
  readonly sheet: Sheet;
  readonly course: CourseInput;
  readonly retarder: number;
  readonly record?: CrewRecord;
  /** of ln life, for the ranges; absent where none are asked for */
  readonly sdLn?: number;
}

/** A batch's course once its last portion is down, made once for each batch: all its clocks run on the same. */
const placed = new WeakMap<BatchWindowInput['course'], CourseInput>();
export function placedCourse(course: BatchWindowInput['course'], placed_after_s: number): CourseInput {
  const known = placed.get(course);
  if (known?.placed_after_s === placed_after_s) return known;
  const made = { ...course, pail_life_s: 1, film_life_s: 1, placed_after_s };
  placed.set(course, made);
  return made;
}

/** The clock of equivalent age at an activation energy, made once for each course. */
const clocks = new WeakMap<CourseInput, Map<number, Course>>();
function agesOf(course: CourseInput, Ea_J_mol: number): Course {
  const byEnergy = clocks.get(course) ?? new Map<number, Course>();
  clocks.set(course, byEnergy);
  const ages = byEnergy.get(Ea_J_mol) ?? equivalentAgeCourse({ ...course, Ea_J_mol });
  byEnergy.set(Ea_J_mol, ages);
  return ages;
}

/**
 * One milestone of a sheet as a time for one portion's course. A retarder shifts it; a thin rapid layer stretches those
 * after final set; where a strength goes with it, the later of the two, and never before the first datum. With a spread
 * it comes with its P10 and P90: setting is as uncertain as the life.
 *
 * @returns nothing for a milestone the sheet does not name
 */
export function milestoneClock({ sheet, course, retarder, record, sdLn }: Clocked): (name: MilestoneName) => MilestoneTime | null {
  // What a record says of working time holds for the first milestones; strength keeps the sheet's own energy.
  const sheetAges = agesOf(course, activationOf(sheet));
  const crewAges = record ? agesOf(course, course.Ea_J_mol) : sheetAges;
  const shift_s = shiftOf(sheet, retarder);
  const final_s = sheet.milestones.final ?? Infinity;
  const thin = isRapid(sheet) && course.thickness_m < SETTING.thinLayer_m;
  return (name) => {
    const stated_s = sheet.milestones[name];
    if (stated_s === undefined) return null;
    const scaled = SCALED.includes(name);
    let age_s = stated_s * (record ? (scaled ? record.ratio : Math.max(1, record.ratio)) : 1);
    const strength_MPa = sheet.strengthFor[name];
    let extrapolated = false;
    if (strength_MPa !== undefined && sheet.strengths.length > 0) {
      const permitted = permissionOf(sheet, strength_MPa);
      // What its strength never reaches is never permitted.
      if (!permitted) return null;
      extrapolated = permitted.age_s > age_s && (permitted.assumed || permitted.age_s > sheet.strengths.at(-1)![0]);
      age_s = Math.max(age_s, permitted.age_s);
    }
    const mark = extrapolated ? ({ extrapolated: true } as const) : {};
    if (thin && stated_s > final_s) age_s *= SETTING.thinFactor;
    const ages = scaled ? crewAges : sheetAges;
    const all_s = age_s + shift_s;
    const after_s = ages.timeToSpend(all_s);
    if (sdLn === undefined) return { name, after_s, ...mark };
    const { p10, p90 } = rangedOf(all_s, sdLn);
    return { name, after_s, ...mark, range: { p10: ages.timeToSpend(p10), p50: after_s, p90: ages.timeToSpend(p90) } };
  };
}

/** Every milestone the sheet names. */
export function milestonesOf(clocked: Clocked): MilestoneTime[] {
  const at = milestoneClock(clocked);
  return MILESTONES.map(at).filter((milestone): milestone is MilestoneTime => milestone !== null);
}

const shiftOf = (sheet: Sheet, retarder: number): number => timeOf(sheet.finish) * (retarder - 1);
const strengthsOf = (sheet: Sheet) => ({ points: sheet.strengths, tau_s: SETTING.strengthTau_s[sheet.binder] });

/** When a sheet has a strength, told once for each sheet; nothing for one that it never reaches. */
const permissions = new WeakMap<Sheet, Map<number, Permission | null>>();
type Permission = ReturnType<typeof permissionAge>;
function permissionOf(sheet: Sheet, strength_MPa: number): Permission | null {
  const known = permissions.get(sheet) ?? new Map<number, Permission | null>();
  permissions.set(sheet, known);
  const before = known.get(strength_MPa);
  if (before !== undefined) return before;
  const permitted = permittedOf(sheet, strength_MPa);
  known.set(strength_MPa, permitted);
  return permitted;
}

function permittedOf(sheet: Sheet, strength_MPa: number): Permission | null {
  try {
    return permissionAge({ ...strengthsOf(sheet), strength_MPa });
  } catch (error) {
    if (error instanceof Problem && error.code === 'strengthNotReached') return null;
    throw error;
  }
}

/** When frost does no harm, and when moist curing may end: by strength, none of it before final set. */
export function curingOf({ sheet, course, retarder }: Clocked): { frostSafe_s: number | null; moistCure_s: number | null } {
  if (sheet.strengths.length === 0) return { frostSafe_s: null, moistCure_s: null };
  const ages = agesOf(course, activationOf(sheet));
  const after = (strength_MPa: number): number | null => {
    const permitted = permissionOf(sheet, strength_MPa);
    return permitted && ages.timeToSpend(Math.max(permitted.age_s, sheet.milestones.final ?? 0) + shiftOf(sheet, retarder));
  };
  const mature_MPa = strengthAt({ curve: strengthCurve(strengthsOf(sheet)), age_s: SETTING.mature_s });
  return {
    frostSafe_s: after(SETTING.frost_MPa),
    // A single early point may promise what no mortar reaches; then nothing is promised.
    moistCure_s: mature_MPa > STRENGTH_MOST_MPA ? null : after(SETTING.moistCureShare * mature_MPa),
  };
}
