import type { ForecastFields } from '@tufa/contract/entities';
import { readForecast, type ReadForecast } from '@tufa/contract/forecastFile';
import { Problem } from '@tufa/core/quantity';
import { say, sayCoded, sayProblem } from '@tufa/words';
import { parse } from 'papaparse';
import { useState } from 'react';
import { View } from 'react-native';
import { now } from '../parts/phone/clock';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { Field } from '../parts/ui/Field';
import { Sheet } from '../parts/ui/Sheet';
import { T } from '../parts/ui/T';

type Rows = readonly Readonly<Record<string, unknown>>[];

/** Rows out of what was pasted: JSON, whole or its hours alone, or a table with headings. */
function rowsOf(text: string): { rows: Rows; invented: boolean } {
  if (/^\s*[[{]/.test(text)) {
    try {
      const told = JSON.parse(text) as { hours?: unknown; invented?: unknown };
      const rows = Array.isArray(told) ? told : told.hours;
      if (Array.isArray(rows) && rows.every((row) => typeof row === 'object' && row !== null)) return { rows: rows as Rows, invented: told.invented === true };
    } catch {
      // Not whole: told below as what has no hours.
    }
    return { rows: [], invented: false };
  }
  return { rows: parse<Record<string, string>>(text.trim(), { header: true, skipEmptyLines: true }).data, invented: false };
}

const HOUR_MS = 3_600_000;

/** A forecast pasted from elsewhere: read as it is typed, and what was done to it told before it is used. */
export function PasteForecast({
  zone,
  onTake,
  onClose,
}: {
  zone: string;
  onTake: (told: Pick<ForecastFields, 'from' | 'hours' | 'source' | 'invented'>) => void;
  onClose: () => void;
}) {
  const speaker = useSpeaker();
  const [text, setText] = useState('');
  let read: (ReadForecast & { invented: boolean }) | null = null;
  let fault: string | undefined;
  if (text.trim() !== '') {
    try {
      const { rows, invented } = rowsOf(text);
      read = { ...readForecast(rows, zone), invented };
      if (Date.parse(read.from) + read.hours.length * HOUR_MS < now()) fault = say(speaker, 'week.past');
    } catch (error) {
      if (!(error instanceof Problem)) throw error;
      fault = sayProblem(speaker, error);
    }
  }
  return (
    <Sheet title={say(speaker, 'week.paste')} onClose={onClose}>
      <T as="small">{say(speaker, 'week.pasteLead')}</T>
      <View className="flex-row">
        <Field label={say(speaker, 'week.pasteField')} value={text} onChange={setText} fault={fault} multiline />
      </View>
      {read?.notes.map((note) => (
        <T key={`${note.code}${note.figures.name ?? ''}`} as="small" tone="caution">
          {sayCoded(speaker, `week.note.${note.code}`, note.figures)}
        </T>
      ))}
      <Button
        writes="forecast.add"
        label={say(speaker, 'week.pasteTake')}
        tone="act"
        disabled={!read || fault !== undefined}
        onPress={() => read && onTake({ from: read.from, hours: read.hours, source: 'pasted', invented: read.invented })}
      />
    </Sheet>
  );
}
