import type { NamedPlace } from '@tufa/core/plan';
import { say } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { Field } from '../parts/ui/Field';
import { T } from '../parts/ui/T';
import { placeText } from './placeText';

/** So long a phone may look for where it is, ms. */
const PATIENCE_MS = 20_000;

/** Where a job lies: typed, the phone's own place once it may tell it, or one that the firm has a word for. */
export function PlaceField({
  value,
  onChange,
  onBlur,
  fault,
  places,
}: {
  value: string;
  onChange: (text: string) => void;
  onBlur?: () => void;
  fault?: string | undefined;
  places: readonly NamedPlace[];
}) {
  const speaker = useSpeaker();
  const [told, setTold] = useState<'looking' | 'denied' | 'unknown' | null>(null);
  const here = (): void => {
    setTold('looking');
    navigator.geolocation.getCurrentPosition(
      ({ coords: { latitude, longitude } }) => {
        setTold(null);
        onChange(placeText({ latitude_deg: latitude, longitude_deg: longitude }));
      },
      ({ code, PERMISSION_DENIED }) => setTold(code === PERMISSION_DENIED ? 'denied' : 'unknown'),
      { timeout: PATIENCE_MS, maximumAge: 600_000 },
    );
  };
  return (
    <View className="gap-2">
      <View className="flex-row">
        <Field
          label={say(speaker, 'place.label')}
          value={value}
          onChange={onChange}
          {...(onBlur ? { onBlur } : {})}
          fault={fault}
          placeholder="37.98, -78.95"
        />
      </View>
      <View className="flex-row flex-wrap gap-2">
        {'geolocation' in navigator ? <Button label={say(speaker, 'place.here')} onPress={here} /> : null}
        {places.map((place) => (
          <Button key={place.name} label={place.name} onPress={() => onChange(placeText(place))} />
        ))}
      </View>
      {told ? (
        <T as="small" {...(told === 'looking' ? {} : { tone: 'caution' as const })}>
          {say(speaker, `place.${told}`)}
        </T>
      ) : null}
    </View>
  );
}
