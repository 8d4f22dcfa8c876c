import { isUnanswered } from '@tufa/core/survey';
import { say, sayProblem } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';
import type { ReactNode } from 'react';
import type { Step } from '../../links';
import { AgainstStep } from './AgainstStep';
import type { JobView } from './useJob';

/**
 * While nothing of the job goes on, or the plan cannot be computed, a step shows why and whom to ask instead of any figure.
 * Of a job that goes on, what is stopped is told by its warning.
 */
export function stopOf(speaker: Speaker, step: Step, view: JobView, toWalk: () => void): ReactNode | null {
  if (!view.stopped && !view.problem) return null;
  const reasons = view.plan?.elements.flatMap(({ stops }) => stops) ?? [];
  const asked = reasons.some((reason) => !isUnanswered(reason)) ? 'verdict.ask' : 'verdict.unanswered';
  return (
    <AgainstStep
      step={step}
      view={view}
      title={say(speaker, 'stop.hidden')}
      lead={view.problem ? sayProblem(speaker, view.problem) : say(speaker, asked)}
      reasons={reasons}
      act={{ label: say(speaker, 'stop.open'), onPress: toWalk }}
    />
  );
}
