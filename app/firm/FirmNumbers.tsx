import type { RowOf } from '@tufa/contract/entities';
import { print, typeset } from '@tufa/core/quantity';
import { say } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { change, write } from '../outbox/useFirm';
import { QuantityField } from '../parts/ui/QuantityField';
import { readWithin } from '../parts/ui/quantityText';
import { FieldProblem } from '../parts/ui/fieldProblem';
import { useSpeaker } from '../parts/phone/speaker';

/** The firm's figures that limit a batch: what the pail holds and what one person lifts. */
export function FirmNumbers({ firm }: { firm: RowOf<'firm'> }) {
  const speaker = useSpeaker();
  return (
    <View className="flex-row flex-wrap gap-2">
      <One firm={firm} name="pail_m3" label={say(speaker, 'firm.pail')} as="volume" least={0.001} most={1} />
      <One firm={firm} name="lift_kg" label={say(speaker, 'firm.lift')} as="mass" least={1} most={1000} />
    </View>
  );
}

function One({
  firm,
  name,
  label,
  as,
  ...bounds
}: {
  firm: RowOf<'firm'>;
  name: 'pail_m3' | 'lift_kg';
  label: string;
  as: 'volume' | 'mass';
  least: number;
  most: number;
}) {
  const speaker = useSpeaker();
  const current = firm.settings[name];
  const [typed, setTyped] = useState<{ text: string; fault: string | undefined } | null>(null);
  const shown = (): string => {
    if (current === null) return '';
    const { digits, unit } = print({ kind: as, value: current, system: speaker.system });
    return typeset(`${digits} ${unit}`);
  };
  const take = (): void => {
    if (!typed) return;
    try {
      const value = readWithin(speaker, { field: name, text: typed.text, as, ...bounds });
      void write(change('firm', 'change', firm.id, { settings: { ...firm.settings, [name]: value } })).then(() => setTyped(null));
    } catch (error) {
      if (!(error instanceof FieldProblem)) throw error;
      setTyped({ text: typed.text, fault: error.sentence });
    }
  };
  return (
    <QuantityField
      label={label}
      as={as}
      value={typed?.text ?? shown()}
      onChange={(text) => setTyped({ text, fault: undefined })}
      onBlur={take}
      onSubmit={take}
      fault={typed?.fault}
    />
  );
}
