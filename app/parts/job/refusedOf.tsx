import { sheetOf, type ChosenPlan, type PlanInput } from '@tufa/core/plan';
import { say } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';
import type { ReactNode } from 'react';
import type { Step } from '../../links';
import { AgainstStep } from './AgainstStep';
import type { JobView } from './useJob';

/** What is chosen and refused shows why, and nothing to buy, to mix or to start. */
export function refusedOf({
  speaker,
  step,
  view,
  input,
  chosen,
  toFix,
}: {
  speaker: Speaker;
  step: Step;
  view: JobView;
  input: PlanInput;
  chosen: ChosenPlan;
  toFix: () => void;
}): ReactNode | null {
  if (chosen.refused.length === 0) return null;
  return (
    <AgainstStep
      step={step}
      view={view}
      title={say(speaker, 'refused.title')}
      lead={say(speaker, 'refused.lead', { name: sheetOf(input, chosen.sheetId)?.name ?? '' })}
      reasons={chosen.refused}
      act={{ label: say(speaker, 'refused.toFix'), onPress: toFix }}
    />
  );
}
