import { printFigure, say } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { change, write } from '../outbox/useFirm';
import { Field } from '../parts/ui/Field';
import type { JobView } from '../parts/job/useJob';
import { amountMinor } from './money';
import { useSpeaker } from '../parts/phone/speaker';

/** What was agreed with the customer; empty, the margin follows the firm's own markup. */
export function AgreedPrice({ view }: { view: JobView }) {
  const speaker = useSpeaker();
  const agreed_minor = view.job.price_minor ?? null;
  const [typed, setTyped] = useState<string | null>(null);
  const [seen, setSeen] = useState(view.job);
  const [fault, setFault] = useState(false);
  const keep = (): void => {
    if (typed === null) return;
    const price_minor = amountMinor(typed);
    setFault(price_minor === undefined);
    if (price_minor === undefined) return;
    void write(change('job', 'change', view.job.id, { price_minor }, seen)).then(() => setTyped(null));
  };
  return (
    <View className="flex-row">
      <Field
        label={say(speaker, 'systems.price')}
        value={typed ?? (agreed_minor === null ? '' : printFigure(speaker, 'p_minor', agreed_minor))}
        onChange={(text) => {
          if (typed === null) setSeen(view.job);
          setTyped(text);
        }}
        onBlur={keep}
        onSubmit={keep}
        hint={agreed_minor === null ? say(speaker, 'systems.priceHint') : undefined}
        fault={fault ? say(speaker, 'systems.priceFault') : undefined}
      />
    </View>
  );
}
