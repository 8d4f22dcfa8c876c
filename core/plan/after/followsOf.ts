import type { Follow, FollowCode } from '../../pour';
import type { Plan } from '../Plan';
import type { Batch } from '../batches/Made';
import type { PlanInput } from '../input/PlanInput';
import { orientationOf } from '../../survey';
import { stepsWith } from '../steps/RepairStep';
import { mixedOf } from '../systems/mixedOf';

/**
 * What follows a batch once it is laid, in the order of its time: of a layer that takes several batches what follows the
 * last of them.
 *
 * @param batch of the plan's list
 */
export function followsOf(plan: Plan, input: PlanInput, batch: Batch): Follow[] {
  const gel = batch.lines.find((line) => line.code === 'gel');
  const follows: Follow[] = gel?.code === 'gel' ? [{ code: 'gel', after_s: gel.time_s, until_s: null }] : [];
  const { open } = batch;
  if (open) follows.push({ code: 'cover', after_s: open.least_s, until_s: open.most_s });
  const served = batch.serves.filter(({ part }) => part === 'whole' || part === 'rest');
  const work_s = batch.window?.window.placeNeeds_s ?? 0;
  for (const { reason, least_s, most_s } of plan.batches.flatMap(({ waits }) => waits.filter(({ on }) => on === batch.number))) {
    const code = reason === 'stiff' ? 'nextLift' : reason === 'recoat' ? 'cover' : null;
    if (code && !follows.some((known) => known.code === code)) follows.push({ code, after_s: least_s, until_s: most_s, laid_s: work_s });
  }
  const at = (name: Batch['milestones'][number]['name']): number | undefined => batch.milestones.find((milestone) => milestone.name === name)?.after_s;
  const push = (code: FollowCode, after_s: number | undefined): void => {
    if (after_s !== undefined && !follows.some((known) => known.code === code)) follows.push({ code, after_s, until_s: null });
  };
  for (const { findingId, role, lift, lifts } of served) {
    const found = plan.findings.find((finding) => finding.findingId === findingId);
    const finding = input.findings.find(({ id }) => id === findingId);
    const element = input.elements.find(({ id }) => id === finding?.elementId);
    if (!found?.chosen || !element || (role !== 'fill' && role !== 'overlay')) continue;
    const layers = mixedOf(found.chosen);
    const { steps, aids } = layers.find(({ sheetId }) => sheetId === batch.productId) ?? found.chosen;
    const has = (...codes: Parameters<typeof stepsWith>[1][]): boolean => stepsWith(steps, ...codes).length > 0;
    if (has('step.form.strip', 'step.riser.formed')) push('strip', at('strip'));
    if (lift < lifts) continue;
    if (has('step.demould')) push('demould', at('strip'));
    if (has('step.turn')) push('turn', at('strip'));
    if (has('step.rubFlush')) push('rub', at('grind') ?? at('final'));
    if (has('step.grindFlush')) push('grind', at('grind') ?? at('final'));
    // What lies under another layer is walked on and coated there.
    if (role === 'fill' && found.chosen.overlay) continue;
    if (element.opens?.to === 'vehicles') push('vehicles', at('vehicles'));
    // Nobody walks on a countertop: what bears a foot bears being used.
    if (element.kind === 'counter') push('use', at('foot'));
    else if (orientationOf(element.kind) === 'horizontal') push('foot', at('foot'));
    if (aids.some((aid) => aid.role === 'coat')) push('coat', at('coat'));
    if (orientationOf(element.kind) === 'vertical') push('paint', at('paint'));
  }
  return follows.sort((a, b) => a.after_s + (a.laid_s ?? 0) - b.after_s - (b.laid_s ?? 0));
}
