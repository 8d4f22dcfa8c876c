import type { LayerRole } from '../../batches';
import { crossesRim, type ElementInput } from '../../survey';
import { panelsOf, type Point } from '../../takeoff';
import type { Context } from '../input/Context';
import { layerKey } from '../input/PlanInput';
import type { ChosenPlan } from '../Plan';
import { stepsWith, type RepairStep } from '../steps/RepairStep';

/** How far something lies from where its element's plan begins: the far end is done before the way out. */
export function farOut({ outline: [from] }: ElementInput, points: readonly Point[]): number {
  if (points.length === 0 || !from) return 0;
  const mean = (i: 0 | 1): number => points.reduce((sum, point) => sum + point[i], 0) / points.length;
  return Math.hypot(mean(0) - from[0], mean(1) - from[1]);
}

/** A panel of a thin layer, the far one first, and how much of the layer it is. */
interface PanelShare {
  readonly panel: { readonly nth: number; readonly of: number } | null;
  readonly share: number;
  /** where its middle lies; nothing for a layer that no joint cuts */
  readonly centre: readonly Point[];
}
const UNCUT: readonly PanelShare[] = [{ panel: null, share: 1, centre: [] }];

/** A thin layer between the joints that run from rim to rim of its element: a batch ends where a joint is. */
function panelShares({ input, element, finding }: Context): readonly PanelShare[] {
  if (finding.kind !== 'skim') return UNCUT;
  const joints = input.findings.flatMap((found) =>
    found.kind === 'groove' && found.elementId === element.id && crossesRim(found.line, element.outline) ? [found.line] : [],
  );
  if (joints.length === 0) return UNCUT;
  const panels = panelsOf({ outline: finding.outline, joints }).sort((a, b) => farOut(element, [b.centre]) - farOut(element, [a.centre]));
  const whole_m2 = panels.reduce((sum, { area_m2 }) => sum + area_m2, 0);
  if (panels.length < 2) return UNCUT;
  return panels.map(({ area_m2, centre }, i) => ({ panel: { nth: i + 1, of: panels.length }, share: area_m2 / whole_m2, centre: [centre] }));
}

/** A part of a fill that is laid at a time, and what the step before it makes it wait. */
export interface Laid {
  readonly step: number | null;
  readonly lift: number;
  readonly lifts: number;
  readonly part: number;
  readonly after: RepairStep['after'];
  /** the form of the step below is struck first */
  readonly stripped: RepairStep['after'];
  readonly panel: PanelShare['panel'];
  /** where it lies, where that is not where its finding lies */
  readonly centre: PanelShare['centre'];
}

/** A fill as it is laid: lift on lift, of a flight step on step. */
export function laidOf({ steps }: ChosenPlan, context: Context): Laid[] {
  const laid: Omit<Laid, 'panel' | 'centre'>[] = [];
  let [step, stripped]: [number | null, RepairStep['after']] = [null, null];
  for (const done of steps) {
    const [form] = stepsWith([done], 'step.form.set');
    const [strip] = stepsWith([done], 'step.form.strip');
    const [lift] = stepsWith([done], 'step.lift', 'step.spread', 'step.pressIn');
    if (form) ({ step } = form.figures);
    if (strip) stripped = strip.after;
    if (!lift) continue;
    const { figures, after } = lift;
    laid.push({ step, lift: figures.lift, lifts: figures.lifts, part: figures.part / figures.lifts, after, stripped });
  }
  // What goes along a line or over pits is laid at once.
  const whole = laid.length > 0 ? laid : [{ step: null, lift: 1, lifts: 1, part: 1, after: null, stripped: null }];
  return panelShares(context).flatMap(({ panel, share, centre }) => whole.map((of) => ({ ...of, part: of.part * share, panel, centre })));
}

export const idOf = (findingId: string, role: LayerRole, laid?: Pick<Laid, 'step' | 'lift' | 'panel'>): string =>
  `${layerKey(findingId, role)}${laid ? `/${laid.step === null ? '' : `${laid.step}.`}${laid.lift}${laid.panel ? `p${laid.panel.nth}` : ''}` : ''}`;

const ofPanel =
  (last: boolean) =>
  (findingId: string, role: LayerRole, laid: readonly Laid[]): string[] =>
    laid.flatMap((part, i) => (laid[i + (last ? 1 : -1)]?.panel?.nth === part.panel?.nth && laid[i + (last ? 1 : -1)] ? [] : [idOf(findingId, role, part)]));
/** What is laid last, and first, in each panel. */
export const [lastsOf, firstsOf] = [ofPanel(true), ofPanel(false)];
