import type { ForecastFields, RowOf } from '@tufa/contract/entities';
import { say, sayCoded } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';
import { lazy, Suspense, useState } from 'react';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { change, write } from '../outbox/useFirm';
import { now } from '../parts/phone/clock';
import { later } from '../parts/phone/later';
import { useSpeaker } from '../parts/phone/speaker';
import { Word } from '../parts/ui/Button';
import { T } from '../parts/ui/T';

const PasteForecast = lazy(() => later(() => import('./PasteForecast')).then(({ PasteForecast: Part }) => ({ default: Part })));
const ForecastByHand = lazy(() => later(() => import('./ForecastByHand')).then(({ ForecastByHand: Part }) => ({ default: Part })));

/** How long ago it was told, in the largest whole unit. */
function ageText(speaker: Speaker, { source, takenAt }: Pick<ForecastFields, 'source' | 'takenAt'>): string {
  const minutes = Math.max(0, Math.floor((now() - Date.parse(takenAt)) / 60_000));
  const named = say(speaker, `week.source.${source}`);
  if (minutes < 2) return say(speaker, 'week.fresh', { source: named });
  const [count, unit] = minutes < 60 ? [minutes, 'min'] : minutes < 48 * 60 ? [Math.floor(minutes / 60), 'h'] : [Math.floor(minutes / 1440), 'd'];
  return say(speaker, 'week.age', { source: named, age: `${count} ${sayCoded(speaker, `age.${unit}`)}` });
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
      {forecast ? <T as="small">{forecast.invented ? `${ageText(speaker, forecast)}, ${say(speaker, 'week.invented')}` : ageText(speaker, forecast)}</T> : null}
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
