import type { ElementInput, FindingInput } from '../survey';
import { deepestOf, orientationOf, neededUse } from '../survey';
import { movementOf, isResin, thicknessFor, type Sheet } from '../shelf';
import { jointWidth, meanWidth } from '../takeoff';
import { dewPoint, WEATHER } from '../weather';
import { ceilingOf } from '../quantity';
import { CHOOSE } from './constants';
import { bondOf, leastForGrain, profileReached, type HouseMethod } from './houseMethod';
import type { Reason } from './Reason';

/** What a rule may look at. */
export interface RuleContext {
  readonly sheet: Sheet;
  readonly element: ElementInput;
  readonly finding: FindingInput;
  readonly air_C: number;
  readonly slab_C: number;
  /** how long after first water it carries what is asked; null where the sheet has no such milestone */
  readonly opensAfter: () => number | null;
  /** 0 to 1 */
  readonly humidity: number;
  readonly house: HouseMethod;
}

export type Rule = (context: RuleContext) => readonly Reason[];
/** A rule that looks at no finding. */
export type ElementRule = (context: ElementContext) => readonly Reason[];

const reason = (code: string, verdict: Reason['verdict'], figures: Reason['figures'] = {}): readonly Reason[] => [{ code, verdict, figures }];

/** A product made for other damage is no answer to this one. */
export function otherUse(sheet: Sheet, finding: FindingInput): readonly Reason[] | null {
  if (sheet.uses.includes(neededUse(finding))) return null;
  return reason('use.other', 'no', { use: sheet.uses[0] ?? '', kind: finding.kind });
}

/** Made for it, before anything else or also. */
export const madeForRule: Rule = ({ sheet, finding }) => {
  const use = neededUse(finding);
  const other = otherUse(sheet, finding);
  if (other) return other;
  return reason(sheet.uses[0] === use ? 'use.made' : 'use.also', 'yes', { use, first: sheet.uses[0] ?? '' });
};

/** What gives with a movement: a sealant in a joint, never a rigid filling. No sealant takes less than a twentieth of its joint. */
const GIVES_FROM = 0.05;
const gives = (sheet: Sheet): boolean => movementOf(sheet) >= GIVES_FROM;

/** Nothing rigid ties together what moves; what gives needs a joint wide enough for its share of movement. */
export const movementRule: Rule = ({ sheet, finding }) => {
  const share = movementOf(sheet);
  if (finding.kind === 'crack') {
    if (gives(sheet)) return reason(finding.moves === 'yes' ? 'movement.cutJoint' : 'movement.notNeeded', 'caution', { least_m: sheet.thickness.least_m });
    return finding.moves === 'yes' ? reason('movement.rigid', 'no') : [];
  }
  if (finding.kind !== 'groove') return [];
  if (!finding.moves) return gives(sheet) ? reason('movement.notNeeded', 'caution', { least_m: sheet.thickness.least_m }) : [];
  if (!gives(sheet)) return reason('movement.rigid', 'no');
  const needs_m = jointWidth({ length_m: finding.moves.between_m, temperatureRange_K: finding.moves.range_K, movementClass: share });
  const figures = { needs_m, width_m: finding.width.value, movement_share: share };
  return finding.width.value < needs_m * (1 - 1e-9) ? reason('movement.narrow', 'no', figures) : reason('movement.taken', 'yes', figures);
};

/** How thick a product lies in a finding: a sealant over its backer rod, half as deep as it is wide; everything else as deep as it goes. */
const layerIn = (sheet: Sheet, finding: RuleContext['finding']): number =>
  gives(sheet) && finding.kind === 'groove' ? finding.width.value / 2 : deepestOf(finding);

/** The deepest place must lie inside the sheet's thickness for this use; more than one lift is possible but costs a wait. */
export const thicknessRule: Rule = ({ sheet, finding }) => {
  // A moving crack becomes a joint that is cut to the sealant's measure.
  if (gives(sheet) && finding.kind === 'crack') return [];
  const depth_m = layerIn(sheet, finding);
  const { least_m, most_m } = thicknessFor(sheet, neededUse(finding));
  const { liftMost_m } = sheet.thickness;
  const figures = { depth_m, least_m, most_m };
  if (depth_m > most_m * (1 + 1e-9)) return reason('thickness.over', 'no', figures);
  if (depth_m < least_m * (1 - 1e-9)) return reason('thickness.under', 'no', figures);
  // A line is filled shot after shot, not lift on lift.
  const lifts = neededUse(finding) === 'crack' || neededUse(finding) === 'joint' ? 1 : ceilingOf(depth_m / liftMost_m);
  return lifts > 1 ? reason('thickness.lifts', 'caution', { ...figures, lifts, lift_m: liftMost_m }) : reason('thickness.fits', 'yes', figures);
};

/** The edge a patch gets: as it was found, or by the firm's school; on rendered walls a straight line shows. */
export function edgeOf({
  house,
  element,
  finding,
}: Pick<RuleContext, 'house' | 'element'> & { finding: { readonly edge: 'cut' | 'feathered' } }): 'shoulder' | 'keyed' | 'feathered' {
  if (house.edge === 'shoulder') return 'shoulder';
  if (house.edge === 'keyed') return 'keyed';
  const rendered = element.kind === 'wall' && element.material === 'render';
  return rendered ? 'keyed' : finding.edge === 'cut' ? 'shoulder' : 'feathered';
}

/** Never under the sheet's minimum: a feathered rim needs a sheet that feathers. */
export const edgeRule: Rule = ({ sheet, finding, element, house }) => {
  if (finding.kind === 'wedge')
    return sheet.thickness.feathers ? reason('edge.feathers', 'yes') : reason('edge.noFeather', 'caution', { least_m: sheet.thickness.least_m });
  if (finding.kind !== 'spall') return [];
  const edge = edgeOf({ house, element, finding });
  if (edge === 'shoulder') return reason('edge.cut', 'yes');
  if (sheet.thickness.feathers) return reason('edge.feathers', 'yes');
  const { least_m } = sheet.thickness;
  if (edge === 'keyed') return reason('edge.keyed', 'caution', { least_m });
  return reason('edge.noFeather', house.feathering === 'toZero' ? 'caution' : 'no', { least_m });
};

/** Where the largest grain must pass: the thickness of a layer, the width of a crack or a joint. */
const roomForGrain = (finding: RuleContext['finding']): number => {
  if (finding.kind === 'crack') return meanWidth(finding.widths);
  return finding.kind === 'groove' ? finding.width.value : deepestOf(finding);
};

/** Three grains must fit in the layer, or across a crack, or they bridge it; a skim by the firm's own school. */
export const grainRule: Rule = ({ sheet, finding, house }) => {
  const needs_m = leastForGrain(house, sheet, neededUse(finding) === 'overlay');
  const depth_m = roomForGrain(finding);
  const figures = { grain_m: sheet.grain_m, needs_m, depth_m };
  // A mortar too coarse for a crack is rubbed in as paste, or the crack is opened for it.
  if (depth_m < needs_m && finding.kind === 'crack' && sheet.water)
    return reason(house.renderCracks === 'open' ? 'grain.open' : 'grain.rubIn', 'caution', figures);
  return depth_m < needs_m ? reason('grain.coarse', 'no', figures) : reason('grain.fits', 'yes', figures);
};

/** A slab, a wall and a soffit want different materials. */
export const orientationRule: ElementRule = ({ sheet, element }) => {
  const orientation = orientationOf(element.kind);
  return sheet.orientations.includes(orientation) ? reason('orientation.fits', 'yes', { orientation }) : reason('orientation.wrong', 'no', { orientation });
};

/** Cementitious products want a damp slab, resins a dry one. */
export const moistureRule: ElementRule = ({ sheet, element }) => {
  const figures = { wants: sheet.moisture, is: element.moisture };
  if (sheet.moisture === element.moisture) return reason('moisture.fits', 'yes', figures);
  if (sheet.moisture === 'dry') return reason('moisture.mustBeDry', 'no', figures);
  return element.moisture === 'dry' ? reason('moisture.soak', 'caution', figures) : reason('moisture.clear', 'caution', figures);
};

/** Whatever the element must endure, the sheet must allow; sunlight only changes its colour. */
export const exposureRule: ElementRule = ({ sheet, element }) =>
  element.exposures.flatMap((exposure) => {
    if (sheet.exposures.includes(exposure)) return reason('exposure.allowed', 'yes', { exposure });
    return reason('exposure.notAllowed', exposure === 'sunlight' ? 'caution' : 'no', { exposure });
  });

/** It must carry what is asked when it is asked; within a tenth of the time is too close to promise. */
export const timeToOpenRule: Rule = ({ element, opensAfter }) => {
  if (!element.opens) return [];
  const opensAfter_s = opensAfter();
  const { to, after_s } = element.opens;
  if (opensAfter_s === null) return reason('open.unknown', 'no', { to, asked_s: after_s });
  const figures = { to, asked_s: after_s, opens_s: opensAfter_s };
  if (opensAfter_s > after_s) return reason('open.late', 'no', figures);
  return opensAfter_s > after_s * 0.9 ? reason('open.close', 'caution', figures) : reason('open.inTime', 'yes', figures);
};

/** Air and slab inside the sheet's limits; within 2 K of one is a caution. */
export const temperatureRule: ElementRule = ({ sheet, air_C, slab_C }) => {
  const { airLeast_C, airMost_C, slabLeast_C, slabMost_C } = sheet.limits;
  const figures = { air_C, slab_C, airLeast_C, airMost_C, slabLeast_C, slabMost_C };
  if (air_C < airLeast_C || slab_C < slabLeast_C) return reason('temperature.cold', 'no', figures);
  if (air_C > airMost_C || slab_C > slabMost_C) return reason('temperature.hot', 'no', figures);
  const margin = Math.min(air_C - airLeast_C, slab_C - slabLeast_C, airMost_C - air_C, slabMost_C - slab_C);
  return margin < 2 ? reason('temperature.close', 'caution', figures) : reason('temperature.fits', 'yes', figures);
};

/** A resin wants its surface dry: so far above the dew point that nothing settles on it. */
export const dewRule: ElementRule = ({ sheet, slab_C, air_C, humidity }) => {
  if (!isResin(sheet)) return [];
  const dew_C = dewPoint({ air_C, humidity: Math.max(0.01, humidity) });
  const figures = { slab_C, dew_C, margin_K: WEATHER.dewMargin_K };
  return slab_C < dew_C + WEATHER.dewMargin_K ? reason('dew.close', 'no', figures) : reason('dew.clear', 'yes', figures);
};

/** What goes between old and new. */
export const bondRule: ElementRule = ({ sheet, house }) => {
  const bond = bondOf(house, sheet);
  if (bond === 'none') return [];
  return reason(`bond.${bond}`, bond === 'self' || bond === 'scrub' ? 'yes' : 'caution');
};

/** What it is laid on must be something its sheet knows. */
export const substrateRule: ElementRule = ({ sheet, element: { material } }) => {
  if (!material || !sheet.substrates) return [];
  return reason(sheet.substrates.includes(material) ? 'substrate.allowed' : 'substrate.notAllowed', sheet.substrates.includes(material) ? 'yes' : 'no', {
    substrate: material,
  });
};

/** The preparation must leave the profile the sheet asks: a little short is a caution, a washed slab under a structural mortar a refusal. */
export const profileRule: ElementRule = ({ sheet, house }) => {
  const reached = profileReached(house, sheet);
  const figures = { reached, asked: sheet.profile };
  if (reached >= sheet.profile) return reason('profile.reached', 'yes', figures);
  return reason('profile.short', sheet.profile - reached > CHOOSE.profileShort ? 'no' : 'caution', figures);
};

/** What the surface was found to be, against what a bond needs. */
export const surfaceRule: ElementRule = ({ sheet, element: { surface = {} } }) => {
  const { pull_Pa, drop_s, moisture, scratch } = surface;
  return [
    ...(scratch === 0 ? reason('surface.powders', 'caution') : []),
    ...(pull_Pa !== undefined && pull_Pa < CHOOSE.weakPull_Pa
      ? reason('surface.weak', 'no', { pull_MPa: pull_Pa / 1e6, least_MPa: CHOOSE.weakPull_Pa / 1e6 })
      : []),
    ...(drop_s !== undefined && drop_s > CHOOSE.sealedDrop_s ? reason('surface.sealed', 'caution', { drop_s }) : []),
    ...(moisture !== undefined && moisture > CHOOSE.dampShare && sheet.moisture === 'dry'
      ? reason('surface.damp', 'no', { moisture_share: moisture, most_share: CHOOSE.dampShare })
      : []),
  ];
};

/** What holds back water wants a head its sheet stands. */
export const headRule: Rule = ({ sheet, element, finding }) => {
  if (finding.kind !== 'void' && !element.exposures.includes('immersion')) return [];
  const head_m = sheet.head_m ?? 0;
  return head_m > 0 ? reason('head.stands', 'yes', { head_m }) : reason('head.none', 'caution');
};

/** In the order a person would ask, once it is made for the damage at all. */
/** What a rule that looks at no finding may see: asked once for every sheet and element, however many findings it has. */
export type ElementContext = Omit<RuleContext, 'finding' | 'opensAfter'>;

export const FINDING_RULES: readonly Rule[] = [movementRule, thicknessRule, edgeRule, grainRule, headRule];
export const ELEMENT_RULES: readonly ElementRule[] = [
  orientationRule,
  substrateRule,
  moistureRule,
  exposureRule,
  surfaceRule,
  profileRule,
  temperatureRule,
  dewRule,
  bondRule,
];

/** Every rule but the last ones. */
export const RULES: readonly Rule[] = [...FINDING_RULES, ...ELEMENT_RULES];

/** Asked last and only of what nothing else refuses: it takes the whole clock of the repair. */
export const LAST_RULES: readonly Rule[] = [timeToOpenRule];
