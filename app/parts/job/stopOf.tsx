import { isUnanswered } from '@tufa/core/survey';
import { say, sayReason, sayProblem } from '@tufa/words';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import type { Step } from '../../links';
import { Button } from '../ui/Button';
import { StepLayout } from './StepScreen';
import { Answer, T } from '../ui/T';
import type { JobView } from './useJob';
import type { Speaker } from '@tufa/words/speak';

/**
 * While nothing of the job goes on, or the plan cannot be computed, a step shows why and whom to ask instead of any figure.
 * Of a job that goes on, what is stopped is told by its warning.
 */
export function stopOf(speaker: Speaker, step: Step, view: JobView, toWalk: () => void): ReactNode | null {
  if (!view.stopped && !view.problem) return null;
  const reasons = view.plan?.elements.flatMap(({ stops }) => stops) ?? [];
  return (
    <StepLayout
      step={step}
      view={view}
      parts={{
        head: (
          <View className="gap-2">
            <Answer size="number">{say(speaker, 'stop.hidden')}</Answer>
            <T as="lead">
              {view.problem
                ? sayProblem(speaker, view.problem)
                : say(speaker, reasons.some((reason) => !isUnanswered(reason)) ? 'verdict.ask' : 'verdict.unanswered')}
            </T>
          </View>
        ),
        body: (
          <View className="gap-2">
            {reasons.map((reason, i) => (
              <View key={`${reason.code}${i}`} className="bg-stop-fill p-3">
                <T>{sayReason(speaker, reason)}</T>
              </View>
            ))}
          </View>
        ),
        foot: <Button label={say(speaker, 'stop.open')} tone="act" onPress={toWalk} />,
      }}
    />
  );
}
