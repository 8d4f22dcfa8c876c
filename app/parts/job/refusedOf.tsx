import type { ChosenPlan, PlanInput } from '@tufa/core/plan';
import { sheetOf } from '@tufa/core/plan';
import { say, sayReason } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import type { Step } from '../../links';
import { Button } from '../ui/Button';
import { Answer, T } from '../ui/T';
import { StepLayout } from './StepScreen';
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
    <StepLayout
      step={step}
      view={view}
      parts={{
        head: (
          <View className="gap-2">
            <Answer size="number">{say(speaker, 'refused.title')}</Answer>
            <T as="lead">{say(speaker, 'refused.lead', { name: sheetOf(input, chosen.sheetId)?.name ?? '' })}</T>
          </View>
        ),
        body: (
          <View className="gap-2">
            {chosen.refused.map((reason, i) => (
              <View key={`${reason.code}${i}`} className="bg-stop-fill p-3">
                <T>{sayReason(speaker, reason)}</T>
              </View>
            ))}
          </View>
        ),
        foot: <Button label={say(speaker, 'refused.toFix')} tone="act" onPress={toFix} />,
      }}
    />
  );
}
