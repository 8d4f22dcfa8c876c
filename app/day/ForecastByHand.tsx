import type { ForecastFields } from '@tufa/contract/entities';
import { weatherByHand } from '@tufa/core/weather';
import { say } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { now } from '../parts/phone/clock';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { Choice } from '../parts/ui/Choice';
import { QuantityFigure } from '../parts/ui/QuantityFigure';
import { Sheet } from '../parts/ui/Sheet';
import { T } from '../parts/ui/T';
import { TypedFigure } from '../parts/ui/TypedFigure';
import { localAt, msOfLocal } from './localDay';

/** A mile an hour, m/s. */
const MPH = 0.44704;
const KMH = 1 / 3.6;
const MOST_MS = 30;
const SKIES = { clear: 0.05, half: 0.5, grey: 0.95 } as const;
type Sky = keyof typeof SKIES;
/** From the morning of today to a week from now, with the days before for what the slab has in it. */
const DAYS = { before: 3, ahead: 8 };
const HOUR_MS = 3_600_000;

const between =
  (most: number) =>
  (text: string): number | undefined => {
    const value = Number(text.replace(',', '.').trim());
    return text.trim() !== '' && value >= 0 && value <= most ? value : undefined;
  };

/** Weather from a few figures, where nobody has a forecast: every day as this one. */
export function ForecastByHand({
  zone,
  onTake,
  onClose,
}: {
  zone: string;
  onTake: (told: Pick<ForecastFields, 'from' | 'hours' | 'source' | 'invented'>) => void;
  onClose: () => void;
}) {
  const speaker = useSpeaker();
  const [day, setDay] = useState({ low_C: null as number | null, high_C: null as number | null, humidity: 0.5, wind10_ms: 3, rainChance: 0 });
  const [sky, setSky] = useState<Sky>('half');
  const { low_C, high_C } = day;
  const turned = low_C !== null && high_C !== null && low_C > high_C;
  const [unit, unit_ms] = speaker.system === 'us' ? ['mph', MPH] : ['km/h', KMH];
  const windMost = Math.round(MOST_MS / unit_ms);
  const take = (): void => {
    if (low_C === null || high_C === null || turned) return;
    const today = localAt(now(), zone).slice(0, 10);
    const midnight = msOfLocal(today, 0, zone) ?? Math.floor(now() / HOUR_MS) * HOUR_MS;
    const from_ms = midnight - DAYS.before * 24 * HOUR_MS;
    const hours = weatherByHand({ ...day, low_C, high_C, cloud: SKIES[sky] }, { fromHour: 0, hours: (DAYS.before + DAYS.ahead) * 24 });
    onTake({ from: new Date(from_ms).toISOString(), hours, source: 'typed', invented: false });
  };
  const air = (label: string, value: number | null, onChange: (value: number) => void) => (
    <QuantityFigure label={label} as="temperature" kind="temperature" value={value} least={-18} most={55} onChange={onChange} />
  );
  const percent = (label: string, name: 'humidity' | 'rainChance') => (
    <TypedFigure
      label={label}
      shown={String(Math.round(day[name] * 100))}
      assumed={false}
      fault={say(speaker, 'week.percentFault')}
      read={between(100)}
      onChange={(value) => setDay({ ...day, [name]: value / 100 })}
    />
  );
  return (
    <Sheet title={say(speaker, 'week.byHand')} onClose={onClose}>
      <T as="small">{say(speaker, 'week.byHandLead')}</T>
      <View className="flex-row flex-wrap gap-3">
        {air(say(speaker, 'week.low'), low_C, (value) => setDay((before) => ({ ...before, low_C: value })))}
        {air(say(speaker, 'week.high'), high_C, (value) => setDay((before) => ({ ...before, high_C: value })))}
        {percent(say(speaker, 'week.damp'), 'humidity')}
        {percent(say(speaker, 'week.rainHand'), 'rainChance')}
        <TypedFigure
          label={say(speaker, 'week.wind', { unit })}
          shown={String(Math.round(day.wind10_ms / unit_ms))}
          assumed={false}
          fault={say(speaker, 'week.windFault', { most: `${windMost} ${unit}` })}
          read={between(windMost)}
          onChange={(value) => setDay({ ...day, wind10_ms: value * unit_ms })}
        />
      </View>
      <Choice
        label={say(speaker, 'week.sky')}
        value={sky}
        options={(Object.keys(SKIES) as Sky[]).map((value) => ({ value, label: say(speaker, `week.skies.${value}`) }))}
        onChange={setSky}
      />
      {turned ? <T tone="stop">{say(speaker, 'week.lowHigh')}</T> : null}
      <Button label={say(speaker, 'week.pasteTake')} tone="act" disabled={low_C === null || high_C === null || turned} onPress={take} />
    </Sheet>
  );
}
