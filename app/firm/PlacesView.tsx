import type { RowOf } from '@tufa/contract/entities';
import type { NamedPlace } from '@tufa/core/plan';
import { say } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { PlaceField } from '../jobs/PlaceField';
import { placeText, readPlace } from '../jobs/placeText';
import { change, write } from '../outbox/useFirm';
import { useSpeaker } from '../parts/phone/speaker';
import { Button, Word } from '../parts/ui/Button';
import { Field } from '../parts/ui/Field';
import { T } from '../parts/ui/T';

const MOST = 30;

/** Where the firm works again and again, by name: a job takes its place with one tap. */
export function PlacesView({ firm }: { firm: RowOf<'firm'> }) {
  const speaker = useSpeaker();
  const [adding, setAdding] = useState<{ name: string; at: string } | null>(null);
  const { places = [] } = firm.settings;
  const keep = (next: readonly NamedPlace[]): void => {
    const { places: _before, ...settings } = firm.settings;
    void write(change('firm', 'change', firm.id, { settings: next.length > 0 ? { ...settings, places: next } : settings }));
  };
  const name = adding?.name.trim() ?? '';
  const at = adding ? readPlace(adding.at) : null;
  const twice = places.some((place) => place.name === name);
  return (
    <View className="gap-3" testID="places">
      <T as="h2">{say(speaker, 'place.title')}</T>
      <T as="faint">{say(speaker, 'place.lead')}</T>
      {places.map((place) => (
        <View key={place.name} className="flex-row items-center justify-between border-b border-line pb-2">
          <T>{`${place.name}: ${placeText(place)}`}</T>
          <Word
            writes="firm.change"
            label={say(speaker, 'place.remove', { name: place.name })}
            onPress={() => keep(places.filter((other) => other !== place))}
          />
        </View>
      ))}
      {adding ? (
        <View className="gap-2">
          <View className="flex-row">
            <Field
              label={say(speaker, 'place.name')}
              value={adding.name}
              onChange={(text) => setAdding({ ...adding, name: text.slice(0, 40) })}
              fault={twice ? say(speaker, 'place.twice') : undefined}
            />
          </View>
          <PlaceField
            value={adding.at}
            onChange={(text) => setAdding({ ...adding, at: text })}
            fault={adding.at.trim() !== '' && !at ? say(speaker, 'place.unreadable') : undefined}
            places={[]}
          />
          <Button
            label={say(speaker, 'place.keep')}
            tone="act"
            disabled={name === '' || twice || !at}
            onPress={() => {
              if (!at) return;
              keep([...places, { name, ...at }]);
              setAdding(null);
            }}
          />
        </View>
      ) : places.length < MOST ? (
        <Button writes="firm.change" label={say(speaker, 'place.add')} onPress={() => setAdding({ name: '', at: '' })} />
      ) : null}
    </View>
  );
}
