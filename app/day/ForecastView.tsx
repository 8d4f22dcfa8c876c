import type { ForecastFields, RowOf } from '@tufa/contract/entities';
import { say } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';
import { lazy, Suspense, useState } from 'react';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { change, write } from '../outbox/useFirm';
import { ageText } from '../parts/phone/ageText';
import { now } from '../parts/phone/clock';

import { useSpeaker } from '../parts/phone/speaker';
import { Word } from '../parts/ui/Button';
import { T } from '../parts/ui/T';

const PasteForecast = lazy(() => import('./PasteForecast').then(({ PasteForecast: Part }) => ({ default: Part })));
const ForecastByHand = lazy(() => import('./ForecastByHand').then(({ ForecastByHand: Part }) => ({ default: Part })));

/** Where it comes from, and how long ago it was told. */
function toldText(speaker: Speaker, { source, takenAt }: Pick<ForecastFields, 'source' | 'takenAt'>): string {
  const named = say(speaker, `week.source.${source}`);
  return now() - Date.parse(takenAt) < 120_000
    ? say(speaker, 'week.fresh', { source: named })
    : say(speaker, 'week.age', { source: named, age: ageText(speaker, takenAt) });
}

/** The forecast with its age and where it comes from; another one by service, paste or hand. */
export function ForecastView({
  job,
  forecast,
  fetching,
  renew,
}: {
  job: RowOf<'job'>;
  forecast: RowOf<'forecast'> | null;
  fetching: boolean;
  /** absent where there is no service to ask */
  renew: (() => void) | null;
}) {
  const speaker = useSpeaker();
  const [giving, setGiving] = useState<'paste' | 'hand' | null>(null);
  const take = (told: Pick<ForecastFields, 'from' | 'hours' | 'source' | 'invented'>): void => {
    if (!job.place) return;
    const { latitude_deg, longitude_deg } = job.place;
    void write(change('forecast', 'add', uuid(), { jobId: job.id, latitude_deg, longitude_deg, takenAt: new Date(now()).toISOString(), ...told })).then(() =>
      setGiving(null),
    );
  };
  return (
    <View testID="forecast">
      {forecast ? (
        <T as="small">{forecast.invented ? `${toldText(speaker, forecast)}, ${say(speaker, 'week.invented')}` : toldText(speaker, forecast)}</T>
      ) : null}
      <View className="flex-row flex-wrap">
        {renew ? <Word label={say(speaker, fetching ? 'week.renewing' : 'week.renew')} onPress={renew} /> : null}
        <Word writes="forecast.add" label={say(speaker, 'week.paste')} onPress={() => setGiving('paste')} />
        <Word writes="forecast.add" label={say(speaker, 'week.byHand')} onPress={() => setGiving('hand')} />
      </View>
      <Suspense fallback={null}>
        {giving === 'paste' ? <PasteForecast zone={job.zone} onTake={take} onClose={() => setGiving(null)} /> : null}
        {giving === 'hand' ? <ForecastByHand zone={job.zone} onTake={take} onClose={() => setGiving(null)} /> : null}
      </Suspense>
    </View>
  );
}
