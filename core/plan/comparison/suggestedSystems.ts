import type { Ranked } from '../../choose';
import { phaseOf } from '../../survey';
import type { Plan } from '../Plan';
import type { PlanInput, TreatmentInput } from '../input/PlanInput';
import type { SystemInput } from './SystemOutcome';

/** Its best choice where none is made; nothing where nothing fits. */
export function bestTreatments(input: PlanInput, plan: Plan): TreatmentInput[] {
  return plan.findings.flatMap(({ findingId, ranking }) => {
    const current = input.treatments.find((treatment) => treatment.findingId === findingId);
    const best = ranking.find(({ verdict }) => verdict !== 'no');
    return current ? [current] : best ? [{ findingId, sheetId: best.sheetId }] : [];
  });
}

/** Systems worth comparing: as chosen, the cheapest and the first to open among the best verdict there is, phases against everything now where some of it waits, and replacement. The same one is named once. */
export function suggestedSystems(input: PlanInput, plan: Plan): SystemInput[] {
  const chosen = bestTreatments(input, plan);
  const by = (of: (ranked: Ranked) => number): TreatmentInput[] =>
    plan.findings.flatMap(({ findingId, ranking }) => {
      const [first, ...others] = ranking;
      // What fits only with care is not set against what simply fits.
      const rest = others.filter(({ verdict }) => verdict === first?.verdict);
      if (!first || first.verdict === 'no') return chosen.filter((treatment) => treatment.findingId === findingId);
      // What goes over it stays: only what fills it is another.
      const current = chosen.find((treatment) => treatment.findingId === findingId);
      return [{ ...current, findingId, sheetId: rest.reduce((least, ranked) => (of(ranked) < of(least) ? ranked : least), first).sheetId }];
    });
  const waits = input.findings.some((finding) => phaseOf(finding) !== 'now');
  const all: SystemInput[] = [
    { code: 'chosen', treatments: chosen },
    { code: 'cheapest', treatments: by(({ cost_minor }) => cost_minor ?? Infinity) },
    { code: 'soonest', treatments: by(({ opensAfter_s }) => opensAfter_s ?? Infinity) },
    ...(waits
      ? ([
          { code: 'now', treatments: chosen },
          { code: 'phases', treatments: chosen },
        ] as const)
      : []),
    { code: 'replace', treatments: [] },
  ];
  const isNow = (findingId: string): boolean => input.findings.some((finding) => finding.id === findingId && phaseOf(finding) === 'now');
  const key = ({ code, treatments }: SystemInput): string =>
    ['now', 'phases', 'replace'].includes(code)
      ? code
      : JSON.stringify(treatments.filter(({ findingId }) => isNow(findingId)).map(({ findingId, sheetId, overlay }) => [findingId, sheetId, overlay ?? null]));
  return all.filter((system, i) => all.findIndex((other) => key(other) === key(system)) === i);
}
