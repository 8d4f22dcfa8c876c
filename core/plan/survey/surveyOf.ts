import { flightSurvey, netArea, PHASES, phaseOf, standingStops, supportOf, tapsToHalve, type ElementInput, type FindingInput } from '../../survey';
import { effectiveTaps, hollowInterval, hollowShare, maskingOf, TAKEOFF } from '../../takeoff';
import type { Reason } from '../../choose';
import { Problem, rangedSum, type Ranged } from '../../quantity';
import { learnedFigure, prepared } from '../input/crewFigures';
import type { TakeOff } from './TakeOff';
import type { PlanInput } from '../input/PlanInput';
import { kindOf, verdictOf } from '../kinds';
import type { ElementSurvey, Survey, Waiting } from './Survey';
import { seenOf } from './seenOf';
import { takeOffOf } from './takeOffOf';

/** What the crew has shown of what a crack drinks. */
export const learnedOf = (input: PlanInput): { readonly soakDepth_m: number } => ({ soakDepth_m: learnedFigure(input, 'soakDepth', TAKEOFF.soakDepth_m) });

/** Whether anything stops an element that no licensed opinion has dealt with. What rings hollow never does by itself. */
export function isStopped(element: ElementInput, findings: readonly FindingInput[]): boolean {
  const ofElement = findings.filter(({ elementId }) => elementId === element.id);
  const verdict = verdictOf({ element, findings: ofElement });
  return standingStops(verdict, element.stops.opinion, seenOf({ element, findings: ofElement, reasons: verdict.reasons })).length > 0;
}

/** The job without what is stopped: a stopped element stops itself, and the rest of the job goes on. */
export function goingOn(input: PlanInput): PlanInput {
  const stopped = new Set(input.elements.filter((element) => isStopped(element, input.findings)).map(({ id }) => id));
  return stopped.size === 0 ? input : { ...input, findings: input.findings.filter(({ elementId }) => !stopped.has(elementId)) };
}

/**
 * What the walk found: take-off of every finding, and of every element its verdict, what is done now, what waits and
 * what that risks. The first part of a plan, quick enough to follow a finger by itself.
 *
 * @throws Problem as `computePlan`
 */
export function surveyOf(given: PlanInput): Survey {
  const input = prepared(given);
  const learned = learnedOf(input);
  const findings = input.findings.map((finding) => {
    if (!input.elements.some(({ id }) => id === finding.elementId)) throw new Problem('unknownElement', { id: finding.elementId });
    return { findingId: finding.id, elementId: finding.elementId, takeOff: takeOffOf(finding, learned) };
  });
  return {
    findings,
    elements: input.elements.map((element) => {
      const measured = input.findings.flatMap((finding, i) => (finding.elementId === element.id ? [{ finding, takeOff: findings[i]!.takeOff }] : []));
      return elementSurvey(element, measured);
    }),
  };
}

type MeasuredFindings = readonly { readonly finding: FindingInput; readonly takeOff: TakeOff }[];

const areaOf = (measured: MeasuredFindings): number => measured.reduce((sum, { takeOff }) => sum + takeOff.area_m2, 0);
const volumeOf = (measured: MeasuredFindings): Ranged => rangedSum(measured.map(({ takeOff }) => takeOff.volume));

function elementSurvey(element: ElementInput, measured: MeasuredFindings): ElementSurvey {
  const now = measured.filter(({ finding }) => phaseOf(finding) === 'now');
  const hollow = hollowOf(element);
  const verdict = verdictOf({ element, findings: measured.map(({ finding }) => finding), hollow });
  const seen = seenOf({ element, findings: measured.map(({ finding }) => finding), reasons: verdict.reasons });
  const carried = now.flatMap(({ takeOff }) => (takeOff.debris ? [takeOff.debris] : []));
  return {
    elementId: element.id,
    area_m2: netArea(element),
    verdict,
    stops: standingStops(verdict, element.stops.opinion, seen),
    seen,
    bad_m2: areaOf(now),
    volume: now.length === 0 ? null : volumeOf(now),
    length_m: now.reduce((sum, { takeOff }) => sum + (takeOff.length_m ?? 0), 0),
    debris:
      carried.length === 0
        ? null
        : {
            bulk_m3: carried.reduce((sum, { bulk_m3 }) => sum + bulk_m3, 0),
            mass_kg: carried.reduce((sum, { mass_kg }) => sum + mass_kg, 0),
            bags: carried.reduce((sum, { bags }) => sum + bags, 0),
          },
    waiting: PHASES.flatMap((phase): Waiting[] => {
      const later = measured.filter(({ finding }) => phaseOf(finding) === phase);
      if (phase === 'now' || later.length === 0) return [];
      return [{ phase, labels: later.map(({ finding }) => finding.label), bad_m2: areaOf(later), volume: volumeOf(later), risks: risksOf(element, later) }];
    }),
    hollow,
    flight: element.flight ? flightSurvey(element.flight) : null,
    masking: now.length === 0 ? null : maskingOf({ edge_m: now.reduce((sum, { takeOff }) => sum + takeOff.perimeter_m, 0), strip_m: TAKEOFF.maskingStrip_m }),
  };
}

type WaitCode = 'wait.frost' | 'wait.deicer' | 'wait.wheels' | 'wait.water' | 'wait.trip' | 'wait.grows';

/** What waiting risks, by what the element endures. */
function risksOf(element: ElementInput, later: MeasuredFindings): Reason[] {
  const labels = later.map(({ finding }) => finding.label).join(', ');
  const open = later.some(({ finding }) => kindOf(finding).open);
  const broken = later.some(({ finding }) => !kindOf(finding).open);
  const endures = (exposure: ElementInput['exposures'][number]): boolean => element.exposures.includes(exposure);
  const risk = (code: WaitCode, is: boolean): Reason[] => (is ? [{ code, verdict: 'caution', figures: { labels } }] : []);
  return [
    ...risk('wait.frost', endures('frost')),
    ...risk('wait.deicer', endures('deicer')),
    ...risk('wait.wheels', endures('wheels') && broken),
    ...risk('wait.water', open && (supportOf(element) !== 'ground' || element.kind !== 'slab')),
    ...risk('wait.trip', broken && (element.kind === 'slab' || element.kind === 'step')),
    ...risk('wait.grows', true),
  ];
}

/** Share of an element that rings hollow, from its soundings. */
function hollowOf({ outline, openings = [], soundings }: ElementInput): ElementSurvey['hollow'] {
  if (!soundings || soundings.points.length === 0) return null;
  const { share, areas_m2 } = hollowShare({ element: outline, openings, ...soundings });
  const { more } = tapsToHalve({ share, n: effectiveTaps(areas_m2) });
  return { share, ...hollowInterval({ areas_m2, hollow: soundings.hollow }), taps: soundings.points.length, moreToHalve: more };
}
