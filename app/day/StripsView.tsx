import { stripsOf } from '@tufa/core/plan';
import { MIX } from '@tufa/core/mix';
import { print, typeset } from '@tufa/core/quantity';
import { say } from '@tufa/words';
import { View } from 'react-native';
import { change } from '../outbox/useFirm';
import type { JobView } from '../parts/job/useJob';
import { useSpeaker } from '../parts/phone/speaker';
import { QuantityFigure } from '../parts/ui/QuantityFigure';
import { T } from '../parts/ui/T';

/** A broom between these is one, m. */
const BROOM = { least: 0.1, most: 2 } as const;

/** In what strips the broomed batches of a job are laid, by the firm's broom. Nothing where nothing is broomed. */
export function StripsView({ view }: { view: JobView }) {
  const speaker = useSpeaker();
  const { input, plan, data } = view;
  const strips = plan ? stripsOf(input, plan) : [];
  const [firm] = Object.values(data.firm);
  if (strips.length === 0 || !firm) return null;
  const length = (value: number): string => {
    const { digits, unit } = print({ kind: 'length', value, system: speaker.system });
    return typeset(`${digits} ${unit}`);
  };
  return (
    <View className="gap-2" testID="strips">
      <T as="h2">{say(speaker, 'dayPlan.strips')}</T>
      <T as="small">{say(speaker, 'dayPlan.stripsLead')}</T>
      {strips.map(({ number, width_m, length_m, count }) => (
        <T key={number}>{say(speaker, 'dayPlan.strip', { number, count, width: length(width_m), length: length(length_m) })}</T>
      ))}
      <View className="flex-row">
        <QuantityFigure
          label={say(speaker, 'dayPlan.broom')}
          as="depth"
          kind="length"
          value={input.firm.broom_m ?? MIX.broom_m}
          assumed={input.firm.broom_m === undefined}
          {...BROOM}
          onChange={(broom_m) => void view.write(change('firm', 'change', firm.id, { settings: { ...firm.settings, broom_m } }))}
        />
      </View>
    </View>
  );
}
