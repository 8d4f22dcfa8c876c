import type { Reason } from '@tufa/core/choose';
import { sayReason } from '@tufa/words';
import { View } from 'react-native';
import type { Step } from '../../links';
import { useSpeaker } from '../phone/speaker';
import { Button } from '../ui/Button';
import { Answer, T } from '../ui/T';
import { StepLayout } from './StepScreen';
import type { JobView } from './useJob';

/** A step that shows why it goes no further, reason by reason, and where to go, instead of any figure. */
export function AgainstStep({
  step,
  view,
  title,
  lead,
  reasons,
  act,
}: {
  step: Step;
  view: JobView;
  title: string;
  lead: string;
  reasons: readonly Reason[];
  act: { label: string; onPress: () => void };
}) {
  const speaker = useSpeaker();
  return (
    <StepLayout
      step={step}
      view={view}
      parts={{
        head: (
          <View className="gap-2">
            <Answer size="number">{title}</Answer>
            <T as="lead">{lead}</T>
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
        foot: <Button label={act.label} tone="act" onPress={act.onPress} />,
      }}
    />
  );
}
