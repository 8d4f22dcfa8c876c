import { AID_CLASSES, type Aid, type AidClass } from '../shelf';
import { orientationOf, type ElementInput } from '../survey';
import { dewPoint, WEATHER } from '../weather';
import type { Reason } from './Reason';
import { reason } from './RuleContext';
import { worstOf } from './worstOf';

/** What an aid's rule may look at. */
export interface AidContext {
  readonly aid: Aid;
  readonly element: ElementInput;
  /** the agent the bond asks for, where it is asked as a bond */
  readonly wanted: readonly AidClass[];
  /** something is laid on it later */
  readonly covered: boolean;
  readonly air_C: number;
  readonly slab_C: number;
  /** 0 to 1 */
  readonly humidity: number;
}

/** An aid with its verdict and the reasons for it. */
export interface AidJudged {
  readonly aidId: string;
  readonly verdict: Reason['verdict'];
  readonly reasons: readonly Reason[];
}

type AidRule = (context: AidContext) => readonly Reason[];

/** What the step wants: a latex for a slurry, an agent for an agent. */
export const aidKindRule: AidRule = ({ aid, wanted }) =>
  wanted.includes(aid.class) ? reason('aid.kind', 'yes', { aid: aid.class }) : reason('aid.otherKind', 'no', { aid: aid.class });

/** A film softens or lifts under standing water. */
export const aidWaterRule: AidRule = ({ aid, element: { exposures, moisture } }) => {
  const under = exposures.includes('immersion') || moisture === 'wet';
  if (!under) return [];
  if (aid.underWater) return reason('aid.holdsUnderWater', 'yes');
  return reason(aid.film ? 'aid.filmUnderWater' : 'aid.notUnderWater', 'no');
};

/** What bonds touches the base as it is: an agent that wants it dry does not bond to damp. What cures and coats comes when the mix has dried. */
export const aidMoistureRule: AidRule = ({ aid, element: { moisture } }) =>
  aid.open && aid.moisture === 'dry' && moisture !== 'dry'
    ? moisture === undefined
      ? reason('moisture.open', 'no', { wants: aid.moisture })
      : reason('moisture.mustBeDry', 'no', { wants: aid.moisture, is: moisture })
    : [];

/** What it is laid on. */
export const aidSubstrateRule: AidRule = ({ aid, element: { material } }) => {
  if (!material) return [];
  return aid.substrates.includes(material)
    ? reason('substrate.allowed', 'yes', { substrate: material })
    : reason('substrate.notAllowed', 'no', { substrate: material });
};

/** A coat must endure what the element endures; what is covered again need not. */
export const aidExposureRule: AidRule = ({ aid, element }) =>
  aid.open
    ? []
    : element.exposures
        .filter((exposure) => exposure !== 'immersion' && !aid.exposures.includes(exposure))
        .flatMap((exposure) => reason('exposure.notAllowed', 'caution', { exposure }));

/** Made for the way the element lies. */
export const aidOrientationRule: AidRule = ({ aid, element }) => {
  const orientation = orientationOf(element.kind);
  return aid.orientations.includes(orientation) ? [] : reason('orientation.wrong', 'no', { orientation });
};

/** Air and slab inside its limits. */
export const aidTemperatureRule: AidRule = ({ aid: { limits }, air_C, slab_C }) => {
  const figures = { air_C, slab_C, ...limits };
  if (air_C < limits.airLeast_C || slab_C < limits.slabLeast_C) return reason('temperature.cold', 'no', figures);
  if (air_C > limits.airMost_C || slab_C > limits.slabMost_C) return reason('temperature.hot', 'no', figures);
  return [];
};

/** What is resin, seals or coats wants a face so far above the dew point; a coat goes on another hour, so that it is told and not refused. */
export const aidDewRule: AidRule = ({ aid, air_C, slab_C, humidity }) => {
  if (!DEWED.includes(aid.class)) return [];
  const dew_C = dewPoint({ air_C, humidity: Math.max(0.01, humidity) });
  if (slab_C >= dew_C + WEATHER.dewMargin_K) return [];
  const figures = { slab_C, dew_C, margin_K: WEATHER.dewMargin_K };
  return aid.open ? reason('dew.agent', 'no', figures) : reason('dew.coat', 'caution', figures);
};
const DEWED: readonly AidClass[] = ['epoxyBond', 'sealer', 'silane', 'coating'];

/** A cure that leaves a film comes off again before anything is laid on it. */
export const aidFilmRule: AidRule = ({ aid, covered }) => (covered && aid.film && !aid.open ? reason('aid.filmUnderLayer', 'no') : []);

/** It must dry, or wait so long, before it may be covered; past it, it is brushed or ground again. */
export const aidOpenRule: AidRule = ({ aid: { open, covered, passed } }) =>
  open && covered ? reason(`aid.covered.${covered}`, 'yes', { least_s: open.least_s, most_s: open.most_s, passed: passed ?? 'again' }) : [];

/** Every rule of what bonds, cures or coats. */
export const AID_RULES: readonly AidRule[] = [
  aidKindRule,
  aidWaterRule,
  aidMoistureRule,
  aidSubstrateRule,
  aidExposureRule,
  aidOrientationRule,
  aidTemperatureRule,
  aidDewRule,
  aidFilmRule,
  aidOpenRule,
];

/** One aid against an element: as bad as its worst reason. */
export function judgeAid(context: AidContext): AidJudged {
  const reasons = AID_RULES.flatMap((rule) => rule(context));
  return { aidId: context.aid.id, verdict: worstOf(reasons), reasons };
}

/** Classes by what they do in a system. */
export const AID_CLASSES_OF = {
  slurry: ['latex'],
  agent: ['pva', 'epoxyBond'],
  cure: ['curing'],
  coat: ['sealer', 'silane', 'coating'],
} as const satisfies Record<string, readonly (typeof AID_CLASSES)[number][]>;
