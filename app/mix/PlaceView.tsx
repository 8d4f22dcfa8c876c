import type { PlanInput } from '@tufa/core/plan';
import { say } from '@tufa/words';
import { memo } from 'react';
import { View } from 'react-native';
import { write } from '../outbox/useFirm';
import { usePerson } from '../outbox/session';
import { readingAdd } from '../parts/job/readingAdd';
import { useSpeaker } from '../parts/phone/speaker';
import { Choice } from '../parts/ui/Choice';
import { T } from '../parts/ui/T';
import { TypedFigure } from '../parts/ui/TypedFigure';

/** A wind's unit as it is told, m/s. */
const WIND_MS = { us: 0.44704, metric: 1 / 3.6 } as const;

/** What dries a fresh face, as somebody reads it where the work is; assumed until then. */
export const PlaceView = memo(function PlaceView({ jobId, conditions }: Pick<PlanInput, 'conditions'> & { jobId: string }) {
  const speaker = useSpeaker();
  const person = usePerson();
  const { humidity, wind_ms, sun } = conditions;
  const read = (kind: 'humidity' | 'wind_ms' | 'sun', value: number): void =>
    void write(readingAdd({ jobId, kind, value: { value, source: 'typed', by: person?.name ?? '' } }));
  const figure = (text: string): number => (text.trim() === '' ? NaN : Number(text.replace(/[%,]/g, '').trim()));
  const unit = WIND_MS[speaker.system];
  return (
    <View className="gap-3" testID="place">
      <T as="h2">{say(speaker, 'ways.place')}</T>
      <View className="flex-row flex-wrap gap-3">
        <TypedFigure
          label={say(speaker, 'ways.humidity')}
          shown={String(Math.round(humidity.value * 100))}
          assumed={humidity.source === 'assumed'}
          fault={say(speaker, 'ways.humidityFault')}
          read={(text) => (figure(text) >= 1 && figure(text) <= 100 ? figure(text) / 100 : undefined)}
          onChange={(value) => read('humidity', value)}
        />
        <TypedFigure
          label={say(speaker, speaker.system === 'us' ? 'ways.windUs' : 'ways.windMetric')}
          shown={String(Number((wind_ms.value / unit).toPrecision(2)))}
          assumed={wind_ms.source === 'assumed'}
          fault={say(speaker, 'ways.windFault')}
          read={(text) => (figure(text) >= 0 && figure(text) * unit <= 40 ? figure(text) * unit : undefined)}
          onChange={(value) => read('wind_ms', value)}
        />
      </View>
      <Choice
        label={say(speaker, 'ways.sun')}
        value={sun ? 'sun' : 'shade'}
        options={[
          { value: 'sun', label: say(speaker, 'day.sunOn') },
          { value: 'shade', label: say(speaker, 'day.sunOff') },
        ]}
        onChange={(value) => read('sun', value === 'sun' ? 1 : 0)}
      />
    </View>
  );
});
