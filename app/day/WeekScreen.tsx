import { sheetOf } from '@tufa/core/plan';
import { say } from '@tufa/words';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { links, type Step } from '../links';
import { change, write } from '../outbox/useFirm';
import { nothingYet, StepLayout, StepScreen } from '../parts/job/StepScreen';
import { stopOf } from '../parts/job/stopOf';
import type { JobView } from '../parts/job/useJob';
import { useSpeaker } from '../parts/phone/speaker';
import { useDraft } from '../parts/phone/useDraft';
import { Button, Word } from '../parts/ui/Button';
import { Choice } from '../parts/ui/Choice';
import { Answer, T } from '../parts/ui/T';
import { DayViews } from './DayViews';
import { ForecastView } from './ForecastView';
import { HourLevers } from './HourLevers';
import { capital, dayText, hourText, localAt } from './localDay';
import type { Try } from './DayScreen';
import { SunView } from './SunView';
import { WeekOut } from './WeekOut';
import { useForecast } from './useForecast';
import { HOURS, useHour, useWeek } from './useWeek';
import { WeekLegend, WeekPicture, type Cell } from './WeekPicture';
import { goodHours, tightest } from './weekRows';
import { bestRun, hourSaid, minutesText, runText } from './weekText';

export const WeekScreen = () => <StepScreen step="day">{(view) => <Week key={view.job.id} view={view} />}</StepScreen>;

/** The coming week of a job by the hour: which hours are good, why the others are not, and what would open one. */
function Week({ view }: { view: JobView }) {
  const speaker = useSpeaker();
  const router = useRouter();
  const { job, input, plan } = view;
  const go = (step: Step) => (): void => router.replace(links.step(job.id, step));
  const { forecast, fetching, failed, renew } = useForecast(view);
  const { days, asked, products, problem, failed: lost } = useWeek(view, forecast);
  const { keep: keepTry } = useDraft<Try>(`day ${job.id}`);
  const [key, setKey] = useState<string | null>(null);
  const [picked, setPicked] = useState<Cell | null>(null);
  const product = products?.find((each) => each.key === key) ?? (products ? tightest(products) : undefined);
  const best = product ? bestRun(product.runs) : null;
  const cellOf = (ms: number): Cell | null => {
    for (const [day, { at_ms }] of days.days.entries()) {
      const hour = at_ms.findIndex((at) => at !== null && at <= ms && ms < at + 3_600_000);
      if (hour >= 0) return { day, hour };
    }
    return null;
  };
  const planned_ms = job.pourOn
    ? days.days.flatMap(({ at_ms }) => at_ms).find((ms) => ms !== null && localAt(ms, job.zone).slice(0, 13) === job.pourOn!.slice(0, 13))
    : null;
  const planned = planned_ms ? cellOf(planned_ms) : null;
  const cell = picked ?? (best ? cellOf(best.from_ms) : null) ?? planned ?? { day: 0, hour: 3 };
  const at_ms = days.days[cell.day]?.at_ms[cell.hour] ?? null;
  const at = useMemo(() => (at_ms === null ? null : { ms: at_ms }), [at_ms]);
  const ask = asked?.asks.find((each) => each.key === product?.key);
  const hour = product?.hours.find((each) => each.at_ms === at_ms);
  const looked = useHour(input, ask, asked, hour ? at : null);
  const stop = stopOf(speaker, 'day', view, go('walk'));
  if (stop) return stop;
  if (!job.place)
    return (
      <StepLayout
        step="day"
        view={view}
        parts={{
          ...nothingYet({
            title: say(speaker, 'week.noPlace'),
            lead: say(speaker, 'week.noPlaceLead'),
            label: say(speaker, 'week.givePlace'),
            onPress: () => router.push(links.editJob(job.id)),
          }),
          aside: <DayViews jobId={job.id} view="week" />,
        }}
      />
    );
  if (!plan || (asked && asked.asks.length === 0))
    return (
      <StepLayout
        step="day"
        view={view}
        parts={nothingYet({ title: say(speaker, 'fix.none'), lead: say(speaker, 'day.choose'), label: say(speaker, 'step.fix'), onPress: go('fix') })}
      />
    );
  const today = { zone: job.zone, today: days.today };
  const local = at_ms === null ? null : localAt(at_ms, job.zone);
  const when = local
    ? { day: dayText(speaker, local.slice(0, 10), days.today), hour: hourText(local).includes(':') ? hourText(local) : `${hourText(local)}:00` }
    : null;
  const isPlanned = local !== null && job.pourOn === local;
  const others = product?.runs.filter((run) => run !== best).slice(0, 3) ?? [];
  const step = (by: number): void => setPicked({ day: cell.day, hour: Math.min(HOURS.length - 1, Math.max(0, cell.hour + by)) });
  const title = best
    ? capital(runText(speaker, best, today))
    : product
      ? say(speaker, 'week.none')
      : forecast
        ? say(speaker, 'mix.working')
        : say(speaker, 'week.noForecast');
  return (
    <StepLayout
      step="day"
      view={view}
      parts={{
        head: (
          <View className="gap-1">
            <Answer size={title.length > 16 ? 'number' : 'answer'}>{title}</Answer>
            {best && product ? (
              <T as="lead">
                {`${minutesText(speaker, best, product.hours[0]?.needs_s ?? 0)}${
                  others.length > 0 ? ` ${say(speaker, 'week.others', { runs: others.map((run) => runText(speaker, run, today)).join('; ') })}` : ''
                }`}
              </T>
            ) : null}
            {!forecast ? <T as="lead">{say(speaker, 'week.noForecastLead')}</T> : null}
            {lost ? <T tone="stop">{say(speaker, 'problem.workerFailed')}</T> : null}
            {problem ? <T tone="stop">{say(speaker, 'problem.weatherUnreadable')}</T> : null}
          </View>
        ),
        body: (
          <View className="gap-3">
            <DayViews jobId={job.id} view="week" />
            {products && products.length > 1 && product ? (
              <Choice
                label={say(speaker, 'week.product')}
                value={product.key}
                options={products.map((each) => ({
                  value: each.key,
                  label: say(speaker, 'week.productHours', { name: sheetOf(input, each.sheetId)?.name ?? '', count: goodHours(each) }),
                }))}
                onChange={setKey}
              />
            ) : null}
            {product ? <WeekPicture product={product} days={days} picked={cell} planned={planned} onPick={setPicked} /> : null}
            {product && when ? (
              <View className="gap-1 border-t-2 border-ink pt-2" testID="hour">
                <View className="flex-row items-center justify-between">
                  <T as="strong" className="flex-1">
                    {capital(say(speaker, 'week.looked', when))}
                  </T>
                  <Word label={say(speaker, 'week.before')} onPress={() => step(-1)} />
                  <Word label={say(speaker, 'week.after')} onPress={() => step(1)} />
                </View>
                <T {...(hour && hour.why === null ? {} : { tone: 'caution' as const })}>
                  {hour ? capital(hourSaid(speaker, hour)) : say(speaker, 'week.forecastShort')}
                </T>
                {hour && looked ? <HourLevers looked={looked} hour={hour} /> : null}
                {looked ? (
                  <Word
                    label={say(speaker, 'week.strata')}
                    onPress={() => {
                      const { air_C, slab_C, wind_ms } = looked.question;
                      keepTry({ air_C, slab_C, wind_ms });
                      router.replace(links.step(job.id, 'day'));
                    }}
                  />
                ) : null}
              </View>
            ) : null}
            {product ? <WeekLegend product={product} days={days} /> : null}
            {product?.sunless ? <T tone="caution">{say(speaker, 'week.sunless')}</T> : null}
            {ask ? <SunView key={ask.element.id} data={view.data} elementId={ask.element.id} /> : null}
            {products ? <WeekOut job={job} input={input} products={products} today={days.today} /> : null}
            <ForecastView job={job} forecast={forecast} fetching={fetching} renew={failed && !forecast ? null : renew} />
          </View>
        ),
        foot:
          when && local && product ? (
            <Button
              writes="job.change"
              label={say(speaker, isPlanned ? 'week.taken' : 'week.take', { day: when.day, hour: when.hour })}
              tone="act"
              big
              disabled={isPlanned || hour?.why === 'gone'}
              onPress={() => void write(change('job', 'change', job.id, { pourOn: local }))}
            />
          ) : null,
      }}
    />
  );
}
