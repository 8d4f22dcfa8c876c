import { differenceOf, type Plan } from '@tufa/core/plan';
import { say } from '@tufa/words';
import { memo, useState } from 'react';
import { View } from 'react-native';
import { differenceLines } from '../pour/differenceLines';
import { useSpeaker } from '../parts/phone/speaker';
import { Word } from '../parts/ui/Button';
import { T } from '../parts/ui/T';

/** What the changes since this screen was opened cost in batches, hours and money; nothing while nothing differs. */
export const ChangeCost = memo(function ChangeCost({ plan }: { plan: Plan }) {
  const speaker = useSpeaker();
  const [before, setBefore] = useState(plan);
  const lines = differenceLines(speaker, differenceOf({ before, after: plan }));
  if (lines.length === 0) return null;
  return (
    <View className="border-l-4 border-ink bg-sunk p-3" role="status">
      <T as="strong">{say(speaker, 'ways.since')}</T>
      {lines.map((line) => (
        <T key={line}>{line}</T>
      ))}
      <Word label={say(speaker, 'ways.from')} onPress={() => setBefore(plan)} />
    </View>
  );
});
