import type { Plan } from '@tufa/core/plan';
import { sayReason } from '@tufa/words';
import { memo } from 'react';
import { View } from 'react-native';
import { T } from '../ui/T';
import { useSpeaker } from '../phone/speaker';

/** What the plan must say beside its figures: drying, a batch that does not fit, a sheet chosen against its own word. */
export const Warnings = memo(function Warnings({ plan }: { plan: Plan }) {
  const speaker = useSpeaker();
  // Two findings may say the same of the hour: it is told once.
  const told = new Map(plan.warnings.map((warning) => [sayReason(speaker, warning), warning.verdict]));
  if (told.size === 0) return null;
  return (
    <View className="gap-2">
      {[...told].map(([sentence, verdict]) => (
        <View key={sentence} role="alert" className={`p-3 ${verdict === 'no' ? 'bg-stop-fill' : 'bg-caution-fill'}`}>
          <T as="strong" tone={verdict === 'no' ? 'stop' : 'caution'}>
            {sentence}
          </T>
        </View>
      ))}
    </View>
  );
});
