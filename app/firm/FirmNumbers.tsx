import type { RowOf } from '@tufa/contract/entities';
import { say } from '@tufa/words';
import { View } from 'react-native';
import { change, write } from '../outbox/useFirm';
import { QuantityFigure } from '../parts/ui/QuantityFigure';
import { useSpeaker } from '../parts/phone/speaker';

/** The firm's figures that limit a batch: what the pail holds and what one person lifts. */
export function FirmNumbers({ firm }: { firm: RowOf<'firm'> }) {
  const speaker = useSpeaker();
  const { pail_m3, lift_kg } = firm.settings;
  const keep = (next: Partial<typeof firm.settings>): void => void write(change('firm', 'change', firm.id, { settings: { ...firm.settings, ...next } }));
  return (
    <View className="flex-row flex-wrap gap-2">
      <QuantityFigure
        label={say(speaker, 'firm.pail')}
        as="volume"
        kind="volume"
        value={pail_m3}
        least={0.001}
        most={1}
        onChange={(value) => keep({ pail_m3: value })}
      />
      <QuantityFigure
        label={say(speaker, 'firm.lift')}
        as="mass"
        kind="mass"
        value={lift_kg}
        least={1}
        most={1000}
        onChange={(value) => keep({ lift_kg: value })}
      />
    </View>
  );
}
