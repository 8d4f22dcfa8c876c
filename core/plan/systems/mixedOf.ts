import type { ChosenPlan } from '../Plan';

/** What of a system is mixed: the fill, and the layer over it. Each has its own window, order, steps and kit. */
export const mixedOf = (chosen: ChosenPlan): ChosenPlan[] => (chosen.overlay ? [chosen, chosen.overlay.chosen] : [chosen]);

/** Everything that a plan mixes, finding by finding. */
export const mixedOfPlan = (findings: readonly { readonly chosen: ChosenPlan | null }[]): ChosenPlan[] =>
  findings.flatMap(({ chosen }) => (chosen ? mixedOf(chosen) : []));
