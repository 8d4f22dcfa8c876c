import type { ElementInput, FindingInput } from '../survey';
import { deepestOf, orientationOf, useOf } from '../survey';
import { isResin, type Sheet } from '../shelf';
import { dewPoint, WEATHER } from '../weather';
import { ceilingOf } from '../quantity';
import type { Reason } from './Reason';

/** What a rule may look at. `opensAfter_s` is null where the sheet has no such milestone. */
export interface RuleContext {
  readonly sheet: Sheet;
  readonly element: ElementInput;
  readonly finding: FindingInput;
  readonly air_C: number;
  readonly slab_C: number;
  readonly opensAfter_s: number | null;
  /** 0 to 1 */
  readonly humidity: number;
}

export type Rule = (context: RuleContext) => readonly Reason[];

const reason = (code: string, verdict: Reason['verdict'], figures: Reason['figures'] = {}): readonly Reason[] => [{ code, verdict, figures }];

/** A product made for other damage is no answer to this one. */
export const useRule: Rule = ({ sheet, finding }) =>
  sheet.uses.includes(useOf(finding)) ? [] : reason('use.other', 'no', { use: sheet.uses[0] ?? '', kind: finding.kind });

/** The deepest place must lie inside the sheet's thickness; more than one lift is possible but costs a wait. */
export const thicknessRule: Rule = ({ sheet, finding }) => {
  const depth_m = deepestOf(finding);
  const { least_m, most_m, liftMost_m } = sheet.thickness;
  const figures = { depth_m, least_m, most_m };
  if (depth_m > most_m * (1 + 1e-9)) return reason('thickness.over', 'no', figures);
  if (depth_m < least_m * (1 - 1e-9)) return reason('thickness.under', 'no', figures);
  const lifts = ceilingOf(depth_m / liftMost_m);
  return lifts > 1 ? reason('thickness.lifts', 'caution', { ...figures, lifts, lift_m: liftMost_m }) : reason('thickness.fits', 'yes', figures);
};

/** Never under the sheet's minimum: a feathered rim needs a sheet that feathers. */
export const edgeRule: Rule = ({ sheet, finding }) => {
  if (finding.kind === 'wedge')
    return sheet.thickness.feathers ? reason('edge.feathers', 'yes') : reason('edge.noFeather', 'caution', { least_m: sheet.thickness.least_m });
  if (finding.kind !== 'spall') return [];
  if (finding.edge === 'cut') return reason('edge.cut', 'yes');
  return sheet.thickness.feathers ? reason('edge.feathers', 'yes') : reason('edge.noFeather', 'no', { least_m: sheet.thickness.least_m });
};

/** Three grains must fit in the layer. */
export const grainRule: Rule = ({ sheet, finding }) => {
  const needs_m = 3 * sheet.grain_m;
  const figures = { grain_m: sheet.grain_m, needs_m, depth_m: deepestOf(finding) };
  return deepestOf(finding) < needs_m ? reason('grain.coarse', 'no', figures) : reason('grain.fits', 'yes', figures);
};

/** A slab, a wall and a soffit want different materials. */
export const orientationRule: Rule = ({ sheet, element }) => {
  const orientation = orientationOf(element.kind);
  return sheet.orientations.includes(orientation) ? reason('orientation.fits', 'yes', { orientation }) : reason('orientation.wrong', 'no', { orientation });
};

/** Cementitious products want a damp slab, resins a dry one. */
export const moistureRule: Rule = ({ sheet, element }) => {
  const figures = { wants: sheet.moisture, is: element.moisture };
  if (sheet.moisture === element.moisture) return reason('moisture.fits', 'yes', figures);
  if (sheet.moisture === 'dry') return reason('moisture.mustBeDry', 'no', figures);
  return element.moisture === 'dry' ? reason('moisture.soak', 'caution', figures) : reason('moisture.clear', 'caution', figures);
};

/** Whatever the element must endure, the sheet must allow; sunlight only changes its colour. */
export const exposureRule: Rule = ({ sheet, element }) =>
  element.exposures.flatMap((exposure) => {
    if (sheet.exposures.includes(exposure)) return reason('exposure.allowed', 'yes', { exposure });
    return reason('exposure.notAllowed', exposure === 'sunlight' ? 'caution' : 'no', { exposure });
  });

/** It must carry what is asked when it is asked; within a tenth of the time is too close to promise. */
export const timeToOpenRule: Rule = ({ element, opensAfter_s }) => {
  if (!element.opens) return [];
  const { to, after_s } = element.opens;
  if (opensAfter_s === null) return reason('open.unknown', 'no', { to, asked_s: after_s });
  const figures = { to, asked_s: after_s, opens_s: opensAfter_s };
  if (opensAfter_s > after_s) return reason('open.late', 'no', figures);
  return opensAfter_s > after_s * 0.9 ? reason('open.close', 'caution', figures) : reason('open.inTime', 'yes', figures);
};

/** Air and slab inside the sheet's limits; within 2 K of one is a caution. */
export const temperatureRule: Rule = ({ sheet, air_C, slab_C }) => {
  const { airLeast_C, airMost_C, slabLeast_C, slabMost_C } = sheet.limits;
  const figures = { air_C, slab_C, airLeast_C, airMost_C, slabLeast_C, slabMost_C };
  if (air_C < airLeast_C || slab_C < slabLeast_C) return reason('temperature.cold', 'no', figures);
  if (air_C > airMost_C || slab_C > slabMost_C) return reason('temperature.hot', 'no', figures);
  const margin = Math.min(air_C - airLeast_C, slab_C - slabLeast_C, airMost_C - air_C, slabMost_C - slab_C);
  return margin < 2 ? reason('temperature.close', 'caution', figures) : reason('temperature.fits', 'yes', figures);
};

/** A resin wants its surface dry: so far above the dew point that nothing settles on it. */
export const dewRule: Rule = ({ sheet, slab_C, air_C, humidity }) => {
  if (!isResin(sheet)) return [];
  const dew_C = dewPoint({ air_C, humidity: Math.max(0.01, humidity) });
  const figures = { slab_C, dew_C, margin_K: WEATHER.dewMargin_K };
  return slab_C < dew_C + WEATHER.dewMargin_K ? reason('dew.close', 'no', figures) : reason('dew.clear', 'yes', figures);
};

/** What goes between old and new. */
export const bondRule: Rule = ({ sheet }) => {
  if (sheet.bond === 'self') return reason('bond.self', 'yes');
  return sheet.bond === 'slurry' ? reason('bond.slurry', 'caution') : [];
};

/** In the order a person would ask. */
export const RULES: readonly Rule[] = [
  useRule,
  thicknessRule,
  edgeRule,
  grainRule,
  orientationRule,
  moistureRule,
  exposureRule,
  timeToOpenRule,
  temperatureRule,
  dewRule,
  bondRule,
];
