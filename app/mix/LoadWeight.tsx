import type { Plan, PlanInput } from '@tufa/core/plan';
import { say } from '@tufa/words';
import { View } from 'react-native';
import { useSpeaker } from '../parts/phone/speaker';
import { T } from '../parts/ui/T';
import { weightOf } from './weightOf';

/** What the order weighs in the van, and whether one person lifts its heaviest pack. */
export function LoadWeight({ input, plan }: { input: PlanInput; plan: Pick<Plan, 'orders' | 'aids' | 'extras'> }) {
  const speaker = useSpeaker();
  const { mass_kg, most_kg, count } = weightOf(input, plan);
  const { lift_kg } = input.firm;
  if (count === 0) return null;
  return (
    <View className="gap-1">
      <T>{say(speaker, 'mix.weighs', { mass_kg, most_kg, count })}</T>
      {lift_kg !== null && most_kg > lift_kg ? <T tone="caution">{say(speaker, 'mix.weighsOver', { most_kg, lift_kg })}</T> : null}
    </View>
  );
}
