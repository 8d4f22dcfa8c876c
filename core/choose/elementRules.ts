import { isResin, movementOf } from '../shelf';
import { SETTING, strengthAt, strengthCurve, strengthsRise } from '../setting';
import { orientationOf } from '../survey';
import { dewPoint, WEATHER } from '../weather';
import { baseKindOf, isSoaked } from './baseKind';
import { CHOOSE } from './constants';
import { bondOf, profileReached } from './houseMethod';
import type { Reason } from './Reason';
import { reason, type ElementRule } from './RuleContext';

/** A slab, a wall and a soffit want different materials. */
export const orientationRule: ElementRule = ({ sheet, element }) => {
  const orientation = orientationOf(element.kind);
  return sheet.orientations.includes(orientation) ? reason('orientation.fits', 'yes', { orientation }) : reason('orientation.wrong', 'no', { orientation });
};

/** What it is laid on must be something its sheet knows. */
export const substrateRule: ElementRule = ({ sheet, element: { material } }) => {
  if (!material || !sheet.substrates) return [];
  return reason(sheet.substrates.includes(material) ? 'substrate.allowed' : 'substrate.notAllowed', sheet.substrates.includes(material) ? 'yes' : 'no', {
    substrate: material,
  });
};

/** Cementitious products want a damp slab, resins a dry one. */
export const moistureRule: ElementRule = ({ sheet, element }) => {
  const { moisture } = element;
  // Nobody has said: a resin may be on what is damp, a mortar on what is dry.
  if (moisture === undefined && sheet.moisture === 'dry') return reason('moisture.open', 'no', { wants: sheet.moisture });
  const figures = { wants: sheet.moisture, is: moisture ?? 'dry' };
  // A base that drinks nothing is laid on as it is: clean, without free water.
  if (sheet.moisture === 'damp' && !isSoaked(element) && moisture !== 'wet') return reason('moisture.notSoaked', 'yes', figures);
  if (sheet.moisture === moisture) return reason('moisture.fits', 'yes', figures);
  if (sheet.moisture === 'dry') return reason('moisture.mustBeDry', 'no', figures);
  return figures.is === 'dry' ? reason('moisture.soak', 'caution', figures) : reason('moisture.clear', 'caution', figures);
};

/** Whatever the element must endure, the sheet must allow; sunlight only changes its colour. */
export const exposureRule: ElementRule = ({ sheet, element }) =>
  element.exposures.flatMap((exposure): readonly Reason[] => {
    if (sheet.exposures.includes(exposure)) return reason('exposure.allowed', 'yes', { exposure });
    return reason('exposure.notAllowed', exposure === 'sunlight' ? 'caution' : 'no', { exposure });
  });

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

/** The preparation must leave the profile the sheet asks: a little short is a caution, a washed slab under a structural mortar a refusal. */
export const profileRule: ElementRule = ({ sheet, element, house }) => {
  // What is not cut has no profile: it is abraded or screwed down, and bonded by what its sheet asks.
  if (baseKindOf(element) !== 'mineral') return [];
  const reached = profileReached(house, sheet);
  const figures = { reached, asked: sheet.profile };
  if (reached >= sheet.profile) return reason('profile.reached', 'yes', figures);
  return reason('profile.short', sheet.profile - reached > CHOOSE.profileShort ? 'no' : 'caution', figures);
};

/** Air and slab inside the sheet's limits; close to one is a caution. */
export const temperatureRule: ElementRule = ({ sheet, air_C, slab_C }) => {
  const { airLeast_C, airMost_C, slabLeast_C, slabMost_C } = sheet.limits;
  const figures = { air_C, slab_C, airLeast_C, airMost_C, slabLeast_C, slabMost_C };
  if (air_C < airLeast_C || slab_C < slabLeast_C) return reason('temperature.cold', 'no', figures);
  if (air_C > airMost_C || slab_C > slabMost_C) return reason('temperature.hot', 'no', figures);
  const margin = Math.min(air_C - airLeast_C, slab_C - slabLeast_C, airMost_C - air_C, slabMost_C - slab_C);
  return margin < CHOOSE.closeToLimit_K ? reason('temperature.close', 'caution', figures) : reason('temperature.fits', 'yes', figures);
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

/** A face that hangs takes a mix that hangs: the sheet must know the water for it. */
export const taskRule: ElementRule = ({ sheet, element }) => {
  if (!sheet.water || orientationOf(element.kind) === 'horizontal') return [];
  const { hang, ball } = sheet.water.byTask;
  return hang === undefined && ball === undefined ? reason('task.noHang', 'caution') : [];
};

/** Bags too cold or too warm are not what their sheet describes. */
export const storageRule: ElementRule = ({ sheet, powder_C }) => {
  if (!sheet.storage) return [];
  const { least_C, most_C } = sheet.storage;
  const figures = { powder_C, least_C, most_C };
  if (powder_C < least_C) return reason('storage.cold', 'caution', figures);
  return powder_C > most_C ? reason('storage.hot', 'caution', figures) : [];
};

/** Wheels break what is weak: what sets hard must have the strength a month on. A single early point may promise what no mortar reaches; it says nothing. */
export const strengthRule: ElementRule = ({ sheet, element }) => {
  if (!element.exposures.includes('wheels') || sheet.strengths.length < 2 || movementOf(sheet) > 0) return [];
  // A sheet from before its strengths were checked is judged by the rest of it.
  if (!strengthsRise(sheet.strengths)) return [];
  const curve = strengthCurve({ points: sheet.strengths, tau_s: SETTING.strengthTau_s[sheet.binder] });
  const mature_MPa = strengthAt({ curve, age_s: SETTING.mature_s });
  const figures = { mature_MPa, least_MPa: CHOOSE.wheels_MPa };
  return mature_MPa < CHOOSE.wheels_MPa ? reason('strength.wheels', 'caution', figures) : reason('strength.enough', 'yes', figures);
};

/** A fill of another colour shows until it is overlaid, sealed or coated. */
export const colourRule: ElementRule = ({ sheet, element: { colour } }) => {
  if (!colour) return [];
  const { dry } = sheet.colour;
  return dry.toLowerCase() === colour.toLowerCase() ? reason('colour.near', 'yes', { dry }) : reason('colour.shows', 'caution', { dry, colour });
};

/** What its base has to say: nothing to what is cast on none. */
export const BASE_RULES: readonly ElementRule[] = [substrateRule, moistureRule, surfaceRule, profileRule, bondRule];

/** In the order a person would ask. */
export const ELEMENT_RULES: readonly ElementRule[] = [orientationRule, exposureRule, temperatureRule, dewRule, taskRule, storageRule, strengthRule, colourRule];
