import type { Reason } from '../../choose';
import { MIX } from '../../mix';
import { SETTING } from '../../setting';
import { WEATHER } from '../../weather';
import type { FindingPlan } from '../Plan';
import type { PlanInput } from '../input/PlanInput';
import { PLAN } from '../constants';
import { mixedOf } from '../systems/mixedOf';
import { yieldDifference } from '../orders/mixOf';
import { aidOf, knownSheet, sheetOf } from '../input/sheetOf';

/** What the plan must say beside its figures. */
export function warningsOf(input: PlanInput, findings: readonly FindingPlan[], stopped: ReadonlySet<string>): Reason[] {
  const warnings: Reason[] = input.elements.flatMap(({ name, stops: { opinion } }) =>
    opinion ? [{ code: 'opinion.goesOn', verdict: 'caution' as const, figures: { name, role: opinion.role, on: opinion.on, said: opinion.said } }] : [],
  );
  for (const { id, name } of input.elements)
    if (stopped.has(id) && findings.some(({ elementId }) => elementId === id)) warnings.push({ code: 'element.stopped', verdict: 'no', figures: { name } });
  for (const { findingId, chosen } of findings) {
    if (!chosen) continue;
    const sheet = knownSheet(input, chosen.sheetId);
    if (chosen.batches.share === null) warnings.push({ code: 'batch.noneFits', verdict: 'no', figures: { findingId, limit: chosen.batches.limit ?? '' } });
    else if (input.batch.share !== null && chosen.batches.limit !== null)
      warnings.push({ code: 'batch.overLimit', verdict: 'caution', figures: { findingId, limit: chosen.batches.limit, share: input.batch.share } });
    const alarm = sheet.binder === 'portland' ? WEATHER.dryingOther : WEATHER.dryingRapid;
    const drying = chosen.window.evaporation_kg_m2h;
    if (drying >= alarm.act) warnings.push({ code: 'drying.act', verdict: 'no', figures: { findingId, drying_kg_m2h: drying } });
    else if (drying >= alarm.caution) warnings.push({ code: 'drying.caution', verdict: 'caution', figures: { findingId, drying_kg_m2h: drying } });
    const difference = yieldDifference(sheet, chosen.ticket.task);
    if (Math.abs(difference) > MIX.yieldDiffers) warnings.push({ code: 'yield.differs', verdict: 'caution', figures: { findingId, difference } });
    const doseMost = Math.max(0, ...sheet.retarder.map(([dose]) => dose));
    if (input.batch.retarderDose > doseMost)
      warnings.push({ code: 'retarder.overDose', verdict: 'no', figures: { findingId, dose: input.batch.retarderDose, doseMost } });
    if (input.batch.stone && !chosen.extended && sheet.extension)
      warnings.push({ code: 'stone.over', verdict: 'no', figures: { findingId, ratio: input.batch.stone.ratio, most: sheet.extension.most } });
    else if (input.batch.stone && !chosen.extended) warnings.push({ code: 'stone.notTaken', verdict: 'caution', figures: { findingId, name: sheet.name } });
    if (chosen.extended && chosen.window.question.thickness_m < chosen.extended.least_m)
      warnings.push({ code: 'stone.shallow', verdict: 'caution', figures: { findingId, least_m: chosen.extended.least_m } });
    warnings.push(...mixedOf(chosen).flatMap(({ weather }) => weather));
    const { peak, window, milestones } = chosen.window;
    if (peak && peak.peak_C >= PLAN.hotFill_C)
      warnings.push({ code: 'fill.hot', verdict: 'caution', figures: { findingId, peak_C: peak.peak_C, rise_K: peak.rise_K } });
    const foot_s = milestones.find(({ name }) => name === 'foot')?.after_s;
    if (peak && foot_s !== undefined && peak.after_s < foot_s && peak.rise_K > SETTING.uncoverBelow_K / 2)
      warnings.push({ code: 'fill.early', verdict: 'caution', figures: { findingId, rise_K: peak.rise_K } });
    if (chosen.batches.count > 1 && chosen.batches.limit === 'wetEdge')
      warnings.push({ code: 'batch.wetEdge', verdict: 'caution', figures: { findingId, by_s: window.wetEdge.by_s } });
    if (chosen.shots && chosen.shots.partsDifference > MIX.partsDiffer)
      warnings.push({ code: 'parts.differ', verdict: 'caution', figures: { findingId, difference: chosen.shots.partsDifference } });
    if (chosen.thinRun_m !== null && chosen.thinRun_m > 0 && !sheet.thickness.feathers)
      warnings.push({ code: 'wedge.thin', verdict: 'caution', figures: { findingId, run_m: chosen.thinRun_m } });
    const { overlay } = chosen;
    const ofFill = chosen.refused.filter((reason) => !overlay?.chosen.refused.includes(reason));
    const named = [
      [ofFill.length > 0 ? 'no' : 'yes', sheet.name],
      [overlay && overlay.chosen.refused.length > 0 ? 'no' : 'yes', sheetOf(input, overlay?.chosen.sheetId)?.name],
      ...mixedOf(chosen)
        .flatMap(({ aids }) => aids)
        .map(({ aidId, verdict }) => [verdict, aidOf(input, aidId)?.name]),
    ];
    // Whatever of a system its own sheet refuses is said, the fill as well as what goes under and over it.
    for (const [verdict, name = ''] of named) if (verdict === 'no') warnings.push({ code: 'choice.refused', verdict: 'no', figures: { findingId, name } });
  }
  return warnings;
}
