import type { RowOf } from '@tufa/contract/entities';
import { ANY_HOUR, type OpeningHours } from '@tufa/contract/openingHours';
import { say } from '@tufa/words';
import { sayDate } from '@tufa/words/dates';
import { View } from 'react-native';
import { readClock } from '../day/readClock';
import { clockText } from '../day/barText';
import { change, write } from '../outbox/useFirm';
import { useSpeaker } from '../parts/phone/speaker';
import { Word } from '../parts/ui/Button';
import { Several } from '../parts/ui/Choice';
import { T } from '../parts/ui/T';
import { TypedFigure } from '../parts/ui/TypedFigure';

/** A Monday, so that the names of the days come in the week's order. */
const MONDAY = Date.UTC(2026, 0, 5, 12);
const DAYS = [1, 2, 3, 4, 5, 6, 0] as const;
/** What most firms work, once somebody sets anything. */
const ORDINARY: OpeningHours = { from_h: 7, to_h: 17, days: [1, 2, 3, 4, 5] };

/** When the firm works: good hours are sought in these. */
export function HoursView({ firm }: { firm: RowOf<'firm'> }) {
  const speaker = useSpeaker();
  const { hours } = firm.settings;
  const shown = hours ?? ANY_HOUR;
  const keep = (next: Partial<OpeningHours>): void =>
    void write(change('firm', 'change', firm.id, { settings: { ...firm.settings, hours: { ...(hours ?? ORDINARY), ...next } } }));
  const any = (): void => {
    const { hours: _before, ...settings } = firm.settings;
    void write(change('firm', 'change', firm.id, { settings }));
  };
  const figure = (name: 'from_h' | 'to_h') => (
    <TypedFigure
      label={say(speaker, name === 'from_h' ? 'firm.hoursFrom' : 'firm.hoursTo')}
      shown={hours ? clockText(shown[name] * 3600) : ''}
      assumed={false}
      fault={say(speaker, 'firm.hoursFault')}
      read={(text) => {
        const seconds = readClock(text);
        const value = seconds === null ? null : seconds / 3600;
        const [from_h, to_h] = name === 'from_h' ? [value, (hours ?? ORDINARY).to_h] : [(hours ?? ORDINARY).from_h, value];
        return value !== null && from_h !== null && to_h !== null && from_h !== to_h ? value : undefined;
      }}
      onChange={(value) => keep({ [name]: value })}
    />
  );
  return (
    <View className="gap-2" testID="hours">
      <T as="h2">{say(speaker, 'firm.hours')}</T>
      <T as="faint">{say(speaker, 'firm.hoursLead')}</T>
      <View className="flex-row flex-wrap gap-2">
        {figure('from_h')}
        {figure('to_h')}
      </View>
      <Several
        label={say(speaker, 'week.day')}
        options={DAYS.map((day, i) => ({
          value: String(day),
          label: sayDate(speaker, new Date(MONDAY + i * 86400_000).toISOString().slice(0, 10), 'shortWeekday'),
        }))}
        values={shown.days.map(String)}
        onChange={(days) => days.length > 0 && keep({ days: DAYS.filter((day) => days.includes(String(day))) })}
      />
      {hours ? <Word writes="firm.change" label={say(speaker, 'firm.hoursAny')} onPress={any} /> : null}
    </View>
  );
}
