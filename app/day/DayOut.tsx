import type { RowOf } from '@tufa/contract/entities';
import type { DayPlan } from '@tufa/core/plan';
import { say } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { saveFile } from '../parts/phone/saveFile';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { T } from '../parts/ui/T';
import { barText, dayAsText, linesOf } from './barText';
import { dayAfter, msOfLocal } from './localDay';
import { shareText } from './shareText';

/** So long before a batch somebody is reminded of it, s. */
const AHEAD_S = 1800;

/** A calendar of the day: every line of it, the first batch with an alarm. */
async function calendarOf(
  day: DayPlan,
  {
    name,
    address,
    zone,
    on,
    textOf,
  }: { name: string; address: string; zone: string; on: string; textOf: (line: ReturnType<typeof linesOf>[number]) => string },
): Promise<string> {
  const { default: ical, ICalAlarmType } = await import('ical-generator');
  const calendar = ical({ name });
  const instant = (s: number): Date => {
    const days = Math.floor(s / 86400);
    const midnight = msOfLocal(dayAfter(on, days), 0, zone) ?? msOfLocal(dayAfter(on, days), 1, zone)! - 3_600_000;
    return new Date(midnight + (s - days * 86400) * 1000);
  };
  let warned = false;
  for (const line of linesOf(day)) {
    const event = calendar.createEvent({
      id: `${line.bar.id.replace(/\s+/g, '-')}-${on}`,
      start: instant(line.bar.start_s),
      end: instant(line.end_s),
      summary: textOf(line),
      location: address,
    });
    if (!line.bar.batch || warned) continue;
    event.createAlarm({ type: ICalAlarmType.display, trigger: AHEAD_S });
    warned = true;
  }
  return calendar.toString();
}

/** The day taken away: to the crew as a few lines, as a calendar with its alarm, on paper. */
export function DayOut({ day, named, job, on, title }: { day: DayPlan; named: Parameters<typeof barText>[2]; job: RowOf<'job'>; on: string; title: string }) {
  const speaker = useSpeaker();
  const [copied, setCopied] = useState(false);
  const text = dayAsText(speaker, day, named, title);
  const toCrew = (): Promise<void> => shareText(title, text).then(setCopied);
  const calendar = async (): Promise<void> => {
    const told = {
      name: job.name,
      address: job.address,
      zone: job.zone,
      on,
      textOf: ({ bar }: ReturnType<typeof linesOf>[number]) => `${job.name}: ${barText(speaker, bar, named)}`,
    };
    saveFile({ name: `${job.name}.${on}.ics`, type: 'text/calendar', text: await calendarOf(day, told) });
  };
  return (
    <View className="gap-2">
      <View role="status">{copied ? <T as="small">{say(speaker, 'dayPlan.copied')}</T> : null}</View>
      <View className="flex-row gap-3">
        <Button label={say(speaker, 'dayPlan.print')} onPress={() => window.print()} />
        <Button label={say(speaker, 'dayPlan.calendar')} onPress={() => void calendar()} />
        <Button label={say(speaker, 'dayPlan.crew')} tone="act" grow onPress={() => void toCrew()} />
      </View>
    </View>
  );
}
