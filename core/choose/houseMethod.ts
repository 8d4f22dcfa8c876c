import type { Sheet } from '../shelf';
import { CHOOSE } from './constants';

/** Where good tradespeople disagree: each question with its schools, Tufa's own first. */
export const HOUSE_QUESTIONS = {
  edge: ['byElement', 'shoulder', 'keyed'],
  preparation: ['byProduct', 'wash', 'brush', 'grind', 'blast', 'breakOut'],
  bond: ['bySheet', 'agent', 'slurry', 'scrub'],
  moisture: ['byProduct', 'alwaysDamp', 'dampWhenHot', 'dry'],
  feathering: ['sheetLeast', 'toZero'],
  sandedOverlay: ['threeGrains', 'oneGrain', 'from12'],
  cracks: ['byWidth', 'bedAndCap', 'sandInResin', 'neat', 'filler'],
  renderCracks: ['byGrain', 'open', 'rub'],
  batch: ['byMinute', 'whole', 'half'],
  retarder: ['whenShort', 'always', 'never'],
  level: ['byRecord', 'high', 'flush'],
  stepOrder: ['risersFirst', 'treadsFirst'],
  riserFace: ['byDepth', 'formed', 'trowelHeld', 'skimmed'],
  reinforcement: ['byDepth', 'anchors', 'fibre', 'none'],
  measuring: ['weight', 'volume'],
} as const;

export type HouseQuestion = keyof typeof HOUSE_QUESTIONS;

/** A firm's school for every question. */
export type HouseMethod = { readonly [Q in HouseQuestion]: (typeof HOUSE_QUESTIONS)[Q][number] };

/** Tufa's default for every question: the first school of each. */
export const DEFAULT_HOUSE = Object.fromEntries(Object.entries(HOUSE_QUESTIONS).map(([question, schools]) => [question, schools[0]])) as unknown as HouseMethod;

/** What is set over the defaults. Asked of every product of a shelf, it is put together once. */
export function houseOf(set: Partial<HouseMethod> | undefined): HouseMethod {
  if (!set) return DEFAULT_HOUSE;
  const house = houses.get(set) ?? ({ ...DEFAULT_HOUSE, ...set } as HouseMethod);
  houses.set(set, house);
  return house;
}

const houses = new WeakMap<Partial<HouseMethod>, HouseMethod>();

/** The surface profile that the preparation leaves, CSP: what the product asks, or what the school's tool reaches. */
export const profileReached = ({ preparation }: HouseMethod, sheet: Sheet): number =>
  preparation === 'byProduct' ? sheet.profile : CHOOSE.profileOf[preparation];

/** What a base is prepared with. */
export type PreparationTool = Exclude<HouseMethod['preparation'], 'byProduct'>;

const TOOLS = (Object.keys(CHOOSE.profileOf) as PreparationTool[]).sort((a, b) => CHOOSE.profileOf[a] - CHOOSE.profileOf[b]);

/** What a base is prepared with: the school's own tool, or the gentlest that leaves the profile the product asks. */
export const preparationTool = ({ preparation }: HouseMethod, sheet: Sheet): PreparationTool =>
  preparation === 'byProduct' ? (TOOLS.find((tool) => CHOOSE.profileOf[tool] >= sheet.profile) ?? 'breakOut') : preparation;

/** What goes between old and new: what the sheet asks, or the school's own where the sheet asks for anything at all. */
export function bondOf({ bond }: HouseMethod, sheet: Sheet): Sheet['bond'] {
  if (bond === 'bySheet' || sheet.bond === 'none') return sheet.bond;
  return bond;
}

/** Least thickness for a grain, m: three grains, one, or twelve millimetres for anything sanded. */
export function leastForGrain({ sandedOverlay }: HouseMethod, sheet: Sheet, overlay: boolean): number {
  if (!overlay || sandedOverlay === 'threeGrains') return CHOOSE.grains * sheet.grain_m;
  if (sandedOverlay === 'oneGrain') return sheet.grain_m;
  return sheet.grain_m >= CHOOSE.sandedFrom_m ? CHOOSE.sandedLeast_m : CHOOSE.grains * sheet.grain_m;
}
