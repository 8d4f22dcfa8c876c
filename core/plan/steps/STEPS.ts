import { houseOf, preparationTool } from '../../choose';
import { DAY } from '../../day';
import type { Texture } from '../../shelf';
import { TAKEOFF } from '../../takeoff';
import type { StepFace } from '../../survey';
import { PLAN } from '../constants';
import type { Context } from '../input/Context';
import { kindOf } from '../kinds';
import { rateOf } from '../input/rateOf';
import { anchorCount } from './anchorCount';

/** What a step's time is worked out from: its finding with its sheet, and how many batches the layer takes. */
export interface Worked extends Context {
  readonly batches: number;
}

interface Crowned {
  readonly width_m: number;
  readonly crown_m: number;
}
interface Prepared {
  readonly csp: number;
  readonly asked: number;
  readonly area_m2: number;
  readonly passes: number;
  readonly discs: number;
}
interface Area {
  readonly area_m2: number;
}
interface Least {
  readonly least_m: number;
}
interface Lift {
  readonly lift: number;
  readonly lifts: number;
  readonly count: number;
  /** of the finding's area that is laid with it: a flight is laid step by step */
  readonly part: number;
}
interface Anchors {
  readonly depth_m: number;
  readonly number: number;
}
type None = Readonly<Record<never, never>>;

/** The figures behind each step, SI by the unit that ends each name: words/ makes its sentence of them. */
export interface StepFigures {
  'step.breakOut': { readonly depth_m: number; readonly area_m2: number; readonly mass_kg: number };
  'step.prepare.wash': Prepared;
  'step.prepare.brush': Prepared;
  'step.prepare.grind': Prepared;
  'step.prepare.blast': Prepared;
  'step.prepare.breakOut': Prepared;
  'step.ready.glossy': Area;
  'step.ready.board': Area;
  'step.vacuum': None;
  'step.vacuumDry': None;
  'step.loose': None;
  'step.scrape': None;
  'step.shoulder': { readonly depth_m: number; readonly length_m: number };
  'step.keyed': { readonly length_m: number };
  'step.feather': None;
  'step.cutToe': Least;
  'step.dry': { readonly margin_K: number };
  'step.dryForAgent': None;
  'step.notSoaked': None;
  'step.leftDry': None;
  'step.dustDamp': None;
  'step.soak': { readonly soak_s: number; readonly slab_C: number };
  'step.fibre': None;
  'step.anchors': Anchors;
  'step.anchorsAsk': Anchors;
  'step.bond.scrub': None;
  'step.bond.slurry': None;
  'step.bond.agent': None;
  'step.measure.weight': { readonly bulk_kg_m3: number };
  'step.measure.volume': { readonly bulk_kg_m3: number };
  'step.measure.parts': { readonly parts: string };
  'step.lift': Lift;
  'step.spread': Lift;
  'step.pressIn': Lift;
  /** which step of a flight, and which face of it */
  'step.at': { readonly step: number; readonly face: StepFace };
  'step.jointOpen': None;
  'step.jointRod': { readonly rod_m: number };
  'step.jointRodOf': { readonly label: string; readonly rod_m: number };
  'step.lookLow': None;
  'step.workOver': { readonly thickness_m: number };
  'step.form.set': { readonly step: number; readonly steps: number; readonly sides: number; readonly holdDown_kg: number; readonly prop_kg: number };
  'step.form.strip': { readonly step: number; readonly steps: number };
  'step.faceGround': None;
  'step.keyCoat': None;
  'step.strikeOff': { readonly crown_m: number };
  'step.gelWait': { readonly gel_s: number };
  'step.portions': { readonly count: number };
  'step.mould': { readonly pieces: number; readonly lengths: number };
  'step.flexible': { readonly length_m: number; readonly curves: number };
  'step.seams': { readonly pieces: number; readonly heaviest_kg: number; readonly seam_m: number };
  'step.pieces': { readonly pieces: number; readonly heaviest_kg: number };
  'step.release': None;
  'step.vibrate': None;
  'step.cover': None;
  'step.demould': None;
  'step.turn': None;
  'step.pinholes': None;
  'step.formsAround': { readonly length_m: number };
  'step.mist': None;
  'step.riser.skimmed': None;
  'step.riser.trowelHeld': None;
  /** how many forms are built */
  'step.riser.formed': { readonly forms: number };
  'step.order.risersFirst': None;
  'step.order.treadsFirst': None;
  'step.groove': { readonly width_m: number; readonly passes: number; readonly length_m: number };
  'step.rod': { readonly rod_m: number };
  'step.sealant': None;
  'step.fillJoint': { readonly length_m: number };
  'step.cutJoint': Least;
  'step.rubIn': Least;
  'step.openGroove': Least;
  'step.dam': None;
  'step.sandBed': { readonly cap_m: number };
  'step.crack.neat': Crowned;
  'step.crack.sandInResin': Crowned;
  'step.crack.bedAndCap': Crowned;
  'step.crack.filler': Crowned;
  'step.grindFlush': None;
  'step.faceAbove': None;
  'step.texture': { readonly texture: Texture; readonly part: number };
  'step.finish': { readonly part: number };
  'step.rubFlush': { readonly crown_m: number };
  'step.cure': None;
  'step.coat': None;
  'step.overlayReady': None;
}

export type StepCode = keyof StepFigures;

/** Everything that a step may want. */
export const TOOLS = [
  'breaker',
  'chisels',
  'hammer',
  'debrisBags',
  'washer',
  'wireBrush',
  'grinder',
  'cupWheel',
  'shroud',
  'blaster',
  'sander',
  'degreaser',
  'drill',
  'screws',
  'scraper',
  'vacuum',
  'saw',
  'blade',
  'rod',
  'anchorPins',
  'drillBits',
  'sprayer',
  'sponge',
  'bondBrush',
  'scale',
  'jugs',
  'measuringBottles',
  'paddle',
  'pails',
  'trowel',
  'float',
  'squeegee',
  'forms',
  'props',
  'releaseAgent',
  'edgeTrowel',
  'finishTool',
  'rubbingStone',
  'straightEdge',
  'sealantGun',
  'toolingSpoon',
  'drySand',
  'squeezeBottles',
  'cureSheet',
  'maskingTape',
  'mould',
  'siliconeBead',
  'vibrator',
  'propWeights',
] as const;
export type Tool = (typeof TOOLS)[number];

/** One step of a repair as the rest of Tufa needs to know it. */
export interface StepRow<C extends StepCode> {
  readonly tools: readonly Tool[];
  /** how long one person takes, s; 0 for what is looked for, told or left alone */
  readonly person_s: (worked: Worked, figures: StepFigures[C], sheetId: string | null) => number;
  /** material goes in: hands that place are bound to its clock */
  readonly places: boolean;
  /** water on the base: soaked through, or its face damped; null where no water is used */
  readonly wets: 'soaked' | 'damped' | null;
  /** what goes on by itself after it before the next step, s */
  readonly stands_s: number;
}

type Given<C extends StepCode> = Partial<StepRow<C>>;

const row = <C extends StepCode>({ tools = [], person_s = () => 0, places = false, wets = null, stands_s = 0 }: Given<C> = {}): StepRow<C> => ({
  tools,
  person_s,
  places,
  wets,
  stands_s,
});

const areaOf = ({ takeOff }: Context): number => takeOff.area_m2;
const lengthOf = ({ takeOff }: Context): number => takeOff.length_m ?? takeOff.perimeter_m;
const perArea =
  (rate_m2_s: number) =>
  (worked: Worked): number =>
    areaOf(worked) / rate_m2_s;
const perLength =
  (rate_m_s: number) =>
  (worked: Worked): number =>
    lengthOf(worked) / rate_m_s;
const placing = (worked: Worked): number => {
  const { input, element, finding, takeOff } = worked;
  const work = kindOf(finding).work(finding, element);
  const rate = rateOf(input, work);
  if (work === 'handPortions') return takeOff.volume.p50 / TAKEOFF.handPortion_m3 / rate;
  return areaOf(worked) / rate;
};
/** A flight is laid and finished step by step: each is its part of the whole. */
const layingPart = (worked: Worked, { part }: Lift): number => placing(worked) * part;
const preparing = ({ takeOff, input, sheet }: Worked): number =>
  (takeOff.rough_m2 || takeOff.area_m2) / DAY.prepare_m2_s[preparationTool(houseOf(input.house), sheet)];
const measuring = ({ batches, sheet }: Worked): number => batches * (DAY.batch_s + sheet.mixing.time_s);
const finishing = ({ batches, input }: Worked, { part }: { readonly part: number }): number => batches * input.crew.finish_s * part;

const SAW = ['saw', 'blade'] as const;
const GRIND = ['grinder', 'cupWheel', 'shroud'] as const;
const MIXING = ['drill', 'paddle', 'pails'] as const;
const ANCHORS = ['anchorPins', 'drillBits'] as const;
const resin = (...more: readonly Tool[]) => ({
  tools: [...more, 'squeezeBottles' as const],
  person_s: (worked: Worked) => lengthOf(worked) / rateOf(worked.input, 'crackResin'),
  places: true,
});
const bond = { tools: ['bondBrush' as const], person_s: perArea(DAY.brush_m2_s) };

/**
 * Every step of a repair, a row a code: what it needs, what it makes of the day, whether it wets. Steps, kit, work, water
 * and words read it; a step that is missing here, or a figure of another type, does not compile.
 */
const STEPS: { readonly [C in StepCode]: StepRow<C> } = {
  'step.breakOut': row({
    tools: ['breaker', 'chisels', 'hammer', 'debrisBags'],
    person_s: ({ takeOff }) => (takeOff.debris ? takeOff.debris.bulk_m3 / TAKEOFF.debrisBulk / DAY.breakOut_m3_s + takeOff.debris.bags * DAY.carryBag_s : 0),
  }),
  'step.prepare.wash': row({ tools: ['washer'], person_s: preparing }),
  'step.prepare.brush': row({ tools: ['wireBrush'], person_s: preparing }),
  'step.prepare.grind': row({ tools: GRIND, person_s: preparing }),
  'step.prepare.blast': row({ tools: ['blaster'], person_s: preparing }),
  'step.prepare.breakOut': row({ tools: ['breaker', 'chisels'], person_s: preparing }),
  // By hand and machine, as fast as a wire brush.
  'step.ready.glossy': row({ tools: ['sander', 'degreaser'], person_s: perArea(DAY.prepare_m2_s.brush) }),
  'step.ready.board': row({ tools: ['sander', 'drill', 'screws'], person_s: perArea(DAY.prepare_m2_s.brush) }),
  'step.vacuum': row({ tools: ['vacuum'], person_s: perArea(DAY.vacuum_m2_s) }),
  'step.vacuumDry': row({ tools: ['vacuum'], person_s: perArea(DAY.vacuum_m2_s) }),
  'step.loose': row({ tools: ['scraper'], person_s: perArea(DAY.brush_m2_s) }),
  'step.scrape': row({ tools: ['scraper'], person_s: perLength(DAY.line_m_s) }),
  'step.shoulder': row({ tools: SAW, person_s: perLength(DAY.saw_m_s) }),
  'step.keyed': row({ tools: ['chisels'], person_s: perLength(DAY.chisel_m_s) }),
  'step.feather': row(),
  'step.cutToe': row({ tools: SAW, person_s: perLength(DAY.saw_m_s) }),
  'step.dry': row(),
  'step.dryForAgent': row(),
  'step.notSoaked': row(),
  'step.leftDry': row(),
  'step.dustDamp': row({ tools: ['sprayer'], person_s: perArea(DAY.vacuum_m2_s), wets: 'damped' }),
  'step.soak': row({ tools: ['sprayer', 'sponge'], person_s: perArea(DAY.vacuum_m2_s), wets: 'soaked', stands_s: PLAN.soak_s }),
  'step.fibre': row(),
  'step.anchors': row({ tools: ANCHORS, person_s: ({ takeOff }) => anchorCount(takeOff) * DAY.anchor_s }),
  'step.anchorsAsk': row({ tools: ANCHORS }),
  'step.bond.scrub': row(bond),
  'step.bond.slurry': row(bond),
  'step.bond.agent': row(bond),
  'step.measure.weight': row({ tools: ['scale'], person_s: measuring }),
  'step.measure.volume': row({ tools: ['jugs'], person_s: measuring }),
  'step.measure.parts': row({ tools: ['measuringBottles'], person_s: measuring }),
  'step.lift': row({ tools: [...MIXING, 'trowel', 'float'], person_s: layingPart, places: true }),
  'step.spread': row({ tools: [...MIXING, 'trowel', 'squeegee'], person_s: layingPart, places: true }),
  'step.pressIn': row({ tools: MIXING }),
  'step.at': row(),
  'step.jointRod': row({ tools: ['rod'], person_s: () => DAY.batch_s }),
  'step.jointRodOf': row({ tools: ['rod'], person_s: () => DAY.batch_s }),
  'step.jointOpen': row({ tools: ['rod'], person_s: () => DAY.batch_s }),
  'step.lookLow': row({ tools: ['straightEdge'] }),
  'step.workOver': row({ tools: ['drill', 'paddle', 'pails', 'trowel', 'squeegee'], person_s: placing, places: true }),
  'step.form.set': row({ tools: ['forms', 'props', 'propWeights', 'releaseAgent', 'edgeTrowel'], person_s: () => DAY.form_s }),
  'step.form.strip': row({ tools: ['hammer'], person_s: () => DAY.form_s * DAY.stripShare }),
  'step.faceGround': row({ tools: GRIND, person_s: perLength(DAY.grindLine_m_s) }),
  'step.keyCoat': row({ tools: [...MIXING, 'trowel'], person_s: perArea(DAY.brush_m2_s), places: true }),
  'step.strikeOff': row({ tools: ['straightEdge', 'float'] }),
  'step.gelWait': row(),
  'step.portions': row({ person_s: placing, places: true }),
  'step.mould': row({ tools: ['mould', 'saw', 'blade', 'screws', 'drill', 'siliconeBead'], person_s: () => DAY.form_s }),
  'step.flexible': row({ tools: ['mould', 'siliconeBead'], person_s: () => DAY.form_s / 4 }),
  'step.seams': row(),
  'step.pieces': row(),
  'step.release': row({ tools: ['releaseAgent'], person_s: perArea(DAY.vacuum_m2_s) }),
  'step.vibrate': row({ tools: ['vibrator'], person_s: perArea(DAY.vacuum_m2_s), places: true }),
  'step.cover': row({ tools: ['cureSheet'], person_s: perArea(DAY.vacuum_m2_s) }),
  'step.demould': row({ tools: ['hammer', 'screws'], person_s: () => DAY.form_s * DAY.stripShare }),
  'step.turn': row({ person_s: () => DAY.batch_s }),
  'step.pinholes': row({ tools: ['trowel', 'sponge'], person_s: perArea(DAY.brush_m2_s) }),
  'step.formsAround': row({ tools: ['forms', 'screws', 'drill', 'siliconeBead'], person_s: (_worked, { length_m }) => length_m / DAY.formLine_m_s }),
  'step.mist': row({ tools: ['sprayer', 'cureSheet'], person_s: perArea(DAY.brush_m2_s) }),
  'step.riser.skimmed': row({ tools: ['edgeTrowel'] }),
  'step.riser.trowelHeld': row({ tools: ['edgeTrowel'] }),
  'step.riser.formed': row({ tools: ['forms', 'props', 'releaseAgent', 'edgeTrowel'], person_s: (_worked, { forms }) => forms * DAY.form_s }),
  'step.order.risersFirst': row(),
  'step.order.treadsFirst': row(),
  'step.groove': row({ tools: SAW, person_s: (worked, { passes }) => (lengthOf(worked) * passes) / DAY.saw_m_s }),
  'step.rod': row({ tools: ['rod'], person_s: perLength(DAY.line_m_s) }),
  'step.sealant': row({
    tools: ['sealantGun', 'toolingSpoon', 'maskingTape'],
    person_s: (worked) => lengthOf(worked) / rateOf(worked.input, 'sealant'),
    places: true,
  }),
  'step.fillJoint': row({ person_s: perLength(DAY.line_m_s), places: true }),
  'step.cutJoint': row({ tools: [...SAW, 'rod'], person_s: perLength(DAY.saw_m_s) }),
  'step.rubIn': row({ tools: [...MIXING, 'trowel'], person_s: perLength(DAY.line_m_s), places: true }),
  'step.openGroove': row({
    tools: ['grinder', 'blade', 'trowel'],
    person_s: (worked) => perLength(DAY.saw_m_s)(worked) + perLength(DAY.line_m_s)(worked),
    places: true,
  }),
  'step.dam': row({ person_s: perLength(DAY.line_m_s) }),
  'step.sandBed': row({ tools: ['drySand'], person_s: perLength(DAY.line_m_s) }),
  'step.crack.neat': row(resin()),
  'step.crack.sandInResin': row(resin('drySand')),
  'step.crack.bedAndCap': row(resin()),
  'step.crack.filler': row(resin()),
  'step.grindFlush': row({ tools: [...GRIND, 'straightEdge'], person_s: perLength(DAY.grindLine_m_s) }),
  'step.faceAbove': row(),
  'step.texture': row({ tools: ['finishTool'], person_s: finishing }),
  'step.finish': row({ person_s: finishing }),
  'step.rubFlush': row({ tools: ['rubbingStone'], person_s: perArea(DAY.rub_m2_s) }),
  'step.cure': row({ tools: ['cureSheet'], person_s: perArea(DAY.brush_m2_s) }),
  // A coat is counted where one has been chosen; without, it is a door left open.
  'step.coat': row({ person_s: (worked, _figures, sheetId) => (sheetId ? areaOf(worked) / DAY.brush_m2_s : 0) }),
  'step.overlayReady': row({ person_s: perArea(DAY.vacuum_m2_s) }),
};

/** The row of a step whose code is known only as one of them. */
export const stepRow = (code: StepCode): StepRow<StepCode> => STEPS[code] as StepRow<StepCode>;
