import { assemblePlanInput } from '@tufa/contract/assemble';
import type { RowOf } from '@tufa/contract/entities';
import { ANY_HOUR, closedIn } from '@tufa/contract/openingHours';
import { forecastOf, weatherSiteOf } from '@tufa/contract/siteOf';
import { weekScale, weekScene } from '@tufa/draw/weekScene';
import { say } from '@tufa/words';
import { useMemo } from 'react';
import { View } from 'react-native';
import { capital } from '../day/localDay';
import { bestRun, minutesText, runText } from '../day/weekText';
import { HOURS, presentHour, weekDays } from '../day/useWeek';
import { rowsOf, tightest } from '../day/weekRows';
import { useFirmWith } from '../outbox/useFirm';
import { now } from '../parts/phone/clock';
import { useSpeaker } from '../parts/phone/speaker';
import { useSize } from '../parts/phone/useSize';
import { SceneView } from '../parts/ui/SceneView';
import { T } from '../parts/ui/T';
import { useWorkedOut } from '../workers/useWorkedOut';

/** So many days are shown of the week: today and what comes next. */
const SHOWN = 2;

/** The next good hours of a job as a strip; nothing where no weather is told for it, or nothing is chosen. */
export function GoodHours({ job }: { job: RowOf<'job'> }) {
  const speaker = useSpeaker();
  const { data, ready } = useFirmWith(job.id);
  const { size, onLayout } = useSize();
  const hour_ms = presentHour();
  const days = useMemo(() => weekDays(job.zone, hour_ms), [job.zone, hour_ms]);
  const forecast = ready ? forecastOf(data, job) : null;
  const input = useMemo(() => (forecast ? assemblePlanInput(data, job.id) : null), [data, forecast, job.id]);
  const site = useMemo(() => (forecast ? weatherSiteOf({ forecast: { [forecast.id]: forecast } }, job, hour_ms) : null), [forecast, job, hour_ms]);
  const hours = Object.values(data.firm)[0]?.settings.hours ?? ANY_HOUR;
  const week = useWorkedOut(
    'goodHours',
    input && site ? [input, site, days, hours] : null,
    (worker) => {
      const at_ms = days.days.flatMap((day) => day.at_ms.flatMap((ms) => ms ?? []));
      return worker.weekOfJob(input!, { site: site!, at_ms, closed_ms: closedIn(hours, at_ms, job.zone), now_ms: now() });
    },
    { keepLast: true },
  );
  const product = week.data ? tightest(week.data) : undefined;
  const best = product ? bestRun(product.runs) : null;
  const width = size?.width ?? 0;
  const scene = useMemo(
    () => (product && width > 0 ? weekScene({ width, rows: rowsOf(speaker, product, days).slice(0, SHOWN), hours: HOURS, picked: null, planned: null }) : null),
    [product, width, speaker, days],
  );
  if (!product) return null;
  const today = { zone: job.zone, today: days.today };
  return (
    <View className="gap-2" testID="good-hours">
      <T as="strong">
        {best
          ? `${say(speaker, 'week.nowGood', { name: job.name, run: runText(speaker, best, today) })}: ${minutesText(speaker, best, product.hours[0]?.needs_s ?? 0)}`
          : say(speaker, 'week.nowNone', { name: job.name })}
      </T>
      <View onLayout={onLayout} style={{ height: weekScale({ width: Math.max(width, 320), days: SHOWN, hours: HOURS.length }).height }}>
        {scene ? <SceneView scene={scene} bare /> : null}
      </View>
      {forecast?.invented ? <T as="small">{capital(say(speaker, 'week.invented'))}</T> : null}
    </View>
  );
}
