import type { Trend } from '@tufa/contract/found';
import { siFactor } from '@tufa/core/quantity';
import { WEATHER } from '@tufa/core/weather';
import { printFigure, say } from '@tufa/words';
import { useQuery } from '@tanstack/react-query';
import { View } from 'react-native';
import { api } from '../outbox/api';
import { useSpeaker } from '../parts/phone/speaker';
import { useWide } from '../parts/phone/useSize';
import { Table } from '../parts/ui/Lines';
import { T } from '../parts/ui/T';

const COLUMNS = ['product', 'weather', 'batches', 'lost', 'waste', 'cost', 'back'] as const;

/** What the firm's batches have cost, lost and had to do again, by product and weather. */
export function TrendsView() {
  const speaker = useSpeaker();
  const wide = useWide();
  const asked = useQuery({ queryKey: ['trends'], queryFn: api.trends, retry: false, staleTime: 10_000, gcTime: 60_000 });
  if (!asked.data) return null;
  const { trends, waiting } = asked.data;
  const { frost, cold, hot } = WEATHER.classes_C;
  // As it is priced: a hundred square feet, or ten square metres.
  const area_m2 = speaker.system === 'us' ? 100 * siFactor('area', 'sq ft') : 10;
  const cost = ({ cost_minor_m2 }: Trend): string =>
    cost_minor_m2 === null ? '–' : say(speaker, 'find.perArea', { area_m2, c_minor: Math.round(cost_minor_m2 * area_m2) });
  const cells = (trend: Trend): string[] => [
    trend.product,
    say(speaker, `find.weather.${trend.weather}`),
    String(trend.batches),
    String(trend.lost),
    printFigure(speaker, 'waste_share', trend.waste),
    cost(trend),
    String(trend.calledBack),
  ];
  return (
    <View className="gap-2" testID="trends">
      <T as="h2">{say(speaker, 'find.trends')}</T>
      {trends.length === 0 ? (
        <T>{say(speaker, 'find.trendsNone')}</T>
      ) : (
        <>
          <T as="small">{say(speaker, 'find.trendsLead')}</T>
          {wide ? (
            <Table caption={say(speaker, 'find.trends')} columns={COLUMNS.map((column) => say(speaker, `find.column.${column}`))} rows={trends.map(cells)} />
          ) : (
            <View role="list" aria-label={say(speaker, 'find.trends')} className="border-t-2 border-ink">
              {trends.map((trend) => (
                <View key={`${trend.product} ${trend.weather}`} role="listitem" className="border-b border-line py-2">
                  <T as="strong">{cells(trend).slice(0, 2).join(', ')}</T>
                  <T>
                    {cells(trend)
                      .slice(2)
                      .map((cell, i) => `${say(speaker, `find.column.${COLUMNS[i + 2]!}`)} ${cell}`)
                      .join(', ')}
                  </T>
                </View>
              ))}
            </View>
          )}
          <T as="small">{say(speaker, 'find.weatherLead', { frost_C: frost, cold_C: cold, hot_C: hot })}</T>
        </>
      )}
      {waiting > 0 ? <T as="small">{say(speaker, 'find.waiting', { count: waiting })}</T> : null}
    </View>
  );
}
