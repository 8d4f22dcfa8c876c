import { ranking, type Ranked } from '../../choose';
import { netArea, type ElementInput, type FindingInput, type SkimInput } from '../../survey';
import { polygonArea } from '../../takeoff';
import type { Context } from '../input/Context';
import { kindOf } from '../kinds';
import type { OverlayPlan } from '../Plan';
import type { TakeOff } from '../survey/TakeOff';
import type { OverlayInput } from '../input/PlanInput';
import { chosenOf, layerMixed } from './chosenOf';
import { rankedOf } from './rankedOf';
import { filledTakeOff } from '../steps/filledTakeOff';
import { liftsOf } from '../steps/liftsOf';
import { takeOffOf } from '../survey/takeOffOf';
import { overlayAfter } from '../window/opensOf';
import { questionFor } from '../window/questionFor';
import { knownSheet } from '../input/sheetOf';

/** An overlay as a skim of its own: over the patch, or over the element's whole face. */
function overlayFinding({
  element,
  finding,
  overlay: { thickness_m, over },
  profile,
}: {
  element: ElementInput;
  finding: FindingInput;
  overlay: Omit<OverlayInput, 'sheetId'>;
  profile: number;
}): SkimInput {
  const { id, elementId, label } = finding;
  const outline = over === 'element' ? element.outline : (kindOf(finding).overlaid(finding) ?? []);
  return { id, elementId, label, kind: 'skim', outline, thickness: { value: thickness_m, source: 'typed' }, profile: Math.max(1, profile) };
}

/** A face without its openings. */
function overlayTakeOff(element: ElementInput, skim: SkimInput, over: OverlayInput['over']): TakeOff {
  const whole = takeOffOf(skim);
  if (over === 'patch' || !element.openings?.length) return whole;
  const share = netArea(element) / polygonArea(element.outline);
  const { p10, p50, p90 } = whole.volume;
  return { ...whole, area_m2: whole.area_m2 * share, volume: { p10: p10 * share, p50: p50 * share, p90: p90 * share } };
}

/** Every sheet as an overlay of a finding, best first. @returns nothing for what no overlay goes over */
export function overlaysFor({
  overlay,
  ...context
}: Omit<Context, 'takeOff' | 'sheet' | 'treatment'> & { readonly overlay: Omit<OverlayInput, 'sheetId'> }): Ranked[] {
  const { input, element, finding } = context;
  if (!kindOf(finding).overlaid(finding)) return [];
  return ranking(
    input.sheets.map((sheet) => {
      const skim = overlayFinding({ element, finding, overlay, profile: sheet.profile });
      return rankedOf({ ...context, finding: skim, takeOff: overlayTakeOff(element, skim, overlay.over), sheet });
    }),
  );
}

/**
 * Plans overlays, one finding after another: an element is overlaid once, with the first finding that asks for it.
 *
 * @returns the overlay of a finding and what it was planned from, or null where none is chosen or its element has one already
 */
export function overlaysOf({ levers }: { readonly levers: boolean }): (context: Context) => { readonly plan: OverlayPlan; readonly context: Context } | null {
  const done = new Set<string>();
  return (context) => {
    const { input, element, finding, treatment } = context;
    const overlay = treatment?.overlay;
    if (!overlay || !kindOf(finding).overlaid(finding)) return null;
    if (overlay.over === 'element') {
      if (done.has(element.id)) return null;
      done.add(element.id);
    }
    const sheet = knownSheet(input, overlay.sheetId);
    const skim = overlayFinding({ element, finding, overlay, profile: sheet.profile });
    const takeOff = overlayTakeOff(element, skim, overlay.over);
    const { bond: _bond, ...aids } = treatment.aids ?? {};
    const { slab_C } = questionFor({ ...context, share: 1 });
    const startsAfter_s = overlayAfter({ sheet: context.sheet, lifts: liftsOf({ ...context, takeOff: filledTakeOff(context) }), slab_C });
    const asked: Context = {
      ...context,
      startsAfter_s,
      finding: skim,
      takeOff,
      sheet,
      over: overlay.over,
      treatment: { findingId: finding.id, sheetId: sheet.id, aids },
    };
    const judged = rankedOf(asked);
    const mixed = { ...asked, ...layerMixed(input, { sheet, finding: skim, role: 'overlay' }) };
    return { plan: { over: overlay.over, takeOff, judged, chosen: chosenOf(mixed, judged, { overlay: null, levers }) }, context: mixed };
  };
}
