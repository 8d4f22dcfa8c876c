import type { RowOf } from '@tufa/contract/entities';
import type { FirmVessel } from '@tufa/core/mix';
import { say } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { change, write } from '../outbox/useFirm';
import { useSpeaker } from '../parts/phone/speaker';
import { Button, Word } from '../parts/ui/Button';
import { Field } from '../parts/ui/Field';
import { QuantityFigure } from '../parts/ui/QuantityFigure';
import { T } from '../parts/ui/T';

/** Smallest and largest that anybody mixes in, and how far apart its marks may be, m3. */
const RANGE = { volume: { least: 2e-5, most: 1 }, mark: { least: 1e-6, most: 0.1 } } as const;

/** What the firm measures and mixes in beside its pail: each by its true volume and its own marks. */
export function VesselsView({ firm }: { firm: RowOf<'firm'> }) {
  const speaker = useSpeaker();
  const [adding, setAdding] = useState<Partial<FirmVessel> | null>(null);
  const { vessels = [] } = firm.settings;
  const keep = (next: readonly FirmVessel[]): void => {
    const { vessels: _before, ...settings } = firm.settings;
    void write(change('firm', 'change', firm.id, { settings: next.length > 0 ? { ...settings, vessels: next } : settings }));
  };
  const add = ({ name = '', volume_m3, mark_m3 }: Partial<FirmVessel>): void => {
    if (name.trim() === '' || volume_m3 === undefined || mark_m3 === undefined) return;
    keep([...vessels, { name: name.trim(), volume_m3, mark_m3 }]);
    setAdding(null);
  };
  const alter = (at: number, next: Partial<FirmVessel>): void => keep(vessels.map((vessel, i) => (i === at ? { ...vessel, ...next } : vessel)));
  return (
    <View className="gap-3" testID="vessels">
      <T as="h2">{say(speaker, 'firm.vessels')}</T>
      <T as="faint">{say(speaker, vessels.length > 0 ? 'firm.vesselsYours' : 'firm.vesselsOrdinary')}</T>
      {vessels.map((vessel, i) => (
        <View key={vessel.name} className="gap-1 border-b border-line pb-2">
          <View className="flex-row items-center justify-between">
            <T as="strong">{vessel.name}</T>
            <Word
              writes="firm.change"
              label={say(speaker, 'firm.vesselRemove', { name: vessel.name })}
              onPress={() => keep(vessels.filter((_, other) => other !== i))}
            />
          </View>
          <Measures vessel={vessel} onChange={(next) => alter(i, next)} />
        </View>
      ))}
      {adding ? (
        <View className="gap-2">
          <View className="flex-row">
            <Field
              label={say(speaker, 'firm.vesselName')}
              value={adding.name ?? ''}
              onChange={(name) => setAdding({ ...adding, name: name.slice(0, 30) })}
              fault={vessels.some(({ name }) => name === adding.name?.trim()) ? say(speaker, 'firm.vesselTwice') : undefined}
            />
          </View>
          <Measures vessel={adding} onChange={(next) => setAdding((before) => ({ ...before, ...next }))} />
          <Button
            label={say(speaker, 'firm.vesselKeep')}
            tone="act"
            disabled={
              !adding.name?.trim() || vessels.some(({ name }) => name === adding.name?.trim()) || adding.volume_m3 === undefined || adding.mark_m3 === undefined
            }
            onPress={() => add(adding)}
          />
        </View>
      ) : vessels.length < 12 ? (
        <Button writes="firm.change" label={say(speaker, 'firm.vesselAdd')} onPress={() => setAdding({})} />
      ) : null}
    </View>
  );
}

function Measures({ vessel, onChange }: { vessel: Partial<FirmVessel>; onChange: (next: Partial<FirmVessel>) => void }) {
  const speaker = useSpeaker();
  const { volume_m3, mark_m3 } = vessel;
  return (
    <View className="flex-row flex-wrap gap-2">
      <QuantityFigure
        label={say(speaker, 'firm.vesselHolds')}
        as="poured"
        kind="volume"
        value={volume_m3 ?? null}
        {...RANGE.volume}
        onChange={(value) => onChange({ volume_m3: value })}
      />
      <QuantityFigure
        label={say(speaker, 'firm.vesselMark')}
        as="poured"
        kind="volume"
        value={mark_m3 ?? null}
        {...RANGE.mark}
        check={(value) => (volume_m3 !== undefined && value > volume_m3 ? say(speaker, 'firm.vesselMarkOver') : undefined)}
        onChange={(value) => onChange({ mark_m3: value })}
      />
    </View>
  );
}
