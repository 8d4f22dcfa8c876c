import { DAY, vibrationShare, vibrationTime, type ToolUse } from '../../day';
import { knownSheet } from '../input/sheetOf';
import type { PlanInput } from '../input/PlanInput';
import { prepared } from '../input/crewFigures';
import type { Plan } from '../Plan';
import { stepRow, type Tool } from '../steps/STEPS';
import { mixedOf } from '../systems/mixedOf';

type Vibrating = keyof typeof DAY.vibration_ms2;
const VIBRATING = Object.keys(DAY.vibration_ms2) as Vibrating[];
const isVibrating = (tool: Tool): tool is Vibrating & Tool => (VIBRATING as readonly Tool[]).includes(tool);

/** What the tools of a job give each pair of hands, shared evenly. */
export interface Vibration {
  /** trigger time of each pair of hands, s */
  readonly trigger_s: number;
  /** of the daily action value; 1 and over is reached */
  readonly action_share: number;
  /** how long the strongest of them may be held until it is reached, s */
  readonly strongest_s: number;
}

/** Trigger time of every step that a vibrating tool does, added up for a person. @returns nothing where none does */
export function vibrationOf(given: PlanInput, plan: Plan): Vibration | null {
  const input = prepared(given);
  const uses = plan.findings.flatMap(({ findingId, elementId, takeOff: surveyed, chosen }): ToolUse[] => {
    const finding = input.findings.find(({ id }) => id === findingId);
    const element = input.elements.find(({ id }) => id === elementId);
    if (!chosen || !finding || !element) return [];
    return mixedOf(chosen).flatMap((layer) =>
      layer.steps.flatMap(({ code, figures, sheetId }): ToolUse[] => {
        const row = stepRow(code);
        const tools = row.tools.filter(isVibrating);
        if (tools.length === 0) return [];
        const takeOff = layer === chosen ? { ...surveyed, debris: chosen.debris } : (chosen.overlay?.takeOff ?? surveyed);
        const worked = { input, element, finding, takeOff, sheet: knownSheet(input, layer.sheetId), batches: layer.batches.count };
        const vibration_ms2 = Math.max(...tools.map((tool) => DAY.vibration_ms2[tool]));
        return [{ vibration_ms2, for_s: (row.person_s(worked, figures, sheetId) * DAY.triggerShare) / input.crew.hands }];
      }),
    );
  });
  if (uses.length === 0) return null;
  const strongest = Math.max(...uses.map(({ vibration_ms2 }) => vibration_ms2));
  return {
    trigger_s: uses.reduce((sum, { for_s }) => sum + for_s, 0),
    action_share: vibrationShare(uses),
    strongest_s: vibrationTime({ vibration_ms2: strongest }),
  };
}
