import type { Plan } from '@tufa/core/plan';
import { sayReason } from '@tufa/words';
import { View } from 'react-native';
import { T } from '../ui/T';
import { useSpeaker } from '../phone/speaker';

/** What the plan must say beside its figures: drying, a batch that does not fit, a sheet chosen against its own word. */
export function Warnings({ plan }: { plan: Plan }) {
  const speaker = useSpeaker();
  if (plan.warnings.length === 0) return null;
  return (
    <View className="gap-2">
      {plan.warnings.map((warning, i) => (
        <View key={`${warning.code}${i}`} role="alert" className={`p-3 ${warning.verdict === 'no' ? 'bg-stop-fill' : 'bg-caution-fill'}`}>
          <T as="strong" tone={warning.verdict === 'no' ? 'stop' : 'caution'}>
            {sayReason(speaker, warning)}
          </T>
        </View>
      ))}
    </View>
  );
}
